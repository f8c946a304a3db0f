import type { Quantity } from '../units/quantity.js';
import { halfWidthsOf, type QuantityRole } from '../rig-file/half-widths.js';
import type { PlateFact } from './read/plate-fact.js';

/**
 * A number of a plate as the rig keeps it: with the basis nameplate and the text of the plate as its note; a guess where it was read
 * off a picture and nobody has compared it; a range with the doubt of both its ends.
 */
export function ofPlate(
  { value, range, text, isUnconfirmed }: PlateFact,
  role: QuantityRole = 'running',
): Quantity {
  const basis = isUnconfirmed ? ('guess' as const) : ('nameplate' as const);
  const note = isUnconfirmed ? `${text}, read off a picture and not compared` : text;
  if (!range) return { value, basis, note };
  const [least, most] = range;
  const below = halfWidthsOf({ value: least, basis }, role).minus;
  const above = halfWidthsOf({ value: most, basis }, role).plus;
  return { value, basis, minus: value - least + below, plus: most - value + above, note };
}
