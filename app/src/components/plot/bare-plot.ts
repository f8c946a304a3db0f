import {
  ChangeDetectionStrategy,
  Component,
  effect,
  type ElementRef,
  inject,
  input,
  viewChild,
} from '@angular/core';
import { Chart } from 'chart.js';
import { ThemeChoice } from '../theme';
import { bareChartOf } from './chart-of';
import type { BarePlot } from './plot-drawn';

/** A plot without axes of its own, edge to edge under a ruler that others share. */
@Component({
  selector: 'heli-bare-plot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div [style.height.px]="drawn().height">
      <canvas #canvas role="img" [attr.aria-label]="drawn().spoken"></canvas>
    </div>
  `,
  styles: `
    div {
      position: relative;
    }
  `,
})
export class BarePlotView {
  readonly drawn = input.required<BarePlot>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly theme = inject(ThemeChoice).theme;

  constructor() {
    effect((onCleanup) => {
      this.theme();
      const style = getComputedStyle(document.documentElement);
      const chart = new Chart(
        this.canvas().nativeElement,
        bareChartOf(this.drawn(), (token) => style.getPropertyValue(token).trim()),
      );
      onCleanup(() => chart.destroy());
    });
  }
}
