import type { Consumer } from '../loads/consumer.js';
import type { Edge } from '../units/quantity.js';
import { charges, type SeriesElement } from '../check/wiring/series-elements.js';
import { RunningSet } from '../check/wiring/running-set.js';
import type { Limit } from '../check/limits/limit.js';
import { boggedDown } from '../check/limits/other-surges.js';
import { startsAtAnyMoment, type Situation } from '../check/situation.js';
import { startLimits } from '../check/limits/start-limits.js';
import { steadyLimits } from '../check/limits/steady-limits.js';
import { bitAt, bitsOf, common, isWithin, minus, MOST_IN_A_MASK, union } from './bits.js';
import { KnownOfCase } from './known-of-case.js';
import {
  askingLeast,
  atMost,
  largestClass,
  leastDrawn,
  InterchangeableLoads,
} from './interchangeable-loads.js';
import { shrunk } from './monotone-memory.js';
import type { WattsBudget } from './worth-bound.js';

/**
 * What `fits` says of the sets of some loads, one element at a time: a limit depends on no load but those whose current
 * has a say in it, so that what was found of one set stands for every other that is alike there, and by the rule of parts
 * for many more. Ties apart, which make one start of several.
 *
 * Source: methods.md, rules 1 to 11, as `check`; docs/decisions/0010.
 */
export class LimitsByElement {
  private readonly elements: readonly ElementSeen[];
  /** Loads that are started by hand, and those that may start at any moment, as masks; of both only those with a start. */
  private readonly byHand: number;
  private readonly atAnyMoment: number;
  private readonly floor: number;
  private readonly bogged: readonly (Consumer | undefined)[];

  /**
   * @param situation Of all the loads.
   * @param consumers Of the loads by their bits.
   * @param others What runs in every set besides: charging.
   * @param fails Whether a limit is not kept at the edge that counts.
   * @param edge That edge.
   */
  constructor(
    { ties, runsFirst, elements }: Situation,
    private readonly consumers: readonly Consumer[],
    others: readonly Consumer[],
    fails: (limit: Limit) => boolean,
    edge: Edge,
  ) {
    const maskOf = (is: (consumer: Consumer) => boolean): number =>
      consumers.reduce((mask, consumer, bit) => (is(consumer) ? union(mask, bitAt(bit)) : mask), 0);
    this.floor = maskOf(runsFirst);
    this.byHand = minus(maskOf(ties.bringsStart), this.floor);
    this.atAnyMoment = maskOf((consumer) => startsAtAnyMoment(consumer) && ties.bringsStart(consumer));
    this.bogged = consumers.map(boggedDown);
    this.elements = elements.map((element) => new ElementSeen(element, consumers, others, fails, edge));
  }

  /**
   * Undefined where a set passes in some order of its starts; else a part of it that fails the same limit and cannot be
   * made smaller.
   */
  failingPart(mask: number): number | undefined {
    return (
      this.failsRunning(mask) ??
      this.failsAtSomeMoment(mask) ??
      (this.startsInSomeOrder(mask) ? undefined : shrunk(mask, (part) => this.startsInSomeOrder(part)))
    );
  }

  /** As `failingPart`, where every load must be able to start last, so that the order does not matter. */
  failingPartInAnyOrder(mask: number): number | undefined {
    return (
      this.failsRunning(mask) ??
      this.failsAtSomeMoment(mask) ??
      this.failsToStart(common(mask, this.byHand), mask)
    );
  }

  /**
   * As `failingPart`, for loads that have been started already: only what starts by itself, and what is started again and
   * again, has to start on top of all of them.
   */
  failingPartWhileRunning(mask: number): number | undefined {
    return this.failsRunning(mask) ?? this.failsAtSomeMoment(mask);
  }

  /** What the running limits, and the starts that may come at any moment, come to as sums of watts. */
  budgets(): readonly WattsBudget[] {
    const starting = bitsOf(this.atAnyMoment);
    return this.elements.flatMap((element) => [
      ...element.budget(undefined),
      ...starting.flatMap((bit) => element.budget(bit)),
    ]);
  }

