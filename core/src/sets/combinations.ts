import { noProgress, type Progress } from '../units/progress.js';
import { PERCENT } from '../units/conversion-factors.js';
import { withFollowersOf } from '../rig/followers.js';
import type { Load } from '../rig-file/schema.js';
import type { CompiledRig } from '../check/wiring/compile.js';
import { check } from '../check/check.js';
import { headroomShare, type Limit } from '../check/limits/limit.js';
import type { LoadOn } from '../check/situation.js';
import type { Verdict } from '../check/verdict.js';
import type { Ranking } from './best-so-far.js';
import { bitAt, bitsOf, union } from './bits.js';
import { maximalSets } from './maximal-sets.js';
import { MonotoneMemory } from './monotone-memory.js';
import { countingLoads, mostWorth, type WattsBudget } from './worth-bound.js';
import { runsTogether, type SetQuestion } from './runs-together.js';

/** Loads that run together and to which none can be added. */
export interface Combination {
  readonly loads: readonly string[];
  /** Of the set in its best order, every limit counted. */
  readonly verdict: Verdict;
  /** The limit that is fullest. */
  readonly decider: Limit | undefined;
  /** What that one has to spare, as a share of it. */
  readonly spareShare: number;
  /** How full the fullest limit is while it runs and at a start, 1 being the limit. */
  readonly runningShare: number;
  readonly startShare: number;
  /** Loads that must not be switched on last. */
  readonly notLast: readonly string[];
}

export interface Combinations {
  /** What ranks highest first, then what has most to spare. */
  readonly found: readonly Combination[];
  /** How many loads were in question. */
  readonly of: number;
  /** The smallest of very many loads, which were not. */
  readonly leftOut: readonly string[];
  /** Whether these are all, or the best of them: by importance where that ranks, else by their number of loads. */
  readonly extent: 'all' | 'best' | 'so-far';
}

/** What a combination is worth: its loads by their number, by how much they matter, or what it has to spare. */
export type CombinationRank = 'number' | 'importance' | 'spare';

export interface CombinationQuestion extends SetQuestion {
  /** By number where none is said. */
  readonly rank?: CombinationRank;
}

/** Up to so many loads every combination is found; of more only the best. */
const MOST_FOR_ALL = 24;
const MOST_BEST = 100;
const TELL_EVERY = 12;

/**
 * The largest combinations of a supply: every set to which nothing can be added, or the best hundred of more loads than
 * any list of all would help with.
 *
 * @param tell Told from time to time what is found so far.
 * @param progress Told how far the search is, in per cent.
 * @throws RangeError where the rig has no such supply.
 * Source: docs/decisions/0010.
 */
export function combinationsOf(
  compiled: CompiledRig,
  question: CombinationQuestion,
  tell: (soFar: Combinations) => void = () => undefined,
  progress: Progress = noProgress,
): Combinations {
  const { loads, leftOut, failingPart, budgets } = runsTogether(compiled, question);
  const { mustInclude = [], rank = 'number' } = question;
  const isAll = loads.length <= MOST_FOR_ALL;
  const ranking = isAll ? undefined : bestBy(rank, loads, budgets());
  const beyond = leftOut.map(({ id }) => id);
  const found: Combination[] = [];
  const required = maskOf(loads, mustInclude);
  const explored = (share: number): void => progress(Math.round(share * PERCENT), PERCENT);
  const masks =
    required === undefined
      ? []
      : maximalSets(loads.length, new MonotoneMemory(failingPart), required, ranking, explored);
  for (const mask of masks) {
    const ids = bitsOf(mask).flatMap((bit) => loads[bit]?.id ?? []);
    found.push(combinationOf(compiled, question, ids));
    if (found.length % TELL_EVERY === 1)
      tell({ found: ranked(found, rank, loads), of: loads.length, leftOut: beyond, extent: 'so-far' });
  }
  // Fewer than are asked for: nothing was cut.
  const extent = isAll || found.length < MOST_BEST ? 'all' : 'best';
  const best = ranked(found, rank, loads);
  return {
    found: extent === 'all' ? best : best.slice(0, MOST_BEST),
    of: loads.length,
    leftOut: beyond,
    extent,
  };
}

/** The combination with the most loads, where it has more than so many. */
export function largestAbove(
  compiled: CompiledRig,
  question: SetQuestion,
  above: number,
): Combination | undefined {
  const { loads, failingPart, budgets } = runsTogether(compiled, question);
  const required = maskOf(loads, question.mustInclude ?? []);
  if (required === undefined) return undefined;
  const worths = countingLoads(loads);
  const ranking = { worths, bound: mostWorth(worths, budgets()), most: 1, above };
  const [largest] = [
    ...maximalSets(loads.length, new MonotoneMemory(failingPart), required, ranking),
  ].reverse();
  if (largest === undefined) return undefined;
  return combinationOf(
    compiled,
    question,
    bitsOf(largest).flatMap((bit) => loads[bit]?.id ?? []),
  );
}

/** Loads that must be in every set, as a mask; undefined where one of them is not in question at all. */
function maskOf(loads: readonly Load[], ids: readonly string[]): number | undefined {
  const places = ids.map((id) => loads.findIndex((load) => load.id === id));
  return places.includes(-1) ? undefined : places.reduce((mask, place) => union(mask, bitAt(place)), 0);
}

/** One must is worth more than any number of shoulds, and one should more than any number of mays. */
const WORTH = { must: 10_000, should: 100, may: 1 } as const;

const importanceOf = ({ importance = 'should' }: Load): number => WORTH[importance];

/** Of what is to spare no bound is known before a set is checked: then the most loads are looked for. */
function bestBy(rank: CombinationRank, loads: readonly Load[], budgets: readonly WattsBudget[]): Ranking {
  const worths = rank === 'importance' ? loads.map(importanceOf) : countingLoads(loads);
  return { worths, bound: mostWorth(worths, budgets), most: MOST_BEST };
}

function combinationOf(
  compiled: CompiledRig,
  { supply, charge, states, startOrder = 'best' }: SetQuestion,
  loads: readonly string[],
): Combination {
  const on = withFollowersOf(compiled.rig, loads).map((load): LoadOn => ({ load, state: states?.get(load) }));
  const { verdict, decider, limits, notLast } = check(
    compiled,
    { supply, on, ...(charge && { charge }) },
    startOrder,
  );
  return {
    loads,
    verdict,
    decider,
    spareShare: decider ? headroomShare(decider, 'pessimistic') : 1,
    runningShare: fullest(limits.filter(({ start }) => !start)),
    startShare: fullest(limits.filter(({ start }) => start)),
    notLast: notLast.map(({ loadId }) => loadId),
  };
}

const fullest = (limits: readonly Limit[]): number => Math.max(0, ...limits.map(({ loading }) => loading));

function ranked(
  found: readonly Combination[],
  rank: CombinationRank,
  loads: readonly Load[],
): readonly Combination[] {
  const worths = new Map(loads.map((load) => [load.id, rank === 'importance' ? importanceOf(load) : 1]));
  const worthOf = (set: Combination): number =>
    rank === 'spare' ? 0 : set.loads.reduce((sum, id) => sum + (worths.get(id) ?? 0), 0);
  return [...found].sort((a, b) => worthOf(b) - worthOf(a) || b.spareShare - a.spareShare);
}
