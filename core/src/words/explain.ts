import type { NumberStyle } from '../units/number-style.js';
import { capitalised, formatAmount, formatNumber, formatPercent, formatSeconds } from '../units/format.js';
import type { Basis, Edge } from '../units/quantity.js';
import type { Rig } from '../rig-file/schema.js';
import { isNothingFed, type CheckResult } from '../check/check.js';
import { demandAt, type Limit } from '../check/limits/limit.js';
import { loadOf } from '../rig/lookup.js';
import { theElement, theLoad } from '../rig/names-in-sentences.js';
import { ODDS_WORDS } from './odds-words.js';
import { ceilingTime, partName } from './names.js';
import { startsInOrder } from './starts-in-order.js';
import type { Restart } from '../check/order/restart.js';
import { charges, type SeriesElement, type UnknownRatingElement } from '../check/wiring/series-elements.js';
import { doubtsOf, type Doubt } from '../check/limits/doubts.js';
import { RunningSet } from '../check/wiring/running-set.js';
import { saysWhatItGives } from '../check/limits/dc-limits.js';
import { steadyLimits } from '../check/limits/steady-limits.js';
import type { Verdict } from '../check/verdict.js';
import type { TripsWhen } from '../check/when-it-trips.js';

/** A piece of a sentence; the strong ones are what the eye looks for. */
export interface Span {
  readonly text: string;
  readonly strong?: true;
}

/** The answer in words, in the order of the first two seconds: does it hold, what to do, why. */
export interface Explanation {
  /** Absent where nothing that is on is fed. */
  readonly word: string | undefined;
  readonly condition: string;
  /** What the hand does, or the margin. */
  readonly action: string;
  readonly reason: readonly Span[];
  /** The limit that the margin and the reason are about; undefined where nothing is judged. */
  readonly about: Limit | undefined;
}

export const VERDICT_WORDS: Record<Verdict, string> = {
  holds: 'Holds',
  tight: 'Tight',
  'likely-trips': 'Likely trips',
  trips: 'Trips',
};

const BASIS_PHRASES: Record<Basis, string> = {
  measured: 'measured',
  'data-sheet': 'from a data sheet',
  nameplate: 'a nameplate figure',
  'code-letter': 'from a code letter',
  table: 'from a motor table',
  typical: 'a typical value',
  guess: 'a guess',
  setting: 'your setting',
};

/**
 * The verdict in one phrase.
 *
 * @example
 * verdictPhrase({ word: 'Holds', condition: 'in this order only' }); // 'Holds in this order only'
 */
export function verdictPhrase({ word, condition }: Pick<Explanation, 'word' | 'condition'>): string {
  return [word, condition].filter(Boolean).join(' ');
}

/** Says a result in plain words. */
export function explain(style: NumberStyle, rig: Rig, result: CheckResult): Explanation {
  const { decider } = result;
  const isOnlyCharging = isNothingFed(result);
  if (!decider || (isOnlyCharging && result.notFed.length > 0)) return nothingOn(result);
  const said = explainDecider(style, rig, result, decider);
  return isOnlyCharging ? { ...said, action: `Only charging runs. ${said.action}` } : said;
}

function explainDecider(style: NumberStyle, rig: Rig, result: CheckResult, decider: Limit): Explanation {
  const word = VERDICT_WORDS[result.verdict];
  switch (result.verdict) {
    case 'holds':
      return { word, ...explainHolds(style, rig, result, decider) };
    case 'tight':
    case 'likely-trips':
      return explainOpen(style, rig, result, decider);
    case 'trips':
      return { word, ...explainTrips(style, rig, result, decider) };
  }
}

function explainTrips(
  style: NumberStyle,
  rig: Rig,
  result: CheckResult,
  decider: Limit,
): Omit<Explanation, 'word'> {
  const restart = restartThatDecides(result, decider);
  return {
    condition: restart ? atEachRestart(rig, restart) : paceOf(style, result.tripsWhen),
    action:
      (restart && habitWords(rig, restart)) ??
      `By at least ${margin(style, decider, 'optimistic')}, ${momentOf(rig, result, decider)}.`,
    reason: [
      ...explainLimit(style, rig, decider),
      ...(restart ? withHabit(style, rig, restart) : []),
      { text: ` ${consequence(decider)}` },
    ],
    about: decider,
  };
}

