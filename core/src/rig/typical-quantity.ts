import type { Quantity } from '../units/quantity.js';
import type { UsualRange } from '../reference/kinds-of-parts.js';

/** A usual value with its range, marked as such. */
export function typical({ low, usual, high }: UsualRange): Quantity {
  return { value: usual, basis: 'typical', minus: usual - low, plus: high - usual };
}
