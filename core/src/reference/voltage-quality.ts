import type { UsualRange } from './kinds-of-parts.js';
import type { Provenance } from './provenance.js';

/** What people notice: IEC 61000-3-3, used as a yardstick only, as a share of the nominal voltage. */
export const FLICKER: Provenance = { source: 'IEC 61000-3-3', confidence: 'high' };
export const LARGEST_CHANGE = { general: 0.04, fewADay: 0.06, attended: 0.07 } as const;

/** The yardstick of a small system: below each share, what to expect. Common practice, no published source (low). */
export const DIP_STEPS = [
  { below: 0.03, says: 'nothing to see' },
  { below: 0.06, says: 'lights will blink' },
  { below: 0.1, says: 'a strong blink' },
  { below: Infinity, says: 'starts may fail, electronics may reset' },
] as const;

/** Below this share of the nominal voltage compressors and motors are in danger (108 V of 120, 207 V of 230). */
export const LOW_VOLTAGE = 0.9;
/** Below this share at its terminals a motor is not counted on to start. Common practice, no published source (methods.md, rule 40). */
export const START_VOLTAGE = 0.8;
/**
 * Above this share resistive loads and electronics suffer: the end of IEC 60038. Range A of ANSI C84.1 ends at 1.05 already (from
 * memory, second hand).
 */
export const HIGH_VOLTAGE = 1.1;

/** Output impedance of an inverter as a share of its base, V²/S. */
export const INVERTER_IMPEDANCE: UsualRange = { low: 0, usual: 0.03, high: 0.05 };
/** Subtransient reactance of a small generator on its own base, V²/S (IEEE 3004-type studies; low). */
export const GENERATOR_REACTANCE: UsualRange = { low: 0.15, usual: 0.2, high: 0.25 };
/** Impedance of a pedestal with its feeder, 120 V, ohm; IEC 60725 gives 0.4 + j0.25 for 230 V. */
export const PEDESTAL_OHMS: UsualRange = { low: 0.05, usual: 0.1, high: 0.2 };
export const REFERENCE_IMPEDANCE_230V = { ohms: 0.4, reactanceOhms: 0.25 } as const;
/** A pedestal whose resistance grows by this share when warm has a bad contact. */
export const BAD_CONTACT_RISE = 0.1;

/** Recommended drop: branch and in all (notes to NEC 210.19 and 215.2), lighting and other (IEC 60364-5-52). */
export const DROP_ADVICE: Provenance & {
  readonly branch: number;
  readonly total: number;
  readonly dc: number;
} = {
  branch: 0.03,
  total: 0.05,
  dc: 0.1,
  source: 'notes to NEC 210.19 and 215.2, IEC 60364-5-52, ABYC E-11 for DC',
  confidence: 'high',
};
