import type { CompiledRig } from '../check/wiring/compile.js';
import type { CheckScene } from '../check/situation.js';
import { bitAt, bitsBelow, bitsOf, common, isWithin, minus, union } from './bits.js';
import { maximalSets } from './maximal-sets.js';
import { MonotoneMemory } from './monotone-memory.js';
import { runsTogether } from './runs-together.js';

/** Loads that cannot all run at once, in as few groups as it takes, each of which holds. */
export interface Turns {
  /** What runs in every one of them. */
  readonly throughout: readonly string[];
  /** What else runs in each, every load in one of them. */
  readonly groups: readonly (readonly string[])[];
  /** What does not hold on this supply even alone. */
  readonly never: readonly string[];
}

/** A set of loads that has more largest combinations than this is not divided by trying them all. */
const MOST_SETS = 2000;

/**
 * The fewest turns in which all loads of a scene get to run, whatever their order of starts may be within one.
 *
 * @returns Undefined where the loads are too many to be told apart. Source: minimum set cover over the largest
 * combinations of the loads, by depth; every answer is checked, since each group is such a combination.
 */
export function turnsOf(compiled: CompiledRig, { supply, charge, on }: CheckScene): Turns | undefined {
  const wanted = new Set(on.map(({ load }) => load));
  const states = new Map(on.flatMap(({ load, state }) => (state === undefined ? [] : [[load, state]])));
  const mustNot = compiled.rig.loads.flatMap(({ id }) => (wanted.has(id) ? [] : id));
  const question = { supply, ...(charge && { charge }), states, edge: 'pessimistic' as const, mustNot };
  const { loads, leftOut, failingPart } = runsTogether(compiled, question);
  if (leftOut.length > 0) return undefined;
  const sets: number[] = [];
  for (const set of maximalSets(loads.length, new MonotoneMemory(failingPart))) {
    sets.push(set);
    if (sets.length > MOST_SETS) return undefined;
  }
  const possible = sets.reduce(union, 0);
  const chosen = fewestThatCover(sets, possible);
  const ids = (mask: number): readonly string[] => bitsOf(mask).flatMap((bit) => loads[bit]?.id ?? []);
  const throughout = chosen.length > 1 ? chosen.reduce(common) : 0;
  let placed = throughout;
  const groups = chosen.map((set) => {
    const own = minus(set, placed);
    placed = union(placed, set);
    return ids(own);
  });
  return { throughout: ids(throughout), groups, never: ids(minus(bitsBelow(loads.length), possible)) };
}

/** As few sets as cover all, tried with one, then with two, and so on. */
function fewestThatCover(sets: readonly number[], all: number): readonly number[] {
  for (let depth = 0; ; depth += 1) {
    const found = coverWithin(sets, all, depth);
    if (found) return found;
  }
}

/** The load that the fewest sets have must be in one of them. */
function coverWithin(sets: readonly number[], left: number, depth: number): readonly number[] | undefined {
  if (left === 0) return [];
  if (depth === 0) return undefined;
  const having = bitsOf(left)
    .map((bit) => sets.filter((set) => isWithin(bitAt(bit), set)))
    .reduce((fewest, each) => (each.length < fewest.length ? each : fewest));
  for (const set of having) {
    const others = coverWithin(sets, minus(left, set), depth - 1);
    if (others) return [set, ...others];
  }
  return undefined;
}