  private failsRunning(mask: number): number | undefined {
    const failing = this.elements.find((element) => !element.runs(mask));
    return failing && shrunk(mask, (part) => failing.runs(part));
  }

  private failsAtSomeMoment(mask: number): number | undefined {
    return this.failsToStart(common(mask, this.atAnyMoment), mask) ?? this.failsBogged(mask);
  }

  /** @param starting Those of the set that have to start on top of all of it. */
  private failsToStart(starting: number, mask: number): number | undefined {
    for (const bit of bitsOf(starting)) {
      const part = this.failsAt(bit, this.consumers[bit]!, mask, bit);
      if (part !== undefined) return part;
    }
    return undefined;
  }

  private failsBogged(mask: number): number | undefined {
    for (const bit of bitsOf(mask)) {
      const bogged = this.bogged[bit];
      const part = bogged && this.failsAt(BOGGED + bit, bogged, mask, bit);
      if (part !== undefined) return part;
    }
    return undefined;
  }

  private failsAt(start: number, consumer: Consumer, mask: number, bit: number): number | undefined {
    const failing = this.elements.find((element) => !element.starts(start, consumer, mask));
    const isOff = (part: number): boolean => !isWithin(bitAt(bit), part);
    return failing && shrunk(mask, (part) => isOff(part) || failing.starts(start, consumer, part));
  }

  /** As `someOrderPasses`: again and again one that can be last is taken away. */
  private startsInSomeOrder(mask: number): boolean {
    const floor = common(mask, this.floor);
    let left = common(mask, this.byHand);
    while (left !== 0) {
      const last = bitsOf(left).find((bit) => this.startsLast(bit, union(floor, left)));
      if (last === undefined) return false;
      left = minus(left, bitAt(last));
    }
    return true;
  }

  /** Whether a load starts while the others of a set run. */
  startsLast(bit: number, mask: number): boolean {
    const consumer = this.consumers[bit]!;
    return this.elements.every((element) => element.starts(bit, consumer, mask));
  }
}

/** Beyond the bits of a mask: a load that bogs down is another case than its start. */
const BOGGED = MOST_IN_A_MASK;

/** One element, and what is known of the sets that it sees. */
class ElementSeen {
  /** Loads whose current passes through it, and all that have a say in its limits, as masks. */
  private readonly members: number;
  private readonly groups: readonly { has(id: string): boolean }[];
  private readonly seen: number;
  private readonly isAlwaysThere: boolean;
  private readonly steady: KnownOfCase;
  private readonly startsKnown = new Map<number, KnownOfCase>();
  private readonly standIns: InterchangeableLoads | undefined;

  constructor(
    private readonly element: SeriesElement,
    private readonly consumers: readonly Consumer[],
    private readonly others: readonly Consumer[],
    private readonly fails: (limit: Limit) => boolean,
    private readonly edge: Edge,
  ) {
    const maskOf = (ids: { has(id: string): boolean }): number =>
      consumers.reduce((mask, { load }, bit) => (ids.has(load.id) ? union(mask, bitAt(bit)) : mask), 0);
    this.groups = loadsThatCount(element);
    const { groups } = this;
    this.members = maskOf(element.members);
    this.seen = groups.reduce((mask, ids) => union(mask, maskOf(ids)), 0);
    this.isAlwaysThere = charges(element) || others.some(({ load }) => element.members.has(load.id));
    // In the user's favour more may count for less; and charging backs off as loads are added.
    const mayStandIn = edge === 'pessimistic' && !charges(element) && element.kind !== 'neutral';
    this.standIns = mayStandIn ? new InterchangeableLoads(consumers, element.members, groups) : undefined;
    // Peaks of current add up whatever their angles: the stand-in of two loads has less than both.
    const ofSteady = element.kind === 'inverter' ? undefined : this.standIns;
    this.steady = new KnownOfCase(
      ofSteady,
      (running) => this.testSteady(running, this.others),
      (standing) => this.testSteady(standing, this.others.map(atMost)),
    );
  }