/** The sentence without emphasis. */
export function plainText(spans: readonly Span[]): string {
  return spans.map((span) => span.text).join('');
}

/** "330 VA to spare" or "330 VA over", by the sign; never claims more than is known. */
export function spareOrOver(style: NumberStyle, limit: Limit, edge: keyof Limit['headroom']): string {
  if (limit.kind === 'unknown-rating') return 'not known';
  return `${margin(style, limit, edge)} ${limit.headroom[edge] < 0 ? 'over' : 'to spare'}`;
}

/** How full a limit is, for a row; nothing where that is not known. */
export function shareWords(style: NumberStyle, { kind, loading }: Limit): string {
  if (kind === 'unknown-rating') return '';
  return Number.isFinite(loading) ? formatPercent(style, loading) : 'over';
}

/** What happens beyond the limit: which device opens and where it is reset, or what is harmed. */
export function consequence(limit: Limit): string {
  const resetAt = resetPlace(limit.element);
  const what = capitalised(whatHappens(limit));
  return resetAt ? `${what}; it is reset ${resetAt}.` : `${what}.`;
}

function resetPlace(element: SeriesElement): string | undefined {
  switch (element.kind) {
    case 'inverter':
      return element.converter.resetAt;
    case 'generator':
      return element.source.resetAt;
    case 'battery':
      return element.batteries[0]?.resetAt;
    case 'relay':
    case 'plug-and-cord':
    case 'cable':
    case 'neutral':
    case 'load-volts':
    case 'unknown-rating':
      return undefined;
    default:
      return element.protection.resetAt;
  }
}

function nothingOn({ notFed }: CheckResult): Explanation {
  return notFed.length > 0
    ? {
        word: undefined,
        condition: 'Nothing is fed',
        action: 'No ticked load is fed by this supply.',
        reason: [],
        about: undefined,
      }
    : {
        word: undefined,
        condition: 'Nothing is on',
        action: 'Tick the loads that are to run together.',
        reason: [],
        about: undefined,
      };
}

function explainHolds(
  style: NumberStyle,
  rig: Rig,
  result: CheckResult,
  decider: Limit,
): Omit<Explanation, 'word'> {
  if (result.notLast.length > 0) return onlyInOrder(style, rig, result);
  const [habit] = result.habits;
  return {
    condition: habit
      ? withHabitKept(rig, result, habit.before)
      : result.forThreeHours
        ? 'for up to three hours'
        : '',
    action: `With at least ${margin(style, decider, 'pessimistic')} to spare.`,
    reason: explainLimit(style, rig, decider),
    about: decider,
  };
}

/** What is open: both margins, how likely it is to hold, and where too little is known the one number to look up. */
function explainOpen(style: NumberStyle, rig: Rig, result: CheckResult, limit: Limit): Explanation {
  const { odds, verdict } = result;
  const restart = restartThatDecides(result, limit);
  const reason = [...explainLimit(style, rig, limit), ...(restart ? withHabit(style, rig, restart) : [])];
  if (odds === 'too-little-known')
    return { word: TOO_LITTLE_KNOWN, condition: '', action: lookUp(rig, limit), reason, about: limit };
  const margins = capitalised(bothMargins(style, limit));
  const said = odds ? `${margins}: ${ODDS_WORDS[odds]}.` : `${margins}.`;
  return {
    word: VERDICT_WORDS[verdict],
    condition: restart ? atEachRestart(rig, restart) : '',
    action: (restart && habitWords(rig, restart)) ?? said,
    reason,
    about: limit,
  };
}

/** The restart that a verdict is about; undefined where it is about something else. */
function restartThatDecides({ restarts }: CheckResult, decider: Limit): Restart | undefined {
  return restarts.find(({ limit }) => limit === decider);
}

const atEachRestart = (rig: Rig, { loadId }: Restart): string =>
  `at each restart of ${theLoad(loadOf(rig, loadId).name)}`;

/** What the hand does before each restart; undefined where nothing by hand helps. */
function habitWords(rig: Rig, { loadId, switchOffFirst }: Restart): string | undefined {
  if (switchOffFirst.length === 0) return undefined;
  return `Switch ${namesOf(rig, switchOffFirst)} off before you restart ${theLoad(loadOf(rig, loadId).name)}.`;
}

