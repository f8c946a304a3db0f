import { momentInPlan, SLOT_MINUTES } from './clock.js';
import type { DayPlan, EnergyVerdict, Unplaced } from './day-plan.js';
import type { DayChange } from './plan/changes-admitting-job.js';
import type { Obstacle } from './plan/why-not.js';
import { formatAmount, formatNumber, formatPercent } from '../units/format.js';
import { formatDuration } from '../units/format-time.js';
import type { NumberStyle } from '../units/number-style.js';
import { loadOf, supplyOf } from '../rig/lookup.js';
import { inSentence, theElement } from '../rig/names-in-sentences.js';
import type { Day, Rig, Supply } from '../rig-file/schema.js';
import { margin } from '../words/explain.js';
import { stateWatts } from '../outlook/outlook-words.js';

const SECONDS_OF_A_MINUTE = 60;
const SECONDS_OF_AN_HOUR = 3600;
/** More reasons than this are not read. */
const MOST_REASONS = 4;

/** The words for energy: nothing trips, the battery lasts or does not. */
export const ENERGY_WORDS: Readonly<Record<EnergyVerdict, string>> = {
  lasts: 'Lasts',
  'may-run-out': 'May run out',
  'runs-out': 'Runs out',
};

/**
 * How much of a day is planned, and how the battery comes through.
 *
 * @example
 * // '14 of 15 placed. Lowest charge 67 % at 06:35.'
 */
export function planHeadline(style: NumberStyle, day: Day, plan: DayPlan): string {
  const { placed, of, lowest, fullWh, generatorMinutes } = plan;
  const generator =
    generatorMinutes > 0 ? ` Generator for ${formatDuration(generatorMinutes * SECONDS_OF_A_MINUTE)}.` : '';
  return `${placed} of ${of} placed. Lowest charge ${formatPercent(style, lowest.wh / fullWh)} at ${momentInPlan(day, lowest.minutes)}.${generator}`;
}

/** What a plan takes for granted, since nobody said it. */
export function assumptionWords(rig: Rig, day: Day): readonly string[] {
  const isFree = (id: string): boolean =>
    !day.jobs.some(({ load, with: beside = [] }) => load === id || beside.includes(id));
  const left = rig.loads.filter(({ id, usage }) => usage === 'by-itself' && isFree(id));
  return [
    ...(left.length > 0
      ? [
          `Taken to be off all the while, though it starts by itself: ${left.map(({ name }) => name).join(', ')}.`,
        ]
      : []),
    ...((rig.solar ?? []).length > 0 ? skyAssumptions(day) : []),
    ...(day.startPercent === undefined ? ['The battery is taken to be full at the beginning.'] : []),
    ...day.jobs.flatMap(({ name, keepsHours = 0 }) =>
      keepsHours > 0
        ? [
            `On top of the reserve the battery keeps ${formatDuration(keepsHours * SECONDS_OF_AN_HOUR)} of ${inSentence(name)}.`,
          ]
        : [],
    ),
    ...(rig.batteries.some(({ reservePercent }) => reservePercent === undefined)
      ? ['A battery without a reserve is planned down to empty.']
      : []),
  ];
}

function skyAssumptions({ latitude, longitude, cloudOktas, hoursFromUtc }: Day): readonly string[] {
  if (latitude === undefined || longitude === undefined)
    return ['No sun is counted: latitude and longitude are not entered.'];
  return [
    ...(cloudOktas === undefined
      ? ['No clouds are entered: a clear sky is drawn, an overcast one is the worst case.']
      : []),
    ...(hoursFromUtc === undefined ? ['The clock is taken to be UTC.'] : []),
  ];
}

/** What was cut down so that more has a place. */
export function cutWords(day: Day, { cutMinutes }: DayPlan): readonly string[] {
  return Object.entries(cutMinutes).map(
    ([job, minutes]) =>
      `${jobName(day, job)} is cut down by ${formatDuration(minutes * SECONDS_OF_A_MINUTE)}.`,
  );
}

