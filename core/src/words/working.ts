import type { NumberStyle } from '../units/number-style.js';
import { consumerOf, type Consumer, type ConsumerPart } from '../loads/consumer.js';
import { formatAmount } from '../units/format.js';
import type { Basis, Interval } from '../units/quantity.js';
import { breakerConstants } from '../reference/breaker-curves.js';
import { systemOfLoad } from '../loads/voltage-of-load.js';
import { HEAT } from '../reference/heat.js';
import { BATTERY_TABLES } from '../reference/batteries.js';
import { sourceWords } from '../reference/provenance.js';
import { ROUGH_USE } from '../reference/rough-use.js';
import type { Load, Rig } from '../rig-file/schema.js';
import type { CheckResult } from '../check/check.js';
import { onMembers } from '../check/wiring/running-set.js';
import { choiceWords } from '../rig/choice-words.js';
import { originWords } from './origin-words.js';
import type { Limit } from '../check/limits/limit.js';
import type { GeneratorElement, InverterElement, SeriesElement } from '../check/wiring/series-elements.js';
import { magnitude } from '../units/magnitude.js';

/** One number that went into a limit. */
interface WorkingLine {
  readonly loadId: string;
  readonly partId: string;
  /** Its running power, or what it draws while it starts. */
  readonly what: 'running' | 'start';
  readonly basis: Basis;
  /** How it was come by, with the source; empty where it stands as entered. */
  readonly origin: string;
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
  /** Which edge decided, and what that means. */
  readonly edge: string;
}

const EDGES: Record<Limit['edge'], string> = {
  pessimistic: 'Decided at worst, with every doubt read against you.',
  stated: 'Decided as entered, every number at its stated value.',
  optimistic: 'Decided at best, with every doubt in your favour: it fails even so.',
};

const SUMS: Record<Limit['unit'], string> = {
  W: 'Watts add plainly; doubts of one cause add, others as the root of their squares (JCGM 100).',
  VA: 'VA add as the root of (sum of watts)² and (sum of the rest)²; doubts as in JCGM 100.',
  V: 'Volts are what the source gives less amps times the resistance of each length of the way; the start dips them as a divider does.',
  A: 'Amps are VA over volts; VA add as the root of (sum of watts)² and (sum of the rest)².',
};

/** What runs, and which starts were tested: all that the working of a limit needs to know of its set. */
export type AnsweredSet = Pick<CheckResult, 'selfStarting' | 'order' | 'starts'>;

/** The set with a load added that is off: what its outlook is about. */
export function asIfOn(rig: Rig, { selfStarting, order }: AnsweredSet, load: Load): AnsweredSet {
  const added = consumerOf(load, systemOfLoad(rig, load));
  return { selfStarting: [...selfStarting, ...order, added], order: [], starts: [] };
}

/** The numbers behind a limit, largest first, and the sources of what it is held against. */
export function workingOf(style: NumberStyle, set: AnsweredSet, limit: Limit): Working {
  const running = onMembers(limit.element.members, runningAt(set, limit));
  const perUnit = limit.unit === 'A' && 'volts' in limit.element ? limit.element.volts : 1;
  const lines = running
    .flatMap((consumer) => consumer.parts.map((part) => lineOf(style, limit, consumer, part, perUnit)))
    .sort((a, b) => b.amount.hi - a.amount.hi);
  return {
    lines,
    sum: `${SUMS[limit.unit]}${onSourceWords(style, limit)}`,
    source: sourceOf(limit),
    edge: EDGES[limit.edge],
  };
}

/** On a source: what the input limit does to the sum, and what charging adds. */
function onSourceWords(style: NumberStyle, { element, start }: Limit): string {
  if (element.kind === 'inverter' && element.assists && !start)
    return ` The source gives the first ${ampsOf(style, element.assists.limit.va, element.assists.volts)}, its input limit; the rest is the inverter’s.`;
  if (!('behindLimits' in element) || !('volts' in element)) return '';
  const limits = element.behindLimits.map(({ limit }) => limit);
  const capped = limits.filter(({ assists, va }) => assists && Number.isFinite(va));
  const charging = limits.filter(({ charger }) => charger.hi > 0);
  return [
    ...capped.map(
      ({ va }) =>
        ` Of what is behind the input limit no more than ${ampsOf(style, va, element.volts)} comes this way.`,
    ),
    ...charging.map(
      ({ va, charger }) =>
        ` Charging adds up to ${ampsOf(style, charger.hi, element.volts)}${Number.isFinite(va) ? ' where the input limit leaves room' : ''}.`,
    ),
  ].join('');
}

const ampsOf = (style: NumberStyle, va: number, volts: number): string =>
  formatAmount(style, va / volts, 'A');

