import { restartWaitOf } from '../loads/start/restart-wait.js';
import type { Change, Purchase } from './change.js';
import { scaledInverter } from './changed.js';
import type { Way } from './ways-to-fit.js';
import type { WouldNotHelp } from './would-not-help.js';
import { capitalised, formatAmount, formatSeconds } from '../units/format.js';
import { formatDuration } from '../units/format-time.js';
import type { NumberStyle } from '../units/number-style.js';
import { loadOf, supplyOf } from '../rig/lookup.js';
import { inSentence, theElement, theLoad } from '../rig/names-in-sentences.js';
import type { Converter, Rig } from '../rig-file/schema.js';
import type { CheckResult } from '../check/check.js';
import { VERDICT_WORDS, explain, listNames, margin, verdictPhrase } from '../words/explain.js';
import { partName } from '../words/names.js';
import { stateWatts } from '../outlook/outlook-words.js';
import { startsInOrder } from '../words/starts-in-order.js';

/** A way to make a set fit: what is done, what the set is then, and what the hand has to know. */
export interface WayWords {
  readonly does: string;
  readonly then: string;
  /** The same in a few words: the verdict and what is to spare. */
  readonly brief: string;
  readonly byHand: string;
}

const SECONDS_OF_A_MINUTE = 60;

/**
 * A way in words.
 *
 * @example
 * // does: 'Switch the kettle off', then: 'Holds. With at least 115 W to spare.', byHand: ''
 */
export function wayWords(style: NumberStyle, rig: Rig, { changes, result, brings }: Way): WayWords {
  const said = explain(style, rig, result);
  const beside = [
    ...(brings.includes('drop-out') ? ['If the source drops out, the inverter shuts down.'] : []),
  ];
  return {
    does: capitalised(doesAll(style, rig, changes, result)),
    brief: briefly(style, result, verdictPhrase(said)),
    then: [`${verdictPhrase(said)}.`, said.action, ...beside].join(' '),
    byHand: changes.flatMap((change) => handWords(rig, change)).join(' '),
  };
}

/** A margin beside a condition would be that of the limit that the condition is about, and not of the set. */
function briefly(style: NumberStyle, { decider, verdict }: CheckResult, phrase: string): string {
  const isPlain = verdict === 'holds' && phrase === VERDICT_WORDS.holds && decider;
  return isPlain ? `${phrase}, at least ${margin(style, decider, 'pessimistic')} to spare` : phrase;
}

function doesAll(style: NumberStyle, rig: Rig, changes: readonly Change[], result: CheckResult): string {
  const off = changes.flatMap((change) =>
    change.by === 'off' ? [theLoad(loadOf(rig, change.loadId).name)] : [],
  );
  const others = changes.filter((change) => change.by !== 'off');
  const order = startsInOrder(rig, result);
  const words = others.map((change) => doesWords(style, rig, change, order));
  return [...words, ...(off.length > 0 ? [`switch ${listNames(off)} off`] : [])].join(', and ');
}

/**
 * A change that needs no set to be said.
 *
 * @example
 * // 'Connect Shore 30 A'
 */
export function changeWords(
  style: NumberStyle,
  rig: Rig,
  change: Exclude<Change, { readonly by: 'order' | 'off' }>,
): string {
  return capitalised(doesWords(style, rig, change, ''));
}

/** What people would try, and why it does not help. */
export function wouldNotHelpWords(
  style: NumberStyle,
  rig: Rig,
  told: WouldNotHelp,
): { readonly what: string; readonly why: string } {
  if (told.by === 'larger-breaker')
    return {
      what: 'A larger breaker',
      why: 'Never: the wire behind it is made for the one that is there, and burns before a larger one opens.',
    };
  return { what: popularWords(rig, told.change), why: shortOf(style, rig, told) };
}

function popularWords(rig: Rig, change: Change): string {
  switch (change.by) {
    case 'more-battery':
      return 'More battery';
    case 'soft-starter':
      return `A soft starter on ${partName(rig, change)}`;
    case 'bigger-inverter':
      return 'A bigger inverter';
    case 'order':
      return 'Another order of the starts';
    default:
      return 'Assist';
  }
}

