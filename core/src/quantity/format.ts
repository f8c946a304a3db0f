import { numberStyle, type NumberStyle } from './number-style.js';

/** Numbers and sentences as a person reads them: thousands separators, no more digits than are known. */

/** How a figure is rounded: a claim of "at least" is never rounded up, one of "at most" never down. */
export type Rounding = 'nearest' | 'at-least' | 'at-most';

const FEW_DIGITS_BELOW = 100;

/**
 * A number of watts, VA or volt-amps-like size, or of amps, with its unit.
 *
 * @example
 * formatAmount(4335.6, 'VA'); // '4,336 VA'
 * formatAmount(12.34, 'A', 'at-least'); // '12.3 A'
 */
export function formatAmount(value: number, unit: string, rounding: Rounding = 'nearest'): string {
  return `${formatNumber(value, decimalsFor(value, unit), rounding)} ${unit}`;
}

/** A number with thousands separators and at most so many decimals. */
export function formatNumber(value: number, decimals: number, rounding: Rounding = 'nearest'): string {
  const scale = 10 ** decimals;
  const scaled = round(value * scale, rounding) / scale;
  return formatterFor(decimals).format(scaled === 0 ? 0 : scaled);
}

/** Seconds of a start: `0.6 s`, `12 s`. */
export function formatSeconds(seconds: number): string {
  return `${formatNumber(seconds, seconds < 1 ? 2 : seconds < 10 ? 1 : 0)} s`;
}

/** A share as a whole percentage, never rounded down across the limit. */
export function formatPercent(share: number): string {
  return `${formatNumber(share * 100, 0, share > 1 ? 'at-most' : 'nearest')} %`;
}

/** Building a formatter costs far more than using it. */
const formatters = new Map<string, Intl.NumberFormat>();

/** A locale of each style; only its separators matter. */
const LOCALES: Record<NumberStyle, string> = { point: 'en-US', comma: 'de-DE' };

function formatterFor(decimals: number): Intl.NumberFormat {
  const locale = LOCALES[numberStyle()];
  const key = `${locale} ${decimals}`;
  const known = formatters.get(key) ?? new Intl.NumberFormat(locale, { maximumFractionDigits: decimals });
  formatters.set(key, known);
  return known;
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
