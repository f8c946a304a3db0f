import { ChangeDetectionStrategy, Component, type ElementRef, input, viewChild } from '@angular/core';
import { bareChartOf } from './chart-of';
import { drawChart } from './draw-chart';
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

  constructor() {
    drawChart(this.canvas, (colour) => bareChartOf(this.drawn(), colour));
  }
}
