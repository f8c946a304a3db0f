import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { formatNumber } from '@heliarch/core';
import { countingReadings, type LogTest, type TestAnalysed } from '@heliarch/core/logging';
import { Plot } from '../components/plot/plot';
import type { PlotDrawn, PlotLine, PlotPoint } from '../components/plot/plot-drawn';
import { UnitChoice } from '../components/unit-choice';
import { LogState } from './log-state';
import { thinned } from './thinned';

const SECONDS_PER_HOUR = 3600;
const HEIGHT_PX = 230;
/** More points than a screen has columns are not seen. */
const MOST_POINTS = 1200;
const MOST_ROWS = 40;
const TICKS = 6;
const STEPS_OF_BAND = 24;

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

  protected readonly drawn = computed((): PlotDrawn | undefined => {
    const { answer } = this.found();
    return answer.kind === 'run-down' ? this.runDown() : this.overTime();
  });

  /** Charge as shown and as joined, the line with its band, and the reserve that it runs into. */
  private runDown(): PlotDrawn | undefined {
    const { answer } = this.found();
    if (answer.kind !== 'run-down') return undefined;
    const { charge, byCharge, reservePercent, predicted } = answer.found;
    if (!charge || !byCharge) return undefined;
    const { fit, fromS } = byCharge;
    const reached = byCharge.reserveAtS;
    const endS = reached ? (Number.isFinite(reached.hi) ? reached.hi : reached.stated) : this.state.nowS();
    const wantedS = this.test().wantedAtS ?? 0;
    const to = (Math.max(endS, wantedS) - fromS) / SECONDS_PER_HOUR;
    const at = (x: number): number => fit.meanY + fit.slope * (x - fit.meanX);
    const half = (x: number): number => bandAt(answer.found, x);
    const steps = Array.from({ length: STEPS_OF_BAND + 1 }, (_, step) => (to * 1.04 * step) / STEPS_OF_BAND);
    const band = (sign: number): readonly PlotPoint[] =>
      steps.map((x) => ({ x, y: clamp(at(x) + sign * half(x)) }));
    const joined = charge.shown.map(({ x, y, segment }) => ({ x, y: y - (fit.offsets.get(segment) ?? 0) }));
    const isMoved = ({ segment }: { readonly segment: number }): boolean =>
      Math.abs(fit.offsets.get(segment) ?? 0) > 0.05;
    const endX = reached && (reached.stated - fromS) / SECONDS_PER_HOUR;
    const predictedX = predicted && (predicted.reserveAtS - fromS) / SECONDS_PER_HOUR;
    const first = joined[0] ?? { x: 0, y: 100 };
    // The first is drawn on top; the band fills to the line behind it.
    const lines: readonly PlotLine[] = [
      ...(endX === undefined ? [] : [{ look: 'here' as const, points: [{ x: endX, y: reservePercent }] }]),
      { look: 'dots', points: thinned(joined, MOST_POINTS) },
      { look: 'hollow-dots', points: thinned(charge.shown.filter(isMoved), MOST_POINTS) },
      {
        look: 'line',
        points: steps.map((x) => ({ x, y: clamp(at(x)) })).filter(({ y }) => y >= reservePercent),
      },
      ...(predictedX === undefined
        ? []
        : [{ look: 'light-line' as const, points: [first, { x: predictedX, y: reservePercent }] }]),
      ...(wantedS > 0
        ? [{ look: 'light-line' as const, points: wantedLine((wantedS - fromS) / SECONDS_PER_HOUR) }]
        : []),
      {
        look: 'ceiling',
        points: [
          { x: 0, y: reservePercent },
          { x: to * 1.04, y: reservePercent },
        ],
      },
      { look: 'band', points: band(1) },
      { look: 'edge', points: band(-1) },
    ];
    return {
      spoken: `Charge over time by ${charge.shown.length} readings; ${reached ? `the reserve of ${reservePercent} % is reached at ${this.moment(reached.stated)}` : 'no end yet'}.`,
      height: HEIGHT_PX,
      x: { label: '', from: 0, to: to * 1.04, ...this.hours(to) },
      y: { label: '%', from: 0, to: 100 },
      lines,
      labels: [
        ...(endX === undefined || !reached
          ? []
          : [
              {
                x: endX,
                y: reservePercent,
                words: this.moment(reached.stated),
                side: 'left' as const,
                isBelow: true,
              },
            ]),
        ...(wantedS > 0
          ? [
              {
                x: (wantedS - fromS) / SECONDS_PER_HOUR,
                y: 96,
                words: `wanted ${this.moment(wantedS)}`,
                side: 'left' as const,
              },
            ]
          : []),
        ...(predictedX !== undefined && predictedX < to
          ? [{ x: predictedX, y: reservePercent, words: 'predicted', side: 'middle' as const }]
          : []),
      ],
      table: {
        heads: ['Time', 'Shown, %', 'Joined, %'],
        rows: charge.shown
          .slice(0, MOST_ROWS)
          .map(({ x, y }, index) => [
            this.moment(fromS + x * SECONDS_PER_HOUR),
            this.number(y),
            this.number(joined[index]?.y ?? y),
          ]),
      },
    };
  }

  private overTime(): PlotDrawn | undefined {
    const readings = countingReadings(this.test());
    const column = (['watts', 'percent', 'wattHours', 'amps', 'volts'] as const).find(
      (each) => readings.filter((reading) => reading[each] !== undefined).length > 1,
    );
    const [first, last] = [readings[0], readings.at(-1)];
    if (!column || !first || !last || last.atS <= first.atS) return undefined;
    const points = readings.flatMap((reading): readonly PlotPoint[] => {
      const y = reading[column];
      return y === undefined ? [] : [{ x: (reading.atS - first.atS) / SECONDS_PER_HOUR, y }];
    });
    const to = (last.atS - first.atS) / SECONDS_PER_HOUR;
    const unit = { watts: 'W', percent: '%', wattHours: 'Wh', amps: 'A', volts: 'V' }[column];
    const isLog = (this.test().trace?.atS.length ?? 0) > 0;
    return {
      spoken: `${points.length} readings in ${unit} over time.`,
      height: HEIGHT_PX,
      x: { label: '', from: 0, to, ...this.hours(to) },
      y: { label: unit, from: column === 'volts' ? undefined : 0 } as PlotDrawn['y'],
      lines: [{ look: isLog ? 'line' : 'dots', points: thinned(points, MOST_POINTS) }],
      table: {
        heads: ['Time', unit],
        rows: points
          .slice(0, MOST_ROWS)
          .map(({ x, y }) => [this.moment(first.atS + x * SECONDS_PER_HOUR), this.number(y)]),
      },
    };
  }

  private hours(to: number): {
    readonly ticks: readonly number[];
    readonly tickWords: (value: number) => string;
  } {
    const { begunAtS } = this.test();
    const startS = this.startS() ?? begunAtS;
    const step = [0.25, 0.5, 1, 2, 3, 4, 6, 12, 24, 48].find((each) => to / each <= TICKS) ?? 96;
    // On round hours of the clock.
    const offset = new Date(startS * 1000).getTimezoneOffset() * 60;
    const localHours = (startS - offset) / SECONDS_PER_HOUR;
    const first = Math.ceil(localHours / step) * step - localHours;
    const ticks = Array.from(
      { length: Math.floor((to - first) / step) + 1 },
      (_, index) => first + index * step,
    );
    return { ticks, tickWords: (value) => this.moment(startS + value * SECONDS_PER_HOUR) };
  }

  private startS(): number | undefined {
    const { answer } = this.found();
    if (answer.kind === 'run-down') return answer.found.byCharge?.fromS;
    return countingReadings(this.test())[0]?.atS;
  }

  private moment(atS: number): string {
    return this.state.moment(atS, this.test());
  }

  private number(value: number): string {
    return formatNumber(this.units.numbers, value, 1);
  }
}

const clamp = (value: number): number => Math.min(100, Math.max(0, value));

const wantedLine = (x: number): readonly PlotPoint[] => [
  { x, y: 0 },
  { x, y: 92 },
];

/** Half of the band at x, by the two ends of the interval at the reserve and the scatter of the line. */
function bandAt(
  { byCharge }: Extract<TestAnalysed['answer'], { kind: 'run-down' }>['found'],
  x: number,
): number {
  if (!byCharge) return 0;
  const { fit, perHour } = byCharge;
  // The interval of the slope is t times its standard error: the same t holds for the band.
  const ofSlope = (perHour.hi - perHour.lo) / 2;
  const t = fit.scatter > 0 ? (ofSlope * Math.sqrt(fit.sumXX)) / fit.scatter : 0;
  return t * fit.scatter * Math.sqrt(1 / fit.weight + (x - fit.meanX) ** 2 / fit.sumXX);
}
