import type { FitPoint, KnownScatter } from '../fit/line-fit.js';

/** What a display shows at a moment, in whole steps. */
export interface Shown {
  /** In hours, from any beginning. */
  readonly x: number;
  readonly y: number;
  readonly segment: number;
}

/** Steps in which displays count; a coarser one is found by enough different readings that are all multiples of it. */
const STEPS = [25, 20, 10, 5, 2, 1, 0.5, 0.1, 0.01] as const;
const ENOUGH_DIFFERENT = 4;
const FINEST_STEP = 0.01;
const TOLERANCE = 1e-6;

/** The step of a display, by what it has shown; 1 while too little is known for a coarser one. */
export function stepOfDisplay(shown: readonly number[]): number {
  const different = new Set(shown).size;
  return (
    STEPS.find(
      (step) =>
        (step <= 1 || different >= ENOUGH_DIFFERENT) &&
        shown.every((value) => Math.abs(value / step - Math.round(value / step)) < TOLERANCE),
    ) ?? FINEST_STEP
  );
}

/** Standard deviation of what is spread evenly over a width of 1. */
const EVEN_SPREAD = 1 / Math.sqrt(12);

/** The rounding of a display is known before any scatter is seen; it counts as so many readings. */
const KNOWN_AS = 3;

/**
 * What the readings of a display that counts in steps say of the value behind it.
 *
 * A reading lies anywhere within half a step of the value: evenly spread. Two readings one step apart say more: between them
 * the value passed the middle of the step, and the nearer they are the better that is known. Readings in the midst of a run of
 * the same number say nothing more: they are left out, for their errors are one and the same.
 *
 * @param shown In the order of time.
 * @returns Points with their expected deviations in units of `scatter`.
 */
export function pointsOfDisplay(
  shown: readonly Shown[],
  step: number,
): { readonly points: readonly FitPoint[]; readonly scatter: KnownScatter } {
  const scatter = step * EVEN_SPREAD;
  const runs = runsOf(shown);
  const passes = runs.slice(1).map((run, index) => passBetween(runs[index], run, step));
  const points = runs.flatMap((run, index): readonly FitPoint[] => {
    const [before, after] = [passes[index - 1], passes[index]];
    const own = before || after ? [] : [middleOf(run)];
    return after ? [...own, after] : own;
  });
  return { points, scatter: { scatter, points: KNOWN_AS } };
}

/** Readings of the same number, one after the other. */
interface Run {
  readonly from: number;
  readonly to: number;
  readonly y: number;
  readonly segment: number;
}

function runsOf(shown: readonly Shown[]): readonly Run[] {
  const runs: Run[] = [];
  for (const { x, y, segment } of shown) {
    const last = runs.at(-1);
    if (last?.y === y && last.segment === segment) runs[runs.length - 1] = { ...last, to: x };
    else runs.push({ from: x, to: x, y, segment });
  }
  return runs;
}

const middleOf = ({ from, to, y, segment }: Run): FitPoint => ({ x: (from + to) / 2, y, segment });

/** The value passed the middle of a step between two runs; undefined where they are further apart. */
function passBetween(before: Run | undefined, after: Run, step: number): FitPoint | undefined {
  if (before?.segment !== after.segment) return undefined;
  const fall = before.y - after.y;
  if (Math.abs(Math.abs(fall) - step) > TOLERANCE * step) return undefined;
  const gap = after.from - before.to;
  const lasted = after.to - before.from;
  if (gap > WIDEST_GAP * lasted) return undefined;
  // What it falls within the gap, of a step; never better known than a tenth of the reading itself.
  const sigma = Math.max(LEAST_SIGMA, gap / lasted);
  return { x: (before.to + after.from) / 2, y: (before.y + after.y) / 2, segment: before.segment, sigma };
}

const LEAST_SIGMA = 0.1;
/** Beyond this share of the time that both numbers stood there, two readings are known better one by one. */
const WIDEST_GAP = 0.5;
