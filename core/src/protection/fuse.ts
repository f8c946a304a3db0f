import { fusePoints, type FuseKind, type FusePoint } from '../reference/fuse-curves.js';

/** A fuse by its kind and its size, A. */
export interface Fuse {
  readonly kind: FuseKind;
  readonly amps: number;
}

/** What a fuse carries for so many seconds: below the first it does not open, above the second it has. */
export interface FuseBand {
  readonly pessimistic: number;
  readonly optimistic: number;
}

/**
 * Multiple of its rating that a fuse carries for a time, at both edges. Points are joined on
 * logarithmic scales, since no single time constant fits a fuse.
 *
 * @param seconds Above 0; Infinity for hours.
 * @returns Multiples of the rated current. For hours: its rating, and the multiple at which it is bound to open.
 * Source: UL 248, ISO 8820-3 and -5, from memory (reference/fuse-curves.ts).
 *
 * @example
 * fuseBand({ kind: 'bolt-in', amps: 100 }, 1).pessimistic; // 2: at twice its rating it may melt after a second
 */
export function fuseBand({ kind, amps }: Fuse, seconds: number): FuseBand {
  const points = fusePoints(kind, amps);
  return {
    pessimistic: Math.max(
      1,
      multipleAt(points, (point) => point.mayS, seconds),
    ),
    optimistic: multipleAt(points, (point) => point.willS, seconds),
  };
}

/**
 * Multiple of its rating that a fuse usually carries for a time: the geometric mean of what it may and what it is bound
 * to open at.
 *
 * @param seconds Above 0; Infinity for hours.
 * @returns A multiple. Source: as `fuseBand`; methods.md, rule 35.
 *
 * @example
 * usualFuseMultiple({ kind: 'class-t', amps: 200 }, Infinity); // 1.16
 */
export function usualFuseMultiple(fuse: Fuse, seconds: number): number {
  const { pessimistic, optimistic } = fuseBand(fuse, seconds);
  return Math.sqrt(pessimistic * optimistic);
}

/** Both times fall as the multiple rises. */
function multipleAt(
  points: readonly FusePoint[],
  timeOf: (point: FusePoint) => number,
  seconds: number,
): number {
  const [first] = points;
  const last = points.at(-1);
  if (!first || !last) throw new RangeError('A fuse curve has no points');
  if (seconds >= timeOf(first)) return timeOf(first) === first.mayS ? 1 : first.multiple;
  if (seconds <= timeOf(last)) return last.multiple;
  const index = points.findIndex((point) => timeOf(point) <= seconds);
  const below = points[index];
  const above = points[index - 1];
  if (!below || !above) return last.multiple;
  const share = Math.log(seconds / timeOf(above)) / Math.log(timeOf(below) / timeOf(above));
  return above.multiple * (below.multiple / above.multiple) ** share;
}
