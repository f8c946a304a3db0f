import { compareVerdicts } from '@heliarch/core/check';
import { SLOT_MINUTES, type DayPlan, type Moment, type PlannedPiece } from '@heliarch/core/day';

export type Trouble = Exclude<Moment['verdict'], 'holds'>;

/**
 * Pieces of a plan that do not hold, with the worst that comes of each: of what runs in such a moment what the user put
 * there, else what began last.
 */
export function troublesOf({ moments, pieces }: DayPlan): ReadonlyMap<PlannedPiece, Trouble> {
  const troubles = new Map<PlannedPiece, Trouble>();
  for (const { from, until, verdict } of moments) {
    if (verdict === 'holds') continue;
    for (const piece of inTheWay(pieces, from * SLOT_MINUTES, until * SLOT_MINUTES))
      if (compareVerdicts(verdict, troubles.get(piece) ?? 'holds') > 0) troubles.set(piece, verdict);
  }
  return troubles;
}

function inTheWay(pieces: readonly PlannedPiece[], from: number, until: number): readonly PlannedPiece[] {
  const running = pieces.filter(({ begin, minutes }) => begin < until && begin + minutes > from);
  const pinned = running.filter(({ pinned: isPinned }) => isPinned === 'yes');
  const last = Math.max(...running.map(({ begin }) => begin));
  return pinned.length > 0 ? pinned : running.filter(({ begin }) => begin === last);
}
