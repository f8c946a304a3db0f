/**
 * Sets of loads as masks: a load is in a set where the bit of its place is set. JavaScript's own operators end at 31 bits,
 * a number at 53; so what both sides have within 31 bits goes the short way, and the rest in two words.
 */
export const MOST_IN_A_MASK = 52;

const WORD_BITS = 31;
const WORD = 2 ** WORD_BITS;

const isShort = (mask: number): boolean => mask < WORD;
const highOf = (mask: number): number => (isShort(mask) ? 0 : Math.floor(mask / WORD));
const lowOf = (mask: number): number => (isShort(mask) ? mask : mask % WORD);

/** The set of one load by its place, 0 to 51. */
export const bitAt = (place: number): number => 2 ** place;

/** All loads whose places are below this. */
export const bitsBelow = (place: number): number => 2 ** place - 1;

/** What two sets have in common. */
export function common(a: number, b: number): number {
  if (isShort(a) && isShort(b)) return a & b;
  return (highOf(a) & highOf(b)) * WORD + (lowOf(a) & lowOf(b));
}

/** What is in one of two sets or in both. */
export function union(a: number, b: number): number {
  if (isShort(a) && isShort(b)) return a | b;
  return (highOf(a) | highOf(b)) * WORD + (lowOf(a) | lowOf(b));
}

/** What of a set is not in another. */
export function minus(a: number, b: number): number {
  if (isShort(a) && isShort(b)) return a & ~b;
  return (highOf(a) & ~highOf(b)) * WORD + (lowOf(a) & ~lowOf(b));
}

/** Whether all of a set is in another. */
export const isWithin = (part: number, whole: number): boolean => common(part, whole) === part;

/** The places of a set, rising. */
export function bitsOf(mask: number): readonly number[] {
  const places: number[] = [];
  for (let rest = lowOf(mask), place = 0; rest !== 0; rest >>>= 1, place += 1)
    if (rest & 1) places.push(place);
  for (let rest = highOf(mask), place = WORD_BITS; rest !== 0; rest >>>= 1, place += 1)
    if (rest & 1) places.push(place);
  return places;
}

/** How many loads a set has. */
export function countBits(mask: number): number {
  let count = 0;
  for (let rest = lowOf(mask); rest !== 0; rest &= rest - 1) count += 1;
  for (let rest = highOf(mask); rest !== 0; rest &= rest - 1) count += 1;
  return count;
}
