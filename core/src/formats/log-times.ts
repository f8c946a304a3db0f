import { civilSeconds } from '../day/clock.js';
import { MS_PER_SECOND, SECONDS_PER_DAY, SECONDS_PER_MINUTE } from '../units/conversion-factors.js';

/** How the times of a log are written. */
export type TimeStyle = 'iso' | 'day-first' | 'month-first' | 'time-only' | 'unix-s' | 'unix-ms' | 'seconds';

/** Offset from UTC of a clock on the wall, minutes east, by what it shows as if that were UTC. */
export type OffsetAt = (civilS: number) => number;

const HOURS_OF_A_HALF_DAY = 12;
const CENTURY = 2000;
/** 2001 in seconds, and in milliseconds: what is larger is no count from a beginning. */
const UNIX_S_FROM = 1e9;
const UNIX_MS_FROM = 1e12;

const ISO =
  /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[T ,;]+(\d{1,2}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?)?\s*(Z|[+-]\d{2}:?\d{2})?$/i;
const CIVIL =
  /^(\d{1,2})[-/.](\d{1,2})[-/.](\d{2}|\d{4})(?:[T ,;]+(\d{1,2}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?\s*([ap]\.?m\.?)?)?$/i;
const TIME = /^(\d{1,2}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?\s*([ap]\.?m\.?)?$/i;
const NUMBER = /^\d+(?:[.,]\d+)?$/;

/**
 * How the times of a log are written, by the first lines of it; where day and month cannot be told apart, the day comes first
 * if it is written with points.
 *
 * @returns Undefined where these are no times.
 */
export function timeStyleOf(cells: readonly string[]): TimeStyle | undefined {
  const given = cells.map((cell) => cell.trim()).filter((cell) => cell !== '');
  // A line here and there may be none: it is named when the log is read.
  const are = (pattern: RegExp): readonly string[] => {
    const found = given.filter((cell) => pattern.test(cell));
    return 2 * found.length > given.length ? found : [];
  };
  if (are(ISO).length > 0) return 'iso';
  if (are(TIME).length > 0) return 'time-only';
  const numbers = are(NUMBER);
  if (numbers.length > 0) return countStyle(numbers);
  const dates = are(CIVIL).map((cell) => CIVIL.exec(cell) ?? []);
  if (dates.length === 0) return undefined;
  if (dates.some(([, first]) => Number(first) > HOURS_OF_A_HALF_DAY)) return 'day-first';
  if (dates.some(([, , second]) => Number(second) > HOURS_OF_A_HALF_DAY)) return 'month-first';
  return dates.some(([text = '']) => text.includes('.')) ? 'day-first' : 'month-first';
}

function countStyle(given: readonly string[]): TimeStyle {
  const least = Math.min(...given.map((cell) => Number(cell.replace(',', '.'))));
  return least >= UNIX_MS_FROM ? 'unix-ms' : least >= UNIX_S_FROM ? 'unix-s' : 'seconds';
}

/** What a style needs to become moments. */
export interface TimeContext {
  readonly style: TimeStyle;
  readonly offsetAt: OffsetAt;
  /** When it begins where the times do not say the day: seconds since 1970, of a midnight for times alone. */
  readonly beginsS: number;
}

/**
 * A time of a log as a moment, in seconds since 1970.
 *
 * @returns Undefined where it is none of that style.
 */
export function readLogTime(cell: string, { style, offsetAt, beginsS }: TimeContext): number | undefined {
  const text = cell.trim();
  switch (style) {
    case 'iso':
      return isoMoment(text, offsetAt);
    case 'day-first':
    case 'month-first':
      return civilMoment(text, style, offsetAt);
    case 'time-only': {
      const seconds = timeOfDay(TIME.exec(text)?.slice(1));
      return seconds === undefined ? undefined : beginsS + seconds;
    }
    default:
      return countedMoment(text, style, beginsS);
  }
}

function isoMoment(text: string, offsetAt: OffsetAt): number | undefined {
  const [, year, month, day, hours = '0', minutes = '0', seconds = '0', zone] = ISO.exec(text) ?? [];
  const civil = civilSeconds({
    year: Number(year),
    month: Number(month),
    day: Number(day),
    hours: Number(hours),
    minutes: Number(minutes),
    seconds: decimal(seconds),
  });
  if (year === undefined || civil === undefined) return undefined;
  return civil - SECONDS_PER_MINUTE * (zone === undefined ? offsetAt(civil) : minutesOfZone(zone));
}

function minutesOfZone(zone: string): number {
  if (/^z$/i.test(zone)) return 0;
  const [, sign, hours, minutes] = /^([+-])(\d{2}):?(\d{2})$/.exec(zone) ?? [];
  return (sign === '-' ? -1 : 1) * (Number(hours) * SECONDS_PER_MINUTE + Number(minutes));
}

function civilMoment(text: string, style: TimeStyle, offsetAt: OffsetAt): number | undefined {
  const [, first, second, year, ...time] = CIVIL.exec(text) ?? [];
  if (first === undefined || second === undefined || year === undefined) return undefined;
  const [day, month] = style === 'day-first' ? [first, second] : [second, first];
  const midnight = civilSeconds({
    year: year.length === 2 ? CENTURY + Number(year) : Number(year),
    month: Number(month),
    day: Number(day),
    hours: 0,
    minutes: 0,
    seconds: 0,
  });
  const seconds = time[0] === undefined ? 0 : timeOfDay(time);
  if (midnight === undefined || seconds === undefined) return undefined;
  const civil = midnight + seconds;
  return civil - SECONDS_PER_MINUTE * offsetAt(civil);
}

/** Seconds since midnight, of hours, minutes, seconds, and a half of the day. */
function timeOfDay(parts: readonly (string | undefined)[] | undefined): number | undefined {
  if (!parts) return undefined;
  const [hours, minutes, seconds = '0', half] = parts;
  const isHalf = half !== undefined;
  const shown = Number(hours);
  const afternoon = isHalf && /^p/i.test(half) ? HOURS_OF_A_HALF_DAY : 0;
  const hour = isHalf ? (shown % HOURS_OF_A_HALF_DAY) + afternoon : shown;
  const sum = (hour * SECONDS_PER_MINUTE + Number(minutes)) * SECONDS_PER_MINUTE + decimal(seconds);
  return sum < SECONDS_PER_DAY ? sum : undefined;
}

function countedMoment(text: string, style: TimeStyle, beginsS: number): number | undefined {
  if (!NUMBER.test(text)) return undefined;
  const value = decimal(text);
  if (style === 'unix-ms') return value / MS_PER_SECOND;
  return style === 'unix-s' ? value : beginsS + value;
}

const decimal = (text: string): number => Number(text.replace(',', '.'));
