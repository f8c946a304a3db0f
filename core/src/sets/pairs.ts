import { withFollowersOf } from '../rig/followers.js';
import type { Load } from '../rig-file/schema.js';
import type { CompiledRig } from '../check/wiring/compile.js';
import { noProgress, type Progress } from '../units/progress.js';
import { check } from '../check/check.js';
import type { Limit } from '../check/limits/limit.js';
import { compareVerdicts, type Verdict } from '../check/verdict.js';
import type { LoadOn } from '../check/situation.js';
import type { SetQuestion } from './runs-together.js';

/** What becomes of a load that starts while another one runs, each with what follows it. */
export interface Pair {
  /** The one that starts. */
  readonly starts: string;
  /** The one that runs. */
  readonly runs: string;
  readonly verdict: Verdict;
  /** What decides; undefined where they are kept apart. */
  readonly limit: Limit | undefined;
  /** The lock or the shedder by which they never run at once, whatever the limits. */
  readonly keptApart: string | undefined;
}

/** Who runs with whom: each load that starts while each other one runs. */
export interface WhoRunsWithWhom {
  /** Those that the supply feeds: the ones with the most conflicts first. */
  readonly loads: readonly Load[];
  readonly pairs: readonly Pair[];
}

/**
 * Every load of a supply with every other one, both directions: a pair may hold only where one of the two is there first.
 *
 * @param progress Told after each load.
 * @throws RangeError where the rig has no such supply.
 * Source: the check of each pair in its own order; methods.md, rules 1 to 11.
 */
export function whoRunsWithWhom(
  compiled: CompiledRig,
  question: Pick<SetQuestion, 'supply' | 'charge' | 'states'>,
  progress: Progress = noProgress,
): WhoRunsWithWhom {
  const { rig } = compiled;
  const system = compiled.on(question.supply);
  const loads = rig.loads.filter(({ id }) => !system.whyNotFed(id));
  const entry = (id: string): LoadOn => ({ load: id, state: question.states?.get(id) });
  const judged = (...ids: readonly string[]) =>
    check(
      compiled,
      {
        supply: question.supply,
        ...(question.charge && { charge: question.charge }),
        on: withFollowersOf(rig, ids).map(entry),
      },
      'given',
    );
  const pairs = loads.flatMap((starts, index) => {
    progress(index, loads.length);
    return loads
      .filter((runs) => runs !== starts)
      .map((runs): Pair => {
        const { verdict, decider, notFed } = judged(runs.id, starts.id);
        const ids = { starts: starts.id, runs: runs.id };
        const keptOff = notFed.find(({ load }) => load === runs || load === starts);
        return keptOff
          ? { ...ids, verdict: 'trips', limit: undefined, keptApart: keptOff.because }
          : { ...ids, verdict, limit: decider, keptApart: undefined };
      });
  });
  const trouble = new Map(loads.map(({ id }) => [id, 0]));
  for (const { starts, runs, verdict } of pairs)
    for (const id of [starts, runs])
      trouble.set(id, (trouble.get(id) ?? 0) + compareVerdicts(verdict, 'holds'));
  return {
    loads: [...loads].sort((a, b) => (trouble.get(b.id) ?? 0) - (trouble.get(a.id) ?? 0)),
    pairs,
  };
}
