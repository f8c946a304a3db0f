import type { Limit } from './limit.js';

/** How likely a Tight set is to hold, in five words; never a bare per cent. */
export type Odds =
  'almost-surely-holds' | 'probably-holds' | 'even' | 'probably-trips' | 'almost-surely-trips';

/** Which way a Tight verdict leans. */
export interface Lean {
  /** By the stated values alone. */
  readonly leans: 'should-hold' | 'would-trip';
  readonly odds: Odds;
  /** The doubt alone is more than the limit carries: one number is to be looked up before anything is said. */
  readonly isTooLittleKnown: boolean;
  /** The limit that it is about: of the Tight ones the one that leans most towards a trip. */
  readonly limit: Limit;
}

/** Half-widths here are expanded with k = 2 (JCGM 100:2008, 6.2): a standard uncertainty is half of one. */
const COVERAGE = 2;
/** Standard normal deviates of 65 and 95 %. Source: tables of the normal distribution. */
const EVEN_BELOW = 0.3853;
const SURE_ABOVE = 1.6449;

/**
 * Which way a Tight set leans: by the stated values, and by the chance that the doubts turn it.
 *
 * With D the doubt of demand and capacity towards the other outcome, u = D / 2, and the margin as stated, the chance
 * of the other outcome is that of a normal deviate beyond margin / u.
 *
 * @param limits Of one set. A planning rule is kept or not: it leans nowhere.
 * @returns Undefined where no limit but planning rules is Tight. Source: JCGM 100:2008, 6.2; methods.md, rule 24.
 */
export function leanOf(limits: readonly Limit[]): Lean | undefined {
  const tight = limits.filter(({ verdict, kind }) => verdict === 'tight' && kind !== 'continuous-rule');
  const [worst] = tight.sort((a, b) => deviate(a) - deviate(b));
  if (!worst) return undefined;
  return {
    leans: worst.headroom.stated < 0 ? 'would-trip' : 'should-hold',
    odds: oddsOf(deviate(worst)),
    isTooLittleKnown: tight.some(isTooLittleKnown),
    limit: tight.find(isTooLittleKnown) ?? worst,
  };
}

/** How many standard uncertainties the stated margin is: below 0 where it is over. */
function deviate({ headroom, worst, capacity }: Limit): number {
  const margin = headroom.stated;
  const [demandDoubt, limitDoubt] =
    margin < 0
      ? [worst.stated - worst.lo, capacity.optimistic - capacity.stated]
      : [worst.hi - worst.stated, capacity.stated - capacity.pessimistic];
  const doubt = Math.hypot(demandDoubt, Math.max(0, limitDoubt));
  if (!Number.isFinite(doubt)) return 0;
  if (doubt === 0) return margin < 0 ? -Infinity : Infinity;
  return (COVERAGE * margin) / doubt;
}

function oddsOf(deviate: number): Odds {
  if (deviate > SURE_ABOVE) return 'almost-surely-holds';
  if (deviate > EVEN_BELOW) return 'probably-holds';
  if (deviate >= -EVEN_BELOW) return 'even';
  return deviate >= -SURE_ABOVE ? 'probably-trips' : 'almost-surely-trips';
}

const isTooLittleKnown = ({ kind, worst, capacity }: Limit): boolean =>
  kind === 'unknown-rating' || worst.hi - worst.stated > capacity.stated;
