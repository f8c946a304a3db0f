import type { NumberStyle } from '@heliarch/core/units';
import { margin, type Limit } from '@heliarch/core/check';
import { overlap, type Box } from './boxes';
import { LEFT, RIGHT, TOP, type Layout } from './layout';

/** Size of the three lines of text, in CSS pixels. */
export const MARGIN_WIDTH = 66;
export const MARGIN_HEIGHT = 46;

/** Room kept above the axis and below the text. */
const ABOVE_AXIS = 24;
const ABOVE_GROUND = 30;

/** The dimension arrow of the deciding limit with its three lines of text. */
export interface MarginShape {
  readonly x: number;
  readonly from: number;
  readonly to: number;
  readonly textX: number;
  readonly textY: number;
  readonly anchor: 'start' | 'middle' | 'end';
  readonly claim: string;
  readonly amount: string;
  readonly word: string;
}

export type TextPlace = Pick<MarginShape, 'x' | 'textX' | 'textY' | 'anchor'>;

/** Of several places for text and arrow, the one that covers least of what is drawn. */
export function leastCovering(
  candidates: readonly TextPlace[],
  drawn: readonly Box[],
  layout: Layout,
  arrow?: Pick<MarginShape, 'from' | 'to'>,
): TextPlace {
  const inPicture = candidates.map((candidate) => ({
    ...candidate,
    textY: Math.max(TOP - ABOVE_AXIS, Math.min(layout.bottom - ABOVE_GROUND, candidate.textY)),
  }));
  const cost = (candidate: TextPlace): number => {
    const box = textBox(candidate);
    const outside = Math.max(0, LEFT - box.x) + Math.max(0, box.x + box.width - layout.end - RIGHT);
    const covered = (by: Box): number => drawn.reduce((sum, other) => sum + overlap(by, other), 0);
    const byArrow = arrow ? Math.max(0, covered(arrowBox(candidate.x, arrow)) - SLIGHT) : 0;
    return outside * MARGIN_HEIGHT + covered(box) + byArrow;
  };
  return inPicture.reduce((best, candidate) => (cost(candidate) < cost(best) ? candidate : best));
}

const CLAIMS: Readonly<Record<Limit['verdict'], string>> = {
  holds: 'at least',
  tight: 'up to',
  'likely-trips': 'as entered',
  trips: 'at least',
};

/** The words beside the arrow: what is claimed, how much, to which side. */
export function marginWords(
  style: NumberStyle,
  limit: Limit,
): Pick<MarginShape, 'claim' | 'amount' | 'word'> {
  return {
    claim: CLAIMS[limit.verdict],
    amount: margin(style, limit, limit.edge),
    word: limit.headroom[limit.edge] < 0 ? 'over' : 'to spare',
  };
}

/** Where an arrow only touches a label, its text had better stay beside it, in square pixels. */
const SLIGHT = 100;

/** Half the width of its heads, and how far those of a short arrow stand outside. */
const HEAD_HALF = 4;
const OUTSIDE_HEADS = 14;

function arrowBox(x: number, { from, to }: Pick<MarginShape, 'from' | 'to'>): Box {
  const y = Math.min(from, to) - OUTSIDE_HEADS;
  const height = Math.abs(from - to) + 2 * OUTSIDE_HEADS;
  return { x: x - HEAD_HALF, y, width: 2 * HEAD_HALF, height };
}

/** The room that the three lines take. */
export function textBox({ textX, textY, anchor }: Omit<TextPlace, 'x'>): Box {
  const x = anchor === 'end' ? textX - MARGIN_WIDTH : anchor === 'middle' ? textX - MARGIN_WIDTH / 2 : textX;
  return { x, y: textY - MARGIN_HEIGHT / 2, width: MARGIN_WIDTH, height: MARGIN_HEIGHT };
}
