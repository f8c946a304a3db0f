import type { EntryList } from '../../rig/entry-lists.js';
import type { Verdict } from '../../check/verdict.js';

/** Whether two parts of the system fit each other, before anything is on. */
export interface RigCheck {
  readonly id: string;
  /** The part whose sheet mends it. */
  readonly list: EntryList;
  readonly entryId: string;
  /** `unknown` where a number is missing that the check needs. */
  readonly verdict: Verdict | 'unknown';
  /** What is compared, a few words. */
  readonly title: string;
  /** The comparison with its numbers. */
  readonly sentence: string;
  /** Standard, table or practice behind it. */
  readonly source: string;
  /** What the hand does; absent where it holds. */
  readonly fix?: string;
}

/** What a check says: what it is about, what it found, by which source, and what to do where it does not fit. */
export type CheckWords = Pick<RigCheck, 'title' | 'sentence' | 'source'> & { readonly fix: string };

/** A check in words: what to do is said where it does not surely fit. */
export function inWords(
  check: Pick<RigCheck, 'id' | 'list' | 'entryId' | 'verdict'>,
  { fix, ...words }: CheckWords,
): RigCheck {
  return { ...check, ...words, ...(check.verdict !== 'holds' && { fix }) };
}

/** Verdict of a demand against what is carried for sure and at best; usually between the two, the geometric mean of them. */
export function judged(demand: number, surely: number, atBest: number = surely): Verdict {
  if (demand <= surely) return 'holds';
  if (demand > atBest) return 'trips';
  return demand <= Math.sqrt(surely * atBest) ? 'tight' : 'likely-trips';
}
