import type { Limit } from './limit.js';
import { isPlanningRule, isTooLittleKnown } from './limit-order.js';
import { deviate, oddsOf, type Odds } from './odds.js';

/** Which way a Tight set leans, by the stated values alone; too little is known where a doubt swamps its limit. */
export interface Lean {
  readonly leans: 'should-hold' | 'would-trip' | 'too-little-known';
  /** Undefined where too little is known. */
  readonly odds: Odds | undefined;
}

/**
 * Which way a Tight set leans: by the stated values, and by the chance that the doubts turn it.
 *
 * With D the doubt of demand and capacity towards the other outcome, u = D / 2, and the margin as stated, the chance
 * of the other outcome is that of a normal deviate beyond margin / u. The odds of a set are those of its worst limit.
 *
 * @param limits Of one set, the deciding one first.
 * @returns Undefined where no limit but rules of planning is Tight. Source: JCGM 100:2008, 6.2; methods.md, rule 24.
 */
export function leanOf(limits: readonly Limit[]): Lean | undefined {
  const tight = limits.filter((limit) => limit.verdict === 'tight' && !isPlanningRule(limit));
  const [decider] = tight;
  if (!decider) return undefined;
  if (isTooLittleKnown(decider)) return { leans: 'too-little-known', odds: undefined };
  return {
    leans: decider.headroom.stated < 0 ? 'would-trip' : 'should-hold',
    odds: oddsOf(Math.min(...tight.map(deviate))),
  };
}
