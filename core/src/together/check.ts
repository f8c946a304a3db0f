import { consumerOf, type Consumer } from '../electrical/consumer.js';
import type { Rig, Scene, Supply } from '../rig/schema.js';
import { compareLimits, decidingLimit, type Limit } from './limit.js';
import { restartsOf, type Restart } from './restart.js';
import { wiringOf, type NotFed, type SeriesElement } from './series-elements.js';
import { hasStart, startLimits } from './start-limits.js';
import { bestStartOrder, passesAt, type StartTest } from './start-order.js';
import { steadyLimits } from './steady-limits.js';
import { worstVerdict, type Verdict } from './verdict.js';
import { whenItTrips, type TripsWhen } from './when-it-trips.js';

/** Which loads are on, and on which supply. */
export interface CheckScene {
  readonly supply: Scene['supply'];
  readonly on: readonly { readonly load: string }[];
}

export interface CheckResult {
  readonly supply: Supply;
  readonly verdict: Verdict;
  /** The limit that decides; undefined where nothing that is on is fed. */
  readonly decider: Limit | undefined;
  /** One row per limit, the deciding ones first; a start row is the hardest start of its limit. */
  readonly limits: readonly Limit[];
  /** Loads that start by themselves: they run before any start by hand. */
  readonly selfStarting: readonly Consumer[];
  /** Loads switched by hand, in the best order. */
  readonly order: readonly Consumer[];
  /** Every start in that order, then the self-starting loads on top of everything. */
  readonly starts: readonly StartInOrder[];
  /** Loads of the order that must not be started after all the others. */
  readonly notLast: readonly NotLast[];
  readonly restarts: readonly Restart[];
  readonly tripsWhen: TripsWhen | undefined;
  readonly elements: readonly SeriesElement[];
  readonly notFed: readonly NotFed[];
}

export interface NotLast {
  readonly loadId: string;
  /** What decides if it is started last all the same. */
  readonly limit: Limit;
}

export interface StartInOrder {
  readonly consumer: Consumer;
  readonly moment: 'in-order' | 'any-moment';
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
 * tiers of the inverter; branch and source breakers, steady and at a start; the continuous rule. A
 * set passes an edge if some order of its starts does; the verdict is for the best order of the
 * pessimistic edge, or, where only the optimistic edge passes and in another order, for that one.
 *
 * @param rig A validated rig.
 * @param scene What is on, and the supply; ids must be those of the rig.
 * @returns The verdict with everything that led to it.
 * @throws RangeError where an id of the scene is not in the rig.
 * Source: methods.md, rules 1 to 8, 14 and 15.
 */
export function check(rig: Rig, scene: CheckScene): CheckResult {
  const supply = rig.supplies.find((candidate) => candidate.id === scene.supply);
  if (!supply) throw new RangeError(`The rig has no supply ${scene.supply}`);
  const { elements, fed, notFed } = wiringOf(rig, supply, loadsOf(rig, scene));
  const consumers = fed.map(consumerOf);
  const selfStarting = consumers.filter((consumer) => consumer.load.usage === 'by-itself');
  const byHand = consumers.filter((consumer) => consumer.load.usage !== 'by-itself');
  const test: StartTest = (running, starting) => startLimits(elements, running, starting);

  const order = [
    ...orderOf(byHand.filter(hasStart), selfStarting, test),
    ...byHand.filter((consumer) => !hasStart(consumer)),
  ];
  const starts = startsInOrder(order, selfStarting, test);
  const steady = elements.flatMap((element) => steadyLimits(element, consumers));
  const limits = [...steady, ...hardestStarts(starts)].sort(compareLimits);
  const decider = decidingLimit(limits);
  const verdict = worstVerdict(limits.map((limit) => limit.verdict));
  return {
    supply,
    verdict,
    decider,
    limits,
    selfStarting,
    order,
    starts,
    notLast: notLastOf(order, consumers, test),
    restarts: restartsOf(consumers, test),
    tripsWhen: verdict === 'trips' && decider ? whenItTrips(decider) : undefined,
    elements,
    notFed,
  };
}

function loadsOf(rig: Rig, scene: CheckScene) {
  return scene.on.map(({ load: id }) => {
    const load = rig.loads.find((candidate) => candidate.id === id);
    if (!load) throw new RangeError(`The rig has no load ${id}`);
    return load;
  });
}

function orderOf(
  starting: readonly Consumer[],
  floor: readonly Consumer[],
  test: StartTest,
): readonly Consumer[] {
  const careful = bestStartOrder(starting, floor, 'pessimistic', test);
  if (careful.passes) return careful.order;
  const hopeful = bestStartOrder(starting, floor, 'optimistic', test);
  const carefulMayDo = startsInOrder(careful.order, floor, test)
    .filter((start) => start.moment === 'in-order')
    .every((start) => passesAt(start.limits, 'optimistic'));
  return hopeful.passes && !carefulMayDo ? hopeful.order : careful.order;
}

function startsInOrder(
  order: readonly Consumer[],
  selfStarting: readonly Consumer[],
  test: StartTest,
): readonly StartInOrder[] {
  const everything = [...selfStarting, ...order];
  const inOrder = order.filter(hasStart).map((consumer): StartInOrder => {
    const running = [...selfStarting, ...order.slice(0, order.indexOf(consumer))];
    return { consumer, moment: 'in-order', running, limits: test(running, consumer) };
  });
  const atAnyMoment = selfStarting.filter(hasStart).map((consumer): StartInOrder => {
    const running = everything.filter((other) => other !== consumer);
    return { consumer, moment: 'any-moment', running, limits: test(running, consumer) };
  });
  return [...inOrder, ...atAnyMoment];
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
  order: readonly Consumer[],
  all: readonly Consumer[],
  test: StartTest,
): readonly NotLast[] {
  return order
    .filter((consumer) => consumer.load.usage === 'left-on' && hasStart(consumer))
    .flatMap((consumer) => {
      const limit = decidingLimit(test(all, consumer));
      return limit && limit.verdict !== 'holds' ? [{ loadId: consumer.load.id, limit }] : [];
    });
}