/** What runs while the limit is tested, the load that starts included. */
function runningAt(set: AnsweredSet, { start }: Limit): readonly Consumer[] {
  const everything = [...set.selfStarting, ...set.order];
  const inOrder = set.starts.find(
    (each) => each.consumer.load.id === start?.loadId && each.moment === 'in-order' && !start.again,
  );
  return inOrder ? [...inOrder.running, inOrder.consumer] : everything;
}

function lineOf(
  style: NumberStyle,
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
      basis: part.size?.va.basis ?? 'setting',
      origin: originWords(style, part, 'start'),
      amount: scaled((va.value - va.minus) * lo, va.value * stated, (va.value + va.plus) * hi),
    };
  }
  const { watts, nonActive } = part.running;
  const sum = (w: number, n: number): number => (unit === 'W' ? w : magnitude(w, n));
  return {
    loadId: load.id,
    partId: part.part.id,
    what: 'running',
    basis: part.power.watts.basis,
    origin: originWords(style, part, 'running'),
    amount: scaled(
      sum(watts.value - watts.minus, nonActive.value - nonActive.minus),
      sum(watts.value, nonActive.value),
      sum(watts.value + watts.plus, nonActive.value + nonActive.plus),
    ),
  };
}

/** Whether the surroundings take something from a rating. */
function isHot(element: InverterElement | GeneratorElement): boolean {
  const stated =
    element.kind === 'inverter'
      ? element.converter.continuousVA.value * element.units
      : (element.source.continuousVA ?? element.source.continuousW)?.value;
  return element.rating.continuousVA.value !== stated;
}

/** How often a motor bogs down or stalls, and for how long, is no one's published figure. */
const surgeSource = (start: Limit['start']): string =>
  start?.cause === 'bogged' || start?.cause === 'stall'
    ? ` Size and time of this surge: ${sourceWords(ROUGH_USE)}.`
    : '';

const DC_SOURCES: Partial<Record<Limit['kind'], string>> = {
  'dc-volts':
    'Limit: V_c (V_oc - V_c) / R at the cut-off V_c, physics; resistance and open-circuit volts usual for the chemistry where not entered, ' +
    sourceWords(BATTERY_TABLES) +
    '.',
  'dc-volts-start':
    'Limit: V_c (V_oc - V_c) / R at the cut-off V_c, physics; resistance and open-circuit volts usual for the chemistry where not entered, ' +
    sourceWords(BATTERY_TABLES) +
    '.',
  'dc-fuse':
    'Limit: its size, and its opening times by UL 248 or ISO 8820, from memory; current as rms with ripple.',
  'dc-fuse-start':
    'Limit: its size, and its opening times by UL 248 or ISO 8820, from memory; current as rms with ripple.',
  'dc-cable': 'Limit: ampacity of its size, from memory; current as rms with ripple.',
};

function sourceOf(limit: Limit): string {
  const { element, kind } = limit;
  if (kind === 'continuous-rule') return continuousSource(element);
  switch (element.kind) {
    case 'inverter':
    case 'generator':
      return ratingSource(element, limit);
    case 'battery':
      return `${DC_SOURCES[kind] ?? 'Limit: the discharge rating of the battery.'} Losses by the inverter’s idle draw and efficiencies; volts sag through battery, cable and contacts.`;
    case 'unknown-rating':
      return 'Limit: not entered.';
    case 'relay':
      return 'Limit: the relay’s rating as entered.';
    case 'cable':
      return `Limit: ${element.source}.`;
    case 'neutral':
      return 'Limit: the smaller of the two breakers; both legs are one pole, so their currents add. NEC 210.4, from memory.';
    case 'load-volts':
      return 'Limit: 80 % of its rated volts, common practice; and where torque, with the square of the volts, falls to that of the load.';
    case 'plug-and-cord':
      return 'Limit: the smaller of plug rating and cord, NEC 400.5, from memory.';
    default: {
      const { source } = breakerConstants(element.protection.curve, element.protection.amps);
      return `Limit: ${element.protection.amps} A; earliest and latest trip by ${source}.`;
    }
  }
}

const continuousSource = ({ kind }: SeriesElement): string =>
  `Limit: 80 % of the ${kind === 'plug-and-cord' ? 'plug or cord' : 'breaker'} for three hours and more, NEC 210.20(A) and 210.21(B), from memory.`;

function ratingSource(element: InverterElement | GeneratorElement, { start, edge }: Limit): string {
  const tier = element.rating.tiers.find((each) => each.seconds === start?.ceilingSeconds[edge]);
  const { basis } = tier?.limit ?? element.rating.continuousVA;
  const heat = isHot(element) ? `, less what heat takes, ${sourceWords(HEAT)}` : '';
  return `Limit: the rating of ${element.name} (${choiceWords(basis)})${heat}.${surgeSource(start)}`;
}
