import type { Consumer } from '../electrical/consumer.js';
import type { Edge } from '../quantity/quantity.js';
import { charges, type SeriesElement } from '../system/series-elements.js';
import { RunningSet } from '../system/running-set.js';
import type { Limit } from '../verdict/limit.js';
import { boggedDown } from '../verdict/other-surges.js';
import type { Situation } from '../verdict/situation.js';
import { startLimits } from '../verdict/start-limits.js';
import { steadyLimits } from '../verdict/steady-limits.js';
import { bitsOf } from './bits.js';
import { KnownOfCase, NOTHING_STARTS } from './known-of-case.js';
import { atMost, StandIns } from './stand-ins.js';
import { shrunk } from './monotone-memory.js';

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
      consumers.reduce((mask, consumer, bit) => (is(consumer) ? mask | (1 << bit) : mask), 0);
    this.floor = maskOf(runsFirst);
    this.byHand = maskOf(ties.bringsStart) & ~this.floor;
    this.atAnyMoment = maskOf(
      (consumer) => consumer.load.usage === 'by-itself' && ties.bringsStart(consumer),
    );
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
      this.failsRunning(mask) ?? this.failsAtSomeMoment(mask) ?? this.failsToStart(mask & this.byHand, mask)
    );
  }

  private failsRunning(mask: number): number | undefined {
    const failing = this.elements.find((element) => !element.runs(mask));
    return failing && shrunk(mask, (part) => failing.runs(part));
  }

  private failsAtSomeMoment(mask: number): number | undefined {
    return this.failsToStart(mask & this.atAnyMoment, mask) ?? this.failsBogged(mask);
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
    const isOff = (part: number): boolean => (part & (1 << bit)) === 0;
    return failing && shrunk(mask, (part) => isOff(part) || failing.starts(start, consumer, part));
  }

  /** As `someOrderPasses`: again and again one that can be last is taken away. */
  private startsInSomeOrder(mask: number): boolean {
    const floor = mask & this.floor;
    let left = mask & this.byHand;
    while (left !== 0) {
      const last = bitsOf(left).find((bit) => this.starts(bit, floor | left));
      if (last === undefined) return false;
      left &= ~(1 << last);
    }
    return true;
  }

  private starts(bit: number, mask: number): boolean {
    const consumer = this.consumers[bit]!;
    return this.elements.every((element) => element.starts(bit, consumer, mask));
  }
}

/** Beyond the bits of a mask: a load that bogs down is another case than its start. */
const BOGGED = 32;

/** One element, and what is known of the sets that it sees. */
class ElementSeen {
  /** Loads whose current passes through it, and all that have a say in its limits, as masks. */
  private readonly members: number;
  private readonly seen: number;
  private readonly isAlwaysThere: boolean;
  private readonly steady: KnownOfCase;
  private readonly startsKnown = new Map<number, KnownOfCase>();
  private readonly standIns: StandIns | undefined;

  constructor(
    private readonly element: SeriesElement,
    private readonly consumers: readonly Consumer[],
    private readonly others: readonly Consumer[],
    private readonly fails: (limit: Limit) => boolean,
    edge: Edge,
  ) {
    const maskOf = (ids: { has(id: string): boolean }): number =>
      consumers.reduce((mask, { load }, bit) => (ids.has(load.id) ? mask | (1 << bit) : mask), 0);
    const groups = loadsThatCount(element);
    this.members = maskOf(element.members);
    this.seen = groups.reduce((mask, ids) => mask | maskOf(ids), 0);
    this.isAlwaysThere = charges(element) || others.some(({ load }) => element.members.has(load.id));
    // In the user's favour more may count for less; and charging backs off as loads are added.
    const mayStandIn = edge === 'pessimistic' && !charges(element) && element.kind !== 'neutral';
    this.standIns = mayStandIn ? new StandIns(consumers, element.members, groups) : undefined;
    // Peaks of current add up whatever their angles: the stand-in of two loads has less than both.
    const ofSteady = element.kind === 'inverter' ? undefined : this.standIns;
    this.steady = new KnownOfCase(
      ofSteady,
      (running) => this.testSteady(running, this.others),
      (standing) => this.testSteady(standing, this.others.map(atMost)),
      NOTHING_STARTS,
    );
  }

  runs(mask: number): boolean {
    return !this.isThere(mask) || this.steady.passes(mask & this.seen, (seen) => this.running(seen));
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
    return known.passes(mask & this.seen, (seen) => this.running(seen));
  }

  private testSteady(running: readonly Consumer[], others: readonly Consumer[]): boolean {
    return !steadyLimits(this.element, new RunningSet([...running, ...others])).some(this.fails);
  }

  private testStart(running: readonly Consumer[], others: readonly Consumer[], consumer: Consumer): boolean {
    return !startLimits([this.element], [...running, ...others], consumer).some(this.fails);
  }

  private isThere(mask: number): boolean {
    return this.isAlwaysThere || (mask & this.members) !== 0;
  }

  private running(mask: number): readonly Consumer[] {
    return bitsOf(mask).map((bit) => this.consumers[bit]!);
  }
}

/** Every group of loads that a limit of an element asks about. */
function loadsThatCount(element: SeriesElement): readonly { has(id: string): boolean }[] {
  return [
    element.members,
    ...('behindLimits' in element ? element.behindLimits.map(({ behind }) => behind) : []),
    ...(element.kind === 'inverter' && element.assists ? [element.assists.ahead] : []),
    ...(element.kind === 'battery' ? [element.dcMembers, ...element.inverters.flatMap(loadsThatCount)] : []),
    ...(element.kind === 'neutral' ? element.sides : []),
  ];
}
