import type { PlateManner, PlatePlace, PlateQuantity } from '../../reference/plate-terms.js';
import type { NumberToken, PlateToken, WordToken } from './plate-tokens.js';

/** A number of a line with the words that belong to it. */
export interface BoundNumber {
  readonly number: NumberToken;
  /** Its place among the tokens of the line. */
  readonly at: number;
  readonly label: PlateQuantity | undefined;
  readonly place: PlatePlace | undefined;
  readonly manner: PlateManner | undefined;
  /** It and its words, as they stand. */
  readonly said: string;
}

/** Words between two numbers: the first so many belong to the number before them, the others to the one behind. */
interface Split {
  readonly before: readonly WordToken[];
  readonly behind: readonly WordToken[];
  /** What belongs to neither costs so much. */
  readonly cost: number;
}

/** What is left over, or does not go together, costs so much; the cheapest way to read a line is the one that counts. */
const COST = {
  label: 2,
  bareNumber: 2,
  unlike: 4,
  twoLabels: 3,
  twoOfAKind: 0.5,
  placeBefore: 1,
  placeAlone: 2.5,
  manner: 1,
} as const;

/**
 * Which words of a line belong to which of its numbers: `RLA 11.2 LRA 58` and `11.2 RLA 58 LRA` are both written.
 * All ways are weighed, number by number along the line, and the one counts that leaves the least over.
 */
export function bindTokens(tokens: readonly PlateToken[]): readonly BoundNumber[] {
  const numbers = tokens.flatMap((token, at) => (token.is === 'number' ? [{ number: token, at }] : []));
  const gaps = gapsOf(tokens);
  const zipped = zippedLabels(gaps, numbers.length);
  const splits =
    zipped ??
    cheapest(
      gaps,
      numbers.map(({ number }) => number),
    );
  return numbers.map(({ number, at }, index) => {
    const ahead = splits[index]?.behind ?? [];
    const after = splits[index + 1]?.before ?? [];
    const words = [...ahead, ...after];
    return {
      number,
      at,
      label: labelsOf(words).at(-1),
      place: placeOf(words) ?? scopeOf(index, splits),
      manner: words.flatMap((word) => (word.is === 'manner' ? [word.manner] : [])).at(0),
      said: [...ahead.map(({ text }) => text), number.text, ...after.map(({ text }) => text)].join(' '),
    };
  });
}

const labelsOf = (words: readonly WordToken[]): readonly PlateQuantity[] =>
  words.flatMap((word) => (word.is === 'label' ? [word.quantity] : []));

const placeOf = (words: readonly WordToken[]): PlatePlace | undefined =>
  words.flatMap((word) => (word.is === 'place' ? [word.place] : [])).at(-1);

const hasManner = (words: readonly WordToken[]): boolean => words.some(({ is }) => is === 'manner');

/** The words before the first number, between each two, and behind the last. */
function gapsOf(tokens: readonly PlateToken[]): readonly (readonly WordToken[])[] {
  const gaps: WordToken[][] = [[]];
  for (const token of tokens)
    if (token.is === 'number') gaps.push([]);
    else if (token.is === 'label' || token.is === 'place' || token.is === 'manner') gaps.at(-1)?.push(token);
  return gaps;
}

/** Names first and their numbers behind them, as many: `VOLTS HZ PH 115 60 1`. */
function zippedLabels(
  [first = [], ...others]: readonly (readonly WordToken[])[],
  numbers: number,
): readonly Split[] | undefined {
  const labels = first.filter(({ is }) => is === 'label');
  if (labels.length < 2 || labels.length !== numbers || others.some((gap) => gap.length > 0))
    return undefined;
  return [
    ...labels.map((label) => ({ before: [], behind: [label], cost: 0 })),
    { before: [], behind: [], cost: 0 },
  ];
}

interface Way {
  readonly splits: readonly Split[];
  readonly cost: number;
}

