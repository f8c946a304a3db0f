import { countBits } from './bits.js';
import type { MonotoneMemory } from './monotone-memory.js';

/** Which sets are worth most: only as many as are asked for are looked for, and those are the best. */
export interface Ranking {
  /** Worth of a set, never less for a larger one. */
  readonly worth: (mask: number) => number;
  readonly most: number;
  /** Only what is worth more than this. */
  readonly above?: number;
}

/**
 * Every set that has a property and to which nothing can be added, each once, in no order that counts.
 *
 * Branches over the loads in their order: with the next one, where it fits, and without it, where something that is still
 * to come can keep it out. What was left out and still fits is pending: a set is given out only where nothing pending
 * can be added, and a branch in which a pending one can no longer be kept out is left at once. With a ranking, a branch
 * that cannot come to more than the worst of the best so far is left as well.
 *
 * @param count How many loads there are, at most 30.
 * @param memory The property; every subset of a set that has it must have it.
 * @param required The loads that every set must have, as a mask.
 * @param explored Told how much of the search is done, 0 to 1, before each set.
 * Source: docs/decisions/0010; checked against all subsets in core/spec/sets.
 */
export function* maximalSets(
  count: number,
  memory: MonotoneMemory,
  required = 0,
  ranking?: Ranking,
  explored: (share: number) => void = () => undefined,
): Generator<number, void> {
  if (!memory.has(required)) return;
  const best = ranking && new BestSoFar(ranking);
  const all = 2 ** count - 1;
  /** What of a mask cannot be kept out of a set by what is still to come. */
  const free = (mask: number, whole: number): number => without(mask, (bit) => !memory.has(whole | bit));
  function* walk({ place, included, pending, done, share }: Branch): Generator<number, void> {
    const rest = all & ~(2 ** place - 1) & ~required;
    if (memory.has(included | rest)) {
      const whole = included | rest;
      if (free(pending, whole) !== 0 || best?.takes(whole) === false) return;
      explored(done + share);
      yield whole;
      return;
    }
    if (best?.isOutdone(included | free(rest, included))) return;
    const bit = 2 ** place;
    const next = { place: place + 1, included, pending, done, share };
    if ((bit & required) !== 0) {
      yield* walk(next);
      return;
    }
    const joins = memory.has(included | bit);
    const half = joins ? share / 2 : share;
    if (joins)
      yield* walk({ ...next, included: included | bit, pending: free(pending, included | bit), share: half });
    const left = joins ? pending | bit : pending;
    if (free(left, included | (rest & ~bit)) === 0)
      yield* walk({ ...next, pending: left, done: done + share - half, share: half });
  }
  yield* walk({ place: 0, included: required, pending: 0, done: 0, share: 1 });
}

/** A node of the search: the loads before a place are decided. */
interface Branch {
  readonly place: number;
  readonly included: number;
  /** Left out, and could still be added. */
  readonly pending: number;
  /** How much of the search is done before it, and how much it is. */
  readonly done: number;
  readonly share: number;
}

/** The sets of most worth that were found, as many as are asked for. */
class BestSoFar {
  private readonly worths: number[] = [];

  constructor(private readonly ranking: Ranking) {}

  /** Whether nothing of a branch that comes to no more than this set can be among them. */
  isOutdone(possible: number): boolean {
    const { worth, most, above = -Infinity } = this.ranking;
    const least = this.worths.length >= most ? Math.max(above, this.worths.at(-1) ?? above) : above;
    return worth(possible) <= least;
  }

  /** Takes a set up, where it is among them. */
  takes(set: number): boolean {
    if (this.isOutdone(set)) return false;
    const { worth, most } = this.ranking;
    this.worths.push(worth(set));
    this.worths.sort((a, b) => b - a);
    this.worths.length = Math.min(this.worths.length, most);
    return true;
  }
}

/** A mask without the bits that are said to go. */
function without(mask: number, goes: (bit: number) => boolean): number {
  let kept = 0;
  for (let rest = mask; rest !== 0; rest &= rest - 1) {
    const bit = rest & -rest;
    if (!goes(bit)) kept |= bit;
  }
  return kept;
}

/** The number of loads first. */
export const byNumber: Ranking['worth'] = countBits;
