import type { NumberStyle } from '@heliarch/core/units';
import { formatNumber, formatSeconds } from '@heliarch/core/units';
import type { DrawnStart, Limit, Verdict } from '@heliarch/core/check';
import { overlap, type Box } from './boxes';
import { TOP, type Layout } from './layout';
import { leastCovering, MARGIN_HEIGHT, marginWords, type MarginShape, type TextPlace } from './margin-text';
import { whiskerEnd } from './whisker-end';

const CEILING_HALF = 15;
const LABEL_HALF = 17;
/** Where in its column a spike stands: its height is written to its left. */
const SPIKE_AT = 0.4;
const VALUE_WIDTH = 30;
const VALUE_HEIGHT = 12;
/** A ceiling above the axis is drawn here, with an arrow. */
const OFF_SCALE_Y = TOP - 8;

export interface StartShape {
  readonly id: string;
  /** The stated height: left of the spike, or on top of one that goes through its ceiling; not in narrow columns. */
  readonly value: Label | undefined;
  /** 'decides' wears its verdict's colour; the rest are ink. */
  readonly verdict: Verdict | undefined;
  readonly outline: string;
  readonly x: number;
  /** The whole spike, its whisker included: where a hand finds it. */
  readonly box: Box;
  readonly limit: Limit;
  /** Stem and cap to the edge that decides. */
  readonly whisker: { readonly from: number; readonly to: number };
  readonly ceiling: CeilingShape;
  readonly margin: MarginShape | undefined;
}

interface Label {
  readonly x: number;
  readonly y: number;
  readonly anchor: 'middle' | 'end';
  readonly text: string;
}

interface CeilingShape {
  readonly y: number;
  readonly x1: number;
  readonly x2: number;
  readonly amount: string;
  readonly time: string;
  /** Above the bar, or beside it where the spike goes through. */
  readonly labelX: number;
  readonly labelY: number;
  readonly anchor: 'start' | 'middle' | 'end';
  /** The ceiling lies above the axis: drawn at its top, with an arrow. */
  readonly offScale: boolean;
  readonly isLabelled: boolean;
  /** A ceiling below what runs already says nothing of the start. */
  readonly isDrawn: boolean;
  readonly leader: { readonly from: number; readonly to: number } | undefined;
}

/** A spike with the boxes that no text may cover. */
export interface Spike {
  readonly shape: StartShape;
  readonly start: DrawnStart;
  readonly boxes: readonly Box[];
  /** Where its ceiling is written. */
  readonly label: Box;
}

/** A spike from the settled level: its flat top is as wide as it lasts, then it falls in a curve. */
export function spikeOf(
  style: NumberStyle,
  id: string,
  start: DrawnStart,
  x: number,
  settledVA: number,
  layout: Layout,
): Spike {
  const { y, column } = layout;
  const top = y(start.va.stated);
  const base = y(Math.min(settledVA, start.va.stated));
  const flat = flatWidth(start.seconds.stated, column);
  const tail = Math.min(14, column * 0.18);
  const left = x + column * SPIKE_AT;
  const right = left + flat;
  const middle = left + flat / 2;
  const edge = y(whiskerEnd(start.verdict, start.va));
  const highest = Math.min(top, edge);
  const ceiling = ceilingShape(style, start, middle, right, highest, layout);
  const value = valueLabel(style, start, ceiling, left, top, highest);
  const box: Box = { x: left, y: highest, width: flat + tail, height: base - highest };
  const shape: StartShape = {
    id,
    value: layout.isNarrow ? undefined : value,
    verdict: start.decides || start.verdict !== 'holds' ? start.verdict : undefined,
    outline:
      `M${left} ${base}V${top}H${right}` +
      `C${right + tail * 0.25} ${base - (base - top) * 0.2} ${right + tail * 0.6} ${base} ${right + tail} ${base}Z`,
    x: middle,
    box,
    limit: start.limit,
    whisker: { from: top, to: edge },
    ceiling,
    margin: undefined,
  };
  const label = ceilingBox(ceiling, middle);
  return {
    shape,
    start,
    label,
    boxes: [box, valueBox(value), label],
  };
}

/** A height stands left of its spike, or on top of one that goes through its ceiling. */
function valueLabel(
  style: NumberStyle,
  start: DrawnStart,
  ceiling: CeilingShape,
  left: number,
  top: number,
  highest: number,
): Label {
  const text = formatNumber(style, start.va.stated, 0);
  return ceiling.anchor === 'middle'
    ? { x: left - 4, y: top + 10, anchor: 'end', text }
    : { x: ceiling.x1 + CEILING_HALF, y: highest - 6, anchor: 'middle', text };
}

function valueBox({ x, y, anchor }: Label): Box {
  const left = anchor === 'end' ? x - VALUE_WIDTH : x - VALUE_WIDTH / 2;
  return { x: left, y: y - VALUE_HEIGHT, width: VALUE_WIDTH, height: VALUE_HEIGHT };
}

