import type { Interval } from '../units/quantity.js';
import type { UsualRange } from '../reference/kinds-of-parts.js';
import { magnitude } from '../units/magnitude.js';

/** A DC source behind a resistance: what a battery, its cable and its contacts are to an inverter. */
export interface ResistiveSource {
  /** Open-circuit voltage, V, above 0. */
  readonly openV: number;
  /** Whole resistance of the path, ohm, at least 0. */
  readonly ohms: number;
}

/**
 * Current that a constant power draws from a resistive source: the stable one of the two solutions.
 *
 * I = 2P / (V + sqrt(V² - 4RP)), which stays exact as R goes to 0.
 *
 * @param watts Power, W, at least 0.
 * @returns A; undefined where no current gives that power: the voltage collapses.
 * Source: physics, from P = (V - R I) I.
 *
 * @example
 * dcAmps({ openV: 13.1, ohms: 0.006 }, 2202); // 183.5
 */
export function dcAmps({ openV, ohms }: ResistiveSource, watts: number): number | undefined {
  const root = openV * openV - 4 * ohms * watts;
  return root < 0 ? undefined : (2 * watts) / (openV + Math.sqrt(root));
}

/** Most power a resistive source can give, W, at half its open-circuit voltage. */
export function collapseWatts({ openV, ohms }: ResistiveSource): number {
  return ohms === 0 ? Infinity : (openV * openV) / (4 * ohms);
}

/**
 * Most power until the voltage falls to a cut-off, W: never more than the collapse.
 *
 * @param cutOffV V; below half the open-circuit voltage the collapse comes first.
 *
 * @example
 * cutOffWatts({ openV: 12.2, ohms: 0.02 }, 10.5); // 892.5, where it would collapse at 1,860
 */
export function cutOffWatts(source: ResistiveSource, cutOffV: number): number {
  const { openV, ohms } = source;
  if (cutOffV >= openV) return 0;
  if (cutOffV <= openV / 2 || ohms === 0) return collapseWatts(source);
  return (cutOffV * (openV - cutOffV)) / ohms;
}

/**
 * RMS of a doubtful DC current whose ripple is in doubt too: the two doubts combine as those of a product, each side on its
 * own, never beyond the product of the ends.
 *
 * @param amps Mean current, A.
 * @param ripple Peak of the part at twice the frequency over the mean.
 * @returns A. Source: physics; JCGM 100:2008, 5.1.6 (methods.md, rule 49).
 *
 * @example
 * // 200 A without doubt, ripple 0.5 (0.3 to 0.7): 212 A, 204 to 223 A
 */
export function rippledAmps(amps: Interval, ripple: UsualRange): Interval {
  const [low, usual, high] = [ripple.low, ripple.usual, ripple.high].map((each) =>
    rmsWithRipple(1, each),
  ) as [number, number, number];
  const stated = amps.stated * usual;
  if (stated === 0) return { lo: amps.lo * low, stated, hi: amps.hi * high };
  const down = magnitude(1 - amps.lo / amps.stated, 1 - low / usual);
  const up = magnitude(amps.hi / amps.stated - 1, high / usual - 1);
  return {
    lo: Math.max(amps.lo * low, stated * (1 - down)),
    stated,
    hi: Math.min(amps.hi * high, stated * (1 + up)),
  };
}

/**
 * RMS of the DC current of a single-phase inverter: what fuses and cables heat by.
 *
 * @param ripple Peak of the part at twice the frequency over the mean, 0 to 1.
 * @returns A. Source: physics.
 */
export function rmsWithRipple(amps: number, ripple: number): number {
  return amps * Math.sqrt(1 + (ripple * ripple) / 2);
}
