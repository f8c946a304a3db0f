import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { formatNumber } from '@heliarch/core/units';
import type { LogTest, TestAnalysed } from '@heliarch/core/logbook';
import { Plot } from '../ui/plot/plot';
import { UnitChoice } from '../parts/unit-choice';
import { LogState } from './log-state';
import { overTimePlot } from './over-time-plot';
import type { PlotWords } from './plot-words';
import { runDownPlot } from './run-down-plot';

/** A test as a plot: a run-down with its line, band and end; anything else as it was read over time. */
@Component({
  selector: 'heli-test-plot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Plot],
  template: `
    @if (drawn(); as drawn) {
      <heli-plot [drawn]="drawn" />
    }
  `,
})
export class TestPlot {
  private readonly state = inject(LogState);
  private readonly units = inject(UnitChoice);
  readonly test = input.required<LogTest>();
  readonly found = input.required<TestAnalysed>();

  protected readonly drawn = computed(() => {
    const [test, { answer }] = [this.test(), this.found()];
    const words: PlotWords = {
      moment: (atS) => this.state.moment(atS, test),
      number: (value) => formatNumber(this.units.numbers, value, 1),
    };
    return answer.kind === 'run-down'
      ? runDownPlot(answer.found, test.wantedAtS, this.state.nowS(), words)
      : overTimePlot(test, words);
  });
}
