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
import { chartOf } from './chart-of';
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
  private readonly theme = inject(ThemeChoice).theme;

  constructor() {
    effect((onCleanup) => {
      this.theme();
      const style = getComputedStyle(document.documentElement);
      const chart = new Chart(
        this.canvas().nativeElement,
        chartOf(this.drawn(), (token) => style.getPropertyValue(token).trim()),
      );
      onCleanup(() => chart.destroy());
    });
  }
}
