import type { Consumer } from '../loads/consumer.js';
import { loadOf } from '../rig/lookup.js';
import type { Load, Scene, Supply } from '../rig-file/schema.js';
import { asRestart, withCause, type Limit } from './limits/limit.js';
import type { System } from './wiring/compile.js';
import { RunningSet } from './wiring/running-set.js';
import { charges, type Members, type SeriesElement } from './wiring/series-elements.js';
import { hasStart } from '../loads/start/joined-start.js';
import { startLimits, startsTogether } from './limits/start-limits.js';
import type { StartTest } from './order/start-order.js';
import { steadyLimits } from './limits/steady-limits.js';
import { boggedDown } from './limits/other-surges.js';
import { droppedAfterStart, unlocked } from './wiring/locks.js';
import { tiesOf, type Ties } from './wiring/ties.js';
import { habitsOf, type Habits } from './order/habits.js';
import type { NotFed } from './wiring/fed-loads.js';

/** Which loads are on, on which supply, and the charge of the battery where it was read. */
export interface CheckScene {
  readonly supply: Scene['supply'];
  readonly charge?: Scene['charge'];
  readonly startOrder?: Scene['startOrder'];
  readonly on: readonly LoadOn[];
}

/** A load that is on, and in which state. */
export interface LoadOn {
  readonly load: string;
  readonly state?: string | undefined;
  /** Of one that starts by itself: its switch is off until its turn comes in the order of the starts. */
  readonly heldOff?: 'yes' | 'no' | undefined;
  /** A habit: tools before whose restart it is switched off, and on again after it. */
  readonly offAtRestartOf?: readonly string[] | undefined;
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
  /** What the habits of the set switch off before a tool is restarted. */
  readonly habits: Habits;
  /** What is still on while a load starts, and is dropped by a shedder only then. */
  readonly stillOn: (starting: Consumer) => readonly Consumer[];
  /** Every limit of several loads that start in the same moment. */
  readonly testTogether: (running: readonly Consumer[], group: readonly Consumer[]) => readonly Limit[];
  /** Every limit of a surge that is no start of its own: it brings no follower's start about. */
  readonly testSurge: StartTest;
  readonly ties: Ties;
  /** Whether it may start before any start by hand: by itself, and not held off at its switch. */
  readonly runsFirst: (consumer: Consumer) => boolean;
  /** A load of it in some state, or in full; undefined where nothing feeds it. */
  readonly inState: (load: Load, stateId?: string) => Consumer | undefined;
}

/** What runs of a set once its locks and shedders have acted. */
export function situationOf(system: System, { on, charge }: Omit<CheckScene, 'supply'>): Situation {
  const loads = on.map((entry) => loadOf(system.rig, entry.load));
  const notFed = loads.flatMap(({ id }) => system.whyNotFed(id) ?? []);
  const fed = loads.filter(({ id }) => !system.whyNotFed(id));
  const { free, keptOff } = unlocked(system.rig, fed);
  const situation = situationOfAll(system, [...free, ...system.charging], { on, charge });
  const dropped = keptOff.map(({ load }) => load);
  const states = new Map(on.map((entry) => [entry.load, entry.state]));
  const stillOn = (starting: Consumer): readonly Consumer[] =>
    droppedAfterStart(system.rig, dropped, starting.load).flatMap(
      ({ id }) => system.consumerOf(id, states.get(id)) ?? [],
    );
  const { test } = situation;
  return {
    ...situation,
    stillOn,
    test:
      dropped.length === 0
        ? test
        : (running, starting, isEnough) => test([...running, ...stillOn(starting)], starting, isEnough),
    notFed: [...notFed, ...keptOff],
  };
}

/** The situation of loads whatever locks say: for questions about loads that are off. */
export function situationOfAll(
  system: System,
  loads: readonly Load[],
  { on, charge }: Omit<CheckScene, 'supply'>,
): Situation {
  const { rig, supply, consumerOf, whyNotFed } = system;
  const states = new Map(on.map((entry) => [entry.load, entry.state]));
  const consumers = loads.flatMap(({ id }) => consumerOf(id, states.get(id)) ?? []);
  const isThere = new Set([...consumers.map(({ load }) => load.id), ...states.keys()]);
  const elements = system.elements
    .filter((element) => hasAny(element.members, isThere) || charges(element))
    .map((element) => (element.kind === 'battery' && charge ? { ...element, charge } : element));
  const ties = tiesOf(rig, consumers, (id) => states.has(id));
  const habits = habitsOf(on, consumers);
  const heldOff = new Set(on.flatMap((entry) => (entry.heldOff === 'yes' ? [entry.load] : [])));
  const testSurge: StartTest = (running, surging, isEnough) => {
    // What follows the load itself does not run before it.
    const before = running.filter(({ load }) => load.id !== surging.load.id);
    return startLimits(elements, ties.withFollowers(before), surging, isEnough);
  };
  return {
    supply,
    elements,
    consumers,
    notFed: loads.flatMap(({ id }) => whyNotFed(id) ?? []),
    test: (running, starting, isEnough) => [
      ...testSurge(running, starting, isEnough),
      ...tiedStarts(elements, ties, running, starting),
    ],
    habits,
    stillOn: () => [],
    testTogether: (running, group) => startsTogether(elements, running, group),
    testSurge,
    ties,
    runsFirst: ({ load }) => load.usage === 'by-itself' && !heldOff.has(load.id),
    inState: (load, stateId) => consumerOf(load.id, stateId),
  };
}

function hasAny(members: Members, ids: ReadonlySet<string>): boolean {
  for (const id of members.keys()) if (ids.has(id)) return true;
  return false;
}

/** Everything steady in a situation. */
export function steadyLimitsOf({ elements }: Situation, running: readonly Consumer[]): readonly Limit[] {
  const set = new RunningSet(running);
  return elements.flatMap((element) => steadyLimits(element, set));
}

/** Whether a load must be able to start on top of everything: by itself, or again and again during work. */
export function startsAtAnyMoment({ load }: Consumer): boolean {
  return load.usage !== 'left-on';
}

/**
 * What can happen at any moment while a set runs: loads that start by themselves, tools that are restarted, saws that
 * bog down.
 *
 * @param isEnough Where given, the test of a start may stop behind a limit it says yes to.
 */
export function momentsOf(
  { test, testSurge, ties, habits }: Situation,
  running: readonly Consumer[],
  isEnough?: (limit: Limit) => boolean,
): readonly Limit[] {
  const itself = running.filter(({ load }) => load.usage === 'by-itself').filter(ties.bringsStart);
  return [
    ...itself.flatMap((consumer) => test(running, consumer, isEnough)),
    ...habits
      .restarted(running)
      .flatMap((consumer) => test(habits.besideRestart(running, consumer), consumer, isEnough))
      .map(asRestart),
    ...running.flatMap((consumer) => boggedLimits(testSurge, running, consumer)),
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

/** What starts with a load starts on top of it, in the same moment at worst. */
function tiedStarts(
  elements: readonly SeriesElement[],
  ties: Ties,
  running: readonly Consumer[],
  leader: Consumer,
): readonly Limit[] {
  const own = ties.followersOf(leader);
  if (!own.some(hasStart)) return [];
  return startsTogether(elements, ties.withFollowers(running), [leader, ...own]);
}
