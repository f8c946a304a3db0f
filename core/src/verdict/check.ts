import type { Consumer } from '../electrical/consumer.js';
import type { Supply } from '../rig/schema.js';
import type { CompiledRig } from '../system/compile.js';
import { RunningSet } from '../system/running-set.js';
import { leanOf, type Lean } from './lean.js';
import type { Limit } from './limit.js';
import { compareLimits, decidingLimit } from './limit-order.js';
import { restartsOf, type Restart } from './restart.js';
import type { SeriesElement } from '../system/series-elements.js';
import { boggedLimits, situationOf, steadyLimitsOf, type CheckScene, type Situation } from './situation.js';
import { bestStartOrder, passesAt, type StartTest } from './start-order.js';
import { choicesOfLocks } from './lock-choices.js';
import { compareVerdicts, worstVerdict, type Verdict } from './verdict.js';
import { whenItTrips, type TripsWhen } from './when-it-trips.js';
import type { NotFed } from '../system/fed-loads.js';

export interface CheckResult {
  readonly supply: Supply;
  readonly verdict: Verdict;
  /** The limit that decides; undefined where nothing that is on is fed. */
  readonly decider: Limit | undefined;
  /** One row per limit, the deciding ones first; a start row is the hardest start of its limit. */
  readonly limits: readonly Limit[];
  /** Loads that start by themselves, and what charges: they run before any start by hand. */
  readonly selfStarting: readonly Consumer[];
  /** Loads switched by hand, and those held off until their turn, in the best order. */
  readonly order: readonly Consumer[];
  /** Every start in that order, then the self-starting loads on top of everything. */
  readonly starts: readonly StartInOrder[];
  /** Loads of the order that must not be started after all the others. */
  readonly notLast: readonly NotLast[];
  readonly restarts: readonly Restart[];
  readonly tripsWhen: TripsWhen | undefined;
  /** Which way it leans where it is Tight; undefined where a planning rule alone makes it so. */
  readonly lean: Lean | undefined;
  readonly elements: readonly SeriesElement[];
  readonly notFed: readonly NotFed[];
}

/** All that runs of a set, for what its conductors carry. */
export function runningSetOf({
  selfStarting,
  order,
}: Pick<CheckResult, 'selfStarting' | 'order'>): RunningSet {
  return new RunningSet([...selfStarting, ...order]);
}

/** Which orders of the starts a verdict is for. */
export type StartOrderRule = 'best' | 'given' | 'any';

export interface NotLast {
  readonly loadId: string;
  /** What decides if it is started last all the same. */
  readonly limit: Limit;
}

export interface StartInOrder {
  readonly consumer: Consumer;
  readonly moment: 'in-order' | 'any-moment' | 'bogged';
  /** What runs when it starts, itself left out. */
  readonly running: readonly Consumer[];
  readonly limits: readonly Limit[];
}

/** Every row of the limit ladder: the limits of the set and, beside them, its restarts. */
export function ladderOf(result: CheckResult): readonly Limit[] {
  return [...result.limits, ...result.restarts.map((restart) => restart.limit)].sort(compareLimits);
}

/**
 * Can these loads run together on this supply?
 *
 * Every limit of every series element is tested at both edges: running watts, running VA and surge
 * tiers of inverter and generator; branch, output and source breakers, steady and at a start; plugs,
 * cords and the transfer relay; the batteries; the continuous rule. A set passes an edge if some
 * order of its starts does; the verdict is for the best order of the pessimistic edge, or, where only
 * the optimistic edge passes and in another order, for that one.
 *
 * @param compiled A validated rig, compiled.
 * @param scene What is on, and the supply; ids must be those of the rig.
 * @param startOrder The best order (the default), the one given by the scene, or any: then every load
 *   must be able to start last.
 * @returns The verdict with everything that led to it.
 * @throws RangeError where an id of the scene is not in the rig.
 * Source: methods.md, rules 1 to 11, 13 to 15.
 */
export function check(
  compiled: CompiledRig,
  scene: CheckScene,
  startOrder: StartOrderRule = 'best',
): CheckResult {
  const system = compiled.on(scene.supply);
  const results = (startOrder === 'best' ? choicesOfLocks(system.rig, scene.on) : [scene.on]).map((on) =>
    checkSet(situationOf(system, { ...scene, on }), startOrder),
  );
  return results.reduce((best, each) => (compareVerdicts(each.verdict, best.verdict) < 0 ? each : best));
}

