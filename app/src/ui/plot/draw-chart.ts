import { effect, inject, type ElementRef, type Signal } from '@angular/core';
import { Chart, type ChartConfiguration } from 'chart.js';
import { ThemeChoice } from '../theme';

/** Keeps a chart on a canvas, in the colours of the theme; asked where a component is made. */
export function drawChart(
  canvas: Signal<ElementRef<HTMLCanvasElement>>,
  chart: (colour: (token: string) => string) => ChartConfiguration<'line', { x: number; y: number }[]>,
): void {
  const { theme } = inject(ThemeChoice);
  effect((onCleanup) => {
    theme();
    const style = getComputedStyle(document.documentElement);
    const drawn = new Chart(
      canvas().nativeElement,
      chart((token) => style.getPropertyValue(token).trim()),
    );
    onCleanup(() => drawn.destroy());
  });
}