/** "if the dust extractor is off at each restart of the bandsaw". */
function withHabitKept(rig: Rig, { habits }: CheckResult, toolId: string): string {
  const off = habits.filter(({ before }) => before === toolId).map((each) => each.off);
  return `if ${namesOf(rig, off)} ${off.length > 1 ? 'are' : 'is'} off at each restart of ${theLoad(loadOf(rig, toolId).name)}`;
}

function withHabit(style: NumberStyle, rig: Rig, { switchOffFirst, limitThen }: Restart): readonly Span[] {
  if (!limitThen) return [];
  const spare = margin(style, limitThen, 'pessimistic');
  return [{ text: ` With ${namesOf(rig, switchOffFirst)} off: at least ${spare} to spare.` }];
}

const namesOf = (rig: Rig, ids: readonly string[]): string =>
  listNames(ids.map((id) => theLoad(loadOf(rig, id).name)));

const TOO_LITTLE_KNOWN = 'Too little known';

function lookUp(rig: Rig, limit: Limit): string {
  const [doubt] = doubtsOf(limit);
  if (limit.kind === 'unknown-rating' || !doubt)
    return `Enter ${theElement(limit.element.name)}, and it is settled.`;
  const what = doubt.field === 'start' ? 'the start' : 'the running power';
  return `Look up ${what} of ${partName(rig, doubt)}: its doubt alone is more than ${carrierOfLimit(limit)} carries.`;
}

function onlyInOrder(style: NumberStyle, rig: Rig, result: CheckResult): Omit<Explanation, 'word'> {
  const late = result.notLast[0];
  const lateName = late ? theLoad(loadOf(rig, late.loadId).name) : '';
  return {
    condition: 'in this order only',
    action: `${capitalised(startsInOrder(rig, result))}.`,
    reason: late
      ? [
          { text: `Started after all the others, ${lateName}: ` },
          strong(marginAtDecidingEdge(style, late.limit)),
          { text: `, and ${whatHappens(late.limit)}.` },
        ]
      : [],
    about: late?.limit,
  };
}

/** How far a limit that is not kept is over, never claiming more than is known. */
function marginAtDecidingEdge(style: NumberStyle, limit: Limit): string {
  const over = `${margin(style, limit, limit.edge)} over`;
  if (limit.edge === 'pessimistic') return `up to ${over} at worst`;
  return limit.edge === 'stated' ? `${over} as entered` : `at least ${over}`;
}

/**
 * Both margins of what is open.
 *
 * @example
 * bothMargins('point', limit); // '85 W to spare as entered, 67 W over at worst', '265 W over as entered; at best, 40 W to spare'
 */
export function bothMargins(style: NumberStyle, limit: Limit): string {
  if (limit.kind === 'continuous-rule')
    return `${margin(style, limit, 'pessimistic')} over the continuous rule`;
  const stated = margin(style, limit, 'stated');
  if (limit.verdict === 'likely-trips') {
    const best = limit.headroom.optimistic;
    return Number.isFinite(best)
      ? `${stated} over as entered; at best, ${margin(style, limit, 'optimistic')} to spare`
      : `${stated} over as entered; it may hold all the same`;
  }
  const worst = `${margin(style, limit, 'pessimistic')} over at worst`;
  return Number.isFinite(limit.headroom.stated) && limit.headroom.stated >= 0
    ? `${stated} to spare as entered, ${worst}`
    : `up to ${worst}`;
}

/** Why a limit has its verdict: which sum or start, how much, for how long, what it is held against. */
export function explainLimit(style: NumberStyle, rig: Rig, limit: Limit): readonly Span[] {
  const because = limit.start ? startReason(style, rig, limit) : steadyReason(style, limit);
  const isOpen = limit.verdict === 'tight' || limit.verdict === 'likely-trips';
  return isOpen ? [...because, ...doubtReason(style, rig, limit)] : because;
}

