import type { Provenance } from './provenance.js';

/** DC fuses, by the time they may melt and the time they are bound to open. */
export const FUSE_KINDS = ['class-t', 'blade', 'bolt-in'] as const;
export type FuseKind = (typeof FUSE_KINDS)[number];

/** At so many times the rated current: seconds it carries at least, and seconds by which it has opened. */
export interface FusePoint {
  readonly multiple: number;
  readonly mayS: number;
  readonly willS: number;
}

export interface FuseCurve {
  readonly name: string;
  readonly points: readonly FusePoint[];
  /** Where its standard has it open within another time at 135 % and at 200 %, by the largest size it counts for. */
  readonly openingBySize?: readonly {
    readonly upToA: number;
    readonly at135S: number;
    readonly at200S: number;
  }[];
  readonly provenance: Provenance;
}

const HOUR_S = 3600;
/** The overloads of the opening tests of UL 248. */
const AT_135 = 1.35;
const AT_200 = 2;

const point = (multiple: number, mayS: number, willS: number): FusePoint => ({ multiple, mayS, willS });

/**
 * Points of both curves; between them times are interpolated on logarithmic scales. Class T: 135 %
 * and 200 % are the opening tests of UL 248, which differ by size, the rest typical melting times (common practice, low).
 */
export const FUSE_CURVES: Record<FuseKind, FuseCurve> = {
  'class-t': {
    name: 'Class T fuse',
    points: [
      point(AT_135, 600, 2 * HOUR_S),
      point(AT_200, 10, 720),
      point(3, 1, 10),
      point(5, 0.1, 1),
      point(8, 0.01, 0.1),
    ],
    openingBySize: [
      { upToA: 30, at135S: HOUR_S, at200S: 240 },
      { upToA: 60, at135S: HOUR_S, at200S: 360 },
      { upToA: 100, at135S: 2 * HOUR_S, at200S: 480 },
      { upToA: 200, at135S: 2 * HOUR_S, at200S: 600 },
      { upToA: 400, at135S: 2 * HOUR_S, at200S: 720 },
      { upToA: 600, at135S: 2 * HOUR_S, at200S: 840 },
    ],
    provenance: { source: 'UL 248-15', confidence: 'medium' },
  },
  blade: {
    name: 'blade fuse',
    points: [
      point(1.35, 0.75, 600),
      point(1.6, 0.25, 50),
      point(2, 0.15, 5),
      point(3.5, 0.04, 0.5),
      point(6, 0.02, 0.1),
    ],
    provenance: { source: 'ISO 8820-3', confidence: 'medium' },
  },
  'bolt-in': {
    name: 'bolt-in strip fuse',
    points: [point(1.35, 120, 1800), point(2, 1, 15), point(3.5, 0.3, 5), point(6, 0.1, 1)],
    provenance: { source: 'ISO 8820-5', confidence: 'low' },
  },
};

/** The points of a fuse of a size, A; above the largest that is listed those of the largest. */
export function fusePoints(kind: FuseKind, ratedA: number): readonly FusePoint[] {
  const { points, openingBySize = [] } = FUSE_CURVES[kind];
  const opening = openingBySize.find(({ upToA }) => ratedA <= upToA) ?? openingBySize.at(-1);
  if (!opening) return points;
  return points.map((each) => {
    if (each.multiple === AT_135) return { ...each, willS: opening.at135S };
    return each.multiple === AT_200 ? { ...each, willS: opening.at200S } : each;
  });
}
