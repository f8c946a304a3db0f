import { twoDigits } from '../units/format-time.js';
import type { Day } from '../rig-file/schema.js';

/** Plans are made in steps of so many minutes. */
export const SLOT_MINUTES = 5;
const MINUTES_OF_A_DAY = 1440;
const MINUTES_OF_AN_HOUR = 60;
const MS_OF_A_MINUTE = 60_000;

export const SLOTS_OF_A_DAY = MINUTES_OF_A_DAY / SLOT_MINUTES;
export const HOURS_OF_A_SLOT = SLOT_MINUTES / MINUTES_OF_AN_HOUR;

/** Energy of what is so many watts in each step, Wh. */
export const whOf = (watts: readonly number[]): number =>
  watts.reduce((sum, each) => sum + each, 0) * HOURS_OF_A_SLOT;

/** How many days a plan has. */
export const daysOf = ({ days = 1 }: Pick<Day, 'days'>): number => Math.round(days);

/** How many steps a plan has. */
export const slotsOf = (day: Pick<Day, 'days'>): number => daysOf(day) * SLOTS_OF_A_DAY;

/** A time of the day as minutes since midnight. */
function minutesOfTime(time: string): number {
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return hours * MINUTES_OF_AN_HOUR + minutes;
}

/**
 * Minutes of a plan at which it is a time of the day, on one of its days; a day goes from beginning to beginning.
 *
 * @example
 * minutesInPlan({ begins: '08:00' }, '02:30', 1); // 1110: the night that follows
 */
export function minutesInPlan({ begins }: Pick<Day, 'begins'>, time: string, onDay = 1): number {
  const since = (minutesOfTime(time) - minutesOfTime(begins) + MINUTES_OF_A_DAY) % MINUTES_OF_A_DAY;
  return since + (onDay - 1) * MINUTES_OF_A_DAY;
}

/**
 * The time of the day at a minute of a plan.
 *
 * @example
 * timeInPlan({ begins: '08:00' }, 1110); // '02:30'
 */
export function timeInPlan({ begins }: Pick<Day, 'begins'>, minutes: number): string {
  const clock = (minutesOfTime(begins) + minutes) % MINUTES_OF_A_DAY;
  return `${twoDigits(clock / MINUTES_OF_AN_HOUR)}:${twoDigits(clock % MINUTES_OF_AN_HOUR)}`;
}

/**
 * A minute of a plan as people say it: with its day, where there are several.
 *
 * @example
 * momentInPlan({ begins: '08:00', days: 3 }, 1500); // 'day 2, 09:00'
 */
export function momentInPlan(day: Pick<Day, 'begins' | 'days'>, minutes: number): string {
  const time = timeInPlan(day, minutes);
  return daysOf(day) === 1 ? time : `day ${Math.floor(minutes / MINUTES_OF_A_DAY) + 1}, ${time}`;
}

/** A stretch of a plan in steps, its end left out. */
export interface Stretch {
  readonly from: number;
  readonly until: number;
}

/**
 * The steps between two times of the day, on one day of a plan or on each; what ends where it begins is a whole day.
 *
 * @param onDay The first is 1; every day where left out.
 */
export function stretchesBetween(
  day: Pick<Day, 'begins' | 'days'>,
  from: string,
  until: string,
  onDay?: number,
): readonly Stretch[] {
  const days = onDay === undefined ? Array.from({ length: daysOf(day) }, (_, index) => index + 1) : [onDay];
  return days.map((each) => {
    const begin = minutesInPlan(day, from, each);
    const span = (minutesOfTime(until) - minutesOfTime(from) + MINUTES_OF_A_DAY) % MINUTES_OF_A_DAY;
    const end = begin + (span === 0 ? MINUTES_OF_A_DAY : span);
    return {
      from: Math.ceil(begin / SLOT_MINUTES),
      until: Math.min(slotsOf(day), Math.floor(end / SLOT_MINUTES)),
    };
  });
}

/**
 * The same hours of every day, with what is left of the day before where a plan begins within them.
 *
 * @example
 * stretchesOfEveryDay({ begins: '00:00' }, '22:00', '06:00'); // the small hours, and the evening
 */
export function stretchesOfEveryDay(
  day: Pick<Day, 'begins' | 'days'>,
  from: string,
  until: string,
): readonly Stretch[] {
  const ofEach = Array.from({ length: daysOf(day) + 1 }, (_, onDay) => onDay);
  return ofEach
    .flatMap((onDay) => stretchesBetween(day, from, until, onDay))
    .map((stretch) => ({ ...stretch, from: Math.max(0, stretch.from) }))
    .filter((stretch) => stretch.until > stretch.from);
}

/** Milliseconds since 1970 in UTC at a minute of a plan. */
export function utcOf(
  { date, begins, hoursFromUtc = 0 }: Pick<Day, 'date' | 'begins' | 'hoursFromUtc'>,
  minutes: number,
): number {
  const midnight = Date.parse(`${date}T00:00:00Z`);
  const local = minutesOfTime(begins) + minutes - hoursFromUtc * MINUTES_OF_AN_HOUR;
  return midnight + local * MS_OF_A_MINUTE;
}

/**
 * Milliseconds since 1970 in UTC as text by ISO 8601, to the second.
 *
 * @example
 * utcText(0); // '1970-01-01T00:00:00Z'
 */
export const utcText = (ms: number): string => `${new Date(ms).toISOString().slice(0, ISO_SECONDS)}Z`;

/** Milliseconds since 1970 of a text by ISO 8601 with its zone; undefined where it is none. */
export function msOfText(text: string): number | undefined {
  const ms = Date.parse(text);
  return Number.isFinite(ms) ? ms : undefined;
}

/** Letters of such a text up to its seconds. */
const ISO_SECONDS = 19;

/** A date and a time of the day, of no time zone. */
export interface CivilTime {
  readonly year: number;
  /** 1 to 12. */
  readonly month: number;
  readonly day: number;
  readonly hours: number;
  readonly minutes: number;
  readonly seconds: number;
}

/**
 * Seconds since 1970 of a date and time, as if it stood in UTC.
 *
 * @returns Undefined where there is no such date or time.
 *
 * @example
 * civilSeconds({ year: 1970, month: 1, day: 2, hours: 0, minutes: 0, seconds: 0 }); // 86400
 */
export function civilSeconds({ year, month, day, hours, minutes, seconds }: CivilTime): number | undefined {
  const ms = Date.UTC(year, month - 1, day, hours, minutes, Math.floor(seconds));
  const back = new Date(ms);
  const isReal =
    back.getUTCMonth() === month - 1 &&
    back.getUTCDate() === day &&
    hours < HOURS_OF_A_DAY &&
    minutes < MINUTES_OF_AN_HOUR &&
    seconds < SECONDS_OF_A_MINUTE + 1;
  return isReal ? ms / MS_OF_A_SECOND + (seconds % 1) : undefined;
}

const HOURS_OF_A_DAY = 24;
const SECONDS_OF_A_MINUTE = 60;
const MS_OF_A_SECOND = 1000;
