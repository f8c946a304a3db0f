import { secondsToCertainTrip, secondsToTrip } from '../../protection/breaker.js';
import { secondsCarried, wattsPerVA } from '../../supply/surge-tiers.js';
import { breakerConstants } from '../../reference/breaker-curves.js';
import {
  NUMBER_IS_WRONG,
  UNKNOWN_RATING_OPENS,
  WRONG_BY,
  type DeviceKind,
} from '../../reference/trip-signs.js';
import { deviate } from '../../check/odds.js';
import type { BatteryElement, SeriesElement } from '../../check/wiring/series-elements.js';
import type { Limit } from '../../check/limits/limit.js';
import { AT_ONCE_S, SECONDS_UP_TO_S } from '../../check/when-it-trips.js';
import type { Pace } from '../live-state.js';

/** A device that opens when a limit is exceeded. */
export interface Device {
  readonly id: string;
  readonly kind: DeviceKind;
  readonly elementId: string;
  readonly name: string;
  readonly resetAt: string | undefined;
}

/** How likely each pace is. */
export type Paces = Readonly<Record<Pace, number>>;

/** A limit that may have been exceeded, how likely it was, and how fast its device opens then. */
export interface Opening {
  readonly limit: Limit;
  readonly chance: number;
  readonly paces: Paces;
}

/** The device behind a limit; undefined where none opens: a cord burns, a neutral too. */
export function deviceOf(limit: Limit): Device | undefined {
  const { element, kind } = limit;
  switch (element.kind) {
    case 'inverter':
      return device(element, 'inverter', element.converter.resetAt);
    case 'generator':
      return device(element, 'generator', element.source.resetAt);
    case 'branch-breaker':
    case 'output-breaker':
    case 'inlet-breaker':
    case 'source-breaker':
      return kind === 'continuous-rule'
        ? undefined
        : device(element, element.kind, element.protection.resetAt);
    case 'unknown-rating':
      return device(element, 'source-breaker', undefined);
    case 'battery':
      return onTheDcSide(element, limit);
    default:
      return undefined;
  }
}

/** What stands on two legs opens both: it is one device. */
function device(
  { id, name }: Pick<SeriesElement, 'id' | 'name'>,
  kind: DeviceKind,
  resetAt: string | undefined,
): Device {
  const both = withoutLeg(id);
  return { id: both, kind, elementId: both, name: name.replace(/, leg \d$/, ''), resetAt };
}

/** The id of an element, or of what it is a leg of. */
export const withoutLeg = (elementId: string): string => elementId.replace(/:l[12]$/, '');

function onTheDcSide(element: BatteryElement, { kind, id }: Limit): Device | undefined {
  if (kind === 'dc-cable') return undefined;
  if (kind.startsWith('dc-fuse'))
    return { ...device(element, 'battery-fuse', undefined), id: `${element.id}:fuse` };
  const [inverter] = element.inverters;
  if (inverter && kind.startsWith('dc-volts') && !id.includes(':battery-volts'))
    return {
      ...device(element, 'inverter-low-volts', inverter.converter.resetAt),
      id: `${element.id}:volts`,
      name: inverter.name,
    };
  return device(element, 'battery', element.batteries[0]?.resetAt);
}

/** How likely a limit was exceeded, by its margin and its doubts, and how fast its device opens then. */
export function openingOf(limit: Limit): Opening {
  return { limit, chance: chanceOver(limit), paces: pacesOf(limit) };
}

function chanceOver(limit: Limit): number {
  if (limit.kind === 'unknown-rating') return UNKNOWN_RATING_OPENS;
  const { stated, pessimistic } = limit.capacity;
  const isShared = !Number.isFinite(stated) && Number.isFinite(pessimistic);
  const known = 1 - normal(deviate(isShared ? withSharpCapacity(limit, pessimistic) : limit));
  const chance = (1 - NUMBER_IS_WRONG) * known + NUMBER_IS_WRONG * chanceIfWrong(limit);
  return isShared ? OTHER_CARRIES * chance : chance;
}

/** With a number that is plainly wrong, what was nearest to its limit is the likeliest to have been over. */
function chanceIfWrong({ loading }: Limit): number {
  return loading > 0 ? normal(Math.log(loading) / WRONG_BY) : 0;
}

/** Where it is not known which of two carries a start, it is as likely the one as the other. */
const OTHER_CARRIES = 1 / 2;

const withSharpCapacity = ({ worst, ...limit }: Limit, capacity: number): Limit => {
  const margin = capacity - worst.stated;
  return {
    ...limit,
    worst,
    capacity: { pessimistic: capacity, stated: capacity, optimistic: capacity },
    headroom: { pessimistic: margin, stated: margin, optimistic: margin },
  };
};

/**
 * The normal distribution function, within 0.001: a logistic curve of a cubic.
 *
 * Source: E. Page, Approximations to the cumulative normal function, Applied Statistics 26 (1977), from memory.
 */
function normal(z: number): number {
  if (!Number.isFinite(z)) return z > 0 ? 1 : 0;
  return 1 / (1 + Math.exp(-2 * Math.sqrt(2 / Math.PI) * (z + 0.044715 * z ** 3)));
}

function pacesOf(limit: Limit): Paces {
  const { start, element, worst, unit } = limit;
  if (start) return between(start.seconds.lo, start.seconds.hi);
  if (element.kind === 'inverter' || element.kind === 'generator') {
    const perVA = unit === 'W' ? wattsPerVA(element.rating) : 1;
    const carried = (watts: number): number => secondsCarried(element.rating, watts / perVA);
    return between(
      carried(worst.hi),
      Math.max(carried(worst.hi), Math.min(carried(worst.stated), LONGEST_S)),
    );
  }
  if ('protection' in element) {
    const { protection } = element;
    const { may } = breakerConstants(protection.curve, protection.amps);
    const soonest = secondsToTrip(may, worst.hi / protection.amps);
    return between(soonest, Math.min(secondsToCertainTrip(protection, worst.stated), LONGEST_S));
  }
  return EVEN;
}

/** What takes longer than this is not told from what takes just as long. */
const LONGEST_S = 3600;
const SOONEST_S = 0.1;
/** Any pace comes now and then. */
const STRAY = 0.05;
export const EVEN: Paces = { 'at-once': 1 / 3, seconds: 1 / 3, minutes: 1 / 3 };

/** The share of a stretch of time, on a logarithmic scale, that each pace has. */
function between(fromS: number, untilS: number): Paces {
  if (!Number.isFinite(fromS)) return { 'at-once': STRAY, seconds: STRAY, minutes: 1 - 2 * STRAY };
  const [from, until] = [Math.max(SOONEST_S, fromS), Math.max(SOONEST_S * 2, fromS * 2, untilS)].map(
    Math.log,
  ) as [number, number];
  const part = (a: number, b: number): number =>
    STRAY +
    ((1 - 3 * STRAY) * Math.max(0, Math.min(Math.log(b), until) - Math.max(Math.log(a), from))) /
      (until - from);
  return {
    'at-once': part(SOONEST_S / 2, AT_ONCE_S),
    seconds: part(AT_ONCE_S, SECONDS_UP_TO_S),
    minutes: part(SECONDS_UP_TO_S, Number.MAX_VALUE),
  };
}
