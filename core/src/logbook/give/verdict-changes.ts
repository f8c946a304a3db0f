import type { Rig } from '../../rig-file/schema.js';
import { compile } from '../../check/wiring/compile.js';
import { check, type CheckResult } from '../../check/check.js';
import type { CheckScene } from '../../check/situation.js';

/** A set on a supply, and what it is with other numbers. */
export interface VerdictChange {
  /** The kept set that it is of; else the loads that run alone or two together. */
  readonly scene: string | undefined;
  readonly loads: readonly string[];
  readonly supply: string;
  readonly before: CheckResult;
  readonly after: CheckResult;
}

export interface VerdictChanges {
  readonly changed: readonly VerdictChange[];
  /** Of those that stay, the one that comes closest to another verdict. */
  readonly closest: VerdictChange | undefined;
  readonly looked: number;
}

/** A set to be looked at, and what it is of. */
interface Question extends Pick<VerdictChange, 'scene' | 'loads'> {
  readonly on: CheckScene;
}

/** What is looked at on every supply: each kept set, each load alone, and each load whose numbers change with each other one. */
function questionsOf(before: Rig, after: Rig): readonly Question[] {
  const changed = after.loads.filter(
    (load) => JSON.stringify(load) !== JSON.stringify(before.loads.find(({ id }) => id === load.id)),
  );
  const pairs = changed.flatMap((load) =>
    after.loads.filter((other) => other !== load).map((other) => [load.id, other.id]),
  );
  const sets = [...after.loads.map(({ id }) => [id]), ...pairs];
  return after.supplies.flatMap((supply) => [
    ...after.scenes.map((scene): Question => ({
      scene: scene.id,
      loads: [],
      on: { ...scene, supply: supply.id },
    })),
    ...sets.map((loads): Question => ({
      scene: undefined,
      loads,
      on: { supply: supply.id, on: loads.map((load) => ({ load })) },
    })),
  ]);
}

/** Which verdicts change when some numbers of a rig do; sets that nothing feeds have none. */
export function verdictChanges(before: Rig, after: Rig): VerdictChanges {
  const [was, becomes] = [compile(before), compile(after)];
  const looked = questionsOf(before, after).flatMap(({ on, scene, loads }): readonly VerdictChange[] => {
    const [one, other] = [check(was, on), check(becomes, on)];
    return one.decider && other.decider
      ? [{ scene, loads, supply: on.supply, before: one, after: other }]
      : [];
  });
  const stays = looked.filter((each) => each.before.verdict === each.after.verdict);
  return {
    changed: looked.filter((each) => each.before.verdict !== each.after.verdict),
    closest: stays.reduce<VerdictChange | undefined>(
      (least, each) => (least && distance(least) <= distance(each) ? least : each),
      undefined,
    ),
    looked: looked.length,
  };
}

/** How far a set is from another verdict: what its limit has to spare or is over, as a share of it. */
const distance = ({ after: { decider } }: VerdictChange): number =>
  decider ? Math.abs(1 - decider.loading) : Infinity;
