import {
  AWG_ROWS,
  CORD_OHMS_PER_KFT_75C,
  PER_KELVIN_FROM_75C,
  THIN_AWG_MM2,
  type AwgSize,
} from '../reference/copper-awg.js';
import { METRIC_ROWS, PER_KELVIN_FROM_20C, THIN_METRIC_OHMS_PER_KM_20C } from '../reference/copper-metric.js';
import type { CordSize } from '../reference/cord-ampacity.js';
import { CABLE_C } from '../reference/heat.js';
import type { Interval } from '../units/quantity.js';
import type { Cable, Cord } from '../rig-file/schema.js';

const METRES_PER_KFT = 304.8;
const METRES_PER_KM = 1000;
const CORRECTION_REFERENCE_C = 30;
/** One size of cable; of several side by side each carries its part. */
type Sized = Pick<Cable, 'awg' | 'mm2' | 'bundles'>;
/** A conductor, which in a cord may be thinner than any cable of the tables. */
type Conductor = Omit<Sized, 'awg'> & { readonly awg?: Cable['awg'] | Cord['awg'] };
type Run = Conductor & Pick<Cable, 'metres'>;

/** Whose table an ampacity is read from; never two of them in one verdict. */
export type AmpacitySchool = 'nec' | 'abyc' | 'iec';

/**
 * Resistance of a stranded copper conductor, ohm per metre, one way.
 *
 * AWG by NEC chapter 9 table 8 at 75 °C, R(T) = R75 (1 + 0.00323 (T - 75)); metric by IEC 60228 class 5 at
 * 20 °C, R(T) = R20 (1 + 0.00393 (T - 20)). A metric size between two rows takes the thinner row.
 *
 * @param celsius Temperature of the conductor.
 * @returns Undefined where no size is given. Source: the two tables, from memory.
 *
 * @example
 * ohmsPerMetre({ awg: '2/0' }, 75); // 0.0003173
 */
export function ohmsPerMetre({ awg, mm2, bundles = 1 }: Conductor, celsius: number): number | undefined {
  if (awg) {
    const perKft = awg === '16' || awg === '18' ? CORD_OHMS_PER_KFT_75C[awg] : awgRow(awg).ohmsPerKft75C;
    const at75 = perKft / METRES_PER_KFT;
    return (at75 * (1 + PER_KELVIN_FROM_75C * (celsius - 75))) / bundles;
  }
  if (mm2 === undefined) return undefined;
  const at20 = metricOhmsPerKm(mm2) / METRES_PER_KM;
  return (at20 * (1 + PER_KELVIN_FROM_20C * (celsius - 20))) / bundles;
}

/**
 * Resistance of a cable, both conductors.
 *
 * @returns Ohm; undefined where size or length is not given.
 *
 * @example
 * cableOhms({ awg: '2/0', metres: 1.8288 }, 75); // 0.00116: 6 ft one way
 */
export function cableOhms(cable: Run, celsius: number): number | undefined {
  const perMetre = ohmsPerMetre(cable, celsius);
  return perMetre === undefined || cable.metres === undefined ? undefined : 2 * cable.metres * perMetre;
}

/** The same from cool to hot; nothing at either edge where size or length is not given. */
export function cableOhmsAtEdges(cable: Run): Interval {
  const at = (celsius: number): number => cableOhms(cable, celsius) ?? 0;
  return { lo: at(CABLE_C.lo), stated: at(CABLE_C.stated), hi: at(CABLE_C.hi) };
}

/**
 * Voltage drop of a cable, V: both conductors. Resistance alone is right below about 2 AWG or 35 mm².
 *
 * @param powerFactor Of the load; 1 on DC. Source: physics, 2 x L x R' x I x pf.
 */
export function voltageDrop(ohms: number, amps: number, powerFactor = 1): number {
  return ohms * amps * powerFactor;
}

/**
 * What a cable carries for hours, A.
 *
 * @param school NEC 310.16 (75 °C column), ABYC E-11 (105 °C) or IEC 60364-5-52 (method C).
 * @param ambientC Corrected by sqrt((T_c - T_a) / (T_c - 30)); never raised below 30 °C.
 * @returns Undefined where the school has no value for this size, or a size is below its table.
 *
 * @example
 * ampacity({ awg: '10' }, 'nec'); // 35
 */
export function ampacity(
  { awg, mm2, bundles = 1 }: Sized,
  school: AmpacitySchool,
  ambientC = CORRECTION_REFERENCE_C,
): number | undefined {
  const amps = tabulated(awg, mm2, school);
  return amps === undefined ? undefined : amps * bundles * ambientFactor(INSULATION_C[school], ambientC);
}

/** The largest breaker NEC 240.4(D) allows on a small wire, A; undefined where it says nothing. */
export function largestBreakerOn({ awg }: Sized): number | undefined {
  return awg ? awgRow(awg).largestBreakerA : undefined;
}

const INSULATION_C: Record<AmpacitySchool, number> = { nec: 75, abyc: 105, iec: 70 };

/**
 * Correction of an ampacity for the surroundings.
 *
 * @example
 * ambientFactor(75, 50); // 0.745, the table prints 0.75
 */
export function ambientFactor(insulationC: number, ambientC: number): number {
  const left = Math.max(0, insulationC - ambientC);
  return Math.min(1, Math.sqrt(left / (insulationC - CORRECTION_REFERENCE_C)));
}

function tabulated(
  awg: AwgSize | undefined,
  mm2: number | undefined,
  school: AmpacitySchool,
): number | undefined {
  if (awg) {
    const row = awgRow(awg);
    return school === 'abyc' ? row.abycA : row.ampacityA[75];
  }
  return mm2 === undefined ? undefined : metricRow(mm2)?.ampacityA.c;
}

/** Section of all conductors of a cable side by side, mm²; 0 where no size is given. */
export function sectionOf({ awg, mm2 = 0, bundles = 1 }: Sized): number {
  return (awg ? awgMm2(awg) : mm2) * bundles;
}

/** Section of a wire of some size, mm²; of thin cords too. */
export function awgMm2(awg: AwgSize | CordSize): number {
  return awg === '16' || awg === '18' ? THIN_AWG_MM2[awg] : awgRow(awg).mm2;
}

function awgRow(size: AwgSize) {
  const row = AWG_ROWS.find((each) => each.awg === size);
  if (!row) throw new RangeError(`There is no wire of AWG ${size}`);
  return row;
}

/** The row of a size, or of the next thinner one; a size below the table is not known, never the next larger. */
function metricRow(mm2: number) {
  return [...METRIC_ROWS].reverse().find((each) => each.mm2 <= mm2);
}

/** Of the next thinner size; below the thinnest in proportion, as copper goes. */
function metricOhmsPerKm(mm2: number): number {
  const row = metricRow(mm2);
  if (row) return row.ohmsPerKm20C;
  const thin = [...THIN_METRIC_OHMS_PER_KM_20C].reverse().find(([size]) => size <= mm2);
  if (thin) return thin[1];
  const [size, ohms] = THIN_METRIC_OHMS_PER_KM_20C[0];
  return (ohms * size) / mm2;
}
