import type { Interval } from '../units/quantity.js';
import { CAPACITY_DOUBT } from '../reference/batteries.js';
import { MEASURED } from '../reference/default-doubts.js';
import { intervalOf } from '../rig-file/half-widths.js';
import type { Battery } from '../rig-file/schema.js';

/**
 * What a battery may hold, Ah: with the doubt that was entered, else that of a run-down where it was measured, else that of
 * a plate, which its age takes from.
 *
 * Source: common practice, no published source (CAPACITY_DOUBT); methods.md, rules 1 and 4.
 */
export function capacityOf({ ampHours }: Pick<Battery, 'ampHours'>): Interval {
  const { lo, stated, hi } = intervalOf(ampHours, 'rating');
  if (ampHours.minus !== undefined || ampHours.plus !== undefined) return { lo, stated, hi };
  const doubt = stated * (ampHours.basis === 'measured' ? MEASURED.minus : CAPACITY_DOUBT);
  return { lo: Math.min(lo, stated - doubt), stated, hi: Math.max(hi, stated + doubt) };
}
