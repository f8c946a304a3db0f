import { isIec, type BreakerCurve } from '../reference/breaker-curves.js';
import { IEC_SIZES_A } from '../reference/iec-60898-sizes.js';
import { CONTINUOUS_FACTOR, STANDARD_SIZES_A } from '../reference/nec-240-sizes.js';

/**
 * The smallest standard breaker or fuse for what runs for hours and what does not: a planning figure, not a design.
 *
 * @param continuousA What runs three hours and more, A; it counts 1.25 times.
 * @param otherA The rest, A.
 * @returns A; undefined above the largest size listed. Source: NEC 210.20(A) and 240.6(A), from memory.
 *
 * @example
 * standardSizeFor(18, 5); // 30: 1.25 x 18 + 5 = 27.5
 */
export function standardSizeFor(continuousA: number, otherA = 0): number | undefined {
  const least = CONTINUOUS_FACTOR * continuousA + otherA;
  return STANDARD_SIZES_A.find((size) => size >= least);
}

/** The sizes in which a breaker of a curve is made, rising, A. Source: NEC 240.6(A) and IEC 60898-1, 5.3.2, from memory. */
export const sizesOfCurve = (curve: BreakerCurve): readonly number[] =>
  isIec(curve) ? IEC_SIZES_A : STANDARD_SIZES_A;
