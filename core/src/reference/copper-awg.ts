import type { Provenance } from './provenance.js';

/** One size of stranded copper wire. */
export interface AwgRow {
  readonly awg: AwgSize;
  readonly mm2: number;
  /** DC resistance at 75 °C, uncoated, stranded, ohm per 1000 ft: NEC chapter 9 table 8. */
  readonly ohmsPerKft75C: number;
  /** Ampacity by the temperature of the insulation, A: NEC table 310.16, at most three in a cable, 30 °C. */
  readonly ampacityA: Readonly<Record<60 | 75 | 90, number>>;
  /** Largest breaker whatever the column, A: NEC 240.4(D). */
  readonly largestBreakerA: number | undefined;
  /** Single conductor, 105 °C insulation, outside an engine space, A: ABYC E-11. */
  readonly abycA: number | undefined;
}

export const AWG_SIZES = [
  '14',
  '12',
  '10',
  '8',
  '6',
  '4',
  '3',
  '2',
  '1',
  '1/0',
  '2/0',
  '3/0',
  '4/0',
] as const;
export type AwgSize = (typeof AWG_SIZES)[number];

export const WIRE_RESISTANCE: Provenance = { source: 'NEC Chapter 9 Table 8', confidence: 'high' };
/** Thin cords, which no table gives an ampacity in a wall: ohm per 1000 ft at 75 °C, chapter 9 table 8. */
export const CORD_OHMS_PER_KFT_75C = { '16': 4.99, '18': 7.95 } as const;
export const THIN_AWG_MM2 = { '16': 1.31, '18': 0.823 } as const;
export const WIRE_AMPACITY: Provenance = { source: 'NEC Table 310.16', confidence: 'high' };
export const BOAT_AMPACITY: Provenance = { source: 'ABYC E-11, 105 °C', confidence: 'medium' };

type Cells = readonly [
  awg: AwgSize,
  mm2: number,
  ohms: number,
  at60: number,
  at75: number,
  at90: number,
  breaker: number | undefined,
  abyc: number | undefined,
];

const CELLS: readonly Cells[] = [
  ['14', 2.08, 3.14, 15, 20, 25, 15, 35],
  ['12', 3.31, 1.98, 20, 25, 30, 20, 45],
  ['10', 5.261, 1.24, 30, 35, 40, 30, 60],
  ['8', 8.367, 0.778, 40, 50, 55, undefined, 80],
  ['6', 13.3, 0.491, 55, 65, 75, undefined, 120],
  ['4', 21.15, 0.308, 70, 85, 95, undefined, 160],
  ['3', 26.67, 0.245, 85, 100, 115, undefined, undefined],
  ['2', 33.62, 0.194, 95, 115, 130, undefined, 210],
  ['1', 42.41, 0.154, 110, 130, 145, undefined, 245],
  ['1/0', 53.49, 0.122, 125, 150, 170, undefined, 285],
  ['2/0', 67.43, 0.0967, 145, 175, 195, undefined, 330],
  ['3/0', 85.01, 0.0766, 165, 200, 225, undefined, 385],
  ['4/0', 107.2, 0.0608, 195, 230, 260, undefined, 445],
];

/** Thinnest first; a list, since number-like keys of an object would sort by themselves. */
export const AWG_ROWS: readonly AwgRow[] = CELLS.map(
  ([awg, mm2, ohmsPerKft75C, at60, at75, at90, largestBreakerA, abycA]) => ({
    awg,
    mm2,
    ohmsPerKft75C,
    ampacityA: { 60: at60, 75: at75, 90: at90 },
    largestBreakerA,
    abycA,
  }),
);

/** Resistance rises by this per kelvin above 75 °C: note to NEC chapter 9 table 8. */
export const PER_KELVIN_FROM_75C = 0.00323;
