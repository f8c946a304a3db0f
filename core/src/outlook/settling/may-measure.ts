import { partNumber } from '../../loads/part-numbers.js';
import type { Interval } from '../../units/quantity.js';
import { HEATERS_ON_PLATE } from '../../reference/plate-tolerances.js';
import { intervalOf, isMeasuredOnce } from '../../rig-file/half-widths.js';
import type { PartNumber } from '../../rig/edits.js';
import { loadOf } from '../../rig/lookup.js';
import type { Rig } from '../../rig-file/schema.js';

/** A number of a part. */
export interface NumberAsked {
  readonly loadId: string;
  readonly partId: string;
  readonly field: PartNumber;
}

/**
 * What measuring a number may find: the band of its doubt, and of a heating element no less than its plate may be off at rated
 * volts.
 *
 * @returns W, VA or s, by the field. Undefined where the part has no such number, or where it is measured already, and more than once.
 * Source: methods.md, rules 4 and 16; IEC 60335-1, 10.1, from memory.
 */
export function mayMeasure(rig: Rig, { loadId, partId, field }: NumberAsked): Interval | undefined {
  const load = loadOf(rig, loadId);
  const part = load.parts.find(({ id }) => id === partId);
  const quantity = part && partNumber(rig, load, part, field);
  if (!quantity || (quantity.basis === 'measured' && !isMeasuredOnce(quantity))) return undefined;
  const band = intervalOf(quantity, field);
  const isElement = HEATERS_ON_PLATE.kinds.includes(part.kind) && quantity.basis === 'nameplate';
  return field === 'running' && isElement
    ? { ...band, lo: Math.max(band.lo, quantity.value * (1 - HEATERS_ON_PLATE.minus)) }
    : band;
}
