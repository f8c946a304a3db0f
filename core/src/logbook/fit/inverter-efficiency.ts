import { dcWatts, lossCurve, type LossCurve } from '../../supply/efficiency-curve.js';
import {
  TYPICAL_EFFICIENCY_FULL,
  TYPICAL_EFFICIENCY_PEAK,
  TYPICAL_IDLE_SHARE,
} from '../../reference/inverter-losses.js';
import type { Converter } from '../../rig-file/schema.js';
import { fitLine, lineAt } from './line-fit.js';
import type { LogReading } from '../log-test.js';
import { meanOfReadings, type MeanOfReadings } from '../read/readings-mean.js';

/** What an inverter gave and took in readings of both sides at once. */
export interface MeasuredEfficiency {
  /** On the AC side, W. */
  readonly watts: number;
  /** Out of the battery, W. */
  readonly dcWatts: number;
  /** AC over DC, 0 to 1. */
  readonly efficiency: MeanOfReadings;
}

/**
 * The efficiency of an inverter from readings that have watts on the AC side and volts and amps of the battery.
 *
 * @returns Undefined where no reading has both, or they contradict each other (more out than in).
 */
export function measuredEfficiency(readings: readonly LogReading[]): MeasuredEfficiency | undefined {
  const both = readings.flatMap(({ watts, volts, amps }) =>
    watts !== undefined && volts !== undefined && amps !== undefined && volts * amps > 0
      ? [{ watts, dcWatts: volts * amps }]
      : [],
  );
  const efficiency = meanOfReadings(both.map((each) => each.watts / each.dcWatts));
  if (!efficiency || efficiency.value >= 1 || efficiency.value <= 0) return undefined;
  const mean = (of: (each: (typeof both)[number]) => number): number =>
    both.reduce((sum, each) => sum + of(each), 0) / both.length;
  return { watts: mean((each) => each.watts), dcWatts: mean((each) => each.dcWatts), efficiency };
}

/** Readings whose watts lie within this share of each other are of one load. */
const SAME_LOAD = 0.15;

/** The efficiency at each load that was read, the smallest first. */
export function efficiencyAtLoads(readings: readonly LogReading[]): readonly MeasuredEfficiency[] {
  const sorted = readings
    .filter((each) => measuredEfficiency([each]))
    .sort((a, b) => (a.watts ?? 0) - (b.watts ?? 0));
  const groups: LogReading[][] = [];
  for (const reading of sorted) {
    const group = groups.at(-1);
    const least = group?.[0]?.watts ?? 0;
    if (group && (reading.watts ?? 0) <= least * (1 + SAME_LOAD)) group.push(reading);
    else groups.push([reading]);
  }
  return groups.flatMap((group) => measuredEfficiency(group) ?? []);
}

/** Halvings until the efficiency is known to a millionth. */
const HALVINGS = 24;
const BEST_THINKABLE = 0.999;
/** A load below this share of the rating says nothing of losses beside the idle draw. */
const LEAST_SHARE = 0.02;

/**
 * The best efficiency with which the loss curve of an inverter passes through a measured point, its idle draw and its
 * efficiency at full power standing.
 *
 * @returns Undefined where no such curve passes there: then the idle draw or the full power is what does not agree.
 * Source: the curve of supply/efficiency-curve.ts, solved by halving.
 */
export function peakThrough(
  converter: Converter,
  { watts, efficiency }: Pick<MeasuredEfficiency, 'watts' | 'efficiency'>,
): number | undefined {
  const ratedW = converter.continuousW.value;
  if (watts < LEAST_SHARE * ratedW) return undefined;
  const idleW = converter.idleW?.value ?? TYPICAL_IDLE_SHARE * ratedW;
  const full = converter.efficiencyFull?.value ?? TYPICAL_EFFICIENCY_FULL;
  const at = (peak: number): number => efficiencyAt(lossCurve(ratedW, idleW, peak, full), watts);
  let [low, high] = [full, BEST_THINKABLE];
  if (at(low) > efficiency.value || at(high) < efficiency.value) return undefined;
  for (let step = 0; step < HALVINGS; step += 1) {
    const middle = (low + high) / 2;
    if (at(middle) < efficiency.value) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** An inverter that draws more than this share of its rating with nothing on is not thinkable. */
const MOST_IDLE_SHARE = 0.08;

/**
 * The idle draw with which the loss curve of an inverter passes through a measured point, its best efficiency and that at full
 * power standing: what a point below both of them says.
 *
 * @returns W; undefined where no idle draw from what the rig has on would explain it.
 * Source: the curve of supply/efficiency-curve.ts, solved by halving.
 */
export function idleThrough(
  converter: Converter,
  { watts, efficiency }: Pick<MeasuredEfficiency, 'watts' | 'efficiency'>,
): number | undefined {
  const { idleW, efficiencyPeak, efficiencyFull } = converter;
  const ratedW = converter.continuousW.value;
  const at = (idle: number): number =>
    efficiencyAt(
      lossCurve(
        ratedW,
        idle,
        efficiencyPeak?.value ?? TYPICAL_EFFICIENCY_PEAK,
        efficiencyFull?.value ?? TYPICAL_EFFICIENCY_FULL,
      ),
      watts,
    );
  let [low, high] = [idleW?.value ?? TYPICAL_IDLE_SHARE * ratedW, MOST_IDLE_SHARE * ratedW];
  if (at(low) < efficiency.value || at(high) > efficiency.value) return undefined;
  for (let step = 0; step < HALVINGS; step += 1) {
    const middle = (low + high) / 2;
    if (at(middle) > efficiency.value) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Efficiency of a curve at so many watts of a load that draws no apparent power beside them. */
function efficiencyAt(curve: LossCurve, watts: number): number {
  return watts / dcWatts(curve, watts, watts);
}

/**
 * Idle draw and losses through points at two loads or more: P_dc = idle + P + b P², by least squares of the losses over P².
 *
 * @returns Undefined where the loads lie too near each other, or idle draw or losses would come to less than nothing.
 * Source: the curve of supply/efficiency-curve.ts with a = 1.
 */
export function curveThrough(
  converter: Converter,
  points: readonly Pick<MeasuredEfficiency, 'watts' | 'dcWatts'>[],
): LossCurve | undefined {
  const ratedW = converter.continuousW.value;
  const loads = points.map(({ watts }) => watts);
  if (Math.max(...loads) - Math.min(...loads) < APART_SHARE * ratedW) return undefined;
  const fit = fitLine(
    points.map(({ watts, dcWatts: dc }) => ({ x: watts * watts, y: dc - watts, segment: 0 })),
    0,
  );
  if (!fit) return undefined;
  const idleW = lineAt(fit, 0);
  return idleW >= 0 && fit.slope >= 0 ? { idleW, a: 1, b: fit.slope } : undefined;
}

/** Two loads tell idle draw and losses apart where they lie so far from each other, as a share of the rating. */
const APART_SHARE = 0.1;

/** Best efficiency and efficiency at full power of a curve, as a data sheet would state them. */
export function figuresOfCurve(
  { idleW, a, b }: LossCurve,
  ratedW: number,
): {
  readonly peak: number;
  readonly full: number;
} {
  const full = efficiencyAt({ idleW, a, b }, ratedW);
  // Beyond full power there is no peak to be had.
  const peak = Math.sqrt(idleW / b) < ratedW ? 1 / (a + 2 * Math.sqrt(idleW * b)) : full;
  return { peak, full };
}
