import { ChangeDetectionStrategy, Component, type ElementRef, input, viewChild } from '@angular/core';
import { chartOf } from './chart-of';
import { drawChart } from './draw-chart';
import type { PlotDrawn } from './plot-drawn';

/** An ordinary plot: drawn for the eye, and as a table for whoever cannot see it, for print and for the exact figures. */
@Component({
  selector: 'heli-plot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './plot.html',
  styleUrl: './plot.css',
})
export class Plot {
  readonly drawn = input.required<PlotDrawn>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');

  constructor() {
    drawChart(this.canvas, (colour) => chartOf(this.drawn(), colour));
  }
}
