import type { UsualRange } from './kinds-of-parts.js';
import type { Provenance } from './provenance.js';

export const CHEMISTRIES = ['lfp', 'agm', 'gel', 'flooded'] as const;
export type Chemistry = (typeof CHEMISTRIES)[number];

export const BATTERY_TABLES: Provenance = {
  source: 'common practice, no published source',
  confidence: 'low',
};

/** Volts and amp-hours that the values below are for, at 25 °C. */
export const REFERENCE_VOLTS = 12;
export const REFERENCE_AMP_HOURS = 100;

/**
 * Resistance of 12 V and 100 Ah with its protection, ohm; it goes with 1/Ah. Of lithium as of a bank sized for its
 * inverter. Common practice, no published source; low.
 */
export const RESISTANCE_OHMS: Record<Chemistry, UsualRange> = {
  lfp: { low: 0.005, usual: 0.008, high: 0.014 },
  agm: { low: 0.006, usual: 0.008, high: 0.012 },
  gel: { low: 0.006, usual: 0.009, high: 0.015 },
  flooded: { low: 0.007, usual: 0.01, high: 0.015 },
};

/** The same for a start that is over within so many seconds, where it is less. Common practice; low. */
export const SHORT_START_S = 2;
export const SHORT_START_OHMS: Partial<Record<Chemistry, UsualRange>> = {
  lfp: { low: 0.002, usual: 0.004, high: 0.008 },
};

/** Nearly empty the resistance rises by so much. Common practice; low-medium. */
export const LOW_CHARGE_FACTOR = 1.5;
export const LOW_CHARGE_PERCENT: Record<Chemistry, number> = { lfp: 10, agm: 30, gel: 30, flooded: 30 };

/** What a reading of the charge may be off by, percent of full. Common practice; low. */
export const CHARGE_READING_PERCENT = 10;

/** Celsius of a battery where none is entered. */
export const USUAL_BATTERY_C = 20;

/** How much higher the resistance is in the cold: pairs of celsius and factor, coldest first. */
export const COLD_FACTORS: Record<Chemistry, readonly (readonly [celsius: number, factor: number])[]> = {
  lfp: [
    [0, 2.5],
    [10, 1.5],
    [25, 1],
  ],
  agm: [
    [0, 1.4],
    [25, 1],
  ],
  gel: [
    [0, 1.4],
    [25, 1],
  ],
  flooded: [
    [0, 1.4],
    [25, 1],
  ],
};

/** Rested volts of a 12 V battery at 25 °C by state of charge in percent; LFP +-0.06 V in the middle. */
export const REST_VOLTS: Record<Chemistry, readonly (readonly [percent: number, volts: number])[]> = {
  lfp: [
    [0, 10],
    [5, 12],
    [10, 12.8],
    [20, 12.92],
    [30, 13.04],
    [40, 13.12],
    [50, 13.16],
    [60, 13.2],
    [70, 13.26],
    [80, 13.3],
    [90, 13.34],
    [95, 13.38],
    [100, 13.5],
  ],
  agm: [
    [0, 11.7],
    [25, 12],
    [50, 12.25],
    [75, 12.55],
    [100, 12.85],
  ],
  gel: [
    [0, 11.7],
    [25, 12],
    [50, 12.25],
    [75, 12.55],
    [100, 12.85],
  ],
  flooded: [
    [0, 11.89],
    [25, 12.06],
    [50, 12.24],
    [75, 12.45],
    [100, 12.65],
  ],
};

/** Nominal volts that stand for 12 V of each chemistry: a cell of LFP is 3.2 V, of lead 2 V. */
export const NOMINAL_OF_TWELVE: Record<Chemistry, number> = { lfp: 12.8, agm: 12, gel: 12, flooded: 12 };

/** Charge in percent at which the open-circuit volts are read at each edge where it is not known. */
export const CHARGE_AT_EDGES = { pessimistic: 20, stated: 60, optimistic: 90 } as const;

/** Peukert exponent. */
export const PEUKERT: Record<Chemistry, UsualRange> = {
  lfp: { low: 1, usual: 1.02, high: 1.05 },
  agm: { low: 1.05, usual: 1.1, high: 1.15 },
  gel: { low: 1.1, usual: 1.15, high: 1.25 },
  flooded: { low: 1.15, usual: 1.2, high: 1.3 },
};

/** The largest share of one of two parallel batteries with unequal cables (55 to 45 is common). */
export const UNEQUAL_SHARE = 1.1;

/** Resistance of one lug, clamp or switch contact, ohm, and how many stand in a usual battery path. */
export const CONTACT_OHMS: UsualRange = { low: 0.0001, usual: 0.00015, high: 0.0002 };
export const CONTACTS_IN_PATH = 6;

/** Cut-off of an inverter per 12 V where its own is not known, V. */
export const TYPICAL_CUT_OFF_V = 10.5;

/** Ripple of the DC current of a single-phase inverter: peak of the 2f part over the mean. */
export const RIPPLE: UsualRange = { low: 0.3, usual: 0.5, high: 0.7 };
/** No charging of lithium cells below this, celsius. */
export const LFP_NO_CHARGE_BELOW_C = 0;

/**
 * The most a battery takes up, as a share of its capacity an hour, by state of charge in percent: lithium to the end, lead
 * less and less from 80 % on. Common practice, no published source; low.
 */
export const ACCEPTANCE: Record<Chemistry, readonly (readonly [percent: number, perHour: number])[]> = {
  lfp: [
    [95, 0.5],
    [100, 0.05],
  ],
  agm: [
    [80, 0.25],
    [100, 0.02],
  ],
  gel: [
    [80, 0.2],
    [100, 0.02],
  ],
  flooded: [
    [80, 0.2],
    [100, 0.02],
  ],
};

/** Charge current of a charger of which nothing is entered, as a share of the bank's amp-hours. Common practice; low. */
export const USUAL_CHARGE_RATE = 0.2;
export const MOST_CHARGE_RATE: Record<Chemistry, number> = { lfp: 0.5, agm: 0.25, gel: 0.25, flooded: 0.25 };

/**
 * Discharge current of a battery of which nothing is entered, as a share of its amp-hours: usual, and at worst. Common
 * practice, no published source; low.
 */
export const USUAL_DISCHARGE_RATE: Record<Chemistry, { readonly usual: number; readonly least: number }> = {
  lfp: { usual: 1, least: 0.5 },
  agm: { usual: 0.5, least: 0.25 },
  gel: { usual: 0.5, least: 0.25 },
  flooded: { usual: 0.5, least: 0.25 },
};
/** Of what it gives for hours it gives so many times for a while: up to so many seconds. Common practice; low. */
export const USUAL_DISCHARGE_SURGES: readonly { readonly seconds: number; readonly times: number }[] = [
  { seconds: 1, times: 2.8 },
  { seconds: 10, times: 1.5 },
  { seconds: 60, times: 1.1 },
];

/** What of the energy put into it can be had out again. Common practice, no published source; medium. */
export const CHARGE_KEPT: Record<Chemistry, number> = { lfp: 0.97, agm: 0.85, gel: 0.85, flooded: 0.8 };

/** Hours at which the amp-hours of a lead battery are given where its plate does not say. Common practice. */
export const USUAL_RATED_HOURS = 20;

/** How far what a battery holds may lie from its plate, as a share. Common practice, no published source; low. */
export const CAPACITY_DOUBT = 0.1;
