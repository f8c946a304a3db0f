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
import { fedLoads } from '../system/fed-loads.js';
import { unlocked } from '../system/locks.js';
import { tiesOf, type Ties } from '../system/ties.js';
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
  /** Every limit of a surge that is no start of its own: it brings no follower's start about. */
  readonly testSurge: StartTest;
  readonly ties: Ties;
  /** A load of it in some state, or in full; undefined where nothing feeds it. */
  readonly inState: (load: Load, stateId?: string) => Consumer | undefined;
}

/** Follows the wiring of what is on, less what its locks and shedders keep off. */
export function situationOf(rig: Rig, supply: Supply, on: readonly LoadOn[]): Situation {
  const loads = on.map((entry) => loadOf(rig, entry.load));
  const { fed, notFed } = fedLoads(rig, supply, loads);
  const { free, keptOff } = unlocked(
    rig,
    fed.map(({ load }) => load),
  );
  const situation = wiredSituation(rig, supply, free, on);
  return { ...situation, notFed: [...notFed, ...keptOff] };
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
  const ties = tiesOf(rig, consumers, (id) => isOn.has(id));
  const testSurge: StartTest = (running, surging, isEnough) =>
    startLimits(elements, ties.withFollowers(running), surging, isEnough);
  return {
    supply,
    elements,
    consumers,
    notFed,
    test: (running, starting, isEnough) => [
      ...testSurge(running, starting, isEnough),
      ...tiedStarts(elements, ties, running, starting),
    ],
    testTogether: (running, group) => startsTogether(elements, running, group),
    testSurge,
    ties,
    inState: (load, stateId) => {
      const entry = fed.find((each) => each.load.id === load.id);
      return entry && fedConsumer(rig, supply, entry, stateId);
    },
  };
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
  { test, testSurge, ties }: Situation,
  running: readonly Consumer[],
  isEnough?: (limit: Limit) => boolean,
): readonly Limit[] {
  const starts = running.filter(
    (consumer) => consumer.load.usage === 'by-itself' && ties.bringsStart(consumer),
  );
  return [
    ...starts.flatMap((consumer) => test(running, consumer, isEnough)),
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
