import { secondsToCertainTrip } from '../protection/breaker.js';
import { secondsCarried, wattsPerVA } from '../supply/surge-tiers.js';
import type { Limit } from './limits/limit.js';

/** How soon a limit that trips does so, read in the user's favour. */
export type TripsWhen =
  | { readonly pace: 'at-once' | 'seconds' | 'minutes' | 'hours'; readonly withinS: number }
  | { readonly pace: 'unknown' };

export const AT_ONCE_S = 2;
export const SECONDS_UP_TO_S = 100;
const MINUTES_UP_TO_S = 5400;

/**
 * When a limit that trips opens its device. A start does so as it happens; a steady overload lasts
 * as long as a surge tier, or as long as a breaker may take by its will curve.
 */
export function whenItTrips(limit: Limit): TripsWhen {
  const withinS = secondsUntilTrip(limit);
  if (!Number.isFinite(withinS)) return { pace: 'unknown' };
  if (withinS <= AT_ONCE_S) return { pace: 'at-once', withinS };
  if (withinS <= SECONDS_UP_TO_S) return { pace: 'seconds', withinS };
  return { pace: withinS <= MINUTES_UP_TO_S ? 'minutes' : 'hours', withinS };
}

function secondsUntilTrip(limit: Limit): number {
  const { element, start, worst } = limit;
  if (start) return start.seconds.hi;
  if (element.kind === 'inverter' || element.kind === 'generator') {
    const va = limit.unit === 'W' ? worst.lo / wattsPerVA(element.rating) : worst.lo;
    return element.rating.tiers.length > 0 ? secondsCarried(element.rating, va) : Infinity;
  }
  return 'protection' in element ? secondsToCertainTrip(element.protection, worst.lo) : Infinity;
}
