import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  formatAmount,
  formatDuration,
  formatNumber,
  formatSeconds,
  type Interval,
  type NumberStyle,
  PERCENT,
} from '@heliarch/core/units';
import type { Limit } from '@heliarch/core/check';
import { limitCurveOf, type LimitCurve } from '@heliarch/core/explain';
import { UnitChoice } from './unit-choice';
import { Plot } from '../ui/plot/plot';
import type { PlotDrawn } from '../ui/plot/plot-drawn';

const HEIGHT_PX = 180;
const MINUTE_S = 60;
const HOUR_S = 3600;
const THREE_HOURS_S = 3 * HOUR_S;
const TOP_S = 10 * HOUR_S;
const TICKS_S = [0.01, 0.1, 1, 10, 60, 600, HOUR_S];
const AMPS_STEPS = [1, 2, 5];
const MOST_DECADES = 5;
/** Of many drawn points the table has one in so many. */
const TABLE_STEP = 8;

/** The curve a limit comes from, with the place of the set on it; nothing where a limit is a plain number. */
@Component({
  selector: 'heli-limit-plot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Plot],
  template: `
    @if (drawn(); as drawn) {
      <heli-plot [drawn]="drawn" />
    }
  `,
})
export class LimitPlot {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly limit = input.required<Limit>();
  protected readonly drawn = computed(() => {
    const curve = limitCurveOf(this.limit());
    if (!curve) return undefined;
    return curve.kind === 'breaker'
      ? breakerPlot(this.numberStyle, curve)
      : efficiencyPlot(this.numberStyle, curve);
  });
}

/** When a breaker may trip and when it must, over the current, both logarithmic. */
function breakerPlot(
  style: NumberStyle,
  { may, will, amps, seconds }: Extract<LimitCurve, { kind: 'breaker' }>,
): PlotDrawn {
  const lasting = Math.min(THREE_HOURS_S, seconds.hi);
  const span = Number.isFinite(seconds.hi) ? `for ${formatSeconds(style, seconds.hi)}` : 'for hours';
  const at = (points: typeof may): readonly { x: number; y: number }[] =>
    points.map((point) => ({ x: point.amps, y: point.seconds }));
  const lowest = Math.min(amps.lo, may[0]?.amps ?? amps.lo) * 0.8;
  return {
    spoken: `${range(style, amps, 'A')} ${span}, against the curves of the breaker: left of the first it holds, right of the second it is bound to trip.`,
    height: HEIGHT_PX,
    x: {
      label: 'A',
      isLog: true,
      from: lowest,
      to: may.at(-1)?.amps ?? 1,
      ticks: roundAmps(lowest, may.at(-1)?.amps ?? 1),
      tickWords: (value) => formatNumber(style, value, 0),
    },
    y: {
      label: '',
      isLog: true,
      from: TICKS_S[0] ?? 0,
      to: TOP_S,
      ticks: TICKS_S,
      tickWords: (value) => timeWords(style, value),
    },
    lines: [
      { look: 'line', points: at(may) },
      { look: 'light-line', points: at(will) },
      {
        look: 'here',
        points: [
          { x: Math.max(lowest, amps.lo), y: lasting },
          { x: amps.hi, y: lasting },
        ],
      },
    ],
    labels: [
      { ...placeAt(may), words: 'may trip', side: 'left', isBelow: true },
      { ...placeAt(will), words: 'bound to trip', side: 'right' },
    ],
    table: {
      heads: ['A', 'May trip after', 'Bound to trip within'],
      rows: may
        .filter((_, index) => index % TABLE_STEP === 0)
        .map(({ amps: current, seconds: early }) => [
          formatNumber(style, current, 0),
          timeWords(style, early),
          lateWords(style, will, current),
        ]),
    },
  };
}

function lateWords(
  style: NumberStyle,
  will: Extract<LimitCurve, { kind: 'breaker' }>['will'],
  current: number,
): string {
  const before = will.filter(({ amps }) => amps <= current).at(-1);
  return before ? timeWords(style, before.seconds) : 'never';
}

/** A third of the way down a curve there is room beside it. */
function placeAt(points: readonly { readonly amps: number; readonly seconds: number }[]): {
  readonly x: number;
  readonly y: number;
} {
  const { amps, seconds } = points[Math.floor(points.length / 3)] ?? { amps: 1, seconds: 1 };
  return { x: amps, y: seconds };
}

function timeWords(style: NumberStyle, seconds: number): string {
  return seconds < MINUTE_S ? formatSeconds(style, seconds) : formatDuration(seconds);
}

function roundAmps(from: number, to: number): readonly number[] {
  return Array.from({ length: MOST_DECADES }, (_, decade) => AMPS_STEPS.map((step) => step * 10 ** decade))
    .flat()
    .filter((amps) => amps >= from && amps <= to);
}

/** What comes out of what goes in, over the output. */
function efficiencyPlot(
  style: NumberStyle,
  { points, watts }: Extract<LimitCurve, { kind: 'efficiency' }>,
): PlotDrawn {
  const shareAt = (at: number): number =>
    points.find((point) => point.watts >= at)?.share ?? points.at(-1)?.share ?? 0;
  const percent = (share: number): string => `${formatNumber(style, share * PERCENT, 0)} %`;
  return {
    spoken: `Of what the inverter takes, ${percent(shareAt(watts.stated))} comes out at ${formatAmount(style, watts.stated, 'W')} and power factor 1.`,
    height: HEIGHT_PX,
    x: {
      label: 'W',
      from: 0,
      to: points.at(-1)?.watts ?? 1,
      tickWords: (value) => formatNumber(style, value, 0),
    },
    y: { label: '', from: 0.6, to: 1, ticks: [0.6, 0.7, 0.8, 0.9, 1], tickWords: percent },
    lines: [
      { look: 'line', points: points.map((point) => ({ x: point.watts, y: point.share })) },
      {
        look: 'here',
        points: [watts.lo, watts.hi].map((at) => ({ x: at, y: shareAt(at) })),
      },
    ],
    labels: [
      {
        x: watts.stated,
        y: shareAt(watts.stated),
        words: `${percent(shareAt(watts.stated))} at ${formatAmount(style, watts.stated, 'W')}`,
        side: 'right',
        isBelow: true,
      },
    ],
    table: {
      heads: ['Output at power factor 1', 'Comes out'],
      rows: points
        .filter((_, index) => index % TABLE_STEP === TABLE_STEP - 1)
        .map((point) => [formatAmount(style, point.watts, 'W'), percent(point.share)]),
    },
  };
}

function range(style: NumberStyle, { lo, hi }: Interval, unit: string): string {
  return hi > lo
    ? `${formatAmount(style, lo, unit)} to ${formatAmount(style, hi, unit)}`
    : formatAmount(style, hi, unit);
}
