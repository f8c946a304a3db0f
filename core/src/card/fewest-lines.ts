import type { CardItem, CardSlots } from './card-plan.js';

/** A card with more lines than this is not read; what they leave out is one at a time. */
const MOST_LINES = 6;
const MOST_TRIPLES = 2;

/**
 * Lines that say which items may be on together, in few words: "one of these with one of those" as long as they cover pairs
 * that no line has yet, the most first; beside the largest sets of three and more.
 *
 * @param fits Whether items hold together.
 * @returns Lines every choice of which holds. Source: greedy cover (V. Chvatal, 1979); how much it covers is told by `pairsCovered`.
 */
export function fewestLines(
  items: readonly CardItem[],
  fits: (...on: readonly CardItem[]) => boolean,
): readonly CardSlots[] {
  const pairs = pairsOf(items).filter(([a, b]) => fits(a, b));
  const isPair = (a: CardItem, b: CardItem): boolean =>
    pairs.some(([one, other]) => (one === a && other === b) || (one === b && other === a));
  const larger = triples(items, fits, isPair);
  const candidates = blocks(items, pairs, isPair);
  const lines: CardSlots[] = [];
  let left = pairs.filter(([a, b]) => !larger.some((slots) => isIn(slots, a) && isIn(slots, b)));
  while (left.length > 0 && lines.length < MOST_LINES) {
    const [best] = candidates
      .map((slots) => ({ slots, gain: coveredBy(slots, left).length }))
      .sort((a, b) => b.gain - a.gain || lengthOf(a.slots) - lengthOf(b.slots));
    if (!best || best.gain === 0) break;
    lines.push(best.slots);
    left = left.filter((pair) => !coveredBy(best.slots, [pair]).length);
  }
  return [...lines, ...larger];
}

const isIn = (slots: CardSlots, item: CardItem): boolean => slots.some((slot) => slot.includes(item));

type Pair = readonly [CardItem, CardItem];

const pairsOf = (items: readonly CardItem[]): readonly Pair[] =>
  items.flatMap((a, index) => items.slice(index + 1).map((b): Pair => [a, b]));

/** Every pair with all that goes with both sides: one of the first list with any of the second. */
function blocks(
  items: readonly CardItem[],
  pairs: readonly Pair[],
  isPair: (a: CardItem, b: CardItem) => boolean,
): readonly CardSlots[] {
  const beside = (item: CardItem): readonly CardItem[] => items.filter((other) => isPair(item, other));
  const closed = (seeds: readonly CardItem[]): CardSlots => {
    const second = items.filter((item) => seeds.every((seed) => isPair(seed, item)));
    const first = items.filter(
      (item) => !second.includes(item) && second.every((other) => isPair(item, other)),
    );
    return [first, second];
  };
  return [
    ...items.map((item): CardSlots => [[item], beside(item)]),
    ...pairsOf(items).map(([a, b]) => closed([a, b])),
    ...pairs.map(([a, b]): CardSlots => [[a], [b]]),
  ].filter(([first, second]) => (first?.length ?? 0) > 0 && (second?.length ?? 0) > 0);
}

function coveredBy([first = [], second = []]: CardSlots, pairs: readonly Pair[]): readonly Pair[] {
  return pairs.filter(
    ([a, b]) => (first.includes(a) && second.includes(b)) || (first.includes(b) && second.includes(a)),
  );
}

const lengthOf = (slots: CardSlots): number => slots.reduce((sum, slot) => sum + slot.length, 0);

/** The largest sets of three and more, grown from each pair; each that is part of another is left out. */
function triples(
  items: readonly CardItem[],
  fits: (...on: readonly CardItem[]) => boolean,
  isPair: (a: CardItem, b: CardItem) => boolean,
): readonly CardSlots[] {
  const grown = pairsOf(items)
    .filter(([a, b]) => isPair(a, b))
    .map((pair) =>
      items.reduce<readonly CardItem[]>(
        (set, item) => (!set.includes(item) && fits(...set, item) ? [...set, item] : set),
        pair,
      ),
    )
    .filter((set) => set.length > 2)
    .sort((a, b) => b.length - a.length);
  const kept: (readonly CardItem[])[] = [];
  for (const set of grown) {
    if (kept.length === MOST_TRIPLES) break;
    const isNew = kept.every((other) => set.filter((item) => other.includes(item)).length < 2);
    if (isNew) kept.push(set);
  }
  return kept.map((set) => set.map((item) => [item]));
}

/** How many of the pairs that hold a card's lines say. */
export function pairsCovered(
  items: readonly CardItem[],
  together: readonly CardSlots[],
  fits: (...on: readonly CardItem[]) => boolean,
): { readonly said: number; readonly of: number } {
  const pairs = pairsOf(items).filter(([a, b]) => fits(a, b));
  const isSaid = ([a, b]: Pair): boolean =>
    together.some((slots) =>
      slots.some((slot, index) =>
        slots.some((other, place) => place !== index && slot.includes(a) && other.includes(b)),
      ),
    );
  return {
    said: pairs.filter((pair) => isSaid(pair) || isSaid([pair[1], pair[0]])).length,
    of: pairs.length,
  };
}
