const GROUPED = /^[+-]?\d{1,3}([, ]\d{3})+(\.\d+)?$/;
const COMMA_DECIMAL = /^[+-]?\d*,\d+$/;

/**
 * A number as a person types it: with or without thousands separators, decimal point or comma.
 *
 * @returns The number, or undefined where the text is not one.
 *
 * @example
 * parseNumber('1,050'); // 1050
 * parseNumber('0,6'); // 0.6
 * parseNumber('1.5'); // 1.5
 * parseNumber('a lot'); // undefined
 */
export function parseNumber(text: string): number | undefined {
  const trimmed = text.trim();
  const plain = GROUPED.test(trimmed)
    ? trimmed.replace(/[, ]/g, '')
    : COMMA_DECIMAL.test(trimmed)
      ? trimmed.replace(',', '.')
      : trimmed;
  const value = plain === '' ? NaN : Number(plain);
  return Number.isFinite(value) ? value : undefined;
}
