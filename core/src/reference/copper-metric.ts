import type { Provenance } from './provenance.js';

/** One metric size of flexible copper cable. */
export interface MetricRow {
  readonly mm2: MetricSize;
  /** Greatest DC resistance at 20 °C, class 5, plain copper, ohm per km: IEC 60228. */
  readonly ohmsPerKm20C: number;
  /** Two loaded conductors, 70 °C PVC, 30 °C, A: IEC 60364-5-52, methods B1 and C. */
  readonly ampacityA: { readonly b1: number; readonly c: number };
}

export const METRIC_SIZES = [1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95] as const;
type MetricSize = (typeof METRIC_SIZES)[number];

export const METRIC_RESISTANCE: Provenance = { source: 'IEC 60228 class 5', confidence: 'high' };
export const METRIC_AMPACITY: Provenance = {
  source: 'IEC 60364-5-52, methods B1 and C',
  confidence: 'medium',
};

const CELLS: readonly (readonly [mm2: MetricSize, ohms: number, b1: number, c: number])[] = [
  [1.5, 13.3, 17.5, 19.5],
  [2.5, 7.98, 24, 27],
  [4, 4.95, 32, 36],
  [6, 3.3, 41, 46],
  [10, 1.91, 57, 63],
  [16, 1.21, 76, 85],
  [25, 0.78, 101, 112],
  [35, 0.554, 125, 138],
  [50, 0.386, 151, 168],
  [70, 0.272, 192, 213],
  [95, 0.206, 232, 258],
];

/** Thinnest first. */
export const METRIC_ROWS: readonly MetricRow[] = CELLS.map(([mm2, ohmsPerKm20C, b1, c]) => ({
  mm2,
  ohmsPerKm20C,
  ampacityA: { b1, c },
}));

/** Greatest DC resistance of thin flexible conductors, ohm per km at 20 °C: IEC 60228 class 5, from memory. */
export const THIN_METRIC_OHMS_PER_KM_20C = [
  [0.5, 39],
  [0.75, 26],
  [1, 19.5],
] as const;

/** Resistance of copper rises by this per kelvin above 20 °C (IEC 60228 and handbooks). */
export const PER_KELVIN_FROM_20C = 0.00393;
