import { HOURS_PER_DAY, MINUTES_PER_HOUR, SECONDS_PER_MINUTE } from './conversion-factors.js';

/** A whole number of a clock or a calendar, with two digits: 07. */
export const twoDigits = (value: number): string => String(Math.floor(value)).padStart(2, '0');

/**
 * A length of time as a person says it, rounded down to the minute.
 *
 * @param seconds At least 0.
 *
 * @example
 * formatDuration(12_400); // '3 h 26 min'
 * formatDuration(90); // '1 min'
 */
export function formatDuration(seconds: number): string {
  const minutes = Math.floor(seconds / SECONDS_PER_MINUTE);
  const hours = Math.floor(minutes / MINUTES_PER_HOUR);
  if (hours >= 2 * HOURS_PER_DAY) return `${Math.floor(hours / HOURS_PER_DAY)} days`;
  const rest = minutes % MINUTES_PER_HOUR;
  if (hours === 0) return `${minutes} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}
