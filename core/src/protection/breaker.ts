import {
  breakerConstants,
  isIec,
  MOTOR_START_PEAK_FACTOR,
  type BreakerConstants,
  type ThermalConstants,
} from '../reference/breaker-curves.js';
import { BREAKER_REFERENCE_C, BREAKER_SPAN_K } from '../reference/heat.js';
import type { Edge } from '../units/quantity.js';
import type { Protection } from '../rig-file/schema.js';

/** A breaker and how warm it is where it sits; unknown counts as its reference. */
export interface BreakerInPlace {
  readonly protection: Protection;
  readonly celsius?: number | undefined;
  /** As warm as it may be, where that is not known but for the outdoors. */
  readonly celsiusAtWorst?: number | undefined;
}

/** Amps at each edge and as entered. */
export type BreakerBand = Readonly<Record<Edge, number>>;

/**
 * Seconds until a leaky I-squared-t element trips.
 *
 * t = tau ln((x² - theta0) / (x² - k²)), never if x is at or below k, at once if theta0 has reached k².
 *
 * @param thermal Constants of the curve.
 * @param x Current as a multiple of the rated current, at least 0.
 * @param theta0 Thermal state before, in units of (I/I_n)²; the square of a long preload. Default cold.
 * @returns Seconds, Infinity if never. Source: IEC 60255-149 (formerly 60255-8), thermal characteristic.
 *
 * @example
 * secondsToTrip({ k: 1.05, tauS: 37.22 }, 2); // 12.0, a cold 20 A breaker at 40 A
 * secondsToTrip({ k: 1.05, tauS: 37.22 }, 2, 0.64); // 5.51, after hours at 16 A
 */
export function secondsToTrip(thermal: ThermalConstants, x: number, theta0 = 0): number {
  const limit = thermal.k * thermal.k;
  if (theta0 >= limit) return 0;
  if (x <= thermal.k) return Infinity;
  return thermal.tauS * Math.log((x * x - theta0) / (x * x - limit));
}

/**
 * Current that a breaker carries without a time limit, A.
 *
 * Pessimistic: its rated current. Optimistic: its conventional tripping current, 1.35 I_n (UL 489) or
 * 1.45 I_n (IEC 60898-1), or more where the overload is known to end before a trip is guaranteed. As entered: between
 * the two, the geometric mean of what the standard says it holds and trips at.
 *
 * @param overloadS Seconds the overload lasts at most; Infinity where that is not known.
 * Source: UL 489, IEC 60898-1, from memory; methods.md, rules 7 and 35.
 *
 * @example
 * steadyBand({ protection: { amps: 20, curve: 'ul-489' } }); // 20, 23.2 and 27 A
 */
export function steadyBand(breaker: BreakerInPlace, overloadS = Infinity): BreakerBand {
  const { protection } = breaker;
  const constants = breakerConstants(protection.curve, protection.amps);
  const factor = heatFactors(breaker);
  const usual = protection.amps * Math.sqrt(constants.holds * factor.may * constants.will.k * factor.will);
  return risingBand({
    pessimistic: protection.amps * factor.may,
    stated: Number.isFinite(overloadS) ? Math.max(usual, usualAmps(breaker, 0, overloadS)) : usual,
    optimistic: protection.amps * factor.will * willCarryMultiple(constants, overloadS),
  });
}

/** The curves of a hot or a warm breaker may cross: what is carried at a worse edge is carried at a better one. */
function risingBand({ pessimistic, stated, optimistic }: BreakerBand): BreakerBand {
  const usual = Math.max(pessimistic, stated);
  return { pessimistic, stated: usual, optimistic: Math.max(usual, optimistic) };
}

/**
 * What the heat of a panel leaves of a thermal-magnetic breaker, sqrt(1 - (T - T_ref) / 80 K): never more
 * than its rating on the may curve, since a cold breaker makes no plug stronger.
 *
 * @returns Factors for both curves. Source: common practice (medium to low); reference 40 °C may and 25 °C
 * will for UL 489, 30 °C for IEC 60898-1.
 *
 * @example
 * heatFactors({ protection: { amps: 30, curve: 'ul-489' }, celsius: 60 }).may; // 0.866: 26.0 A
 */
export function heatFactors({ protection, celsius, celsiusAtWorst = celsius }: BreakerInPlace): {
  readonly may: number;
  readonly will: number;
} {
  const reference = isIec(protection.curve) ? BREAKER_REFERENCE_C.iec : BREAKER_REFERENCE_C.ul;
  const factor = (from: number, at: number | undefined): number =>
    at === undefined ? 1 : Math.sqrt(Math.max(0, 1 - (at - from) / BREAKER_SPAN_K));
  return {
    may: Math.min(1, factor(reference.may, celsiusAtWorst)),
    will: factor(reference.will, celsius),
  };
}