function steadyReason(style: NumberStyle, limit: Limit): readonly Span[] {
  const { worst, element, unit, capacity } = limit;
  const carrier = carrierOfLimit(limit);
  const carries = formatAmount(style, capacity.pessimistic, unit);
  if (element.kind === 'unknown-rating') return unknownReason(style, element, limit);
  const sum = sumWords(limit);
  if (limit.kind === 'continuous-rule') {
    return [
      {
        text: `What runs for three hours and more${charges(element) ? ', charging with it,' : ''} adds up to `,
      },
      strong(formatAmount(style, worst.hi, unit, 'at-most')),
      { text: `; ${carrier} should carry no more than ${carries} for so long.` },
    ];
  }
  if (limit.verdict === 'trips') {
    const bound = formatAmount(style, capacity.optimistic, unit);
    return [
      { text: `${sum} at least ` },
      strong(formatAmount(style, worst.lo, unit, 'at-least')),
      {
        text:
          bound === carries
            ? `. ${capitalised(carrier)} carries ${carries}.`
            : isGuessedBattery(element)
              ? `. What ${carrier} gives is not entered: usually up to ${bound}.`
              : `. ${capitalised(carrier)} carries ${carries} and is certain to trip above ${bound}.`,
      },
    ];
  }
  if (limit.verdict === 'tight') {
    return [
      { text: `${sum} ${formatAmount(style, worst.stated, unit)} as entered and may reach ` },
      strong(formatAmount(style, worst.hi, unit, 'at-most')),
      { text: `; ${carrier} carries ${carries}.` },
    ];
  }
  if (limit.verdict === 'likely-trips') {
    const usually = formatAmount(style, capacity.stated, unit);
    const carried =
      usually === carries ? `carries ${carries}` : `is rated ${carries} and usually trips above ${usually}`;
    return [
      { text: `${sum} ` },
      strong(`${formatAmount(style, worst.stated, unit)} as entered`),
      { text: `; ${carrier} ${carried}.` },
    ];
  }
  return [
    { text: `${sum} at most ` },
    strong(formatAmount(style, worst.hi, unit, 'at-most')),
    { text: `; ${carrier} carries ${carries}.` },
  ];
}

/** What is summed: of peaks, the even load whose peaks are as high. */
function sumWords({ element, kind }: Limit): string {
  const isHelped = element.kind === 'inverter' && element.assists;
  if (kind === 'inverter-peak')
    return isHelped
      ? `The peaks of what the source leaves to ${theElement(element.name)} are those of a plain load of`
      : 'The peaks of what runs are those of a plain load of';
  return isHelped ? `What the source leaves to ${theElement(element.name)} adds up to` : 'Running adds up to';
}

const isGuessedBattery = (element: SeriesElement): boolean =>
  element.kind === 'battery' && !element.batteries.every(saysWhatItGives);

function unknownReason(
  style: NumberStyle,
  { of, name }: UnknownRatingElement,
  { worst, unit }: Limit,
): readonly Span[] {
  const most = strong(`up to ${formatAmount(style, worst.hi, unit, 'at-most')}`);
  if (of === 'charger')
    return [{ text: `${capitalised(theElement(name))} is not entered: it may draw ` }, most, { text: '.' }];
  return [
    { text: 'What runs takes ' },
    most,
    { text: `, and ${theElement(name)} is not entered: nothing says what it carries.` },
  ];
}

function startReason(style: NumberStyle, rig: Rig, limit: Limit): readonly Span[] {
  const { start } = limit;
  if (!start) return [];
  const what = start.cause === 'together' ? theLoad(loadOf(rig, start.loadId).name) : partName(rig, start);
  if (limit.element.kind === 'load-volts') return voltsReason(style, rig, limit, start);
  const against = startAgainst(style, limit);
  return [
    ...(start.again
      ? [{ text: 'Restarting ' }, strong(what), { text: ` with everything on: ${against}.` }]
      : [
          ...(start.cause === 'start'
            ? [{ text: 'The start of ' }, strong(what)]
            : [strong(capitalised(what))]),
          { text: `${SURGE_ENDINGS[start.cause]} on top of what runs: ${against}.` },
        ]),
    ...(start.straddles
      ? [
          {
            text: ` It lasts ${formatSeconds(style, start.seconds.lo)} to ${formatSeconds(style, start.seconds.hi)}: it may outlast the surge rating.`,
          },
        ]
      : []),
  ];
}

