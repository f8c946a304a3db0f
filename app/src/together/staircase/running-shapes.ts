import type { NumberStyle } from '@heliarch/core/units';
import { formatNumber } from '@heliarch/core/units';
import type { Staircase, Verdict } from '@heliarch/core/check';
import { overlap, type Box } from './boxes';
import { LEFT, TOP, type Layout } from './layout';
import { whiskerEnd } from './whisker-end';
import {
  leastCovering,
  MARGIN_HEIGHT,
  MARGIN_WIDTH,
  marginWords,
  type MarginShape,
  type TextPlace,
} from './margin-text';

export interface RunningLabel {
  readonly x: number;
  readonly y: number;
  readonly text: string;
}

export interface RunningLimitShape {
  readonly y: number;
  readonly x1: number;
  readonly x2: number;
  readonly label: string;
  readonly details: readonly string[];
  readonly verdict: Verdict | undefined;
  readonly over: Box | undefined;
  readonly margin: MarginShape | undefined;
}

/** The level of what runs, step by step, as a line and as the area below it. */
export function runningLevel({ floor, steps }: Staircase, { y, bottom, floorX, stepX, runningEnd }: Layout) {
  const levels = [
    ...(floorX === undefined ? [] : [{ x: floorX, va: floor.va.stated }]),
    ...steps.map((step, index) => ({ x: stepX[index] ?? 0, va: step.after.stated })),
  ];
  const line = levels
    .map(({ x, va }, index) => {
      const rise = index === 0 ? `M${x} ${bottom}` : '';
      return `${rise}L${x} ${y(va)}H${levels[index + 1]?.x ?? runningEnd}`;
    })
    .join('');
  return { runningLine: line, runningArea: line && `${line}V${bottom}Z` };
}

/** The doubt of everything running, at the end of its line. */
export function runningWhisker({ full, runningLimit }: Staircase, { y, runningEnd }: Layout) {
  const edge = whiskerEnd(runningLimit.limit?.verdict ?? 'holds', full);
  return { x: runningEnd - 14, from: y(full.stated), to: y(edge) };
}

const ABOVE_LEVEL = -6;
const BELOW_LEVEL = 16;

/** What runs in the end, written on its line or under it, where nothing stands in the way. */
export function runningLabel(
  style: NumberStyle,
  { full, runningDecides, runningLimit }: Staircase,
  drawn: readonly Box[],
  { y, runningEnd, end }: Layout,
): RunningLabel | undefined {
  if (runningDecides) return undefined;
  const limitLine: Box = { x: LEFT, y: y(runningLimit.va) - 2, width: end - LEFT, height: 4 };
  const isFree = (at: RunningLabel): boolean => {
    const box = { x: at.x - MARGIN_WIDTH, y: at.y - 12, width: MARGIN_WIDTH, height: 14 };
    return box.x > LEFT && [...drawn, limitLine].every((other) => overlap(box, other) === 0);
  };
  return [ABOVE_LEVEL, BELOW_LEVEL]
    .map((dy) => ({
      x: runningEnd - 24,
      y: y(full.stated) + dy,
      text: `running ${formatNumber(style, full.stated, 0)}`,
    }))
    .find(isFree);
}

/** The one long-dashed line, in the verdict's colour with its margin where it decides. */
export function runningLimitShape(
  style: NumberStyle,
  { runningLimit, runningDecides, full, element }: Staircase,
  drawn: readonly Box[],
  layout: Layout,
): RunningLimitShape {
  const { y, runningEnd, column, end } = layout;
  const { va } = runningLimit;
  const at = y(va);
  const decider = runningDecides ? runningLimit.limit : undefined;
  const edge = whiskerEnd(decider?.verdict ?? 'holds', full);
  const isOver = decider !== undefined && decider.verdict !== 'holds' && full.stated > va;
  return {
    y: at,
    x1: LEFT,
    x2: end,
    label: `${formatNumber(style, va, 0)} VA`,
    details: limitDetails(style, runningLimit, element),
    verdict: decider?.verdict,
    over: isOver
      ? { x: runningEnd - column, y: y(full.stated), width: column, height: at - y(full.stated) }
      : undefined,
    margin: decider && {
      from: y(edge),
      to: at,
      ...runningMarginPlace([y(edge), y(full.stated), at], drawn, layout),
      ...marginWords(style, decider),
    },
  };
}

/** Beside the last step: between what is compared where there is room, above or below it, else further left, where it covers least. */
function runningMarginPlace(levels: readonly number[], drawn: readonly Box[], layout: Layout): TextPlace {
  const { runningEnd, column } = layout;
  const [highest, lowest] = [Math.min(...levels), Math.max(...levels)];
  const above = Math.max(TOP, highest - 30);
  const below = lowest + 30;
  const place = (columns: number, textY: number): TextPlace => ({
    x: runningEnd - 6,
    textX: runningEnd - 14 - columns * column,
    textY,
    anchor: 'end',
  });
  const between = lowest - highest > ROOM_BETWEEN ? [place(0, (highest + lowest) / 2)] : [];
  const beside = [place(0, above), place(0, below), place(1, above), place(2, above)];
  return leastCovering([...between, ...beside], drawn, layout);
}

/** The text, and as much again as keeps it clear of the lines. */
const ROOM_BETWEEN = 2 * MARGIN_HEIGHT;

/** What the line stands for: a rating, watts at this power factor, or shore and inverter together. */
function limitDetails(
  style: NumberStyle,
  { watts, sourceVA }: Staircase['runningLimit'],
  element: Staircase['element'],
): readonly string[] {
  const own = watts
    ? [`${formatNumber(style, watts.rating, 0)} W at`, `pf ${formatNumber(style, watts.powerFactor, 2)}`]
    : ['protection' in element ? `${element.protection.amps} A` : 'running'];
  return sourceVA > 0 ? [`${formatNumber(style, sourceVA, 0)} shore`, ...own] : own;
}
