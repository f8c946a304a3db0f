import type { Consumer } from '../electrical/consumer.js';
import { loadOf } from '../rig/lookup.js';
import type { Load, Rig, Scene, Supply } from '../rig/schema.js';
import { withCause, type Limit } from './limit.js';
import type { SeriesElement } from '../system/series-elements.js';
import { hasStart } from '../electrical/joined-start.js';
import { startLimits, startsTogether } from './start-limits.js';
import type { StartTest } from './start-order.js';
import { steadyLimits } from './steady-limits.js';
import { boggedDown } from './other-surges.js';
import { droppedBy } from '../system/shedders.js';
import { followersOf } from '../system/ties.js';
import { fedConsumer } from '../system/consumers.js';
import type { NotFed } from '../system/fed-loads.js';
import { wiringOf } from '../system/wiring.js';

/** Which loads are on, and on which supply. */
export interface CheckScene {
  readonly supply: Scene['supply'];
  readonly on: readonly LoadOn[];
}

/** A load that is on, and in which state. */
export interface LoadOn {
  readonly load: string;
  readonly state?: string | undefined;
}

/** A set of loads on a supply, ready to be judged. */
export interface Situation {
  readonly supply: Supply;
  readonly elements: readonly SeriesElement[];
  /** What is on and fed. */
  readonly consumers: readonly Consumer[];
  readonly notFed: readonly NotFed[];
  /** Every limit of a start, tied starts joined. */
  readonly test: StartTest;
  /** Every limit of several loads that start in the same moment. */
  readonly testTogether: (running: readonly Consumer[], group: readonly Consumer[]) => readonly Limit[];
  /** Loads that start with another one of the set, so not by hand. */
  readonly followers: ReadonlySet<string>;
  /** A load of it in some state, or in full; undefined where nothing feeds it. */
  readonly inState: (load: Load, stateId?: string) => Consumer | undefined;
}

/** Follows the wiring of what is on; of loads locked against each other only the first runs. */
export function situationOf(rig: Rig, supply: Supply, on: readonly LoadOn[]): Situation {
  const loads = on.map((entry) => loadOf(rig, entry.load));
  const lockedOut = loads.flatMap(
    (load, index) => lockedBy(rig, loads.slice(0, index), load) ?? droppedBy(rig, loads, load) ?? [],
  );
  const free = loads.filter((load) => !lockedOut.some((each) => each.load === load));
  const situation = wiredSituation(rig, supply, free, on);
  return { ...situation, notFed: [...situation.notFed, ...lockedOut] };
}

/** The situation of loads whatever locks say: for questions about loads that are off. */
export function wiredSituation(
  rig: Rig,
  supply: Supply,
  loads: readonly Load[],
  on: readonly LoadOn[],
): Situation {
  const { elements, fed, notFed } = wiringOf(rig, supply, loads);
  const stateOf = (load: Load) => on.find((entry) => entry.load === load.id)?.state;
  const consumers = fed.map((entry) => fedConsumer(rig, supply, entry, stateOf(entry.load)));
  const isOn = new Set(on.map((entry) => entry.load));
  const followers = followersOf(
    rig,
    consumers.filter((consumer) => isOn.has(consumer.load.id)),
  );
  const led = [...followers].filter(([leader]) => isOn.has(leader)).flatMap(([, each]) => each);
  return {
    supply,
    elements,
    consumers,
    notFed,
    test: (running, starting, isEnough) => testStart(elements, running, starting, followers, isEnough),
    testTogether: (running, group) => startsTogether(elements, running, group),
    followers: new Set(led.map((consumer) => consumer.load.id)),
    inState: (load, stateId) => {
      const entry = fed.find((each) => each.load.id === load.id);
      return entry && fedConsumer(rig, supply, entry, stateId);
    },
  };
}

/** The lock that keeps a load off while one of the others is on. */
export function lockedBy(rig: Rig, others: readonly Load[], load: Load): NotFed | undefined {
  const lock = (rig.locks ?? []).find(
    (each) => each.loads.includes(load.id) && others.some((other) => each.loads.includes(other.id)),
  );
  const circuit = rig.circuits.find((candidate) => candidate.id === load.circuit);
  return lock && circuit ? { load, circuit, because: `"${lock.name}" lets one run at a time` } : undefined;
}

/** Everything steady in a situation. */
export function steadyLimitsOf({ elements }: Situation, running: readonly Consumer[]): readonly Limit[] {
  return elements.flatMap((element) => steadyLimits(element, running));
}

/**
 * What can happen at any moment while a set runs: loads that start by themselves, saws that bog down.
 *
 * @param isEnough Where given, the test of a start may stop behind a limit it says yes to.
 */
export function momentsOf(
  { test }: Situation,
  running: readonly Consumer[],
  isEnough?: (limit: Limit) => boolean,
): readonly Limit[] {
  const starts = running.filter((consumer) => consumer.load.usage === 'by-itself' && hasStart(consumer));
  return [
    ...starts.flatMap((consumer) => test(running, consumer, isEnough)),
    ...running.flatMap((consumer) => boggedLimits(test, running, consumer)),
  ];
}

/** The limits of a load that bogs down while the others run; none where it does not. */
export function boggedLimits(
  test: StartTest,
  running: readonly Consumer[],
  consumer: Consumer,
): readonly Limit[] {
  const bogged = boggedDown(consumer);
  return bogged ? test(running, bogged).map((limit) => withCause(limit, 'bogged')) : [];
}

function testStart(
  elements: readonly SeriesElement[],
  running: readonly Consumer[],
  starting: Consumer,
  followers: ReadonlyMap<string, readonly Consumer[]>,
  isEnough?: (limit: Limit) => boolean,
): readonly Limit[] {
  const alone = startLimits(elements, running, starting, isEnough);
  const own = followers.get(starting.load.id) ?? [];
  const kicks = [starting, ...own].flatMap(({ parts }) => parts.filter((part) => part.start));
  if (own.length === 0 || kicks.length < 2) return alone;
  return [...alone, ...startsTogether(elements, running, [starting, ...own])];
}
