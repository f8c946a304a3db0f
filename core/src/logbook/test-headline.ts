import type { Lasting } from './fit/run-down.js';

/** What a test says, from the largest line down. */
export interface TestWords {
  readonly headline: string;
  /** What stands beside it, smaller: the interval. */
  readonly interval: string;
  /** Whether what was wanted lasts. */
  readonly wanted: { readonly lasting: Lasting; readonly words: string } | undefined;
  /** When another reading helps. */
  readonly next: string;
  /** All else, a sentence each. */
  readonly lines: readonly string[];
}

/** A moment as people say it, in the time of the place. */
export type SayMoment = (seconds: number) => string;

/** A headline that stands alone. */
export function only(headline: string): TestWords {
  return { headline, interval: '', wanted: undefined, next: '', lines: [] };
}
