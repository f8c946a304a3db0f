import type { NumberStyle } from '@heliarch/core/units';
import { formatNumber } from '@heliarch/core/units';
import type { Staircase } from '@heliarch/core/check';
import { ticks } from 'd3-array';
import type { Box } from './boxes';
import { columnLabels, type ColumnLabel } from './column-labels';
import { startMargin, spikeOf, withReadableCeilings, type StartShape, type Spike } from './start-shapes';
import { layOut, LEFT, RIGHT, TOP, type Layout } from './layout';
import { textBox } from './margin-text';
import {
  runningLabel,
  runningLevel,
  runningLimitShape,
  runningWhisker,
  type RunningLabel,
  type RunningLimitShape,
} from './running-shapes';

const TICKS = 4;
const MINOR_PER_TICK = 4;

/** The start staircase as shapes: everything is placed here, the component only draws. */
export interface StaircaseDrawing {
  readonly width: number;
  readonly height: number;
  readonly axis: {
    readonly x: number;
    readonly top: number;
    readonly bottom: number;
    readonly ticks: readonly AxisTick[];
  };
  readonly runningArea: string;
  readonly runningLine: string;
  readonly runningWhisker: { readonly x: number; readonly from: number; readonly to: number };
  readonly runningLabel: RunningLabel | undefined;
  readonly runningLimit: RunningLimitShape;
  readonly starts: readonly StartShape[];
  /** The running level under the starts at any moment. */
  readonly momentArea: Box | undefined;
  readonly columns: readonly ColumnLabel[];
}

interface AxisTick {
  readonly y: number;
  readonly label: string | undefined;
}

/** Places a staircase in a picture of the given size, in CSS pixels. */
export function drawStaircase(
  style: NumberStyle,
  staircase: Staircase,
  width: number,
  height: number,
): StaircaseDrawing {
  const layout = layOut(staircase, width, height);
  const { y, end, bottom, momentX } = layout;
  const level = y(staircase.full.stated);
  const limitText: Box = { x: end, y: y(staircase.runningLimit.va) - 12, width: RIGHT, height: 56 };
  const spikes = withReadableCeilings(spikesOf(style, staircase, layout), limitText, layout.isNarrow);
  const drawn = [...spikes.flatMap((spike) => spike.boxes), limitText];
  const starts = spikes.map((spike) =>
    spike.start.decides ? { ...spike.shape, margin: startMargin(style, spike, drawn, layout) } : spike.shape,
  );
  const written = starts.flatMap(({ margin }) => (margin ? [textBox(margin)] : []));
  return {
    width,
    height,
    axis: { x: LEFT, top: TOP, bottom, ticks: ticksOf(style, layout) },
    ...runningLevel(staircase, layout),
    runningWhisker: runningWhisker(staircase, layout),
    runningLabel: runningLabel(style, staircase, [...drawn, ...written], layout),
    runningLimit: runningLimitShape(style, staircase, drawn, layout),
    starts,
    momentArea:
      momentX === undefined
        ? undefined
        : { x: momentX, y: level, width: end - momentX, height: bottom - level },
    columns: columnLabels(staircase, layout),
  };
}

function spikesOf(
  style: NumberStyle,
  { steps, atAnyMoment, full }: Staircase,
  layout: Layout,
): readonly Spike[] {
  const { stepX, momentX = 0, column } = layout;
  return [
    ...steps.flatMap(({ consumer, start, after }, index) =>
      start
        ? [spikeOf(style, `step ${consumer.load.id}`, start, stepX[index] ?? 0, after.stated, layout)]
        : [],
    ),
    ...atAnyMoment.map((start, index) =>
      spikeOf(
        style,
        `moment ${start.consumer.load.id}`,
        start,
        momentX + index * column,
        full.stated,
        layout,
      ),
    ),
  ];
}

function ticksOf(style: NumberStyle, { y, topVA }: Layout): readonly AxisTick[] {
  const major = new Set(ticks(0, topVA, TICKS));
  return ticks(0, topVA, TICKS * MINOR_PER_TICK).map((va) => ({
    y: y(va),
    label: major.has(va) ? formatNumber(style, va, 0) : undefined,
  }));
}
