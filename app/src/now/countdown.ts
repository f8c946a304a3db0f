import { SECONDS_PER_HOUR, SECONDS_PER_MINUTE, twoDigits } from '@heliarch/core/units';

/**
 * What is left of a clock as it counts down.
 *
 * @example
 * countdown(232); // '3:52'
 * countdown(3670); // '1:01:10'
 */
export function countdown(seconds: number): string {
  const left = Math.max(0, Math.ceil(seconds));
  const minutes = Math.floor((left % SECONDS_PER_HOUR) / SECONDS_PER_MINUTE);
  const rest = twoDigits(left % SECONDS_PER_MINUTE);
  return left >= SECONDS_PER_HOUR
    ? `${Math.floor(left / SECONDS_PER_HOUR)}:${twoDigits(minutes)}:${rest}`
    : `${minutes}:${rest}`;
}
