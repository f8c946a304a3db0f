import type { Demand } from '../../loads/apparent-power.js';
import type { Consumer, ConsumerPart } from '../../loads/consumer.js';
import { limitShrinkage } from '../../units/combine-doubts.js';
import type { Edge, Interval } from '../../units/quantity.js';
import type { SeriesElement } from '../wiring/series-elements.js';
import { compareVerdicts, decidingEdge, verdictOf, type Verdict } from '../verdict.js';

export type LimitKind =
  | 'inverter-watts'
  | 'inverter-va'
  | 'inverter-start-watts'
  | 'inverter-start-va'
  | 'generator-watts'
  | 'generator-va'
  | 'generator-start-watts'
  | 'generator-start-va'
  | 'breaker'
  | 'breaker-start'
  | 'continuous-rule'
  | 'relay'
  | 'relay-start'
  | 'plug-and-cord'
  | 'cable'
  | 'neutral'
  | 'battery'
  | 'battery-start'
  | 'dc-volts'
  | 'dc-volts-start'
  | 'dc-fuse'
  | 'dc-fuse-start'
  | 'dc-cable'
  | 'inverter-peak'
  | 'load-volts-start'
  | 'unknown-rating';

type LimitUnit = 'W' | 'VA' | 'A' | 'V';

/** A value at the pessimistic edge, as entered, and at the optimistic edge. */
export interface AtEdges {
  readonly pessimistic: number;
  readonly stated: number;
  readonly optimistic: number;
}

/** What a limit has to carry and what it carries, with everything a row of the ladder shows. */
export interface Limit {
  readonly id: string;
  readonly kind: LimitKind;
  readonly element: SeriesElement;
  readonly unit: LimitUnit;
  /** The start it is about. */
  readonly start: StartTested | undefined;
  /** What runs before the start; the whole demand of a steady limit. */
  readonly running: Interval;
  readonly worst: Interval;
  readonly capacity: AtEdges;
  readonly headroom: AtEdges;
  /** Demand over capacity at the edge that decides, 1 being the limit. */
  readonly loading: number;
  readonly verdict: Verdict;
  /** The edge whose figures decide: the most favourable one that failed, or the pessimistic one for Holds. */
  readonly edge: Edge;
  /** What its doubts come from: asked for few of many limits, by `doubtsOf`. */
  readonly weighed: Weighed;
}

/** The numbers in a demand. */
export interface Weighed {
  /** What runs through the element. */
  readonly running: readonly Consumer[];
  /** The part that starts on top, of which the running power does not count. */
  readonly starting?: StartingPart;
  /** Converts W or VA to the unit of the limit: 1, or 1/V for amps. */
  readonly perWatt: number;
}

/** A part that starts, with the load it belongs to. */
export interface StartingPart {
  readonly consumer: Consumer;
  readonly part: ConsumerPart;
}

export interface StartTested {
  readonly loadId: string;
  readonly partId: string;
  readonly seconds: Interval;
  /** Seconds of the ceiling that counts at each edge: Infinity for the continuous rating. */
  readonly ceilingSeconds: AtEdges;
  /** A restart during work, judged beside the set and not within it. */
  readonly again: boolean;
  /** Its own start, a saw bogged in the cut, a compressor that stalls against pressure, or several starts at once. */
  readonly cause: 'start' | 'bogged' | 'stall' | 'together';
  /** The doubt of the seconds reaches across the end of a surge tier. */
  readonly straddles: boolean;
}

/** A limit's own ceiling at one edge with the half-width that counts there. */
export interface CapacityWithDoubt {
  readonly pessimistic: { readonly value: number; readonly minus: number };
  readonly stated: number;
  readonly optimistic: { readonly value: number; readonly plus: number };
}

export type LimitFacts = Pick<Limit, 'id' | 'kind' | 'element' | 'unit' | 'weighed'> & {
  readonly start?: StartTested;
  readonly running: Interval;
  readonly demand: Demand;
  readonly capacity: CapacityWithDoubt;
};

