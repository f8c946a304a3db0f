import type { Edge } from '../quantity/quantity.js';

/** By these numbers it runs; it may trip; it trips. */
export type Verdict = 'holds' | 'tight' | 'trips';

const SEVERITY: Record<Verdict, number> = { holds: 0, tight: 1, trips: 2 };

/** Negative where `a` is the better verdict. */
export function compareVerdicts(a: Verdict, b: Verdict): number {
  return SEVERITY[a] - SEVERITY[b];
}

/** The worst of several verdicts; nothing to judge holds. */
export function worstVerdict(verdicts: readonly Verdict[]): Verdict {
  return verdicts.reduce<Verdict>(
    (worst, verdict) => (compareVerdicts(verdict, worst) > 0 ? verdict : worst),
    'holds',
  );
}

/**
 * The rule of the three verdicts: Holds passes at the pessimistic edge, Tight only at the optimistic
 * one, Trips at neither.
 */
export function verdictOf(passes: Record<Edge, boolean>): Verdict {
  if (passes.pessimistic) return 'holds';
  return passes.optimistic ? 'tight' : 'trips';
}
