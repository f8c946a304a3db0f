import type { Interval, Quantity } from '../units/quantity.js';
import type { UsualRange } from '../reference/kinds-of-parts.js';

/** A usual value with its range, at its edges. */
export const usualInterval = ({ low, usual, high }: UsualRange): Interval => ({
  lo: low,
  stated: usual,
  hi: high,
});

/** A usual value with its range, marked as such. */
export function typical({ low, usual, high }: UsualRange): Quantity {
  return { value: usual, basis: 'typical', minus: usual - low, plus: high - usual };
}