function shortOf(style: NumberStyle, rig: Rig, { limit }: { readonly limit: WouldNotHelp['limit'] }): string {
  const by = margin(style, limit, limit.headroom.stated < 0 ? 'stated' : 'pessimistic');
  const when = limit.start ? `when ${partName(rig, limit.start)} starts` : 'while they run';
  return `${capitalised(theElement(limit.element.name))} is short ${when}, by ${by} all the same.`;
}

/** What is done, beginning small: it may stand second. */
function doesWords(
  style: NumberStyle,
  rig: Rig,
  change: Exclude<Change, { readonly by: 'off' }>,
  order: string,
): string {
  const the = (id: string): string => theLoad(loadOf(rig, id).name);
  switch (change.by) {
    case 'order':
      return order;
    case 'habit':
      return `switch ${listNames(change.offIds.map(the))} off before each restart of ${the(change.restartsId)}`;
    case 'state':
      return `${the(change.loadId)} on ${stateWords(style, rig, change)}`;
    case 'hold-off':
      return `hold ${the(change.loadId)} off until the others have started`;
    case 'wait':
      return `switch ${the(change.loadId)} on once ${the(change.forId)} is off${minutesOf(rig, change.forId)}`;
    case 'shorter':
      return `run ${the(change.loadId)} for less than three hours at a time`;
    case 'other-fuel':
      return `use ${loadOf(rig, change.loadId).otherFuel ?? ''} instead of ${the(change.loadId)}`;
    case 'swap':
      return `use ${the(change.withId)} instead of ${the(change.loadId)}`;
    default:
      return beyondTheSwitches(style, rig, change);
  }
}

/** Many levels are called by their watts: those say enough. */
function stateWords(
  style: NumberStyle,
  rig: Rig,
  { loadId, stateId }: Extract<Change, { readonly by: 'state' }>,
): string {
  const load = loadOf(rig, loadId);
  const name = load.states?.find(({ id }) => id === stateId)?.name ?? stateId;
  return /\d\s*W\b/.test(name) ? name : `${inSentence(name)}, ${stateWatts(style, rig, load, stateId)}`;
}

function minutesOf(rig: Rig, loadId: string): string {
  const { runsMinutes } = loadOf(rig, loadId);
  return runsMinutes === undefined ? '' : `, ${duration(runsMinutes)} later`;
}

const duration = (minutes: number): string => formatDuration(minutes * SECONDS_OF_A_MINUTE);

type BeyondTheSwitches = Exclude<
  Change,
  {
    readonly by:
      | 'order'
      | 'habit'
      | 'state'
      | 'hold-off'
      | 'wait'
      | 'shorter'
      | 'other-fuel'
      | 'swap'
      | 'off';
  }
>;

function beyondTheSwitches(style: NumberStyle, rig: Rig, change: BeyondTheSwitches): string {
  const the = (id: string): string => theLoad(loadOf(rig, id).name);
  switch (change.by) {
    case 'charging-off':
      return `turn charging off ${chargingTime(change.minutes)}`;
    case 'input-limit':
      return `set the input limit to ${formatAmount(style, change.amps, 'A')}`;
    case 'assist-on':
      return 'turn assist on';
    case 'supply':
      return supplyWords(rig, change.supplyId);
    case 'who-carries':
      return `try three starts: it holds if ${CARRIERS[change.carrier]}`;
    case 'circuit':
      return `put ${the(change.loadId)} on ${rig.circuits.find(({ id }) => id === change.circuitId)?.name ?? ''}`;
    case 'untie':
      return `take ${the(change.followerId)} off the switch of ${the(change.leaderId)}`;
    case 'cool-inverter':
      return `cool the inverter to ${change.celsius} °C`;
    default:
      return purchaseWords(style, rig, change);
  }
}

const chargingTime = (minutes: number | undefined): string =>
  minutes === undefined ? 'while they run' : `for ${duration(minutes)}`;