function ceilingBox({ y, anchor }: CeilingShape, middle: number): Box {
  return anchor === 'middle'
    ? { x: middle - LABEL_HALF, y: y - 30, width: 2 * LABEL_HALF, height: 34 }
    : { x: middle - CEILING_HALF, y: y - 12, width: 2 * CEILING_HALF + 34, height: 28 };
}

/**
 * A label beside a bar moves to its other side where the limit's own text stands; one that would lie on
 * another goes without. The deciding ceiling is always labelled, but for narrow columns that have no room.
 */
export function withReadableCeilings(
  placed: readonly Spike[],
  limitText: Box,
  isNarrow: boolean,
): readonly Spike[] {
  const spikes = placed.map((spike) => {
    if (overlap(spike.label, limitText) === 0) return spike;
    return isNarrow ? unlabelled(spike) : labelledLeft(spike);
  });
  const taken = spikes.filter(({ start }) => start.decides).flatMap(({ label }) => label);
  return spikes.map((spike) => {
    if (spike.start.decides) return spike;
    const isFree = spike.shape.ceiling.isDrawn && taken.every((box) => overlap(box, spike.label) === 0);
    if (isFree) taken.push(spike.label);
    return isFree ? spike : unlabelled(spike);
  });
}

function unlabelled(spike: Spike): Spike {
  const { ceiling } = spike.shape;
  return {
    ...spike,
    shape: { ...spike.shape, ceiling: { ...ceiling, isLabelled: false } },
    boxes: spike.boxes.filter((box) => box !== spike.label),
  };
}

function labelledLeft(spike: Spike): Spike {
  const { ceiling } = spike.shape;
  if (ceiling.anchor !== 'start') return spike;
  const moved: CeilingShape = { ...ceiling, anchor: 'end', labelX: ceiling.x1 - 4 };
  const label = { ...spike.label, x: ceiling.x1 - 4 - LABEL_HALF * 2 };
  return {
    ...spike,
    label,
    shape: { ...spike.shape, ceiling: moved },
    boxes: spike.boxes.map((box) => (box === spike.label ? label : box)),
  };
}

/** Width by seconds on a logarithmic feel: 0.1 s is a needle, 5 s a block. */
function flatWidth(seconds: number, column: number): number {
  const share = (Math.log10(Math.max(0.1, Math.min(10, seconds))) + 1) / 2;
  return Math.max(5, column * (0.08 + 0.3 * share));
}

function ceilingShape(
  style: NumberStyle,
  start: DrawnStart,
  x: number,
  right: number,
  spikeTop: number,
  { y }: Layout,
): CeilingShape {
  const wanted = y(start.ceiling);
  const offScale = wanted < OFF_SCALE_Y;
  const at = offScale ? OFF_SCALE_Y : wanted;
  const pierced = spikeTop < at;
  const seconds = start.limit.start?.ceilingSeconds[start.limit.edge] ?? Infinity;
  return {
    y: at,
    x1: x - CEILING_HALF,
    x2: x + CEILING_HALF,
    amount: formatNumber(style, start.ceiling, 0),
    time: Number.isFinite(seconds) ? formatSeconds(style, seconds) : 'continuous',
    labelX: pierced ? Math.max(x + CEILING_HALF, right) + 4 : x,
    labelY: pierced ? at : at - 18,
    anchor: pierced ? 'start' : 'middle',
    offScale,
    isLabelled: true,
    isDrawn: start.decides || start.ceiling >= start.base,
    leader: at + 4 < spikeTop - 6 ? { from: spikeTop - 4, to: at + 4 } : undefined,
  };
}

/** The text of the margin goes where it covers least: beside the gap, beside the spike, or above. */
export function startMargin(
  style: NumberStyle,
  { start, shape, boxes: [body] }: Spike,
  drawn: readonly Box[],
  layout: Layout,
): MarginShape {
  const from = shape.whisker.to;
  const to = shape.ceiling.y;
  const left = body?.x ?? shape.x;
  const right = left + (body?.width ?? 0);
  const gap = (from + to) / 2;
  const atLeft = { x: Math.min(left, shape.x - CEILING_HALF) - 6, textX: left - 14, anchor: 'end' } as const;
  const atRight = {
    x: shape.x + CEILING_HALF + 6,
    textX: Math.max(right, shape.x + CEILING_HALF) + 12,
    anchor: 'start',
  } as const;
  const above = { x: shape.x - CEILING_HALF - 6, textX: shape.x, anchor: 'middle' } as const;
  const low = Math.max(from, to) + MARGIN_HEIGHT / 2 + 14;
  const candidates: readonly TextPlace[] = [
    { ...atLeft, textY: gap },
    { ...atRight, textY: gap },
    { ...atLeft, textY: low },
    { ...atRight, textY: low },
    { ...atRight, x: atLeft.x, textY: low },
    { ...above, textY: Math.min(from, to) - MARGIN_HEIGHT - 12 },
    { ...above, textY: (body ? body.y + body.height : layout.bottom) + MARGIN_HEIGHT / 2 + 6 },
  ];
  const arrow = { from, to };
  return { ...leastCovering(candidates, drawn, layout, arrow), ...arrow, ...marginWords(style, start.limit) };
}
