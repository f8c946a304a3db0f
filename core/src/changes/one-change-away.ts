import { noProgress, type Progress } from '../units/progress.js';
import { largestAbove, type Combination } from '../sets/combinations.js';
import type { SetQuestion } from '../sets/runs-together.js';
import { compile, type CompiledRig } from '../check/wiring/compile.js';
import { check } from '../check/check.js';
import type { LoadOn } from '../check/situation.js';
import type { AskedSet, Change } from './change.js';
import { changed } from './changed.js';
import { lowerStates } from './changes-by-hand.js';
import { changesOfSupply } from './changes-of-supply.js';
import { coolerInverter, easierStarts } from './changes-of-rig.js';
import { effortOf } from './effort.js';

/** A combination that is larger than any without the change. */
export interface OneChangeAway {
  readonly change: Change;
  readonly set: Combination;
}

const MOST_TOLD = 5;

/**
 * Combinations that one change makes possible: for every setting, supply, level and part that may be bought the one with
 * the most loads, where it has more than any without the change.
 *
 * @param largest How many loads the largest has without a change.
 * @returns The most loads first, then the least effort. Source: docs/decisions/0010; ranking of effort: common practice.
 */
export function oneChangeAway(
  compiled: CompiledRig,
  question: SetQuestion,
  largest: number,
  progress: Progress = noProgress,
): readonly OneChangeAway[] {
  const asked = pinnedSet(compiled, question);
  const changes = possibleChanges(compiled, question, asked)
    .map((change) => ({ change, effort: effortOf(asked, change) }))
    .sort((a, b) => a.effort - b.effort);
  const found = changes.flatMap(({ change, effort }, index) => {
    progress(index, changes.length);
    const set = largestAfter(compiled, question, asked, change, largest);
    return set ? [{ change, set, effort }] : [];
  });
  return found
    .sort((a, b) => b.set.loads.length - a.set.loads.length || a.effort - b.effort)
    .slice(0, MOST_TOLD)
    .map(({ change, set }) => ({ change, set }));
}

/** What every set must have, and every load that a change may be about, as it is asked about. */
function pinnedSet({ rig }: CompiledRig, { supply, charge, states }: SetQuestion): AskedSet {
  const on = rig.loads.map(({ id }): LoadOn => ({ load: id, state: states?.get(id) }));
  return { rig, scene: { supply, on, ...(charge && { charge }) }, startOrder: 'best' };
}

function possibleChanges(
  compiled: CompiledRig,
  { supply, mustNot = [], mustInclude = [] }: SetQuestion,
  asked: AskedSet,
): readonly Change[] {
  const { rig } = compiled;
  const pinned = check(compiled, { supply, on: mustInclude.map((load) => ({ load })) });
  const loads = rig.loads.filter(({ id }) => !mustNot.includes(id));
  const stateOf = (id: string) => asked.scene.on.find(({ load }) => load === id)?.state;
  return [
    ...loads.flatMap((load) => lowerStates(rig, load, stateOf(load.id))),
    ...changesOfSupply(asked, pinned).filter(({ by }) => by !== 'who-carries'),
    ...(rig.ties ?? []).map(({ follower, leader }) => ({
      by: 'untie' as const,
      followerId: follower,
      leaderId: leader,
    })),
    ...coolerInverter(rig),
    ...loads.flatMap(easierStarts),
    ...rig.batteries.slice(0, 1).map(({ id }) => ({ by: 'more-battery' as const, batteryId: id })),
  ];
}

function largestAfter(
  compiled: CompiledRig,
  question: SetQuestion,
  asked: AskedSet,
  change: Change,
  above: number,
): Combination | undefined {
  const { rig, scene } = changed(asked, change);
  const after = rig === compiled.rig ? compiled : compile(rig);
  const states = new Map(question.states);
  if (change.by === 'state') states.set(change.loadId, change.stateId);
  return largestAbove(after, { ...question, supply: scene.supply, states }, above);
}
