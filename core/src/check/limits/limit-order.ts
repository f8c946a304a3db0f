import type { Limit } from './limit.js';
import { deviate, isAlmostSure } from '../odds.js';
import { compareVerdicts } from '../verdict.js';

/**
 * The worst verdict first, so that the first is what a verdict is about. Of Tight ones those of which too little is
 * known, then the others, and rules of planning last; of those that likely trip, those of which too little is known
 * last; within each the fullest at its deciding edge.
 */
export function compareLimits(a: Limit, b: Limit): number {
  return compareVerdicts(b.verdict, a.verdict) || rankOf(a) - rankOf(b) || byLoading(a, b);
}

/** Where both are over a capacity of nothing, neither comes first. */
const byLoading = (a: Limit, b: Limit): number => (a.loading === b.loading ? 0 : b.loading - a.loading);

/** The limit that decides among several; undefined where there is none. */
export function decidingLimit(limits: readonly Limit[]): Limit | undefined {
  return limits.reduce<Limit | undefined>(
    (worst, limit) => (worst && compareLimits(worst, limit) <= 0 ? worst : limit),
    undefined,
  );
}

/**
 * A rating that is not known, or a doubt that alone is more than the limit carries and leaves the answer open
 * (methods.md, rule 24).
 */
export function isTooLittleKnown(limit: Limit): boolean {
  const { kind, worst, capacity } = limit;
  if (kind === 'unknown-rating') return true;
  return worst.hi - worst.stated > capacity.stated && !isAlmostSure(deviate(limit));
}

/** A rule that is kept or not kept, whatever the doubts: it leans nowhere. */
export function isPlanningRule({ kind }: Limit): boolean {
  return kind === 'continuous-rule';
}

function rankOf(limit: Limit): number {
  if (limit.verdict === 'likely-trips') return isTooLittleKnown(limit) ? 1 : 0;
  if (limit.verdict !== 'tight') return 0;
  if (isPlanningRule(limit)) return 2;
  return isTooLittleKnown(limit) ? 0 : 1;
}