/**
 * Current that a warm breaker carries through a start, A rms.
 *
 * Pessimistic: below the may curve and the earliest magnetic release; optimistic: below the will
 * curve and the guaranteed magnetic release. As entered: by the mean of the two times, and of the two releases. The
 * release answers to the first peaks, so a motor start counts 1.1 times there.
 *
 * @param preloadA What flows before the start, A, at each edge. More than the breaker carries for ever
 * at that edge counts as just that: beyond it the steady limit fails, and says why better.
 * @param seconds Length of the start, s, at each edge.
 * @param peak First peak over that of the rms, at each edge: of a motor, unless it is a transformer.
 * Source: methods.md 5, rules 7 and 35; UL 489, IEC 60898-1, from memory.
 */
export function startBand(
  breaker: BreakerInPlace,
  preloadA: BreakerBand,
  seconds: BreakerBand,
  peak: BreakerBand = MOTOR_PEAK,
): BreakerBand {
  const { amps, curve } = breaker.protection;
  const { may, will, magnetic, ...constants } = breakerConstants(curve, amps);
  const heat = heatFactors(breaker);
  const [mayA, willA] = [amps * heat.may, amps * heat.will];
  const mayMultiple = thermalMultiple(may, Math.min(1, preloadA.pessimistic / mayA), seconds.pessimistic);
  const willMultiple = Math.max(
    thermalMultiple(will, preloadA.optimistic / willA, seconds.optimistic),
    seconds.optimistic < constants.slowTripS ? constants.slowBelow : 0,
  );
  const usualRelease = amps * Math.sqrt(magnetic.may * magnetic.will);
  return risingBand({
    pessimistic: Math.min(mayA * mayMultiple, (amps * magnetic.may) / peak.pessimistic),
    stated: Math.min(usualAmps(breaker, preloadA.stated, seconds.stated), usualRelease / peak.stated),
    optimistic: Math.min(willA * willMultiple, (amps * magnetic.will) / peak.optimistic),
  });
}

const MOTOR_PEAK: BreakerBand = {
  pessimistic: MOTOR_START_PEAK_FACTOR,
  stated: MOTOR_START_PEAK_FACTOR,
  optimistic: MOTOR_START_PEAK_FACTOR,
};

const MOST_MULTIPLES = 100;
const BISECTIONS = 30;

/** Amps that it usually carries for so long: where the geometric mean of the times of its two curves is just that. */
function usualAmps(breaker: BreakerInPlace, preloadA: number, seconds: number): number {
  const { amps, curve } = breaker.protection;
  const constants = breakerConstants(curve, amps);
  const heat = heatFactors(breaker);
  const [mayA, willA] = [amps * heat.may, amps * heat.will];
  const mayWarmth = Math.min(1, preloadA / mayA) ** 2;
  const willWarmth = Math.min(Math.sqrt(constants.holds * constants.will.k), preloadA / willA) ** 2;
  const meanSquare = (at: number): number =>
    secondsToTrip(constants.may, at / mayA, mayWarmth) *
    usualSecondsToCertainTrip(constants, at / willA, willWarmth);
  let [carries, trips] = [0, amps * MOST_MULTIPLES];
  for (let step = 0; step < BISECTIONS; step += 1) {
    const middle = (carries + trips) / 2;
    if (meanSquare(middle) >= seconds * seconds) carries = middle;
    else trips = middle;
  }
  return carries;
}

/**
 * The will curve without its step: from the hour at its conventional tripping current to the time at which a trip is
 * promised above, joined on logarithmic scales.
 */
function usualSecondsToCertainTrip(
  { will, slowBelow, slowTripS }: BreakerConstants,
  x: number,
  warmth: number,
): number {
  if (x >= slowBelow) return secondsToTrip(will, x, warmth);
  if (x <= will.k) return slowTripS;
  const share = Math.log(x / will.k) / Math.log(slowBelow / will.k);
  return slowTripS * (secondsToTrip(will, slowBelow, warmth) / slowTripS) ** share;
}

/**
 * Seconds within which a breaker is bound to trip on a steady overload, from cold.
 *
 * @param amps Steady current, A.
 * @returns Seconds; Infinity where no trip is guaranteed. Source: UL 489, IEC 60898-1, from memory.
 */
export function secondsToCertainTrip(protection: Protection, amps: number): number {
  const { will, slowBelow, slowTripS } = breakerConstants(protection.curve, protection.amps);
  const x = amps / protection.amps;
  if (x <= will.k) return Infinity;
  return x < slowBelow ? slowTripS : secondsToTrip(will, x);
}

/** The multiple at which an element that has been warmed by a long preload trips after just so long. */
function thermalMultiple({ k, tauS }: ThermalConstants, preloadMultiple: number, seconds: number): number {
  const theta0 = Math.min(preloadMultiple ** 2, k * k);
  const left = Math.exp(-seconds / tauS);
  return Math.sqrt((k * k - theta0 * left) / (1 - left));
}

function willCarryMultiple({ will, slowBelow, slowTripS }: BreakerConstants, overloadS: number): number {
  if (!Number.isFinite(overloadS)) return will.k;
  return Math.max(thermalMultiple(will, 0, overloadS), overloadS < slowTripS ? slowBelow : will.k);
}
