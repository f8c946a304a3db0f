import type { Quantity } from './quantity.js';
import { magnitude } from './magnitude.js';

/** Arithmetic of quantities whose half-widths are entered; both sides are read at their edges. */

/** A quantity times a number of at least 0, its doubt with it. */
export function scaleQuantity(quantity: Quantity, factor: number): Quantity {
  const { value, minus = 0, plus = 0 } = quantity;
  return { ...quantity, value: value * factor, minus: minus * factor, plus: plus * factor };
}

/** The difference of two quantities; it is known as the first one is. */
export function subtractQuantity(a: Quantity, b: Quantity): Quantity {
  return {
    ...a,
    value: a.value - b.value,
    minus: (a.minus ?? 0) + (b.plus ?? 0),
    plus: (a.plus ?? 0) + (b.minus ?? 0),
  };
}

/** A factor with the range it is found in. */
export interface FactorRange {
  readonly low: number;
  readonly usual: number;
  readonly high: number;
}

/**
 * A quantity times an independent doubtful factor: relative half-widths combine as the root of their squares,
 * each side on its own, never beyond the product of the ends.
 *
 * @param factor Above 0.
 * @returns Known as the quantity is, and with what it depends on. Source: JCGM 100:2008 (GUM), 5.1.6.
 * @example
 * // 1,000 W +-20 % times 5 (4 to 7): 5,000, less 28 %, plus 45 %
 */
export function timesFactor(quantity: Quantity, { low, usual, high }: FactorRange): Quantity {
  const { value, minus = 0, plus = 0 } = quantity;
  const product = value * usual;
  if (product <= 0) return { ...quantity, value: 0, minus: 0, plus: plus * high };
  return {
    ...quantity,
    value: product,
    minus: Math.min(product * magnitude(minus / value, 1 - low / usual), product - (value - minus) * low),
    plus: Math.min(product * magnitude(plus / value, high / usual - 1), (value + plus) * high - product),
  };
}
