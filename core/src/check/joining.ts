import { followersOf } from '../rig/followers.js';
import { RunningSet } from './wiring/running-set.js';
import type { CompiledRig } from './wiring/compile.js';
import type { Limit } from './limits/limit.js';
import { momentsOf, situationOf, steadyLimitsOf, type CheckScene, type Situation } from './situation.js';
import type { Consumer } from '../loads/consumer.js';
import { steadyLimits } from './limits/steady-limits.js';

/** A set with one load more, which starts last on top of all that runs. */
export interface Joining {
  readonly situation: Situation;
  /** The load that joins. */
  readonly joining: Consumer;
  /** What starts with it. */
  readonly followers: readonly string[];
  /** What runs before it. */
  readonly before: readonly Consumer[];
}

/**
 * A load joins what is on: with its followers, last of all.
 *
 * @returns Why it cannot, where nothing feeds it or a lock or a shedder keeps it off.
 */
export function joiningOf(
  compiled: CompiledRig,
  scene: CheckScene,
  loadId: string,
  state?: string,
): Joining | { readonly because: string } {
  const isOn = new Set(scene.on.map(({ load }) => load));
  const followers = followersOf(compiled.rig, loadId).filter((id) => !isOn.has(id));
  const on = [
    ...scene.on,
    { load: loadId, ...(state !== undefined && { state }) },
    ...followers.map((load) => ({ load })),
  ];
  const situation = situationOf(compiled.on(scene.supply), { ...scene, on });
  const joining = situation.consumers.find(({ load }) => load.id === loadId);
  if (!joining) {
    const notFed = situation.notFed.find(({ load }) => load.id === loadId);
    return { because: notFed?.because ?? 'nothing feeds it' };
  }
  const added = new Set([loadId, ...followers]);
  return {
    situation,
    joining,
    followers,
    before: situation.consumers.filter(({ load }) => !added.has(load.id)),
  };
}

/** Every limit of it: all that runs, its start with those it brings about, and what may start at any moment. */
export function limitsOfJoining({ situation, joining, before }: Joining): readonly Limit[] {
  const { consumers, test, ties } = situation;
  return [
    ...steadyLimitsOf(situation, consumers),
    ...(ties.bringsStart(joining) ? test([...before, joining], joining) : []),
    ...momentsOf(situation, consumers),
  ];
}

/**
 * Whether all of these limits hold; done at the first that does not.
 *
 * @param failing A limit that failed in a set like this one: its element and its start are tested first.
 */
export function holdsJoined(joined: Joining, failing?: Limit): boolean {
  const { situation, joining, before } = joined;
  const { consumers, elements, test, ties } = situation;
  const fails = (limit: Limit): boolean => limit.verdict !== 'holds';
  const set = new RunningSet(consumers);
  return (
    !(failing && failsAgain(joined, set, failing)) &&
    !elements.some((element) => steadyLimits(element, set).some(fails)) &&
    !(ties.bringsStart(joining) && test([...before, joining], joining, fails).some(fails)) &&
    !momentsOf(situation, consumers, fails).some(fails)
  );
}

function failsAgain({ situation, joining, before }: Joining, set: RunningSet, failing: Limit): boolean {
  const { consumers, elements, test, habits } = situation;
  const fails = (limit: Limit): boolean => limit.verdict !== 'holds';
  const { start } = failing;
  if (!start)
    return elements
      .filter(({ id }) => id === failing.element.id)
      .some((element) => steadyLimits(element, set).some(fails));
  if (start.cause !== 'start') return false;
  if (start.loadId === joining.load.id) return test([...before, joining], joining, fails).some(fails);
  const starting = consumers.find(({ load }) => load.id === start.loadId);
  if (!starting) return false;
  return test(habits.besideRestart(consumers, starting), starting, fails).some(fails);
}
