import type { CompiledRig } from '../system/compile.js';
import { check } from '../verdict/check.js';
import { headroomShare, type Limit } from '../verdict/limit.js';
import type { LoadOn } from '../verdict/situation.js';
import type { Verdict } from '../verdict/verdict.js';
import { bitsOf } from './bits.js';
import { byNumber, maximalSets } from './maximal-sets.js';
import { MonotoneMemory } from './monotone-memory.js';
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
  /** The largest first, then what has most to spare. */
  readonly found: readonly Combination[];
  /** How many loads were in question. */
  readonly of: number;
  /** The smallest of very many loads, which were not. */
  readonly leftOut: readonly string[];
  /** Whether these are all, or the best of them by their number of loads. */
  readonly extent: 'all' | 'best' | 'so-far';
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
 * @throws RangeError where the rig has no such supply.
 * Source: docs/decisions/0010.
 */
export function combinationsOf(
  compiled: CompiledRig,
  question: SetQuestion,
  tell: (soFar: Combinations) => void = () => undefined,
): Combinations {
  const { loads, leftOut, failingPart } = runsTogether(compiled, question);
  const required = (question.mustInclude ?? []).reduce((mask, id) => {
    const place = loads.findIndex((load) => load.id === id);
    return place < 0 ? mask : mask | (1 << place);
  }, 0);
  const isAll = loads.length <= MOST_FOR_ALL;
  const ranking = isAll ? undefined : { worth: byNumber, most: MOST_BEST };
  const beyond = leftOut.map(({ id }) => id);
  const found: Combination[] = [];
  const missing = (question.mustInclude ?? []).filter((id) => !loads.some((load) => load.id === id));
  const masks =
    missing.length > 0 ? [] : maximalSets(loads.length, new MonotoneMemory(failingPart), required, ranking);
  for (const mask of masks) {
    found.push(
      combinationOf(
        compiled,
        question,
        bitsOf(mask).flatMap((bit) => loads[bit]?.id ?? []),
      ),
    );
    if (found.length % TELL_EVERY === 1)
      tell({ found: ranked(found), of: loads.length, leftOut: beyond, extent: 'so-far' });
  }
  // Fewer than are asked for: nothing was cut.
  const extent = isAll || found.length < MOST_BEST ? 'all' : 'best';
  const best = extent === 'all' ? ranked(found) : ranked(found).slice(0, MOST_BEST);
  return { found: best, of: loads.length, leftOut: beyond, extent };
}

function combinationOf(
  compiled: CompiledRig,
  { supply, charge, states }: SetQuestion,
  loads: readonly string[],
): Combination {
  const on = loads.map((load): LoadOn => ({ load, state: states?.get(load) }));
  const { verdict, decider, limits, notLast } = check(compiled, { supply, on, ...(charge && { charge }) });
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

function ranked(found: readonly Combination[]): readonly Combination[] {
  return [...found].sort((a, b) => b.loads.length - a.loads.length || b.spareShare - a.spareShare);
}
