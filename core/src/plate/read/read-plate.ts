import { BTU_PER_HOUR_PER_WATT, PERCENT } from '../../units/conversion-factors.js';
import {
  PLAUSIBLE,
  type PlateManner,
  type PlatePlace,
  type PlateQuantity,
} from '../../reference/plate-terms.js';
import { MOST_WATTS_PER_WATT } from '../../reference/plate-tolerances.js';
import { bindTokens, goTogether, type BoundNumber } from './bind-tokens.js';
import { joinedRows } from './plate-rows.js';
import { decimalSignOf, readPlateNumber, type DecimalSign } from './plate-number.js';
import { tokensOf, type NumberToken, type PlateToken } from './plate-tokens.js';

/** What a plate says of one quantity, in our units, with the signs that say it. */
export interface PlateValue {
  readonly quantity: PlateQuantity;
  /** Several where the plate is for several voltages, or gives a range. */
  readonly values: readonly number[];
  readonly isRange: boolean;
  /** What the same signs may mean besides, for the first of the values; to be asked. */
  readonly otherwise: number | undefined;
  /** How many of it the plate has: then the value is of all of them, and otherwise of one. */
  readonly times: number;
  readonly letter: string | undefined;
  readonly place: PlatePlace | undefined;
  readonly manner: PlateManner | undefined;
  readonly current: 'ac' | 'dc' | undefined;
  /** The line of the text, from 1. */
  readonly line: number;
  /** As it stands on the plate. */
  readonly text: string;
}

/** All that could be read of a plate. */
export interface PlateRead {
  readonly lines: readonly string[];
  readonly values: readonly PlateValue[];
  /** Numbers that nothing says what they are of. */
  readonly unread: readonly { readonly line: number; readonly text: string }[];
  /** Words that are no number's: what the thing may be. */
  readonly words: string;
}

/**
 * Reads the text of a nameplate as it stands: numbers with their units, names before or behind their numbers, names in one row and
 * numbers in the next.
 *
 * @param text Lines of the plate.
 * @returns What it says, and what could not be read of it. Nothing is guessed: what may be read in two ways says so.
 * Source: docs/plate.md, by IEC 60034-8, NEC 440.4 and 430.7, IEC 60335-1 clause 7 (from memory), else common practice.
 *
 * @example
 * readPlate('120V~ 60Hz 12.5A').values.map(({ quantity }) => quantity); // ['volts', 'hertz', 'amps']
 */
export function readPlate(text: string): PlateRead {
  const lines = cleaned(text).split(/\r?\n/);
  const rows = joinedRows(lines.map(tokensOf));
  const numbers = rows.flatMap(({ tokens }) =>
    tokens.flatMap((token) => (token.is === 'number' ? token.digits : [])),
  );
  const sign = decimalSignOf(numbers);
  const read = rows.map(({ tokens, line }) => readRow(tokens, line, sign));
  return {
    lines,
    values: scoped(
      read.flatMap(({ values }) => values),
      rows,
    ),
    unread: read.flatMap(({ unread }) => unread),
    words: rows
      .flatMap(({ tokens }) => tokens.flatMap((token) => (isNaming(token) ? [token.text] : [])))
      .join(' '),
  };
}

/** Words say what it is: those that nothing was made of, and parts and manners of which a name is made too. */
const isNaming = ({ is }: PlateToken): boolean => is === 'word' || is === 'place';

const HALVES: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅛': '1/8',
};

/** Signs that mean the same as others. */
function cleaned(text: string): string {
  return (
    text
      .replace(/[½¼¾⅓⅔⅛]/g, (sign) => ` ${HALVES[sign] ?? ''}`)
      .replace(/\u00a0/g, ' ')
      // A letter that a program saw twice.
      .replace(/(\d ?)([wva])\2(?!\p{L})/giu, '$1$2')
      .replace(/[‐‑‒]/g, '-')
  );
}

interface Row {
  readonly tokens: readonly PlateToken[];
  readonly line: number;
}

function readRow(
  tokens: readonly PlateToken[],
  line: number,
  sign: DecimalSign,
): Pick<PlateRead, 'values' | 'unread'> {
  const bound = bindTokens(tokens);
  const values = bound.flatMap((each) => valueOf(each, tokens, line, sign) ?? []);
  const others = tokens.flatMap((token) => otherValue(token, line) ?? []);
  const read = new Set(values.map(({ text }) => text));
  return {
    values: [...values, ...others],
    unread: bound.filter((each) => !read.has(each.said)).map(({ number: { text } }) => ({ line, text })),
  };
}

