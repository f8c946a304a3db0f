import type { Consumer, ConsumerPart } from '../electrical/consumer.js';
import type { Basis, Interval } from '../quantity/quantity.js';
import { breakerConstants } from '../reference/breaker-curves.js';
import type { CheckResult } from './check.js';
import { throughElement } from './flow.js';
import type { Limit } from './limit.js';

/** One number that went into a limit. */
export interface WorkingLine {
  readonly loadId: string;
  readonly partId: string;
  /** Its running power, or what it draws while it starts. */
  readonly what: 'running' | 'start';
  readonly basis: Basis;
  /** In the unit of the limit; VA of one consumer taken alone. */
  readonly amount: Interval;
}

/** Where the figures of a limit come from. */
export interface Working {
  readonly lines: readonly WorkingLine[];
  /** How the lines make the sum. */
  readonly sum: string;
  /** Where the capacity comes from. */
  readonly source: string;
}

const SUMS: Record<Limit['unit'], string> = {
  W: 'Watts add plainly; doubts of one cause add, others as the root of their squares (JCGM 100).',
  VA: 'VA add as the root of (sum of watts)² and (sum of the rest)²; doubts as in JCGM 100.',
  A: 'Amps are VA over volts; VA add as the root of (sum of watts)² and (sum of the rest)².',
};

/** The numbers behind a limit, largest first, and the sources of what it is held against. */
export function workingOf(result: CheckResult, limit: Limit): Working {
  const running = throughElement(limit.element, runningAt(result, limit));
  const perUnit = limit.unit === 'A' && 'volts' in limit.element ? limit.element.volts : 1;
  const lines = running
    .flatMap((consumer) => consumer.parts.map((part) => lineOf(limit, consumer, part, perUnit)))
    .sort((a, b) => b.amount.hi - a.amount.hi);
  return { lines, sum: SUMS[limit.unit], source: sourceOf(limit) };
}

/** What runs while the limit is tested, the load that starts included. */
function runningAt(result: CheckResult, { start }: Limit): readonly Consumer[] {
  const everything = [...result.selfStarting, ...result.order];
  const inOrder = result.starts.find(
    (each) => each.consumer.load.id === start?.loadId && each.moment === 'in-order' && !start.again,
  );
  return inOrder ? [...inOrder.running, inOrder.consumer] : everything;
}

function lineOf(
  { unit, start }: Limit,
  { load }: Consumer,
  part: ConsumerPart,
  perUnit: number,
): WorkingLine {
  const scaled = (lo: number, stated: number, hi: number): Interval => ({
    lo: Math.max(0, lo) / perUnit,
    stated: stated / perUnit,
    hi: hi / perUnit,
  });
  if (part.start && start?.loadId === load.id && start.partId === part.part.id) {
    const { va, powerFactor } = part.start;
    const [lo, stated, hi] =
      unit === 'W' ? [powerFactor.lo, powerFactor.stated, powerFactor.hi] : ([1, 1, 1] as const);
    return {
      loadId: load.id,
      partId: part.part.id,
      what: 'start',
      basis: part.part.start?.va.basis ?? 'setting',
      amount: scaled((va.value - va.minus) * lo, va.value * stated, (va.value + va.plus) * hi),
    };
  }
  const { watts, nonActive } = part.running;
  const sum = (w: number, n: number): number => (unit === 'W' ? w : Math.hypot(w, n));
  return {
    loadId: load.id,
    partId: part.part.id,
    what: 'running',
    basis: part.part.runningW.basis,
    amount: scaled(
      sum(watts.value - watts.minus, nonActive.value - nonActive.minus),
      sum(watts.value, nonActive.value),
      sum(watts.value + watts.plus, nonActive.value + nonActive.plus),
    ),
  };
}

function sourceOf({ element, start, kind }: Limit): string {
  if (kind === 'continuous-rule')
    return 'Limit: 80 % of the breaker for three hours and more, NEC 210.20(A), from memory.';
  switch (element.kind) {
    case 'inverter':
    case 'generator': {
      const tier = element.rating.tiers.find((each) => each.seconds === start?.ceilingSeconds);
      const { basis } = tier?.limit ?? element.rating.continuousVA;
      return `Limit: the rating of ${element.name}, known as: ${basis}.`;
    }
    case 'battery':
      return 'Limit: the discharge rating of the battery. Losses by the inverter’s idle draw and efficiencies.';
    case 'relay':
      return 'Limit: the relay’s rating as entered.';
    case 'plug-and-cord':
      return 'Limit: the smaller of plug rating and cord, NEC 400.5, from memory.';
    default: {
      const { source } = breakerConstants(element.protection.curve, element.protection.amps);
      return `Limit: ${element.protection.amps} A; earliest and latest trip by ${source}.`;
    }
  }
}
