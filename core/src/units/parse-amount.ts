import type { NumberStyle } from './number-style.js';
import { parseNumber } from './parse.js';

/** A number with the unit that was written after it. */
export interface Amount {
  readonly value: number;
  readonly unit: string;
}

const UNITS = ['W', 'VA', 'A', 'V', 's', 'min', 'h', 'Ah', 'Wh', 'hp', 'ft', 'm'];
const PREFIXES: Readonly<Record<string, number>> = { k: 1000, K: 1000, m: 0.001 };
const NUMBER_THEN_LETTERS = /^([^a-z]+?)\s*([a-z]+)$/i;

/**
 * An amount as a person types it, with its unit: `35 A`, `1.5 kW`, `2kva`.
 *
 * @returns The value in the unit without its prefix; undefined where there is no number or the unit is unknown.
 *
 * @example
 * parseAmount('point', '1.5 kW'); // { value: 1500, unit: 'W' }
 * parseAmount('point', '35a'); // { value: 35, unit: 'A' }
 * parseAmount('point', '35 apples'); // undefined
 */
export function parseAmount(style: NumberStyle, text: string): Amount | undefined {
  const [, digits = '', letters = ''] = NUMBER_THEN_LETTERS.exec(text.trim()) ?? [];
  const value = parseNumber(style, digits);
  if (value === undefined) return undefined;
  const plain = unitOf(letters);
  if (plain) return { value, unit: plain };
  const factor = PREFIXES[letters.charAt(0)];
  const scaled = unitOf(letters.slice(1));
  return factor === undefined || !scaled ? undefined : { value: value * factor, unit: scaled };
}

function unitOf(letters: string): string | undefined {
  return UNITS.find((unit) => unit.toLowerCase() === letters.toLowerCase());
}
