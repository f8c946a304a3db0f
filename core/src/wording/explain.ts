import type { NumberStyle } from '../quantity/number-style.js';
import { formatAmount, formatNumber, formatPercent, formatSeconds } from '../quantity/format.js';
import type { Basis } from '../quantity/quantity.js';
import type { Rig } from '../rig/schema.js';
import type { CheckResult } from '../verdict/check.js';
import type { Limit } from '../verdict/limit.js';
import { loadOf } from '../rig/lookup.js';
import { theElement, theLoad } from '../rig/names-in-sentences.js';
import { LEAN_WORDS, ODDS_WORDS } from './lean-words.js';
import { ceilingTime, partName } from './names.js';
import type { Restart } from '../verdict/restart.js';
import { charges, type SeriesElement } from '../system/series-elements.js';
import { doubtsOf } from '../verdict/doubts.js';
import { RunningSet } from '../system/running-set.js';
import { steadyLimits } from '../verdict/steady-limits.js';
import type { Verdict } from '../verdict/verdict.js';
import type { TripsWhen } from '../verdict/when-it-trips.js';

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

export const VERDICT_WORDS: Record<Verdict, string> = { holds: 'Holds', tight: 'Tight', trips: 'Trips' };

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
  const { decider, selfStarting, order } = result;
  if (!decider) return nothingOn(result);
  const said = explainDecider(style, rig, result, decider);
  const isOnlyCharging = selfStarting.length + order.length === 0;
  return isOnlyCharging ? { ...said, action: `Only charging runs. ${said.action}` } : said;
}

