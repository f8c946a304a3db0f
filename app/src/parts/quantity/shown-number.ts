import type { NumberStyle } from '@heliarch/core/units';
import { formatNumber } from '@heliarch/core/units';

const MOST_DIGITS = 6;
const MOST_DECIMALS = 4;

/** A number as it stands in a field: all of its digits, and no noise of a conversion. */
export function shownNumber(style: NumberStyle, value: number): string {
  return formatNumber(style, Number(value.toPrecision(MOST_DIGITS)), MOST_DECIMALS);
}

/** A number that only tells about how much: three digits or so. */
export function roughNumber(style: NumberStyle, value: number): string {
  const size = Math.abs(value);
  return formatNumber(style, value, size >= 100 ? 0 : size >= 10 ? 1 : 2);
}