function valueOf(
  bound: BoundNumber,
  tokens: readonly PlateToken[],
  line: number,
  sign: DecimalSign,
): PlateValue | undefined {
  const { number, label, place, manner } = bound;
  const quantity = quantityOf(number, label);
  // A sign of alternating current behind a number is of phases only where there can be so many.
  if (!quantity || (quantity === 'phases' && !/^[123]$/.test(number.digits[0] ?? ''))) return undefined;
  const numbers = number.digits.map((digits) => readPlateNumber(digits, sign));
  if (numbers.some((each) => each === undefined)) return undefined;
  const factor = factorOf(number, quantity, numbers[0]?.value ?? 0);
  const { times } = number;
  const ways = numbers.flatMap((each) => {
    if (!each) return [];
    return times > 1
      ? [{ value: times * each.value * factor, otherwise: each.value * factor }]
      : [plausible(quantity, each.value * factor, each.otherwise, factor)];
  });
  return {
    quantity,
    values: ways.map(({ value }) => value),
    isRange: number.isRange,
    otherwise: ways[0]?.otherwise,
    times,
    letter: undefined,
    place,
    manner,
    current: quantity === 'volts' ? currentBeside(tokens, bound.at, number) : undefined,
    line,
    text: bound.said,
  };
}

/** A word beside it says more than the unit, where both can be meant. */
function quantityOf(number: NumberToken, label: PlateQuantity | undefined): PlateQuantity | undefined {
  const { unit } = number;
  if (!unit) return label;
  if (!label || !goTogether(label, number)) return unit.quantity;
  return label === 'watts' || label === 'ampHours' ? unit.quantity : label;
}

function factorOf({ unit }: NumberToken, quantity: PlateQuantity, value: number): number {
  if (quantity === 'efficiency') return value > 1 ? 1 / PERCENT : 1;
  if (quantity === 'coolingRatio') return value > MOST_WATTS_PER_WATT ? 1 / BTU_PER_HOUR_PER_WATT : 1;
  return unit?.factor ?? 1;
}

/** Of two ways to read the same signs the one that can be, where the other cannot. */
function plausible(
  quantity: PlateQuantity,
  value: number,
  otherwise: number | undefined,
  factor: number,
): { readonly value: number; readonly otherwise: number | undefined } {
  if (otherwise === undefined) return { value, otherwise };
  const other = otherwise * factor;
  if (!isPlausible(quantity, value)) return { value: other, otherwise: undefined };
  return { value, otherwise: isPlausible(quantity, other) ? other : undefined };
}

/** Whether a plate may say so much. */
export function isPlausible(quantity: PlateQuantity, value: number): boolean {
  const { least, most } = PLAUSIBLE[quantity];
  return value >= least && value <= most;
}

function otherValue(token: PlateToken, line: number): PlateValue | undefined {
  const plain = {
    isRange: false,
    otherwise: undefined,
    times: 1,
    place: undefined,
    manner: undefined,
    current: undefined,
    line,
  };
  if (token.is === 'code')
    return { ...plain, quantity: 'codeLetter', values: [], letter: token.letter, text: token.text };
  if (token.is === 'hours')
    return {
      ...plain,
      quantity: 'ratedHours',
      values: [Number(token.hours)],
      letter: undefined,
      text: token.text,
    };
  return undefined;
}

/** The sign of its current: in its unit, behind it, or before it. */
function currentBeside(
  tokens: readonly PlateToken[],
  at: number,
  { text }: NumberToken,
): 'ac' | 'dc' | undefined {
  if (/v\.?a\.?c/i.test(text)) return 'ac';
  if (/v\.?d\.?c/i.test(text)) return 'dc';
  const signs = [tokens[at + 1], tokens[at - 1]];
  const beside = signs.flatMap((token) => (token?.is === 'current' ? [token.current] : []));
  return beside[0];
}

/** What a line of its own names, such as COMPRESSOR, holds for the lines below it. */
function scoped(values: readonly PlateValue[], rows: readonly Row[]): readonly PlateValue[] {
  const headings = rows.flatMap(({ tokens, line }) => {
    const places = tokens.flatMap((token) => (token.is === 'place' ? [token.place] : []));
    // AIR COMPRESSOR is the name of the whole, COMPRESSOR that of a part.
    const isAlone = places.length === 1 && tokens.length === 1;
    return isAlone ? [{ line, place: places[0] }] : [];
  });
  return values.map((value) => {
    const heading = headings.filter(({ line }) => line < value.line).at(-1);
    return value.place || !heading ? value : { ...value, place: heading.place };
  });
}
