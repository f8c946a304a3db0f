import { countBits } from './bits.js';
import type { MonotoneMemory } from './monotone-memory.js';

/** Which sets are worth most: only as many as are asked for are looked for, and those are the best. */
export interface Ranking {
  /** Worth of a set, never less for a larger one. */
  readonly worth: (mask: number) => number;
  readonly most: number;
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
 * Source: docs/decisions/0010; checked against all subsets in core/spec/sets.
 */
export function* maximalSets(
  count: number,
  memory: MonotoneMemory,
  required = 0,
  ranking?: Ranking,
): Generator<number, void> {
  if (!memory.has(required)) return;
  const best: number[] = [];
  const all = 2 ** count - 1;
  const isOutdone = (included: number, rest: number): boolean => {
    if (!ranking || best.length < ranking.most) return false;
    const possible = without(rest, (bit) => !memory.has(included | bit));
    return ranking.worth(included | possible) <= ranking.worth(best.at(-1) ?? 0);
  };
  function* walk(place: number, included: number, pending: number): Generator<number, void> {
    const rest = all & ~(2 ** place - 1) & ~required;
    if (memory.has(included | rest)) {
      const whole = included | rest;
      if (without(pending, (bit) => !memory.has(whole | bit)) !== 0) return;
      if (ranking) {
        if (best.length >= ranking.most && ranking.worth(whole) <= ranking.worth(best.at(-1) ?? 0)) return;
        best.push(whole);
        best.sort((a, b) => ranking.worth(b) - ranking.worth(a));
        best.length = Math.min(best.length, ranking.most);
      }
      yield whole;
      return;
    }
    if (isOutdone(included, rest)) return;
    const bit = 2 ** place;
    if ((bit & required) !== 0) {
      yield* walk(place + 1, included, pending);
      return;
    }
    const joins = memory.has(included | bit);
    if (joins)
      yield* walk(
        place + 1,
        included | bit,
        without(pending, (each) => !memory.has(included | bit | each)),
      );
    const left = joins ? pending | bit : pending;
    const later = rest & ~bit;
    if (without(left, (each) => !memory.has(included | later | each)) === 0)
      yield* walk(place + 1, included, left);
  }
  yield* walk(0, required, 0);
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
