import type { NumberStyle } from '../units/number-style.js';
import { parseAmount, type Amount } from '../units/parse-amount.js';
import { findTypicalLoads, type TypicalLoad } from '../reference/typical-loads.js';

/** Kinds of loads a person may mean, and what of their plates was typed with them. */
export interface FoundKinds {
  readonly kinds: readonly TypicalLoad[];
  readonly stated: Amount | undefined;
}

const STATED = /(\d+\/\d+|\d[\d.,]*)\s*(hp|kva|va|kw|w|a)\b/i;
const FRACTION = /^(\d+)\/(\d+)$/;
const TURNS: readonly TypicalLoad['family'][] = ['Motors', 'Compressors'];

/**
 * Finds kinds of loads by everyday words, with or without a figure of the plate: `table saw 3 hp`, `1500 W`.
 *
 * @returns What has a motor for horsepower; for watts first what usually draws about so much.
 *
 * @example
 * findKinds('point', 'jointer 1/2 hp').stated; // { value: 0.5, unit: 'hp' }
 */
export function findKinds(style: NumberStyle, words: string): FoundKinds {
  const [whole, digits = '', unit = ''] = STATED.exec(words) ?? [];
  if (whole === undefined) return { kinds: findTypicalLoads(words), stated: undefined };
  const stated = parseAmount(style, `${decimal(digits)} ${unit}`);
  const named = findTypicalLoads(words.replace(whole, ' '));
  if (stated?.unit === 'hp') return { kinds: named.filter(({ family }) => TURNS.includes(family)), stated };
  const drawsIt = (kind: TypicalLoad): number => Number(stated?.unit === 'W' && isUsual(kind, stated.value));
  return { kinds: [...named].sort((a, b) => drawsIt(b) - drawsIt(a)), stated };
}

function decimal(digits: string): string {
  const [, over, under] = FRACTION.exec(digits) ?? [];
  return over === undefined ? digits : String(Number(over) / Number(under));
}

function isUsual({ parts }: TypicalLoad, watts: number): boolean {
  const [first] = parts;
  return first !== undefined && watts >= first.watts.low && watts <= first.watts.high;
}
