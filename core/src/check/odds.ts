import type { Limit } from './limits/limit.js';
import { magnitude } from '../units/magnitude.js';

/** How likely a Tight set is to hold, in five words; never a bare per cent. */
export type Odds =
  | 'almost-surely-holds'
  | 'probably-holds'
  | 'even'
  | 'probably-trips'
  | 'almost-surely-trips';

/** Half-widths here are expanded with k = 2 (JCGM 100:2008, 6.2): a standard uncertainty is half of one. */
const COVERAGE = 2;
/** Standard normal deviates of 65 and 95 %. Source: tables of the normal distribution. */
const EVEN_BELOW = 0.3853;
const SURE_ABOVE = 1.6449;

/** How many standard uncertainties the margin of a limit is as entered: below 0 where it is over (methods.md, rule 24). */
export function deviate({ headroom, worst, capacity }: Limit): number {
  const margin = headroom.stated;
  const [demandDoubt, limitDoubt] =
    margin < 0
      ? [worst.stated - worst.lo, capacity.optimistic - capacity.stated]
      : [worst.hi - worst.stated, capacity.stated - capacity.pessimistic];
  const doubt = magnitude(demandDoubt, Math.max(0, limitDoubt));
  if (!Number.isFinite(doubt)) return 0;
  if (doubt === 0) return margin < 0 ? -Infinity : Infinity;
  return (COVERAGE * margin) / doubt;
}

/** The odds of a limit that is so many standard uncertainties from its margin. */
export function oddsOf(deviate: number): Odds {
  if (deviate > SURE_ABOVE) return 'almost-surely-holds';
  if (deviate > EVEN_BELOW) return 'probably-holds';
  if (deviate >= -EVEN_BELOW) return 'even';
  return deviate >= -SURE_ABOVE ? 'probably-trips' : 'almost-surely-trips';
}

/** Whether doubts hardly ever turn what is so many standard uncertainties from its limit. */
export function isAlmostSure(deviate: number): boolean {
  return Math.abs(deviate) > SURE_ABOVE;
}
