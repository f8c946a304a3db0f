import type { Limit } from './limits/limit.js';
import { isPlanningRule, isTooLittleKnown } from './limits/limit-order.js';
import { deviate, oddsOf, type Odds } from './odds.js';

/** The odds of a set whose verdict is open; too little is known where a doubt swamps its limit. */
export type OddsOfSet = Odds | 'too-little-known';

/**
 * How likely a set that is Tight or Likely trips is to hold: the odds of its worst limit.
 *
 * With D the doubt of demand and capacity towards the other outcome, u = D / 2, and the margin as stated, the chance
 * of the other outcome is that of a normal deviate beyond margin / u.
 *
 * @param limits Of one set, the deciding one first.
 * @returns Undefined where nothing is open but rules of planning. Source: JCGM 100:2008, 6.2; methods.md, rule 24.
 */
export function oddsOfSet(limits: readonly Limit[]): OddsOfSet | undefined {
  const open = limits.filter(
    (limit) => (limit.verdict === 'tight' || limit.verdict === 'likely-trips') && !isPlanningRule(limit),
  );
  const [decider] = open;
  if (!decider) return undefined;
  return isTooLittleKnown(decider) ? 'too-little-known' : oddsOf(Math.min(...open.map(deviate)));
}
