import type { Edge } from '../units/quantity.js';

/** From the best to the worst. */
export const VERDICTS = ['holds', 'tight', 'likely-trips', 'trips'] as const;

/** By these numbers it runs; it should run, and may trip; it should trip, and may run; it trips. */
export type Verdict = (typeof VERDICTS)[number];

const SEVERITY: Record<Verdict, number> = { holds: 0, tight: 1, 'likely-trips': 2, trips: 3 };

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
 * The rule of the four verdicts: Holds passes at the pessimistic edge, Tight as entered, Likely trips only at the
 * optimistic edge, Trips at none.
 *
 * Source: methods.md, rule 35.
 */
export function verdictOf(passes: Record<Edge, boolean>): Verdict {
  if (passes.pessimistic) return 'holds';
  if (passes.stated) return 'tight';
  return passes.optimistic ? 'likely-trips' : 'trips';
}

const WORST_THAT_PASSES: Record<Edge, Verdict> = {
  pessimistic: 'holds',
  stated: 'tight',
  optimistic: 'likely-trips',
};

/** Whether what has a verdict is kept at an edge. */
export function keepsAt(verdict: Verdict, edge: Edge): boolean {
  return compareVerdicts(verdict, WORST_THAT_PASSES[edge]) <= 0;
}

/** The edge whose figures decide: the most favourable one that failed, or the pessimistic one for Holds. */
export function decidingEdge(verdict: Verdict): Edge {
  if (verdict === 'trips') return 'optimistic';
  return verdict === 'likely-trips' ? 'stated' : 'pessimistic';
}