  runs(mask: number): boolean {
    return !this.isThere(mask) || this.steady.passes(common(mask, this.seen), (seen) => this.running(seen));
  }

  /** @param start Which start or surge it is, for what is known of it. */
  starts(start: number, consumer: Consumer, mask: number): boolean {
    if (!this.element.members.has(consumer.load.id)) return true;
    const known =
      this.startsKnown.get(start) ??
      new KnownOfCase(
        this.standIns,
        (running) => this.testStart(running, this.others, consumer),
        (standing) => this.testStart(standing, this.others.map(atMost), atMost(consumer)),
        this.consumers.findIndex(({ load }) => load.id === consumer.load.id),
      );
    this.startsKnown.set(start, known);
    return known.passes(common(mask, this.seen), (seen) => this.running(seen));
  }

  /** @param start The place of a load that starts on top of all others. */
  budget(start: number | undefined): readonly WattsBudget[] {
    const starting = start === undefined ? undefined : this.consumers[start]!;
    if (starting && !this.element.members.has(starting.load.id)) return [];
    const places = largestClass(this.consumers, this.element.members, this.groups).filter(
      (place) => place !== start,
    );
    const example = this.consumers[places[0] ?? -1];
    if (!example) return [];
    const watts = this.consumers.map((consumer) => leastDrawn(consumer, this.edge));
    const passes = (drawn: number): boolean => {
      const standing = [askingLeast(example, drawn)];
      return starting
        ? this.testStart(standing, this.others, starting)
        : this.testSteady(standing, this.others);
    };
    const failsAt = leastFailing(
      passes,
      places.reduce((sum, place) => sum + watts[place]!, 0),
    );
    const loads = places.reduce((mask, place) => union(mask, bitAt(place)), 0);
    return failsAt === undefined
      ? []
      : [{ loads, watts, failsAt, whileOn: start === undefined ? 0 : bitAt(start) }];
  }

  private testSteady(running: readonly Consumer[], others: readonly Consumer[]): boolean {
    return !steadyLimits(this.element, new RunningSet([...running, ...others])).some(this.fails);
  }

  private testStart(running: readonly Consumer[], others: readonly Consumer[], consumer: Consumer): boolean {
    return !startLimits([this.element], [...running, ...others], consumer).some(this.fails);
  }

  private isThere(mask: number): boolean {
    return this.isAlwaysThere || common(mask, this.members) !== 0;
  }

  private running(mask: number): readonly Consumer[] {
    return bitsOf(mask).map((bit) => this.consumers[bit]!);
  }
}

/** How closely a budget is found, as a share of what all loads draw. */
const BUDGET_SHARE = 1 / 256;

/** Watts that fail, a little above the least that do; undefined where none do. */
function leastFailing(passes: (watts: number) => boolean, all: number): number | undefined {
  if (passes(all)) return undefined;
  let [passing, failing] = [0, all];
  while (failing - passing > all * BUDGET_SHARE) {
    const tried = (passing + failing) / 2;
    if (passes(tried)) passing = tried;
    else failing = tried;
  }
  return failing;
}

/** Every group of loads that a limit of an element asks about. */
function loadsThatCount(element: SeriesElement): readonly { has(id: string): boolean }[] {
  return [
    element.members,
    ...('behindLimits' in element ? element.behindLimits.map(({ behind }) => behind) : []),
    ...(element.kind === 'inverter' && element.assists ? [element.assists.ahead] : []),
    ...(element.kind === 'battery' ? [element.dcMembers, ...element.inverters.flatMap(loadsThatCount)] : []),
    ...(element.kind === 'neutral' ? element.sides : []),
    ...(element.kind === 'load-volts' ? element.path.map(({ members }) => members) : []),
  ];
}
