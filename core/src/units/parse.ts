import type { NumberStyle } from './number-style.js';

const GROUPED = /^[+-]?\d{1,3}([, ]\d{3})+(\.\d+)?$/;
const GROUPED_BY_POINT = /^[+-]?\d{1,3}([. ]\d{3})+(,\d+)?$/;
const COMMA_DECIMAL = /^[+-]?\d*,\d+$/;

/**
 * A number as a person types it: with or without thousands separators, decimal point or comma.
 *
 * @returns The number, or undefined where the text is not one.
 *
 * @example
 * parseNumber('point', '1,050'); // 1050
 * parseNumber('point', '0,6'); // 0.6
 * parseNumber('comma', '1.050'); // 1050
 * parseNumber('point', '1.5'); // 1.5
 * parseNumber('point', 'a lot'); // undefined
 */
export function parseNumber(style: NumberStyle, text: string): number | undefined {
  const plain = withPoint(style, text.trim());
  const value = plain === '' ? NaN : Number(plain);
  return Number.isFinite(value) ? value : undefined;
}

/** The same with a decimal point and no separators. In the comma style `1.234` is a thousand and more. */
function withPoint(style: NumberStyle, text: string): string {
  if (style === 'comma' && GROUPED_BY_POINT.test(text)) return text.replace(/[. ]/g, '').replace(',', '.');
  if (style === 'point' && GROUPED.test(text)) return text.replace(/[, ]/g, '');
  return COMMA_DECIMAL.test(text) ? text.replace(',', '.') : text;
}
