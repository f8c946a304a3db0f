import type { RestartWait } from './clocks.js';
import type { MakesRoom } from './room-for.js';
import type { Added, SwitchOn } from './can-switch-on.js';
import { SECONDS_PER_MINUTE } from '../units/conversion-factors.js';
import type { NumberStyle } from '../units/number-style.js';
import { capitalised } from '../units/format.js';
import { loadOf, supplyOf } from '../rig/lookup.js';
import { inSentence, theElement, theLoad } from '../rig/names-in-sentences.js';
import type { Rig } from '../rig-file/schema.js';
import type { Limit } from '../check/limits/limit.js';
import type { Verdict } from '../check/verdict.js';
import { bothMargins, listNames, margin } from '../words/explain.js';
import { ODDS_WORDS } from '../words/odds-words.js';
import { stateWatts } from '../outlook/outlook-words.js';

/** The answer to "Can I switch this on?" as a person reads it in passing. */
export interface SwitchOnWords {
  readonly mark: Verdict | 'later' | 'not-fed';
  /** Yes; Not yet, 4 min; Maybe; Probably not; No. */
  readonly word: string;
  /** The one change that makes it yes, as it is done. */
  readonly change: string;
  /** Why, and with what to spare. */
  readonly detail: string;
  /** What else has to be known before the hand moves. */
  readonly beside: readonly string[];
}

/**
 * @param wait Until when the load has to wait, where it has to.
 * @param nowS Seconds since 1970.
 * @param clock A moment as the time of the day.
 *
 * @example
 * // { word: 'Probably not', change: 'Dust collector off, then yes.', detail: '135 W over as entered, at Inverter' }
 */
export function switchOnWords(
  style: NumberStyle,
  rig: Rig,
  answer: SwitchOn,
  wait: RestartWait | undefined,
  nowS: number,
  clock: (seconds: number) => string,
): SwitchOnWords {
  if (answer.answer === 'not-here')
    return {
      mark: 'not-fed',
      word: 'No',
      change: roomWords(style, rig, answer),
      detail: `Not on this supply: ${answer.because}.`,
      beside: [],
    };
  const beside = besideWords(rig, answer);
  if (wait && answer.answer === 'yes')
    return {
      mark: 'later',
      word: `Not yet, ${shortWait(wait.untilS - nowS)}`,
      change: '',
      detail: `${WAITS[wait.why]} until ${clock(wait.untilS)}. Then yes.`,
      beside,
    };
  const waits = wait ? [`${WAITS[wait.why]} until ${clock(wait.untilS)}.`] : [];
  switch (answer.answer) {
    case 'yes':
      return { mark: 'holds', word: 'Yes', change: '', detail: yesDetail(style, answer), beside };
    case 'may-trip':
    case 'likely-trips':
      return {
        ...OPEN_ANSWERS[answer.answer],
        change: roomWords(style, rig, answer),
        detail: [mayTripDetail(style, answer.limit, answer.odds), ...waits].join(' '),
        beside,
      };
    case 'no':
      return {
        mark: 'trips',
        word: 'No',
        change: roomWords(style, rig, answer),
        detail: [
          `At least ${margin(style, answer.limit, 'optimistic')} over at ${theElement(answer.limit.element.name)}.`,
          ...waits,
        ].join(' '),
        beside,
      };
  }
}

const OPEN_ANSWERS = {
  'may-trip': { mark: 'tight', word: 'Maybe' },
  'likely-trips': { mark: 'likely-trips', word: 'Probably not' },
} as const;

const WAITS: Readonly<Record<RestartWait['why'], string>> = {
  restart: 'It refuses a restart',
  pressure: 'The pressure in its compressor falls',
  recovery: 'The inverter rests after the last start',
};

/** So much is left, rounded up: never shown as over before it is. */
export function shortWait(seconds: number): string {
  if (seconds < SECONDS_PER_MINUTE) return `${Math.max(1, Math.ceil(seconds))} s`;
  return `${Math.ceil(seconds / SECONDS_PER_MINUTE)} min`;
}

function yesDetail(style: NumberStyle, { limit, isForHours, isBesideTrouble }: Added): string {
  if (isBesideTrouble) return 'It adds nothing to what is over already.';
  const spare = limit ? `At least ${margin(style, limit, 'pessimistic')} to spare.` : 'Nothing limits it.';
  return isForHours ? `For less than three hours: then 80 % of a breaker is passed. ${spare}` : spare;
}

function mayTripDetail(style: NumberStyle, limit: Limit, odds: Added['odds']): string {
  if (limit.kind === 'unknown-rating') return `What ${theElement(limit.element.name)} carries is not known.`;
  const where = theElement(limit.element.name);
  if (odds === undefined || odds === 'too-little-known') return `Too little is known of ${where}.`;
  return `${capitalised(bothMargins(style, limit))}, at ${where}: ${ODDS_WORDS[odds]}.`;
}

function roomWords(style: NumberStyle, rig: Rig, answer: Exclude<SwitchOn, { answer: 'yes' }>): string {
  const { room, loadId } = answer;
  if (!room) return '';
  const { change } = room;
  const isAllItTakes = change.by === 'supply' || (change.by === 'state' && change.loadId === loadId);
  return `${makesRoomWords(style, rig, loadId, change)}${isAllItTakes ? ': yes.' : ', then yes.'}`;
}

/**
 * The change in the words of a hand.
 *
 * @example
 * // 'Dust extractor off', 'On 800 W', 'Induction hob on 800 W', 'On Shore 30 A'
 */
export function makesRoomWords(style: NumberStyle, rig: Rig, loadId: string, change: MakesRoom): string {
  switch (change.by) {
    case 'off': {
      const [first = '', ...others] = change.loadIds.map((id) => loadOf(rig, id).name);
      return `${listNames([first, ...others.map(inSentence)])} off`;
    }
    case 'state': {
      const load = loadOf(rig, change.loadId);
      const name = load.states?.find(({ id }) => id === change.stateId)?.name ?? '';
      const on = /\d\s*W\b/.test(name)
        ? name
        : `${inSentence(name)}, ${stateWatts(style, rig, load, change.stateId)}`;
      return change.loadId === loadId ? `On ${on}` : `${load.name} on ${on}`;
    }
    case 'supply': {
      const { name } = supplyOf(rig, change.supplyId);
      return /^on\b/i.test(name) ? name : `On ${name}`;
    }
  }
}

const DROP_OUTS = {
  tight: 'If the source drops out while it is on, the inverter may shut down.',
  'likely-trips': 'If the source drops out while it is on, the inverter will likely shut down.',
  trips: 'If the source drops out while it is on, the inverter shuts down.',
} as const;

function besideWords(rig: Rig, { follows, drops, barsRestartOf, dropOut }: Added): readonly string[] {
  const names = (ids: readonly string[]): string => listNames(ids.map((id) => theLoad(loadOf(rig, id).name)));
  return [
    ...(follows.length > 0
      ? [`${capitalised(names(follows))} ${follows.length > 1 ? 'start' : 'starts'} with it.`]
      : []),
    ...(drops.length > 0 ? [`It drops ${names(drops)}.`] : []),
    ...(barsRestartOf.length > 0 ? [`Do not restart ${names(barsRestartOf)} while it is on.`] : []),
    ...(dropOut && dropOut !== 'holds' ? [DROP_OUTS[dropOut]] : []),
  ];
}