function checkSet(situation: Situation, startOrder: StartOrderRule): CheckResult {
  const { consumers, test, ties, runsFirst } = situation;
  const selfStarting = consumers.filter(runsFirst);
  const byHand = consumers.filter((consumer) => !runsFirst(consumer));
  const isStarted = (consumer: Consumer): boolean =>
    ties.bringsStart(consumer) && !ties.led.has(consumer.load.id);
  const order =
    startOrder === 'best'
      ? [
          ...orderOf(byHand.filter(isStarted), selfStarting, test),
          ...byHand.filter((consumer) => !isStarted(consumer)),
        ]
      : byHand;
  const before = startOrder === 'any' ? allOthers(consumers) : earlierOnes(selfStarting, order);
  const starts = startsInOrder(situation, order.filter(isStarted), (consumer) =>
    ties.withFollowers(before(consumer)),
  );
  const limits = [...steadyLimitsOf(situation, consumers), ...hardestStarts(starts)].sort(compareLimits);
  const decider = decidingLimit(limits);
  const verdict = worstVerdict(limits.map((limit) => limit.verdict));
  return {
    supply: situation.supply,
    verdict,
    decider,
    limits,
    selfStarting,
    order,
    starts,
    notLast: notLastOf(order.filter(isStarted), consumers, test),
    restarts: restartsOf(consumers, test),
    tripsWhen: verdict === 'trips' && decider ? whenItTrips(decider) : undefined,
    lean: verdict === 'tight' ? leanOf(limits) : undefined,
    elements: situation.elements,
    notFed: situation.notFed,
  };
}

function orderOf(
  starting: readonly Consumer[],
  floor: readonly Consumer[],
  test: StartTest,
): readonly Consumer[] {
  const careful = bestStartOrder(starting, floor, 'pessimistic', test);
  if (careful.passes) return careful.order;
  const hopeful = bestStartOrder(starting, floor, 'optimistic', test);
  const earlier = earlierOnes(floor, careful.order);
  const carefulMayDo = careful.order.every((consumer) =>
    passesAt(test(earlier(consumer), consumer), 'optimistic'),
  );
  return hopeful.passes && !carefulMayDo ? hopeful.order : careful.order;
}

/** What runs when a load of an order is started: the floor and all before it. */
function earlierOnes(floor: readonly Consumer[], order: readonly Consumer[]) {
  return (consumer: Consumer): readonly Consumer[] => [...floor, ...order.slice(0, order.indexOf(consumer))];
}

function allOthers(consumers: readonly Consumer[]) {
  return (consumer: Consumer): readonly Consumer[] => consumers.filter((other) => other !== consumer);
}

function startsInOrder(
  { consumers: all, test, testSurge, ties }: Situation,
  starting: readonly Consumer[],
  runningAtStart: (consumer: Consumer) => readonly Consumer[],
): readonly StartInOrder[] {
  const startOf = (
    consumer: Consumer,
    moment: StartInOrder['moment'],
    running: readonly Consumer[],
  ): StartInOrder => ({ consumer, moment, running, limits: test(running, consumer) });
  return [
    ...starting.map((consumer) => startOf(consumer, 'in-order', runningAtStart(consumer))),
    ...all
      .filter((consumer) => consumer.load.usage === 'by-itself' && ties.bringsStart(consumer))
      .map((consumer) => startOf(consumer, 'any-moment', allOthers(all)(consumer))),
    ...all.flatMap((consumer): readonly StartInOrder[] => {
      const running = allOthers(all)(consumer);
      const limits = boggedLimits(testSurge, running, consumer);
      return limits.length > 0 ? [{ consumer, moment: 'bogged', running, limits }] : [];
    }),
  ];
}

/** One row per element and unit: its hardest start. */
function hardestStarts(starts: readonly StartInOrder[]): readonly Limit[] {
  const hardest = new Map<string, Limit>();
  for (const limit of starts.flatMap((start) => start.limits)) {
    const key = `${limit.element.id} ${limit.kind}`;
    const known = hardest.get(key);
    if (!known || compareLimits(limit, known) < 0) hardest.set(key, limit);
  }
  return [...hardest.values()];
}

function notLastOf(
  starting: readonly Consumer[],
  all: readonly Consumer[],
  test: StartTest,
): readonly NotLast[] {
  return starting
    .filter((consumer) => consumer.load.usage === 'left-on')
    .flatMap((consumer) => {
      const limit = decidingLimit(test(all, consumer));
      return limit && limit.verdict !== 'holds' ? [{ loadId: consumer.load.id, limit }] : [];
    });
}
