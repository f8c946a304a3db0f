import type { Staircase } from '@heliarch/core/check';

/** Room around the plot, in CSS pixels: axis labels, the label of the running limit, ceilings, names. */
export const LEFT = 46;
export const RIGHT = 70;
export const TOP = 46;
const BOTTOM = 52;

const GAP = 14;
const WIDEST_COLUMN = 104;
const HEADROOM_ABOVE = 1.05;
/** Narrow columns leave no room beside a spike: the margin is written above it. */
const HEADROOM_ABOVE_NARROW = 1.3;
const NARROW_COLUMN = 44;
/** A ceiling this far above everything else would only flatten the picture. */
const FAR_CEILING = 1.6;

/** Where everything of the staircase stands. */
export interface Layout {
  readonly width: number;
  readonly height: number;
  readonly bottom: number;
  /** Width of a column; one per start, all alike. */
  readonly column: number;
  readonly isNarrow: boolean;
  /** Where so many VA stand, and the VA at the top of the axis. */
  readonly y: (va: number) => number;
  readonly topVA: number;
  /** Left edge of the column of what runs before any start by hand. */
  readonly floorX: number | undefined;
  readonly stepX: readonly number[];
  readonly runningEnd: number;
  /** Left edge of the block of starts at any moment. */
  readonly momentX: number | undefined;
  readonly end: number;
}

/** Divides a picture of the given size among the columns of a staircase. */
export function layOut(staircase: Staircase, width: number, height: number): Layout {
  const { steps, atAnyMoment, floor } = staircase;
  const floorColumns = floor.loads.length > 0 ? 1 : 0;
  const gap = atAnyMoment.length > 0 ? GAP : 0;
  const columns = floorColumns + steps.length + atAnyMoment.length;
  const column = Math.min(WIDEST_COLUMN, (width - LEFT - RIGHT - gap) / Math.max(1, columns));
  const isNarrow = column < NARROW_COLUMN;
  const bottom = height - BOTTOM;
  const highest = highestShown(staircase) * (isNarrow ? HEADROOM_ABOVE_NARROW : HEADROOM_ABOVE);
  const columnX = (index: number): number => LEFT + index * column;
  const runningEnd = columnX(floorColumns + steps.length);
  return {
    width,
    height,
    bottom,
    column,
    isNarrow,
    y: (va) => bottom - (va / highest) * (bottom - TOP),
    topVA: highest,
    floorX: floorColumns > 0 ? columnX(0) : undefined,
    stepX: steps.map((_, index) => columnX(floorColumns + index)),
    runningEnd,
    momentX: gap > 0 ? runningEnd + gap : undefined,
    end: runningEnd + gap + atAnyMoment.length * column,
  };
}

function highestShown({ steps, atAnyMoment, full, runningLimit }: Staircase): number {
  const starts = [...steps.flatMap((step) => step.start ?? []), ...atAnyMoment];
  const demand = Math.max(1, full.hi, runningLimit.va, ...starts.map((start) => start.va.hi));
  const near = starts.map((start) => start.ceiling).filter((ceiling) => ceiling <= demand * FAR_CEILING);
  return Math.max(demand, ...near);
}
