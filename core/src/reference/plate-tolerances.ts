import type { PartKind } from './kinds-of-parts.js';

/**
 * How far numbers of a plate may lie from each other and from what they are for. Where no standard is named: common practice, no
 * published source.
 */

/** Utilisation voltage of a thing and nominal voltage of its supply: within so much one is for the other (IEC 60038, 3.1: ±10 %). */
export const SAME_VOLTS = 0.1;
/** A battery of 24 V is named for less than it has: 25.6 V of eight LFP cells, 28.8 V as it is charged. */
export const SAME_BATTERY_VOLTS = 0.25;
/** Batteries of rigs; the mains are above it. Common practice, no published source. */
export const MOST_BATTERY_VOLTS = 75;
/** The same thing stated twice, as in hp and in kW, each rounded. */
export const STATED_TWICE = 0.02;
/** Two readings of the same signs: only roundings of their conversion. */
export const READ_TWICE = 0.005;
/** Roundings of numbers that follow from each other. */
export const PLATE_ROUNDING = 0.1;
/** The kVA per hp of a code letter are a range whose ends are rounded, as are the amps (NEC 430.7(B)). */
export const CODE_LETTER_ROUNDING = 0.15;
/** Locked-rotor current over rated-load current, the widest that is found. */
export const LOCKED_OVER_RATED = { least: 2.5, most: 12 } as const;
/** Watts over volts times amps: less is a sign misread. */
export const LEAST_POWER_FACTOR = 0.35;
/** Cooling over power, both in watts. */
export const COOLING_OVER_WATTS = { least: 1.5, most: 7 } as const;
/** Below it a ratio of cooling to power is of watts to watts, above it of BTU an hour. */
export const MOST_WATTS_PER_WATT = 6.5;
/** Watts of a motor's plate are of its shaft where they are less than so much of volts, amps and power factor (IEC 60034-8). */
export const MOST_SHAFT_SHARE = 0.93;
/** Power of a heating element against its plate, at rated volts (IEC 60335-1, 10.1: +5 %, -10 %; from memory). */
export const HEATERS_ON_PLATE: { readonly kinds: readonly PartKind[]; readonly minus: number } = {
  kinds: ['resistance-heater', 'resistance-cooker'],
  minus: 0.1,
};