/** What a number costs follows from the words on its two sides alone, so the line is weighed from left to right. */
function cheapest(
  gaps: readonly (readonly WordToken[])[],
  numbers: readonly NumberToken[],
): readonly Split[] {
  const [first = [], ...others] = gaps;
  let ways: readonly Way[] = splitsOf(first, false, numbers.length > 0).map((split) => ({
    splits: [split],
    cost: split.cost,
  }));
  others.forEach((gap, index) => {
    const number = numbers[index];
    ways = splitsOf(gap, true, index + 1 < numbers.length).map((split) => {
      const reached = ways.map(({ splits, cost }) => ({
        splits: [...splits, split],
        cost:
          cost + split.cost + (number ? numberCost(splits.at(-1)?.behind ?? [], number, split.before) : 0),
      }));
      return reached.reduce((least, way) => (way.cost < least.cost ? way : least));
    });
  });
  return ways.reduce((least, way) => (way.cost < least.cost ? way : least)).splits;
}

/** All ways to share words between the numbers on both sides; those that reach behind first, which count where two cost the same. */
function splitsOf(words: readonly WordToken[], hasBefore: boolean, hasBehind: boolean): readonly Split[] {
  // A colon ties a word to what is behind it.
  const most = words.findIndex(({ hasColon }) => hasColon);
  const last = hasBefore ? (most >= 0 ? most : words.length) : 0;
  const shared = Array.from({ length: last + 1 }, (_, count) => ({
    before: words.slice(0, count),
    behind: hasBehind ? words.slice(count) : [],
    cost: hasBehind ? 0 : aloneCost(words.slice(count)),
  }));
  return words.length === 0 ? shared : [...shared, { before: [], behind: [], cost: aloneCost(words) }];
}

function aloneCost(words: readonly WordToken[]): number {
  const labels = labelsOf(words).length;
  if (words.length === 0) return 0;
  if (labels > 0) return COST.label * labels;
  return placeOf(words) ? COST.placeAlone : COST.manner;
}

function numberCost(ahead: readonly WordToken[], number: NumberToken, after: readonly WordToken[]): number {
  const labels = [...labelsOf(ahead), ...labelsOf(after)];
  const unlike = labels.filter((label) => !goTogether(label, number)).length;
  const [first, ...more] = labels;
  const isPlaceBehind = placeOf(after) !== undefined && labelsOf(after).length === 0;
  return (
    COST.unlike * unlike +
    more.reduce((sum, label) => sum + twoLabelsCost(first, label), 0) +
    (isPlaceBehind ? COST.placeBefore : 0) +
    (placeOf(ahead) && placeOf(after) ? COST.twoLabels : 0) +
    (hasManner(ahead) && hasManner(after) ? COST.twoLabels : 0) +
    (number.unit || first ? 0 : COST.bareNumber)
  );
}

function twoLabelsCost(one: PlateQuantity | undefined, other: PlateQuantity): number {
  if (one === other) return 0;
  return one && areKin(one, other) ? COST.twoOfAKind : COST.twoLabels;
}

const KIN: Readonly<Partial<Record<PlateQuantity, readonly PlateQuantity[]>>> = {
  amps: ['amps'],
  ratedLoadAmps: ['amps'],
  lockedRotorAmps: ['amps'],
  circuitAmps: ['amps'],
  fuseAmps: ['amps'],
  watts: ['watts', 'voltAmps', 'horsepower'],
  cooling: ['cooling', 'watts'],
  ampHours: ['ampHours', 'wattHours', 'watts', 'cooling'],
};

const areKin = (one: PlateQuantity, other: PlateQuantity): boolean =>
  (KIN[one] ?? []).includes(other) || (KIN[other] ?? []).includes(one);

/** Whether a word can say what a number with such a unit is of. */
export function goTogether(label: PlateQuantity, { unit }: NumberToken): boolean {
  return !unit || unit.quantity === label || (KIN[label] ?? []).includes(unit.quantity);
}

/** A place holds for what follows it, up to the next; where it stands behind its numbers, for those before it. */
function scopeOf(index: number, splits: readonly Split[]): PlatePlace | undefined {
  const ahead = splits.slice(0, index + 1).flatMap(({ behind }) => placeOf(behind) ?? []);
  const after = splits.slice(index + 1).flatMap(({ before }) => placeOf(before) ?? []);
  return ahead.at(-1) ?? after[0];
}
