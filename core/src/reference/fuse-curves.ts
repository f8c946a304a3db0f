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
  readonly provenance: Provenance;
}

const HOUR_S = 3600;

const point = (multiple: number, mayS: number, willS: number): FusePoint => ({ multiple, mayS, willS });

/**
 * Points of both curves; between them times are interpolated on logarithmic scales. Class T: 135 %
 * and 200 % are the opening tests of UL 248, the rest typical melting times (common practice, low).
 */
export const FUSE_CURVES: Record<FuseKind, FuseCurve> = {
  'class-t': {
    name: 'Class T fuse',
    points: [
      point(1.35, 600, 2 * HOUR_S),
      point(2, 10, 720),
      point(3, 1, 10),
      point(5, 0.1, 1),
      point(8, 0.01, 0.1),
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
