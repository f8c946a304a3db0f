import {
  breakerConstants,
  MOTOR_START_PEAK_FACTOR,
  type BreakerConstants,
  type ThermalConstants,
} from '../reference/breaker-curves.js';
import type { Protection } from '../rig/schema.js';

/** A breaker at the reference temperature: what it carries at each edge, in A. */
export interface BreakerBand {
  readonly pessimistic: number;
  readonly optimistic: number;
}

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
 * 1.45 I_n (IEC 60898-1), or more where the overload is known to end before a trip is guaranteed.
 *
 * @param overloadS Seconds the overload lasts at most; Infinity where that is not known.
 */
export function steadyBand(protection: Protection, overloadS = Infinity): BreakerBand {
  const constants = breakerConstants(protection.curve, protection.amps);
  return {
    pessimistic: protection.amps,
    optimistic: protection.amps * willCarryMultiple(constants, overloadS),
  };
}

/**
 * Current that a warm breaker carries through a start, A rms.
 *
 * Pessimistic: below the may curve and the earliest magnetic release; optimistic: below the will
 * curve and the guaranteed magnetic release. The release answers to the first peaks, so a motor
 * start counts 1.1 times there.
 *
 * @param preloadA What flows before the start, A, at each edge. More than the breaker carries for ever
 * at that edge counts as just that: beyond it the steady limit fails, and says why better.
 * @param seconds Length of the start, s, at each edge.
 * Source: methods.md 4.3 and rule 7; UL 489, IEC 60898-1, from memory.
 */
export function startBand(protection: Protection, preloadA: BreakerBand, seconds: BreakerBand): BreakerBand {
  const { may, will, magnetic, ...constants } = breakerConstants(protection.curve, protection.amps);
  const { amps } = protection;
  const mayMultiple = thermalMultiple(may, Math.min(1, preloadA.pessimistic / amps), seconds.pessimistic);
  const willMultiple = Math.max(
    thermalMultiple(will, preloadA.optimistic / amps, seconds.optimistic),
    seconds.optimistic < constants.slowTripS ? constants.slowBelow : 0,
  );
  return {
    pessimistic: amps * Math.min(mayMultiple, magnetic.may / MOTOR_START_PEAK_FACTOR),
    optimistic: amps * Math.min(willMultiple, magnetic.will / MOTOR_START_PEAK_FACTOR),
  };
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