/** "At its start the volts at the pump may fall to 80 V; below 96 V it may not start." */
function voltsReason(
  style: NumberStyle,
  rig: Rig,
  { element, worst, capacity, edge }: Limit,
  start: NonNullable<Limit['start']>,
): readonly Span[] {
  if (element.kind !== 'load-volts') return [];
  const volts = (lost: number, rounding: 'at-least' | 'at-most'): string =>
    formatAmount(style, Math.max(0, element.volts - lost), 'V', rounding);
  const falls = { pessimistic: 'may fall to', stated: 'fall to', optimistic: 'fall at best to' }[edge];
  const fails = edge === 'pessimistic' ? 'may not start' : 'does not start';
  return [
    { text: 'At its start the volts at ' },
    strong(partName(rig, start)),
    { text: ` ${falls} ` },
    strong(volts(demandAt(worst, edge), 'at-least')),
    { text: `; below ${volts(capacity[edge], 'at-most')} it ${fails}.` },
  ];
}

const SURGE_ENDINGS = {
  start: '',
  bogged: ', bogged down in the cut,',
  stall: ', should it stall against pressure,',
  together: ' and all that starts with it,',
} as const;

/** "up to 4,336 VA for 2 s, and Inverter carries 4,800 VA for 5 s". */
function startAgainst(style: NumberStyle, limit: Limit): string {
  const { worst, unit, start, element, capacity, edge } = limit;
  if (!start) return '';
  const time = formatSeconds(style, demandAt(start.seconds, edge));
  const carrier = carrierOfLimit(limit);
  const forTime = element.kind === 'inverter' ? tierTime(ceilingTime(style, start, edge)) : ' that long';
  const carries = `${formatAmount(style, capacity[edge], unit)}${forTime}`;
  return `${demandWords(style, worst, unit, edge)} for ${time}, and ${carrier} carries ${carries}`;
}

function demandWords(style: NumberStyle, worst: Limit['worst'], unit: Limit['unit'], edge: Edge): string {
  switch (edge) {
    case 'pessimistic':
      return `up to ${formatAmount(style, worst.hi, unit, 'at-most')}`;
    case 'stated':
      return `${formatAmount(style, worst.stated, unit)} as entered`;
    case 'optimistic':
      return `at least ${formatAmount(style, worst.lo, unit, 'at-least')}`;
  }
}

const tierTime = (time: string): string => (time === 'continuous' ? ', continuous' : ` for ${time}`);

/** Where a source may take a start off what is tested, what is not known of that. */
function carrierDoubt({ start, element, capacity }: Limit): string | undefined {
  if (start?.cause !== 'start' || (element.kind !== 'inverter' && Number.isFinite(capacity.stated)))
    return undefined;
  const assisting = element.kind === 'battery' ? element.inverters : [element];
  const carriers = assisting.flatMap((each) =>
    each.kind === 'inverter' ? (each.assists?.startCarrier ?? []) : [],
  );
  if (carriers.includes('shared'))
    return element.kind === 'battery'
      ? ' It is not known how much of it the source takes beyond its input limit.'
      : undefined;
  return element.kind !== 'inverter' || carriers.includes('unknown')
    ? ' It is not known who carries a start here.'
    : undefined;
}

const howKnown = ({ isOnce, basis }: Doubt): string => (isOnce ? 'measured once' : BASIS_PHRASES[basis]);

/** Over the rating as entered, what a breaker really does decides; else the widest doubt of an entered number does. */
function doubtReason(style: NumberStyle, rig: Rig, limit: Limit): readonly Span[] {
  const { element, capacity, unit, worst } = limit;
  if (limit.kind === 'continuous-rule' || limit.kind === 'unknown-rating') return [];
  if (limit.start?.cause === 'together') return [];
  const isOverAtWorst = worst.stated > capacity.pessimistic;
  const carrier = isOverAtWorst ? carrierDoubt(limit) : undefined;
  if (carrier) return [{ text: carrier }];
  if ('protection' in element && isOverAtWorst) {
    const surely = formatAmount(style, capacity.optimistic, unit);
    return [{ text: ` A breaker may trip above its rating and is certain to trip only above ${surely}.` }];
  }
  const doubt = doubtsOf(limit)[0];
  if (!doubt) return [];
  const enteredIn = doubt.field === 'start' ? 'VA' : 'W';
  const what = doubt.field === 'start' ? 'at the start of' : 'for';
  return [
    { text: ' The largest doubt: ' },
    strong(formatAmount(style, doubt.value, enteredIn)),
    { text: ` ${what} ${partName(rig, doubt)} is ` },
    strong(howKnown(doubt)),
    { text: '.' },
  ];
}

