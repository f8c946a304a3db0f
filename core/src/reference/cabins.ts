import type { UsualRange } from './kinds-of-parts.js';

/**
 * What rooms on wheels lose, and hold. Common practice, no published source; confidence low. Capacity is of air and skin, which
 * is what a thermostat's cycle sees.
 */
export const CABIN_SIZES = {
  van: { name: 'Van', lossWPerK: { low: 60, usual: 90, high: 120 }, capacityJPerK: 150_000 },
  trailer: {
    name: 'Trailer, 6 to 8 m',
    lossWPerK: { low: 150, usual: 180, high: 300 },
    capacityJPerK: 250_000,
  },
  large: { name: 'Large', lossWPerK: { low: 300, usual: 400, high: 500 }, capacityJPerK: 300_000 },
} as const satisfies Readonly<
  Record<string, { readonly name: string; readonly lossWPerK: UsualRange; readonly capacityJPerK: number }>
>;
export type CabinSize = keyof typeof CABIN_SIZES;

/** Contents and walls hold more than the air: what has to be cooled down at first, over what cycles. Common practice, low. */
export const DEEP_CAPACITY_TIMES = 5;

/** Cooling over input of roof units, W per W: an EER of 8 to 10 (common practice, medium). */
export const USUAL_COOLING_PER_W = 2.7;

/** A hot day, to begin an estimate with. Common practice, no published source; sun on a cabin 300 to 1,500 W. */
export const USUAL_CABIN = { insideC: 24, outsideC: 33, humidityPercent: 50, people: 2, sunW: 500 } as const;

/** Heat of a person at rest, W. Source: ASHRAE Fundamentals, 70 to 130 W, from memory. */
export const PERSON_W = 100;

/** Share of the cooling that lowers the temperature, at two relative humidities, %. Common practice, no published source. */
export const SENSIBLE_SHARE = { dryPercent: 30, dry: 0.9, humidPercent: 70, humid: 0.75 } as const;

/** Outdoors at which cooling units are rated, celsius (AHRI 310/380, AHAM RAC-1), and what each kelvin above costs (common practice). */
export const COOLING_RATED_AT_C = 35;
export const CAPACITY_LOSS_PER_K = 0.009;
export const POWER_GAIN_PER_K = 0.0175;

/** Band of a usual thermostat, K. Common practice. */
export const THERMOSTAT_BAND_K = 1;

/**
 * Sun and what is inside as kelvin of difference between outside and inside: none, 500 W on a usual trailer, 1,500 W on a van.
 * Common practice, no published source; low.
 */
export const GAINS_AS_KELVIN: UsualRange = { low: 0, usual: 3, high: 12 };
