import type { Lean } from '../verdict/lean.js';
import type { Odds } from '../verdict/odds.js';

/** The odds of a Tight set, as said. */
export const ODDS_WORDS: Record<Odds, string> = {
  'almost-surely-holds': 'almost surely holds',
  'probably-holds': 'probably holds',
  even: 'about even',
  'probably-trips': 'probably trips',
  'almost-surely-trips': 'almost surely trips',
};

/** Which way it leans, after the word of the verdict. */
export const LEAN_WORDS: Record<Exclude<Lean['leans'], 'too-little-known'>, string> = {
  'should-hold': 'but should hold',
  'would-trip': 'and would trip',
};
