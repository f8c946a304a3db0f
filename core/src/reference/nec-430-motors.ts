import type { Provenance } from './provenance.js';

/** One row of the single-phase motor tables, A. "115 V" covers 110 to 120 V systems, "230 V" 220 to 240 V. */
export interface MotorRow {
  readonly horsepower: number;
  readonly fullLoadA: Readonly<Record<MotorVolts, number>>;
  /** Absent below half a horsepower, where the table has no row. */
  readonly lockedRotorA: Readonly<Record<LockedRotorVolts, number>> | undefined;
}

export type MotorVolts = 115 | 200 | 208 | 230;
export type LockedRotorVolts = 115 | 208 | 230;

export const MOTOR_TABLES: Provenance = {
  source: 'NEC (NFPA 70) Tables 430.248 and 430.251(A)',
  confidence: 'high',
};

const row = (
  horsepower: number,
  [v115, v200, v208, v230]: readonly [number, number, number, number],
  lockedRotor?: readonly [number, number, number],
): MotorRow => ({
  horsepower,
  fullLoadA: { 115: v115, 200: v200, 208: v208, 230: v230 },
  lockedRotorA: lockedRotor && { 115: lockedRotor[0], 208: lockedRotor[1], 230: lockedRotor[2] },
});

/** Smallest first. Full-load current by Table 430.248, locked-rotor current by Table 430.251(A). */
export const MOTORS: readonly MotorRow[] = [
  row(1 / 6, [4.4, 2.5, 2.4, 2.2]),
  row(1 / 4, [5.8, 3.3, 3.2, 2.9]),
  row(1 / 3, [7.2, 4.1, 4, 3.6]),
  row(1 / 2, [9.8, 5.6, 5.4, 4.9], [58.8, 32.5, 29.4]),
  row(3 / 4, [13.8, 7.9, 7.6, 6.9], [82.8, 45.8, 41.4]),
  row(1, [16, 9.2, 8.8, 8], [96, 53, 48]),
  row(1.5, [20, 11.5, 11, 10], [120, 66, 60]),
  row(2, [24, 13.8, 13.2, 12], [144, 80, 72]),
  row(3, [34, 19.6, 18.7, 17], [204, 113, 102]),
  row(5, [56, 32.2, 30.8, 28], [336, 186, 168]),
  row(7.5, [80, 46, 44, 40], [480, 265, 240]),
  row(10, [100, 57.5, 55, 50], [600, 332, 300]),
];

/** Rated volts of motors, the higher first: what the tables and the code letters are for (NEC 430.248, 430.7(B)). */
export const RATED_MOTOR_VOLTS = [230, 115] as const;
