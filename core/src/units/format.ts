import type { NumberStyle } from './number-style.js';

/** Numbers and sentences as a person reads them: thousands separators, no more digits than are known. */

/** How a figure is rounded: a claim of "at least" is never rounded up, one of "at most" never down. */
export type Rounding = 'nearest' | 'at-least' | 'at-most';

const FEW_DIGITS_BELOW = 100;

/**
 * A number of watts, VA or volt-amps-like size, or of amps, with its unit.
 *
 * @example
 * formatAmount('point', 4335.6, 'VA'); // '4,336 VA'
 * formatAmount('point', 12.34, 'A', 'at-least'); // '12.3 A'
 */
export function formatAmount(
  style: NumberStyle,
  value: number,
  unit: string,
  rounding: Rounding = 'nearest',
): string {
  return `${formatNumber(style, value, decimalsFor(value, unit), rounding)} ${unit}`;
}

/** A number with thousands separators and at most so many decimals. */
export function formatNumber(
  style: NumberStyle,
  value: number,
  decimals: number,
  rounding: Rounding = 'nearest',
): string {
  const scale = 10 ** decimals;
  const scaled = round(value * scale, rounding) / scale;
  return formatterOf(style, decimals).format(scaled === 0 ? 0 : scaled);
}

/** Seconds of a start: `0.6 s`, `12 s`. */
export function formatSeconds(style: NumberStyle, seconds: number): string {
  return `${formatNumber(style, seconds, seconds < 1 ? 2 : seconds < 10 ? 1 : 0)} s`;
}

/** A share as a whole percentage, never rounded down across the limit. */
export function formatPercent(style: NumberStyle, share: number): string {
  return `${formatNumber(style, share * 100, 0, share > 1 ? 'at-most' : 'nearest')} %`;
}

/** A locale of each style; only its separators matter. */
const LOCALES: Readonly<Record<NumberStyle, string>> = { point: 'en-US', comma: 'de-DE' };

/** One for each number of decimals that is ever written: building a formatter costs far more than using it. */
const DECIMALS = [0, 1, 2, 3, 4, 5, 6] as const;
const newFormatter = (style: NumberStyle, decimals: number) =>
  new Intl.NumberFormat(LOCALES[style], { maximumFractionDigits: decimals });
const FORMATTERS: Readonly<Record<NumberStyle, readonly Intl.NumberFormat[]>> = {
  point: DECIMALS.map((decimals) => newFormatter('point', decimals)),
  comma: DECIMALS.map((decimals) => newFormatter('comma', decimals)),
};

function formatterOf(style: NumberStyle, decimals: number): Intl.NumberFormat {
  return FORMATTERS[style][decimals] ?? newFormatter(style, decimals);
}

/** Ten parts in a billion absorb the noise of binary fractions before rounding up or down. */
const NOISE = 1e-8;

function round(value: number, rounding: Rounding): number {
  if (rounding === 'at-least') return Math.floor(value + NOISE);
  return rounding === 'at-most' ? Math.ceil(value - NOISE) : Math.round(value);
}

function decimalsFor(value: number, unit: string): number {
  return unit === 'A' && Math.abs(value) < FEW_DIGITS_BELOW ? 1 : 0;
}

/** A text as the beginning of a sentence. */
export function capitalised(text: string): string {
  return `${text.slice(0, 1).toUpperCase()}${text.slice(1)}`;
}
