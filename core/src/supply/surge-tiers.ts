import type { Interval } from '../units/quantity.js';
import { halfWidthsOf } from '../rig-file/half-widths.js';
import type { Quantity } from '../units/quantity.js';
import { SURGE_WITHOUT_TIERS } from '../reference/inverter-surge.js';
import type { Tier } from '../rig-file/schema.js';

/** What an inverter or a generator carries: for hours, and more for a while. */
export interface SurgeRating {
  readonly continuousW: Quantity;
  readonly continuousVA: Quantity;
  readonly tiers: readonly Tier[];
  /** The ratio of the ratings as entered: heat may leave nothing of either. */
  readonly wattsPerVA?: number;
}

/** A ceiling at both edges and as stated, in VA or W, with the half-widths of its own doubt. */
export interface Ceiling {
  readonly value: number;
  readonly minus: number;
  readonly plus: number;
  /** For how long it is carried, s; Infinity for the continuous rating. */
  readonly seconds: number;
}

/**
 * What an inverter carries for a start of so many seconds: the highest tier that lasts at least as
 * long, the continuous rating counting as endless.
 *
 * @param seconds Length of the start, s, at least 0.
 * @returns VA ceiling. Source: common practice of data sheets; methods.md, 3 and rule 6.
 *
 * @example
 * // 3,000 VA, tiers 4,500 VA 60 s, 6,000 VA 5 s, 9,000 VA 0.5 s
 * surgeCeiling(inverter, 0.3).value; // 9000
 * surgeCeiling(inverter, 0.8).value; // 6000
 */
export function surgeCeiling(rating: SurgeRating, seconds: number): Ceiling {
  const lasting = ceilingsOf(rating).filter((ceiling) => ceiling.seconds >= seconds);
  return lasting.reduce((highest, ceiling) => (ceiling.value > highest.value ? ceiling : highest));
}

/**
 * The same as entered and at best: an inverter of which no tier is entered usually carries half as much again for a
 * second (common practice, no published source; methods.md, rules 34 and 35).
 */
export function usualCeiling(rating: SurgeRating, seconds: number): Ceiling {
  const ceiling = surgeCeiling(rating, seconds);
  if (rating.tiers.length > 0 || seconds > SURGE_WITHOUT_TIERS.seconds) return ceiling;
  const { times, seconds: lasting } = SURGE_WITHOUT_TIERS;
  return { ...ceiling, value: ceiling.value * times, plus: ceiling.plus * times, seconds: lasting };
}

/** The continuous rating and every tier, in VA, continuous first. */
export function ceilingsOf(rating: SurgeRating): readonly Ceiling[] {
  const { continuousVA, tiers } = rating;
  return [ceilingOf(continuousVA, Infinity), ...tiers.map(({ limit, seconds }) => ceilingOf(limit, seconds))];
}

function ceilingOf(quantity: Quantity, seconds: number): Ceiling {
  const { minus, plus } = halfWidthsOf(quantity, 'rating');
  return { value: quantity.value, minus, plus, seconds };
}

/** Watts that a ceiling given in VA allows: the ratio of the continuous ratings (methods.md, rule 6). */
export function wattsPerVA({ continuousW, continuousVA, wattsPerVA: asEntered }: SurgeRating): number {
  return asEntered ?? continuousW.value / continuousVA.value;
}

/**
 * Seconds an inverter carries an overload before it shuts down: the longest tier that reaches it.
 *
 * @param va Apparent power, VA, above the continuous rating.
 * @returns Seconds; 0 above the highest tier. A lower tier counts only for its own seconds.
 */
export function secondsCarried(rating: SurgeRating, va: number): number {
  const reaching = ceilingsOf(rating).filter((ceiling) => ceiling.value + ceiling.plus >= va);
  return reaching.reduce((longest, ceiling) => Math.max(longest, ceiling.seconds), 0);
}

/** True where the doubt of the seconds reaches across the end of a tier, so that two ceilings apply. */
export function straddlesTier(rating: SurgeRating, seconds: Interval): boolean {
  return surgeCeiling(rating, seconds.lo).value !== surgeCeiling(rating, seconds.hi).value;
}
