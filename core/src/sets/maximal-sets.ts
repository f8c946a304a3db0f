import { BestSoFar, type Ranking } from './best-so-far.js';
import { bitAt, bitsBelow, bitsOf, common, minus, union } from './bits.js';
import type { MonotoneMemory } from './monotone-memory.js';

/**
 * Every set that has a property and to which nothing can be added, each once, in no order that counts.
 *
 * Branches over the loads one by one: with the next one, where it fits, and without it, where something that is still
 * to come can keep it out. What was left out and still fits is pending: a set is given out only where nothing pending
 * can be added, and a branch in which a pending one can no longer be kept out is left at once. With a ranking, a branch
 * that cannot come to more than the worst of the best so far is left as well.
 *
 * @param count How many loads there are, at most 52.
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
  const { bitOf, restFrom } = ranking ? smallestFirst(count) : largestFirst(count);
  /** What of a mask cannot be kept out of a set by what is still to come. */
  const free = (mask: number, whole: number): number =>
    without(mask, (bit) => !memory.has(union(whole, bit)));
  function* walk({ place, included, pending, done, share }: Branch): Generator<number, void> {
    const rest = minus(restFrom(place), required);
    const whole = union(included, rest);
    if (memory.has(whole)) {
      if (free(pending, whole) !== 0 || best?.takes(whole) === false) return;
      explored(done + share);
      yield whole;
      return;
    }
    if (best?.isOutdone(included, union(included, free(rest, included)))) return;
    const bit = bitOf(place);
    const next = { place: place + 1, included, pending, done, share };
    if (common(bit, required) !== 0) return yield* walk(next);
    const joined = union(included, bit);
    const joins = memory.has(joined);
    const half = joins ? share / 2 : share;
    if (joins) yield* walk({ ...next, included: joined, pending: free(pending, joined), share: half });
    const left = joins ? union(pending, bit) : pending;
    if (free(left, union(included, minus(rest, bit))) === 0)
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

/** In which order the loads are branched over. */
interface Branching {
  readonly bitOf: (step: number) => number;
  /** What is not yet decided before a step. */
  readonly restFrom: (step: number) => number;
}

/** The largest decide most: for all sets they come first. */
const largestFirst = (count: number): Branching => ({
  bitOf: bitAt,
  restFrom: (step) => minus(bitsBelow(count), bitsBelow(step)),
});

/** Of the smallest there is room for the most: for the best sets they come first. */
const smallestFirst = (count: number): Branching => ({
  bitOf: (step) => bitAt(count - 1 - step),
  restFrom: (step) => bitsBelow(count - step),
});

/** A mask without the bits that are said to go. */
function without(mask: number, goes: (bit: number) => boolean): number {
  return bitsOf(mask).reduce((kept, place) => (goes(bitAt(place)) ? minus(kept, bitAt(place)) : kept), mask);
}
