import { UnitChoice } from '../../components/unit-choice';
import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  viewChild,
} from '@angular/core';
import { formatAmount, formatNumber, wattsInState, type Load, type Rig } from '@heliarch/core';
import {
  CategoryScale,
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
} from 'chart.js';

Chart.register(CategoryScale, Filler, LinearScale, LineController, LineElement, PointElement);
Chart.defaults.font.family = "'Barlow Semi Condensed', sans-serif";

const MINUTES_PER_HOUR = 60;
const WH_PER_KWH = 1000;

/** A programme over its hours: what it draws in each stage. */
@Component({
  selector: 'heli-stages-plot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="figures">{{ sum() }}</p>
    <div class="plot">
      <canvas #canvas role="img" [attr.aria-label]="'Watts over the stages. ' + sum()"></canvas>
    </div>
  `,
  styles: `
    .plot {
      position: relative;
      height: 110px;
      max-width: 560px;
    }
    p {
      padding: 6px 0;
      color: var(--ink-2);
      font-size: 14px;
    }
  `,
})
export class StagesPlot {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly rig = input.required<Rig>();
  readonly load = input.required<Load>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');

  private readonly stages = computed(() =>
    (this.load().programme?.stages ?? []).reduce<readonly Stage[]>((before, { state, minutes }) => {
      const from = before.at(-1)?.to ?? 0;
      const watts = wattsInState(this.rig(), this.load(), state);
      return [...before, { from, to: from + minutes, watts }];
    }, []),
  );

  protected readonly sum = computed(() => {
    const stages = this.stages();
    const minutes = stages.at(-1)?.to ?? 0;
    const wattHours = stages.reduce(
      (sum, { from, to, watts }) => sum + (watts * (to - from)) / MINUTES_PER_HOUR,
      0,
    );
    const most = Math.max(0, ...stages.map(({ watts }) => watts));
    return `${formatNumber(this.numberStyle, minutes / MINUTES_PER_HOUR, 1)} h in ${stages.length} stages, at most ${formatAmount(this.numberStyle, most, 'W')}, ${formatNumber(this.numberStyle, wattHours / WH_PER_KWH, 2)} kWh.`;
  });

  constructor() {
    effect((onCleanup) => {
      const style = getComputedStyle(document.documentElement);
      const colour = (name: string): string => style.getPropertyValue(name).trim();
      const chart = new Chart(this.canvas().nativeElement, {
        type: 'line',
        data: {
          datasets: [
            {
              data: this.stages().flatMap(({ from, to, watts }) => [
                { x: from / MINUTES_PER_HOUR, y: watts },
                { x: to / MINUTES_PER_HOUR, y: watts },
              ]),
              borderColor: colour('--ink'),
              backgroundColor: colour('--tone'),
              borderWidth: 1.5,
              pointRadius: 0,
              fill: 'origin',
            },
          ],
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: {
              type: 'linear',
              title: { display: true, text: 'h', color: colour('--ink-2') },
              ticks: { color: colour('--ink-2') },
              grid: { display: false },
            },
            y: {
              beginAtZero: true,
              ticks: { color: colour('--ink-2'), maxTicksLimit: 4 },
              grid: { color: colour('--rule') },
            },
          },
        },
      });
      onCleanup(() => chart.destroy());
    });
  }
}

interface Stage {
  readonly from: number;
  readonly to: number;
  readonly watts: number;
}