/** At which moment a set that trips does so: as something starts, or once something is on. */
function momentOf(rig: Rig, result: CheckResult, limit: Limit): string {
  if (limit.start)
    return `${limit.start.again ? 'at each restart of' : 'at the start of'} ${partName(rig, limit.start)}`;
  const culprit = result.order.find((_, index) => {
    const running = [...result.selfStarting, ...result.order.slice(0, index + 1)];
    return steadyLimits(limit.element, new RunningSet(running)).some(
      (each) => each.id === limit.id && each.verdict === 'trips',
    );
  });
  return culprit
    ? `once ${theLoad(culprit.load.name)} is on`
    : 'with the loads that start by themselves alone';
}

function paceOf(style: NumberStyle, when: TripsWhen | undefined): string {
  if (!when || when.pace === 'unknown') return '';
  if (when.pace === 'at-once') return 'at once';
  return when.pace === 'seconds'
    ? `within ${formatNumber(style, when.withinS, 0, 'at-most')} s`
    : `in ${when.pace}`;
}

const HAPPENS: Record<SeriesElement['kind'], string> = {
  inverter: 'shuts down',
  generator: 'stalls or its breaker trips',
  battery: 'is switched off by its protection',
  relay: 'overheats, and nothing opens to protect it',
  'plug-and-cord': 'overheats, and nothing opens to protect it',
  cable: 'overheats, and its breaker may not open in time',
  neutral: 'overheats, and no breaker sees it',
  'load-volts': 'may be too low: the motor does not start, and heats until its own protector opens',
  'unknown-rating': 'may not carry it',
  'branch-breaker': 'trips',
  'output-breaker': 'trips',
  'source-breaker': 'trips',
  'inlet-breaker': 'trips',
};

/** On the DC side what opens is told by the limit, not by the bank as a whole. */
const DC_HAPPENS: Partial<Record<Limit['kind'], string>> = {
  'dc-volts': 'the inverter or the battery cuts off at low volts',
  'dc-volts-start': 'the inverter or the battery cuts off at low volts',
  'dc-fuse': 'the battery fuse opens',
  'dc-fuse-start': 'the battery fuse opens',
  'dc-cable': 'the battery cable overheats',
};

function whatHappens({ element, kind }: Limit): string {
  return DC_HAPPENS[kind] ?? `${carrierOf(element)} ${HAPPENS[element.kind]}`;
}

const DC_CARRIERS: Partial<Record<Limit['kind'], string>> = {
  'dc-volts': 'the battery, before its volts fall to the cut-off,',
  'dc-volts-start': 'the battery, before its volts fall to the cut-off,',
  'dc-fuse': 'the battery fuse',
  'dc-fuse-start': 'the battery fuse',
  'dc-cable': 'the battery cable',
};

/** What carries a limit, inside a sentence. */
function carrierOfLimit({ kind, element }: Limit): string {
  return DC_CARRIERS[kind] ?? carrierOf(element);
}

/** An element inside a sentence: "the inverter", "the Galley 20 A breaker". */
function carrierOf(element: SeriesElement): string {
  return element.kind.endsWith('breaker') ? `the ${element.name} breaker` : theElement(element.name);
}

/** The size of a margin, in the unit of the limit; a claim is never rounded up. */
export function margin(style: NumberStyle, limit: Limit, edge: keyof Limit['headroom']): string {
  return formatAmount(
    style,
    Math.abs(limit.headroom[edge]),
    limit.unit,
    edge === 'pessimistic' && limit.headroom[edge] < 0 ? 'at-most' : 'at-least',
  );
}

export function listNames(names: readonly string[]): string {
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;
}

const strong = (text: string): Span => ({ text, strong: true });
