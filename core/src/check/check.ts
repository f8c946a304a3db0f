import type { Consumer } from '../loads/consumer.js';
import type { Edge } from '../units/quantity.js';
import type { Supply } from '../rig-file/schema.js';
import type { CompiledRig } from './wiring/compile.js';
import { RunningSet } from './wiring/running-set.js';
import type { Limit } from './limits/limit.js';
import { isCharging } from '../rig/charging-loads.js';
import { compareLimits, decidingLimit } from './limits/limit-order.js';
import { oddsOfSet, type OddsOfSet } from './odds-of-set.js';
import { restartsOf, type Restart } from './order/restart.js';
import type { SeriesElement } from './wiring/series-elements.js';
import { boggedLimits, situationOf, steadyLimitsOf, type CheckScene, type Situation } from './situation.js';
import { continuousRuleIfLasting, limitsOfSupply } from './limits/steady-limits.js';
import { bestStartOrder, passesAt, type StartTest } from './order/start-order.js';
import { worstVerdict, type Verdict } from './verdict.js';
import { whenItTrips, type TripsWhen } from './when-it-trips.js';
import type { NotFed } from './wiring/fed-loads.js';
import type { Ties } from './wiring/ties.js';

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
  /** What the supply does not keep by itself, with charging alone: said once, whatever set is on. */
  readonly ofSupply: readonly Limit[];
  /** Every start in that order, then the self-starting loads on top of everything. */
  readonly starts: readonly StartInOrder[];
  /** Loads of the order that must not be started after all the others. */
  readonly notLast: readonly NotLast[];
  /** Every restart of what is switched during work; its limit is among the limits. */
  readonly restarts: readonly Restart[];
  /** Habits that the verdict counts on: what is off before which tool is restarted. */
  readonly habits: readonly { readonly before: string; readonly off: string }[];
  readonly tripsWhen: TripsWhen | undefined;
  /** The rule of three hours that is broken if what has no minutes entered runs as long; undefined where none is. */
  readonly forThreeHours: Limit | undefined;
  /** How likely it is to hold where that is open; undefined where it is not, or where a planning rule alone makes it so. */
  readonly odds: OddsOfSet | undefined;
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

/** Whether no load runs: nothing is ticked, or nothing that is ticked is fed; what charges is no load of anybody. */
export function isNothingFed({ selfStarting, order }: Pick<CheckResult, 'selfStarting' | 'order'>): boolean {
  return [...selfStarting, ...order].every(({ load }) => isCharging(load));
}

/** Which orders of the starts a verdict is for. */
export type StartOrderRule = 'best' | 'given' | 'any';

