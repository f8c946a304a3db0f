import type { Verdict } from '@heliarch/core/check';

/** What a script that calls `heliarch` can tell from its exit code alone. */
export const EXIT_BAD_INPUT = 2;
export const EXIT_DEFECT = 1;
/** Nothing that is on is fed, or nothing is on: no verdict. */
export const EXIT_NOTHING_TO_CHECK = 12;
export const EXIT_OF_VERDICT: Record<Verdict, number> = {
  holds: 0,
  tight: 10,
  trips: 11,
  'likely-trips': 13,
};

/** Something the caller has to change; its message goes to stderr as it is. */
export class BadInput extends Error {}