/** Why a job has no place, and what would let it in. */
export interface UnplacedWords {
  readonly headline: string;
  /** What is in the way, stretch by stretch. */
  readonly reasons: readonly string[];
  readonly changes: readonly string[];
}

/** A job without a place, in words. */
export function unplacedWords(style: NumberStyle, rig: Rig, day: Day, unplaced: Unplaced): UnplacedWords {
  const name = jobName(day, unplaced.job);
  const head =
    unplaced.answer === 'impossible' ? 'cannot be placed, not even alone' : 'has no place beside the others';
  const reasons = unplaced.obstacles
    .slice(0, MOST_REASONS)
    .map((each) => obstacleWords(style, rig, day, each));
  const more = unplaced.obstacles.length - reasons.length;
  return {
    headline: `${name} ${head}.`,
    reasons:
      unplaced.obstacles.length === 0
        ? ['Its window is shorter than it takes.']
        : [...reasons, ...(more > 0 ? [`And ${more} more.`] : [])],
    changes: unplaced.changes.map((change) => dayChangeWords(style, rig, day, unplaced.job, change)),
  };
}

function obstacleWords(style: NumberStyle, rig: Rig, day: Day, obstacle: Obstacle): string {
  const [from, until] = [obstacle.from, obstacle.until].map((slot) => momentInPlan(day, slot * SLOT_MINUTES));
  const when = obstacle.until - obstacle.from > 1 ? `From ${from} to ${until}` : `At ${from}`;
  return `${when}: ${reasonWords(style, rig, obstacle)}.`;
}

const REASONS: Readonly<Partial<Record<Obstacle['by'], string>>> = {
  'no-supply': 'nothing feeds anything',
  battery: 'the battery would fall below its reserve, or end too low',
  waits: 'it comes after a job that has no place',
  order: 'it comes after a job that is not over, or before one that has begun',
  rest: 'its load runs already, or rests',
  window: 'it does not end within its window',
  turns: 'something runs that it takes turns with',
  attended: 'you stand beside something else',
};

function reasonWords(style: NumberStyle, rig: Rig, { by, supply, limit }: Obstacle): string {
  const where = supply === undefined ? 'nothing' : supplyInSentence(supplyOf(rig, supply));
  if (by === 'not-fed') return `${where} does not feed it`;
  if (by !== 'limit' && by !== 'start') return REASONS[by] ?? '';
  if (!limit) return `${where} does not carry it`;
  const over = margin(style, limit, limit.headroom.stated < 0 ? 'stated' : 'pessimistic');
  const moment = limit.start ? 'at a start' : 'while they run';
  return `${theElement(limit.element.name)} is ${over} short ${moment}, on ${where}`;
}

const supplyInSentence = ({ name, sources }: Supply): string =>
  sources.length === 0 ? 'the battery' : theElement(name);

/** A change that lets a job in, as what the hand does. */
function dayChangeWords(style: NumberStyle, rig: Rig, day: Day, jobId: string, change: DayChange): string {
  const job = day.jobs.find(({ id }) => id === jobId);
  const charging = 'chargingOff' in change && change.chargingOff ? ', with charging off meanwhile' : '';
  switch (change.by) {
    case 'state':
      return job ? `Run it at ${stateWatts(style, rig, loadOf(rig, job.load), change.stateId)}` : '';
    case 'split':
      return 'Let it be split';
    case 'window':
      return `Let it begin at ${momentInPlan(day, change.begin * SLOT_MINUTES)}${charging}`;
    case 'without':
      return `Leave ${inSentence(jobName(day, change.job))} out`;
    case 'supply':
      return `Connect ${supplyOf(rig, change.supplyId).name} in its window${charging}`;
    case 'tight':
      return 'Allow moments that are only tight';
  }
}

const jobName = ({ jobs }: Day, id: string): string => jobs.find((job) => job.id === id)?.name ?? id;

/** A quantity of energy as people say it. */
export const energyWords = (style: NumberStyle, wh: number): string =>
  wh >= WH_OF_A_KWH ? `${formatNumber(style, wh / WH_OF_A_KWH, 1)} kWh` : formatAmount(style, wh, 'Wh');

const WH_OF_A_KWH = 1000;
