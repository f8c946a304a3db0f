import type { Quantity } from './quantity.js';

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
