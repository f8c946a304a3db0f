import type { UsualRange } from '../../reference/kinds-of-parts.js';
import { CODE_LETTER_BANDS, type CodeLetter } from '../../reference/nec-430-code-letters.js';
import {
  MOTORS,
  type LockedRotorVolts,
  type MotorRow,
  type MotorVolts,
} from '../../reference/nec-430-motors.js';

const WATTS_PER_HORSEPOWER = 746;
const VA_PER_KVA = 1000;

/** Efficiency of a fractional single-phase motor where only its shaft power is known (common practice, medium). */
export const SHAFT_EFFICIENCY: UsualRange = { low: 0.55, usual: 0.65, high: 0.75 };

/** LRA over RLA where the plate has no locked-rotor amps: rotary, and everything else (low to medium). */
export const LOCKED_OVER_RATED = { rotary: 5.5, other: 6 } as const;

/**
 * Full-load current of a single-phase motor by its horsepower.
 *
 * Between two rows of the table the current is interpolated, a deviation that the table does not
 * provide for; outside of it the nearest row is scaled.
 *
 * @param horsepower The motor's own, above 0.
 * @param volts One of the table's nominal voltages.
 * @returns A. Source: NEC Table 430.248, from memory. The table is generous: it sizes conductors.
 *
 * @example
 * fullLoadAmps(0.75, 115); // 13.8
 */
export function fullLoadAmps(horsepower: number, volts: MotorVolts): number {
  return interpolated(MOTORS, horsepower, (row) => row.fullLoadA[volts]);
}

/**
 * Locked-rotor current of a single-phase motor by its horsepower; below half a horsepower, where the
 * table has no row, the current of the half-horsepower row in proportion.
 *
 * @returns A. Source: NEC Table 430.251(A), from memory.
 *
 * @example
 * lockedRotorAmps(1, 115); // 96
 */
export function lockedRotorAmps(horsepower: number, volts: LockedRotorVolts): number {
  const rows = MOTORS.filter((row) => row.lockedRotorA !== undefined);
  return interpolated(rows, horsepower, (row) => row.lockedRotorA?.[volts] ?? 0);
}

/**
 * Locked-rotor VA of a code letter: the band, of which the upper end is planned with.
 *
 * @returns VA at the voltage of the nameplate; letter V has no upper end. Source: NEC 430.7(B), NEMA MG 1.
 *
 * @example
 * codeLetterVA('L', 0.75); // { from: 6750, to: 7492.5 }: 58.7 to 65.15 A at 115 V
 */
export function codeLetterVA(
  letter: CodeLetter,
  horsepower: number,
): { readonly from: number; readonly to: number } {
  const band = CODE_LETTER_BANDS.find((each) => each.letter === letter);
  if (!band) throw new RangeError(`There is no code letter ${letter}`);
  return { from: band.from * VA_PER_KVA * horsepower, to: band.to * VA_PER_KVA * horsepower };
}

/**
 * Apparent power of a motor known by its shaft power alone, where no table applies (50 Hz).
 *
 * @param shaftW Shaft power, W.
 * @returns VA. Source: physics, I = P / (V x efficiency x power factor).
 *
 * @example
 * shaftMotorVA(750, 0.7, 0.9) / 230; // 5.18 A
 */
export function shaftMotorVA(shaftW: number, efficiency: number, powerFactor: number): number {
  return shaftW / (efficiency * powerFactor);
}

/** Shaft watts of so many horsepower. */
export function shaftWatts(horsepower: number): number {
  return horsepower * WATTS_PER_HORSEPOWER;
}

/**
 * The most horsepower that a plug can feed: what a label calls "peak" beyond it is not the motor's own.
 *
 * @returns hp, V x I x 0.75 / 746. Source: common practice, no published source.
 *
 * @example
 * mostHorsepowerOfPlug(120, 12); // 1.45
 */
export function mostHorsepowerOfPlug(volts: number, amps: number): number {
  const EFFICIENCY_TIMES_POWER_FACTOR = 0.75;
  return (volts * amps * EFFICIENCY_TIMES_POWER_FACTOR) / WATTS_PER_HORSEPOWER;
}

/**
 * How much longer a start takes at reduced voltage: (1 - share) / (v² - share).
 *
 * @param voltage Voltage over rated voltage, above 0.
 * @param torqueShare Load torque over locked-rotor torque at rated voltage, 0 to below 1.
 * @returns A factor on the time, Infinity where it stalls. Source: physics, first order (medium).
 *
 * @example
 * startTimeFactor(0.85, 0.5); // 2.25
 */
export function startTimeFactor(voltage: number, torqueShare: number): number {
  const surplus = voltage * voltage - torqueShare;
  return surplus <= 0 ? Infinity : (1 - torqueShare) / surplus;
}

function interpolated(
  rows: readonly MotorRow[],
  horsepower: number,
  amps: (row: MotorRow) => number,
): number {
  const above = rows.find((row) => row.horsepower >= horsepower);
  const below = [...rows].reverse().find((row) => row.horsepower <= horsepower);
  const nearest = above ?? below;
  if (!nearest) throw new RangeError('The motor table is empty');
  if (!above || !below) return (amps(nearest) * horsepower) / nearest.horsepower;
  if (above === below) return amps(above);
  const share = (horsepower - below.horsepower) / (above.horsepower - below.horsepower);
  return amps(below) + share * (amps(above) - amps(below));
}
