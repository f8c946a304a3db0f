import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { givenWords } from '@heliarch/core/logbook';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { BasisMark } from '../parts/basis-mark';
import { UnitChoice } from '../parts/unit-choice';
import { VerdictMark } from '../parts/verdict-mark';
import { LogState } from './log-state';

const MOST_LINES = 6;

/** The numbers that a test gives to the rig, what they replace, and which verdicts change. */
@Component({
  selector: 'heli-given-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BasisMark, NzButtonComponent, VerdictMark],
  templateUrl: './given-list.html',
  styleUrl: './given-list.css',
})
export class GivenList {
  protected readonly state = inject(LogState);
  private readonly units = inject(UnitChoice);

  protected readonly numbers = computed(() =>
    this.state.offered().map((offered) => ({
      offered,
      ...givenWords(this.units.numbers, this.state.rig(), offered.given, offered.change),
      basis: offered.change.before?.basis,
      isUsed: this.state.isUsed(offered),
    })),
  );
  private readonly changes = computed(() => this.state.changes()?.given?.value);
  protected readonly changed = computed(() => {
    const all = this.changes()?.changed ?? [];
    return { lines: all.slice(0, MOST_LINES), more: Math.max(0, all.length - MOST_LINES), count: all.length };
  });
  protected readonly looked = computed(() => this.changes()?.looked ?? 0);
  protected readonly closest = computed(() => this.changes()?.closest);
  protected readonly isSimulated = computed(() => this.state.test()?.simulated === 'yes');
}
