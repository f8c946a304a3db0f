import type { Interval } from '../units/quantity.js';

/** Legs on whose neutral more may flow than either breaker sees: on one pole, or 120 degrees apart. */
export type SharingLegs = 'in-phase' | 'wye-208';

/** A leg as its sums say it: amps, and the angle by which they lag, at the edges. */
export interface LegCurrent {
  readonly amps: Interval;
  /** Radians, 0 to a quarter turn. */
  readonly angle: Interval;
}

const THIRD_OF_A_TURN = (2 * Math.PI) / 3;

/**
 * What the neutral of two legs may carry that do not oppose: phase angles and harmonics are not known.
 *
 * @returns A: their sum on one pole; on 208 V the sum of the phasors, their
 * angles apart as far as the power factors allow, in whichever order the phases turn.
 * Source: physics; methods.md, rule 12.
 *
 * @example
 * // 208 V, 20 A at power factor 1 beside 20 A at 0.5: up to 34.6 A, where equal power factors give 20 A
 */
export function neutralBound(legs: SharingLegs, one: LegCurrent, two: LegCurrent): Interval {
  const apart = Math.max(one.angle.hi - two.angle.lo, two.angle.hi - one.angle.lo, 0);
  if (legs === 'in-phase')
    return {
      lo: leastAt(one.amps.lo, two.amps.lo, Math.min(Math.PI, apart)),
      stated: one.amps.stated + two.amps.stated,
      hi: one.amps.hi + two.amps.hi,
    };
  const stated = Math.abs(one.angle.stated - two.angle.stated);
  const at = (a: number, b: number, angle: number): number =>
    Math.sqrt(Math.max(0, a * a + b * b + 2 * a * b * Math.cos(angle)));
  return {
    lo: leastAt(one.amps.lo, two.amps.lo, Math.min(Math.PI, THIRD_OF_A_TURN + apart)),
    stated: at(one.amps.stated, two.amps.stated, THIRD_OF_A_TURN - stated),
    hi: mostAt(one.amps, two.amps, Math.max(0, THIRD_OF_A_TURN - apart)),
  };
}

/** Less in a leg may be more in the neutral, up to what the other leg carries alone. */
function mostAt(one: Interval, two: Interval, angle: number): number {
  const at = (a: number, b: number): number => Math.sqrt(a * a + b * b + 2 * a * b * Math.cos(angle));
  return Math.max(at(one.hi, two.hi), at(one.hi, two.lo), at(one.lo, two.hi));
}

/** The least for legs of at least so much: more in the smaller one may be less in the neutral. */
export function leastAt(a: number, b: number, angle: number): number {
  const larger = Math.max(a, b);
  const smaller = Math.min(a, b);
  const cos = Math.cos(angle);
  const best = cos < 0 ? Math.max(smaller, -larger * cos) : smaller;
  return Math.sqrt(Math.max(0, larger * larger + best * best + 2 * larger * best * cos));
}