/** Comparisons allow for the rounding of binary fractions, relative to the limit. */
const ROUNDING = 1e-9;

/**
 * Judges one limit at both edges and as entered.
 *
 * @returns The limit with headroom, loading, verdict and deciding edge (methods.md, rules 2, 3, 15 and 35).
 */
export function judge(facts: LimitFacts): Limit {
  const { demand, running, capacity: rating } = facts;
  const shrunk = limitShrinkage(demand.up, demand.hi - demand.stated, rating.pessimistic.minus);
  const grown = limitShrinkage(demand.down, demand.stated - demand.lo, rating.optimistic.plus);
  const capacity: AtEdges = {
    pessimistic: rating.pessimistic.value - shrunk,
    stated: rating.stated,
    optimistic: rating.optimistic.value + grown,
  };
  const headroom: AtEdges = {
    pessimistic: capacity.pessimistic - demand.hi,
    stated: capacity.stated - demand.stated,
    optimistic: capacity.optimistic - demand.lo,
  };
  const verdict = verdictOf({
    pessimistic: headroom.pessimistic >= -ROUNDING * capacity.pessimistic,
    stated: headroom.stated >= -ROUNDING * Math.abs(capacity.stated),
    optimistic: headroom.optimistic >= -ROUNDING * Math.abs(capacity.optimistic),
  });
  const edge = decidingEdge(verdict);
  return {
    id: facts.id,
    kind: facts.kind,
    element: facts.element,
    unit: facts.unit,
    start: facts.start,
    running: { lo: running.lo, stated: running.stated, hi: running.hi },
    worst: { lo: demand.lo, stated: demand.stated, hi: demand.hi },
    capacity,
    headroom,
    loading: loadingOf(demandAt(demand, edge), capacity[edge]),
    verdict,
    edge,
    weighed: facts.weighed,
  };
}

const READ_AT: Record<Edge, keyof Interval> = { pessimistic: 'hi', stated: 'stated', optimistic: 'lo' };

/** What is asked of a limit at an edge. */
export const demandAt = (demand: Interval, edge: Edge): number => demand[READ_AT[edge]];

/** What is derated to nothing is over by whatever is asked of it. */
function loadingOf(demand: number, capacity: number): number {
  if (capacity > 0) return demand / capacity;
  return demand > 0 ? Infinity : 0;
}

/**
 * What is judged at the pessimistic edge alone: a planning rule, which is kept or not kept (rule 8), and what may
 * happen and need not. Beyond it the verdict is Tight and never worse.
 */
export function atMostTight(limit: Limit): Limit {
  if (compareVerdicts(limit.verdict, 'tight') <= 0) return limit;
  return {
    ...limit,
    verdict: 'tight',
    edge: 'pessimistic',
    loading: loadingOf(limit.worst.hi, limit.capacity.pessimistic),
  };
}

/** A limit of a surge that is not the load's own start. */
export function withCause(limit: Limit, cause: StartTested['cause']): Limit {
  return limit.start ? { ...limit, id: `${limit.id}:${cause}`, start: { ...limit.start, cause } } : limit;
}

/** A start that comes again and again during work, on top of everything. */
export function asRestart(limit: Limit): Limit {
  return {
    ...limit,
    id: `${limit.id}:again`,
    ...(limit.start && { start: { ...limit.start, again: true } }),
  };
}

/** A capacity without a doubt of its own. */
export function exactCapacity(pessimistic: number, stated: number, optimistic: number): CapacityWithDoubt {
  return {
    pessimistic: { value: pessimistic, minus: 0 },
    stated,
    optimistic: { value: optimistic, plus: 0 },
  };
}

/** Headroom as a share of capacity: what start orders are compared by. A limit without end is free in full. */
export function headroomShare({ headroom, capacity }: Limit, edge: Edge): number {
  if (capacity[edge] === Infinity) return 1;
  if (capacity[edge] > 0) return headroom[edge] / capacity[edge];
  return headroom[edge] < 0 ? -Infinity : 0;
}