function explainDecider(style: NumberStyle, rig: Rig, result: CheckResult, decider: Limit): Explanation {
  const { verdict } = result;
  const word = VERDICT_WORDS[verdict];
  if (verdict === 'holds') return { word, ...explainHolds(style, rig, result, decider) };
  if (verdict === 'tight') return explainTight(style, rig, result, decider);
  return {
    word,
    condition: paceOf(style, result.tripsWhen),
    action: `By at least ${margin(style, decider, 'optimistic')}, ${momentOf(rig, result, decider)}.`,
    reason: [...explainLimit(style, rig, decider), { text: ` ${consequence(decider)}` }],
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
  const failing =
    result.restarts.find(({ limit }) => limit.verdict === 'trips') ??
    result.restarts.find((restart) => !restart.holds);
  if (failing) return onlyIfNotRestarted(style, rig, result, failing);
  if (result.notLast.length > 0) return onlyInOrder(style, rig, result);
  return {
    condition: '',
    action: `With at least ${margin(style, decider, 'pessimistic')} to spare.`,
    reason: explainLimit(style, rig, decider),
    about: decider,
  };
}

/** Which way it leans and how surely; where too little is known for that, the one number to look up. */
function explainTight(style: NumberStyle, rig: Rig, { lean }: CheckResult, limit: Limit): Explanation {
  const reason = explainLimit(style, rig, limit);
  if (lean?.leans === 'too-little-known')
    return { word: TOO_LITTLE_KNOWN, condition: '', action: lookUp(rig, limit), reason, about: limit };
  const margins = tightMargin(style, limit);
  return {
    word: VERDICT_WORDS.tight,
    condition: lean ? LEAN_WORDS[lean.leans] : '',
    action: lean?.odds ? `${capitalised(ODDS_WORDS[lean.odds])}: ${margins}` : margins,
    reason,
    about: limit,
  };
}

const TOO_LITTLE_KNOWN = 'Too little known';

function lookUp(rig: Rig, limit: Limit): string {
  const [doubt] = doubtsOf(limit);
  if (limit.kind === 'unknown-rating' || !doubt)
    return `Enter ${theElement(limit.element.name)}, and it is settled.`;
  const what = doubt.field === 'start' ? 'the start' : 'the running power';
  return `Look up ${what} of ${partName(rig, doubt)}: its doubt alone is more than ${carrierOfLimit(limit)} carries.`;
}

function onlyIfNotRestarted(
  style: NumberStyle,
  rig: Rig,
  result: CheckResult,
  restart: Restart,
): Omit<Explanation, 'word'> {
  const name = theLoad(loadOf(rig, restart.loadId).name);
  const others = listNames(restart.switchOffFirst.map((id) => theLoad(loadOf(rig, id).name)));
  const first = result.starts
    .find((start) => start.consumer.load.id === restart.loadId)
    ?.limits.find(
      (limit) => limit.kind === restart.limit.kind && limit.element.id === restart.limit.element.id,
    );
  return {
    condition:
      restart.limit.verdict === 'trips' ? `once; trips when ${name} is restarted` : 'in this order only',
    action: others
      ? `Switch ${others} off before you restart ${name}.`
      : `Once off, ${name} cannot be restarted.`,
    reason: [
      ...(first
        ? [{ text: 'First start of ' }, strong(name), { text: `: ${startAgainst(style, first)}. ` }]
        : []),
      { text: 'Restarted while all of it runs, it ' },
      ...restartMargin(style, restart.limit),
      ...(restart.limitThen
        ? [
            {
              text: `. With ${others} off: at least ${margin(style, restart.limitThen, 'pessimistic')} to spare.`,
            },
          ]
        : [{ text: '.' }]),
    ],
    about: restart.limit,
  };
}

function restartMargin(style: NumberStyle, limit: Limit): readonly Span[] {
  return limit.verdict === 'trips'
    ? [
        { text: 'is ' },
        strong(`at least ${margin(style, limit, 'optimistic')} over`),
        { text: ` and ${whatHappens(limit)}` },
      ]
    : [{ text: 'may be ' }, strong(`up to ${margin(style, limit, 'pessimistic')} over`)];
}

function onlyInOrder(style: NumberStyle, rig: Rig, result: CheckResult): Omit<Explanation, 'word'> {
  const starting = result.starts
    .filter((start) => start.moment === 'in-order')
    .map((start) => theLoad(start.consumer.load.name).slice(4));
  const late = result.notLast[0];
  const lateName = late ? theLoad(loadOf(rig, late.loadId).name) : '';
  return {
    condition: 'in this order only',
    action: `Start them in this order: ${starting.join(', then ')}.`,
    reason: late
      ? [
          { text: `Started after all the others, ${lateName} ` },
          ...restartMargin(style, late.limit),
          { text: '.' },
        ]
      : [],
    about: late?.limit,
  };
}

function tightMargin(style: NumberStyle, limit: Limit): string {
  if (limit.kind === 'continuous-rule') {
    return `${margin(style, limit, 'pessimistic')} over the continuous rule.`;
  }
  const stated = margin(style, limit, 'stated');
  if (limit.headroom.stated < 0) {
    if (!Number.isFinite(limit.headroom.optimistic))
      return `${stated} over as entered; it may hold all the same.`;
    return `${stated} over as entered, ${margin(style, limit, 'optimistic')} to spare if the doubts go your way.`;
  }
  return `${stated} spare as entered, ${margin(style, limit, 'pessimistic')} over if the doubts go against you.`;
}

/** Why a limit holds, is tight or trips: which sum or start, how much, for how long, what it is held against. */
export function explainLimit(style: NumberStyle, rig: Rig, limit: Limit): readonly Span[] {
  const because = limit.start ? startReason(style, rig, limit) : steadyReason(style, limit);
  return limit.verdict === 'tight' ? [...because, ...doubtReason(style, rig, limit)] : because;
}

function steadyReason(style: NumberStyle, limit: Limit): readonly Span[] {
  const { worst, element, unit, capacity } = limit;
  const carrier = carrierOfLimit(limit);
  const carries = formatAmount(style, capacity.pessimistic, unit);
  if (limit.kind === 'unknown-rating') {
    return [
      { text: 'What runs takes ' },
      strong(`up to ${formatAmount(style, worst.hi, unit, 'at-most')}`),
      { text: `, and ${theElement(element.name)} is not entered: nothing says what it carries.` },
    ];
  }
  const sum =
    element.kind === 'inverter' && element.assists
      ? `What the source leaves to ${theElement(element.name)} adds up to`
      : 'Running adds up to';
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
            : `. ${capitalised(carrier)} carries ${carries} and is bound to open above ${bound}.`,
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
  return [
    { text: `${sum} at most ` },
    strong(formatAmount(style, worst.hi, unit, 'at-most')),
    { text: `; ${carrier} carries ${carries}.` },
  ];
}

function startReason(style: NumberStyle, rig: Rig, limit: Limit): readonly Span[] {
  const { start } = limit;
  if (!start) return [];
  const what = start.cause === 'together' ? theLoad(loadOf(rig, start.loadId).name) : partName(rig, start);
  return [
    ...(start.cause === 'start' ? [{ text: 'The start of ' }, strong(what)] : [strong(capitalised(what))]),
    {
      text: `${SURGE_ENDINGS[start.cause]} on top of what runs: ${startAgainst(style, limit)}.`,
    },
    ...(start.straddles
      ? [
          {
            text: ` Its ${formatSeconds(style, start.seconds.lo)} to ${formatSeconds(style, start.seconds.hi)} reach across the end of a surge tier.`,
          },
        ]
      : []),
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
  const demand =
    edge === 'optimistic'
      ? `at least ${formatAmount(style, worst.lo, unit, 'at-least')}`
      : `up to ${formatAmount(style, worst.hi, unit, 'at-most')}`;
  const time = formatSeconds(style, edge === 'optimistic' ? start.seconds.lo : start.seconds.hi);
  const carrier = carrierOfLimit(limit);
  const forTime = element.kind === 'inverter' ? tierTime(ceilingTime(style, start)) : ' that long';
  return `${demand} for ${time}, and ${carrier} carries ${formatAmount(style, capacity[edge], unit)}${forTime}`;
}

const tierTime = (time: string): string => (time === 'continuous' ? ' for hours' : ` for ${time}`);

/** Over as entered, what a breaker really does decides; else the widest doubt of an entered number does. */
function doubtReason(style: NumberStyle, rig: Rig, limit: Limit): readonly Span[] {
  const { element, capacity, unit, headroom } = limit;
  if (limit.kind === 'continuous-rule' || limit.kind === 'unknown-rating') return [];
  if (limit.start?.cause === 'together') return [];
  if ('protection' in element && headroom.stated < 0) {
    if (!Number.isFinite(capacity.optimistic))
      return [{ text: ' It is not known who carries a start here.' }];
    const surely = formatAmount(style, capacity.optimistic, unit);
    return [
      { text: ` A breaker may open above its rating and is bound to, for so long, only above ${surely}.` },
    ];
  }
  const doubt = doubtsOf(limit)[0];
  if (!doubt) return [];
  const enteredIn = doubt.field === 'start' ? 'VA' : 'W';
  const what = doubt.field === 'start' ? 'at the start of' : 'for';
  return [
    { text: ' The largest doubt: ' },
    strong(formatAmount(style, doubt.value, enteredIn)),
    { text: ` ${what} ${partName(rig, doubt)} is ` },
    strong(BASIS_PHRASES[doubt.basis]),
    { text: '.' },
  ];
}

/** At which moment a set that trips does so: as something starts, or once something is on. */
function momentOf(rig: Rig, result: CheckResult, limit: Limit): string {
  if (limit.start) return `as ${partName(rig, limit.start)} starts`;
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

const capitalised = (text: string): string => `${text[0]?.toUpperCase() ?? ''}${text.slice(1)}`;

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