const CARRIERS = {
  shared: 'the source shares them',
  inverter: 'the inverter takes them alone',
} as const;

function supplyWords(rig: Rig, supplyId: string): string {
  const { name, sources } = supplyOf(rig, supplyId);
  return sources.length > 0 ? `connect ${name}` : `change to ${name}`;
}

function purchaseWords(style: NumberStyle, rig: Rig, change: Purchase): string {
  const the = (id: string): string => theLoad(loadOf(rig, id).name);
  switch (change.by) {
    case 'soft-starter':
      return `fit a soft starter to ${partName(rig, change)}`;
    case 'unloader':
      return `fit a start unloader to ${partName(rig, change)}`;
    case 'either-or':
      return `fit an either-or switch for ${the(change.loadIds[0])} and ${the(change.loadIds[1])}`;
    case 'battery-cable':
    case 'circuit-cable':
      return `a heavier cable, ${change.cable.awg === undefined ? `${change.cable.mm2 ?? ''} mm²` : `${change.cable.awg} AWG`}`;
    case 'more-battery':
      return 'a second battery of the same kind beside the first';
    case 'bigger-inverter':
      return inverterWords(style, rig, change);
  }
}

function inverterWords(
  style: NumberStyle,
  rig: Rig,
  { converterId, factor }: Extract<Change, { readonly by: 'bigger-inverter' }>,
): string {
  const converter = rig.converters.find(({ id }) => id === converterId);
  if (!converter) return 'a bigger inverter';
  const { continuousW, continuousVA, tiers, outputBreaker, passThroughA } = scaledInverter(converter, factor);
  const most = (value: number, unit: 'W' | 'VA'): string => formatAmount(style, value, unit, 'at-most');
  const surges = tiers.map(
    ({ limit, seconds }) => `${most(limit.value, 'VA')} for ${formatSeconds(style, seconds)}`,
  );
  const withIt = [
    ...(outputBreaker ? [`an output breaker of ${formatAmount(style, outputBreaker.amps, 'A')}`] : []),
    ...(passThroughA === undefined ? [] : [`a transfer relay of ${formatAmount(style, passThroughA, 'A')}`]),
  ];
  const ratings = [most(continuousW.value, 'W'), most(continuousVA.value, 'VA'), ...surges].join(', ');
  return `a bigger inverter: ${ratings}${withIt.length > 0 ? `, with ${listNames(withIt)}` : ''}`;
}

/** Where charging is switched: an inverter without a charger has no panel for it. */
function whereCharging({ converters }: Rig): string {
  const isThere = (...kinds: readonly Converter['kind'][]): boolean =>
    converters.some(({ kind }) => kinds.includes(kind));
  const places = [
    ...(isThere('inverter-charger') ? ["on the inverter's own panel"] : []),
    ...(isThere('charger', 'dc-dc') ? ["at the charger's own switch"] : []),
  ];
  return `${capitalised(listNames(places))}.`;
}

/** What the hand has to know that the words of the change do not say. */
function handWords(rig: Rig, change: Change): readonly string[] {
  const said = handWordsOf(rig, change);
  const isOffFirst = change.by === 'hold-off' || change.by === 'wait';
  const waitS = isOffFirst ? restartWaitOf(loadOf(rig, change.loadId)) : 0;
  return [
    ...(said === undefined ? [] : [said]),
    ...(waitS > 0 ? [`Once off, it starts no sooner than ${formatDuration(waitS)} later.`] : []),
  ];
}

function handWordsOf(rig: Rig, change: Change): string | undefined {
  switch (change.by) {
    case 'hold-off':
      return 'At its switch or thermostat: off first, on last.';
    case 'input-limit':
    case 'assist-on':
      return "On the inverter's own panel.";
    case 'charging-off':
      return whereCharging(rig);
    case 'circuit':
      return 'What is wired in, and not plugged in, is moved by an electrician.';
    case 'cool-inverter':
      return 'Open where it stands, and wait.';
    case 'more-battery':
      return 'Of the same age and charge, with cables of the same length.';
    default:
      return undefined;
  }
}
