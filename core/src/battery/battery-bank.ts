import { PERCENT } from '../units/conversion-factors.js';
import type { Interval } from '../units/quantity.js';
import {
  COLD_FACTORS,
  LOW_CHARGE_FACTOR,
  LOW_CHARGE_PERCENT,
  NOMINAL_OF_TWELVE,
  PEUKERT,
  REFERENCE_AMP_HOURS,
  RESISTANCE_OHMS,
  REST_VOLTS,
  SHORT_START_OHMS,
  SHORT_START_S,
  USUAL_BATTERY_C,
  USUAL_RATED_HOURS,
  type Chemistry,
} from '../reference/batteries.js';

/** Linear between points, flat outside of them. */
export function onLine(points: readonly (readonly [x: number, y: number])[], x: number): number {
  const after = points.findIndex(([at]) => at >= x);
  const right = points[after];
  const left = points[after - 1];
  if (!right) return points.at(-1)?.[1] ?? 0;
  if (!left) return right[1];
  return left[1] + ((x - left[0]) / (right[0] - left[0])) * (right[1] - left[1]);
}

/**
 * How much a cold battery's resistance exceeds that at 25 °C.
 *
 * @example
 * coldFactor('lfp', 0); // 2.5
 */
export function coldFactor(chemistry: Chemistry, celsius: number): number {
  return onLine(COLD_FACTORS[chemistry], celsius);
}

/** What the resistance of a battery depends on beside its size. */
export interface BatteryState {
  readonly celsius?: number | undefined;
  /** State of charge, percent. */
  readonly percent?: Interval;
  /** Seconds it is asked for, at most: a short start sees less. */
  readonly seconds?: number;
}

/**
 * Resistance of a battery where its own is not known, ohm.
 *
 * @param nominalV Of the whole battery: two 12 V in series have twice the resistance.
 * @returns Low, usual and high. Source: common practice, no published source; goes with volts over amp-hours.
 */
export function typicalOhms(
  chemistry: Chemistry,
  nominalV: number,
  ampHours: number,
  { celsius = USUAL_BATTERY_C, percent, seconds = Infinity }: BatteryState = {},
): Interval {
  const twelves = nominalV / NOMINAL_OF_TWELVE[chemistry];
  const factor = ((twelves * REFERENCE_AMP_HOURS) / ampHours) * coldFactor(chemistry, celsius);
  const short = seconds < SHORT_START_S ? SHORT_START_OHMS[chemistry] : undefined;
  const { low, usual, high } = short ?? RESISTANCE_OHMS[chemistry];
  const at = (ohms: number, charge: number | undefined): number =>
    ohms * factor * lowChargeFactor(chemistry, charge);
  return { lo: at(low, percent?.hi), stated: at(usual, percent?.stated), hi: at(high, percent?.lo) };
}

/** How much the resistance of a nearly empty battery exceeds its usual one. */
export function lowChargeFactor(chemistry: Chemistry, percent: number | undefined): number {
  return percent !== undefined && percent < LOW_CHARGE_PERCENT[chemistry] ? LOW_CHARGE_FACTOR : 1;
}

/**
 * Rested volts of a battery at a charge.
 *
 * @param percent State of charge, 0 to 100.
 * @returns V. Source: common practice (LFP, AGM), BCI figures (flooded), from memory.
 */
export function restVolts(chemistry: Chemistry, nominalV: number, percent: number): number {
  return (onLine(REST_VOLTS[chemistry], percent) * nominalV) / NOMINAL_OF_TWELVE[chemistry];
}

/**
 * State of charge by rested volts. Of LFP between 30 and 95 % it decides nothing: the curve is flat.
 *
 * @example
 * chargeFromRestVolts('flooded', 12, 12.33); // 60.7
 */
export function chargeFromRestVolts(chemistry: Chemistry, nominalV: number, volts: number): number {
  const twelve = (volts * NOMINAL_OF_TWELVE[chemistry]) / nominalV;
  const points = REST_VOLTS[chemistry].map(([percent, at]): readonly [number, number] => [at, percent]);
  return Math.min(PERCENT, Math.max(0, onLine(points, twelve)));
}

/**
 * Shares of the current among parallel batteries of equal open-circuit volts.
 *
 * @param ohms Resistance of each with its own cable, above 0.
 * @returns Shares that add up to 1. Source: physics, I_i = I (1/R_i) / sum(1/R).
 */
export function parallelShares(ohms: readonly number[]): readonly number[] {
  const sum = ohms.reduce((total, each) => total + 1 / each, 0);
  return ohms.map((each) => 1 / each / sum);
}

/**
 * What a bank carries when one of its batteries takes more than its share: the first to trip throws all
 * on the rest.
 *
 * @param limits Amps of each battery.
 * @param shares Shares that add up to 1.
 *
 * @example
 * bankLimit([100, 100], [0.55, 0.45]); // 181.8, not 200
 */
export function bankLimit(limits: readonly number[], shares: readonly number[]): number {
  return Math.min(...limits.map((limit, index) => limit / (shares[index] ?? 1)));
}

/**
 * Current as two batteries of different volts are joined, A.
 *
 * @example
 * joiningAmps(1.4, 0.016); // 87.5
 */
export function joiningAmps(differenceV: number, ohms: number): number {
  return differenceV / ohms;
}

/**
 * Hours a battery lasts at a constant current, by Peukert; never more amp-hours than it was rated for.
 *
 * @param ampHours Rated capacity, Ah, at the rate of `ratedHours`.
 * @param exponent 1 and above; by default usual for the chemistry.
 * @returns h. Source: Peukert 1897; constant current at 25 °C only.
 *
 * @example
 * peukertHours({ ampHours: 200, ratedHours: 20, amps: 50, exponent: 1.2 }); // 2.899
 */
export function peukertHours({
  ampHours,
  ratedHours = USUAL_RATED_HOURS,
  amps,
  exponent,
}: {
  readonly ampHours: number;
  readonly ratedHours?: number | undefined;
  readonly amps: number;
  readonly exponent: number;
}): number {
  const hours = ratedHours * (ampHours / (amps * ratedHours)) ** exponent;
  return Math.min(hours, ampHours / amps);
}

/**
 * What a battery holds at a current, Ah: less than it was rated for where it is drawn on faster.
 *
 * @param exponent Of Peukert, 1 and above.
 *
 * @example
 * ampHoursAt({ ampHours: 200, amps: 50, exponent: 1.2 }); // 145
 */
export function ampHoursAt(drawn: Parameters<typeof peukertHours>[0]): number {
  return drawn.amps > 0 ? peukertHours(drawn) * drawn.amps : drawn.ampHours;
}

/** The usual Peukert exponent of a chemistry; 1 where it is not known. */
export function usualPeukert(chemistry: Chemistry | undefined): number {
  return chemistry ? PEUKERT[chemistry].usual : 1;
}
