import type { NumberStyle } from '../units/number-style.js';
import type { Limit } from '../check/limits/limit.js';
import { margin } from './explain.js';

/**
 * What a limit has to spare, or how far it is over, in a few words.
 *
 * @example
 * marginWords('point', limit); // 'at least 193 VA to spare', 'up to 92 W over at worst', '407 W over as entered'
 */
export function marginWords(style: NumberStyle, limit: Limit): string {
  if (limit.kind === 'unknown-rating') return 'rating not known';
  switch (limit.verdict) {
    case 'holds':
      return `at least ${margin(style, limit, 'pessimistic')} to spare`;
    case 'tight':
      if (limit.kind === 'continuous-rule') return 'over the 3 h rule';
      return `up to ${margin(style, limit, 'pessimistic')} over at worst`;
    case 'likely-trips':
      return `${margin(style, limit, 'stated')} over as entered`;
    case 'trips':
      return `at least ${margin(style, limit, 'optimistic')} over`;
  }
}

/** The same as a figure of a table: what is to spare, or how much it is over at the edge that decides. */
export function shortMargin(style: NumberStyle, limit: Limit): string {
  if (limit.kind === 'unknown-rating') return 'not known';
  return `${margin(style, limit, limit.edge)}${limit.headroom[limit.edge] < 0 ? ' over' : ''}`;
}
