import type { Consumer } from '../../loads/consumer.js';
import { dutyOf, powerOfSet, type SetPower } from '../power-of-set.js';
import type { Edge } from '../../units/quantity.js';
import { loadOf } from '../../rig/lookup.js';
import { bitAt, bitsOf, common, minus, union } from '../../sets/bits.js';
import { LimitsByElement } from '../../sets/limits-by-element.js';
import { MonotoneMemory, shrunk } from '../../sets/monotone-memory.js';
import { unlocked } from '../../check/wiring/locks.js';
import type { System } from '../../check/wiring/compile.js';
import { fits } from '../../check/fits.js';
import type { Limit } from '../../check/limits/limit.js';
import { passesAt } from '../../check/order/start-order.js';
import { situationOfAll, type Situation } from '../../check/situation.js';
import type { LoadState } from '../tasks.js';

/** A neutral that two circuits share is no property of parts: it is counted when the plan is checked. */
const NOT_MONOTONE: Limit['kind'] = 'neutral';

/**
 * Which load states of a plan run at once on one supply, and what they draw. Whatever was found is kept: a plan asks about
 * the same few sets again and again.
 *
 * Source: the limits of the check, methods.md rules 1 to 11 and 14; docs/decisions/0012.
 */
export class SetsOnSupply {
  private readonly consumers: readonly (Consumer | undefined)[];
  private readonly limits: LimitsByElement;
  private readonly memory: MonotoneMemory;
  /** Leaders and followers of each tie, as masks. */
  private readonly tied: readonly (readonly [leader: number, follower: number])[];
  private readonly powers = new Map<number, SetPower>();

  constructor(
    private readonly system: System,
    states: readonly LoadState[],
    private readonly edge: Edge,
  ) {
    this.consumers = states.map(({ loadId, stateId }) => system.consumerOf(loadId, stateId));
    const ofAll = this.situationOf(this.consumers.flatMap((consumer) => consumer ?? []));
    const charging = ofAll.consumers;
    const fed = this.consumers.map((consumer, state) => consumer ?? nothingOf(system, states[state]));
    const fails = (limit: Limit): boolean => this.counts(limit) && !passesAt([limit], edge);
    this.limits = new LimitsByElement(ofAll, fed, charging, fails, edge);
    this.memory = new MonotoneMemory((mask) => this.failingPart(mask));
    this.tied = (system.rig.ties ?? []).map(({ leader, follower }) => [
      maskOf(states, leader),
      maskOf(states, follower),
    ]);
  }

  /** What of a set nothing feeds; a load that only follows another one does not start then, and is not missed. */
  notFedOf(mask: number): number | undefined {
    const follows = (state: number): boolean =>
      this.tied.some(
        ([leader, follower]) => common(leader, mask) !== 0 && common(follower, bitAt(state)) !== 0,
      );
    return bitsOf(mask).find((state) => this.consumers[state] === undefined && !follows(state));
  }

  /** Whether these run at once, what starts by itself or during work on top of all others included. */
  holds(mask: number): boolean {
    return this.memory.has(mask);
  }

  /**
   * An order in which these start one after the other while the rest of a set runs that holds; undefined where there is none.
   * Built from its end: what can be last stays so with fewer beside it.
   */
  startOrder(starting: number, all: number): readonly number[] | undefined {
    const order: number[] = [];
    let left = starting;
    while (left !== 0) {
      const running = minus(all, minus(starting, left));
      const last = bitsOf(left).find((state) => this.startsLast(state, running));
      if (last === undefined) return undefined;
      order.unshift(last);
      left = minus(left, bitAt(last));
    }
    return order;
  }

  /** What they draw and what charges meanwhile. */
  power(mask: number): SetPower {
    const known = this.powers.get(mask) ?? powerOfSet(this.system, this.consumersOf(mask));
    this.powers.set(mask, known);
    return known;
  }

  /** What these take at their plugs, as stated and as the mean over their cycles, W. */
  watts(mask: number): number {
    return this.consumersOf(mask).reduce(
      (sum, consumer) =>
        sum + dutyOf(consumer) * consumer.parts.reduce((all, { running }) => all + running.watts.value, 0),
      0,
    );
  }

  private startsLast(state: number, all: number): boolean {
    return this.hasTie(all) ? this.fitsInAnyOrder(all) : this.limits.startsLast(state, all);
  }

  private failingPart(mask: number): number | undefined {
    const notFed = this.notFedOf(mask);
    if (notFed !== undefined) return bitAt(notFed);
    if (this.isKeptApart(mask)) return shrunk(mask, (part) => !this.isKeptApart(part));
    if (this.hasTie(mask))
      return this.fitsInAnyOrder(mask) ? undefined : shrunk(mask, (part) => this.fitsInAnyOrder(part));
    return this.limits.failingPartWhileRunning(mask);
  }

  /** Tied loads start as one: each set of them is tested whole. */
  private hasTie(mask: number): boolean {
    return this.tied.some((pair) => pair.every((each) => common(each, mask) !== 0));
  }

  private fitsInAnyOrder(mask: number): boolean {
    const running = this.consumersOf(mask);
    const situation = this.situationOf(running);
    const all = [...running, ...situation.consumers];
    return fits(situation, all, this.edge, 'any', (limit) => this.counts(limit));
  }

  private counts({ kind }: Limit): boolean {
    return kind !== NOT_MONOTONE;
  }

  /** What is on one switch with another, or twice the same load. */
  private isKeptApart(mask: number): boolean {
    const loads = this.consumersOf(mask).map(({ load }) => load);
    const isTwice = new Set(loads.map(({ id }) => id)).size < loads.length;
    return isTwice || unlocked(this.system.rig, loads).keptOff.length > 0;
  }

  /** The elements and rules for these loads; of its consumers only those that charge. */
  private situationOf(running: readonly Consumer[]): Situation {
    const on = running.map(({ load, stateId }) => ({ load: load.id, state: stateId }));
    const loads = running.map(({ load }) => load);
    const charging = situationOfAll(this.system, this.system.charging, { on: [] }).consumers;
    return {
      ...situationOfAll(this.system, [...loads, ...this.system.charging], { on }),
      consumers: charging,
    };
  }

  private consumersOf(mask: number): readonly Consumer[] {
    return bitsOf(mask).flatMap((state) => this.consumers[state] ?? []);
  }
}

/** A load that is not fed here: it is in no set that holds. */
function nothingOf({ rig }: System, state: LoadState | undefined): Consumer {
  return { load: loadOf(rig, state?.loadId ?? ''), stateId: state?.stateId, parts: [] };
}

const maskOf = (states: readonly LoadState[], id: string): number =>
  states.reduce((mask, { loadId }, state) => (loadId === id ? union(mask, bitAt(state)) : mask), 0);
