import type { Odds } from '../check/odds.js';

/** The odds of a set whose verdict is open, as said. */
export const ODDS_WORDS: Record<Odds, string> = {
  'almost-surely-holds': 'almost surely holds',
  'probably-holds': 'probably holds',
  even: 'about even',
  'probably-trips': 'probably trips',
  'almost-surely-trips': 'almost surely trips',
};