interface NotLast {
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

/**
 * Can these loads run together on this supply?
 *
 * Every limit of every series element is tested at both edges and as entered: running watts, running VA and surge
 * tiers of inverter and generator; branch, output and source breakers, steady and at a start; plugs,
 * cords and the transfer relay; the batteries; the continuous rule. A set passes an edge if some
 * order of its first starts does, and if what starts by itself, or is switched again and again, can start on top of all
 * of it. The verdict is for the best order of the pessimistic edge, or, where none passes that, for the best of the next.
 *
 * @param compiled A validated rig, compiled.
 * @param scene What is on, and the supply; ids must be those of the rig.
 * @param startOrder The best order, the one in which the scene has its loads, or any: then every load must be able to start
 *   last. By default what the scene says, else the best.
 * @returns The verdict with everything that led to it.
 * @throws RangeError where an id of the scene is not in the rig.
 * Source: methods.md, rules 1 to 11, 13 to 15, 35 and 36.
 */
export function check(
  compiled: CompiledRig,
  scene: CheckScene,
  startOrder: StartOrderRule = scene.startOrder ?? 'best',
): CheckResult {
  return checkSet(situationOf(compiled.on(scene.supply), scene), startOrder);
}

function checkSet(situation: Situation, startOrder: StartOrderRule): CheckResult {
  const { consumers, test, ties, runsFirst } = situation;
  const selfStarting = consumers.filter(runsFirst);
  const byHand = consumers.filter((consumer) => !runsFirst(consumer));
  const isStarted = (consumer: Consumer): boolean =>
    ties.bringsStart(consumer) && !ties.led.has(consumer.load.id);
  const order = behindLeaders(
    startOrder === 'best'
      ? [
          ...orderOf(byHand.filter(isStarted), selfStarting, test),
          ...byHand.filter((consumer) => !isStarted(consumer)),
        ]
      : byHand,
    ties,
  );
  const before = startOrder === 'any' ? allOthers(consumers) : earlierOnes(selfStarting, order);
  const starts = startsInOrder(situation, order.filter(isStarted), (consumer) =>
    ties.withFollowers(before(consumer)),
  );
  const restarts = restartsOf(consumers, test, situation.habits);
  const ofSupply = situation.elements.flatMap(limitsOfSupply).sort(compareLimits);
  const limits = [
    ...steadyLimitsOf(situation, consumers),
    ...(isNothingFed({ selfStarting, order }) ? ofSupply : []),
    ...hardestStarts(starts),
    ...restarts.map(({ limit }) => limit),
  ].sort(compareLimits);
  const decider = decidingLimit(limits);
  const verdict = worstVerdict(limits.map((limit) => limit.verdict));
  return {
    supply: situation.supply,
    verdict,
    decider,
    limits,
    ofSupply,
    selfStarting,
    order,
    starts,
    notLast: notLastOf(order.filter(isStarted), consumers, test),
    restarts,
    habits: consumers.flatMap(({ load }) =>
      situation.habits.offBefore(load.id).map((off) => ({ before: load.id, off })),
    ),
    tripsWhen: verdict === 'trips' && decider ? whenItTrips(decider) : undefined,
    forThreeHours: decidingLimit(beyondThreeHours(situation, limits)),
    odds: verdict === 'tight' || verdict === 'likely-trips' ? oddsOfSet(limits) : undefined,
    elements: situation.elements,
    notFed: situation.notFed,
  };
}

/** Rules of three hours that only what has no minutes entered would break. */
function beyondThreeHours({ elements, consumers }: Situation, limits: readonly Limit[]): readonly Limit[] {
  if (!consumers.some(({ load }) => load.runsMinutes === undefined)) return [];
  const broken = new Set(limits.flatMap(({ id, verdict }) => (verdict === 'holds' ? [] : [id])));
  const running = new RunningSet(consumers);
  return elements
    .flatMap((element) => continuousRuleIfLasting(element, running))
    .filter(({ id }) => !broken.has(id));
}

function orderOf(
  starting: readonly Consumer[],
  floor: readonly Consumer[],
  test: StartTest,
): readonly Consumer[] {
  const careful = bestStartOrder(starting, floor, 'pessimistic', test);
  if (careful.passes) return careful.order;
  const earlier = earlierOnes(floor, careful.order);
  const carefulKeeps = (edge: Edge): boolean =>
    careful.order.every((consumer) => passesAt(test(earlier(consumer), consumer), edge));
  for (const edge of ['stated', 'optimistic'] as const) {
    if (carefulKeeps(edge)) return careful.order;
    const { passes, order } = bestStartOrder(starting, floor, edge, test);
    if (passes) return order;
  }
  return careful.order;
}

/** An order in which what starts with a load stands right behind it, unless it was there before. */
function behindLeaders(order: readonly Consumer[], { led, followersOf }: Ties): readonly Consumer[] {
  if (led.size === 0) return order;
  const placed = new Set<Consumer>();
  for (const consumer of order)
    for (const each of [consumer, ...followersOf(consumer)]) if (order.includes(each)) placed.add(each);
  return [...placed];
}

/** What runs when a load of an order is started: the floor and all before it. */
function earlierOnes(floor: readonly Consumer[], order: readonly Consumer[]) {
  return (consumer: Consumer): readonly Consumer[] => [...floor, ...order.slice(0, order.indexOf(consumer))];
}

function allOthers(consumers: readonly Consumer[]) {
  return (consumer: Consumer): readonly Consumer[] => consumers.filter((other) => other !== consumer);
}

function startsInOrder(
  { consumers: all, test, testSurge, ties, stillOn }: Situation,
  starting: readonly Consumer[],
  runningAtStart: (consumer: Consumer) => readonly Consumer[],
): readonly StartInOrder[] {
  const startOf = (
    consumer: Consumer,
    moment: StartInOrder['moment'],
    running: readonly Consumer[],
  ): StartInOrder => ({
    consumer,
    moment,
    running: ties.withFollowers([...running, ...stillOn(consumer)]),
    limits: test(running, consumer),
  });
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
