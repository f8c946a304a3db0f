/** A power that a load keeps to, by a trace of it. */
export interface PowerLevel {
  /** Median of what was read at it, which starts do not move, and half of what eight in ten of the readings lie apart, W. */
  readonly watts: number;
  readonly spreadW: number;
  /** What lies below is of the level before, W. */
  readonly fromW: number;
  /** Share of the readings, 0 to 1. */
  readonly share: number;
}

const MOST_LEVELS = 4;
/**
 * Two levels are apart if their means are, in terms of their spread, of the higher one, and in watts. Readings that are evenly
 * spread, which keep to no level, come to 2 times the root of 3 spreads when they are cut in two.
 */
const APART_SPREADS = 3.55;
const APART_SHARE = 0.2;
const APART_W = 10;
/** What is seen less often is a start or a slip. */
const LEAST_SHARE = 0.01;

/**
 * The powers that a trace keeps to, the lowest first: the readings are cut in two where that leaves the least spread within
 * (Otsu 1979, the same as two-means on a line), and each part again, as long as the parts stand apart.
 *
 * @param watts Readings at even times; the order does not matter.
 * @returns One level where it is all the same; none where there is nothing.
 */
export function powerLevels(watts: readonly number[]): readonly PowerLevel[] {
  const sorted = withoutSpikes(Float64Array.from(watts).sort());
  const ends = cuts(sums(sorted), 0, sorted.length, MOST_LEVELS);
  return ends.map((end, index) => levelIn(sorted, ends[index - 1] ?? 0, end));
}

/** The few highest readings may be starts: they count as what lies just below them. */
function withoutSpikes(sorted: Float64Array): Float64Array {
  const last = Math.floor((1 - LEAST_SHARE) * (sorted.length - 1));
  return sorted.fill(sorted[last] ?? 0, last);
}

function levelIn(sorted: Float64Array, from: number, to: number): PowerLevel {
  const at = (share: number): number => sorted[from + Math.floor(share * (to - from - 1))] ?? 0;
  const below = sorted[from - 1];
  return {
    watts: at(1 / 2),
    spreadW: (at(1 - OUTSIDE) - at(OUTSIDE)) / 2,
    fromW: below === undefined ? -Infinity : (below + at(0)) / 2,
    share: (to - from) / sorted.length,
  };
}

/** Of each side's readings so many may be starts and slips: they say nothing of the spread. */
const OUTSIDE = 0.1;

/** Sums up to each place, of values and of squares: any part is then told at once. */
interface Sums {
  readonly of: Float64Array;
  readonly squares: Float64Array;
}

function sums(sorted: Float64Array): Sums {
  const of = new Float64Array(sorted.length + 1);
  const squares = new Float64Array(sorted.length + 1);
  sorted.forEach((value, index) => {
    of[index + 1] = (of[index] ?? 0) + value;
    squares[index + 1] = (squares[index] ?? 0) + value * value;
  });
  return { of, squares };
}

const between = (list: Float64Array, from: number, to: number): number => (list[to] ?? 0) - (list[from] ?? 0);

function spreadWithin({ of, squares }: Sums, from: number, to: number): number {
  const sum = between(of, from, to);
  return Math.max(0, between(squares, from, to) - (sum * sum) / (to - from));
}

/** Where each of the parts ends that a range falls into. */
function cuts(all: Sums, from: number, to: number, most: number): readonly number[] {
  if (to <= from) return [];
  const cut = most > 1 ? bestCut(all, from, to) : undefined;
  if (cut === undefined || !areApart(all, from, cut, to)) return [to];
  const lower = cuts(all, from, cut, most - 1);
  return [...lower, ...cuts(all, cut, to, most - lower.length)];
}

function bestCut(all: Sums, from: number, to: number): number | undefined {
  const fewest = Math.max(1, Math.ceil(LEAST_SHARE * (all.of.length - 1)));
  let [best, least]: [number | undefined, number] = [undefined, Infinity];
  for (let cut = from + fewest; cut <= to - fewest; cut += 1) {
    const within = spreadWithin(all, from, cut) + spreadWithin(all, cut, to);
    if (within < least) [best, least] = [cut, within];
  }
  return best;
}

function areApart(all: Sums, from: number, cut: number, to: number): boolean {
  const mean = (a: number, b: number): number => between(all.of, a, b) / (b - a);
  const spread = Math.sqrt((spreadWithin(all, from, cut) + spreadWithin(all, cut, to)) / (to - from));
  const apart = mean(cut, to) - mean(from, cut);
  return apart >= Math.max(APART_W, APART_SHARE * Math.abs(mean(cut, to)), APART_SPREADS * spread);
}
