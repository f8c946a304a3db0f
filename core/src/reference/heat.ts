import type { UsualRange } from './kinds-of-parts.js';
import type { Provenance } from './provenance.js';

/** What heat and height take from inverters, breakers and generators: common practice unless said. */
export const HEAT: Provenance = { source: 'common practice, no published source', confidence: 'medium' };

/** An inverter gives its full rating up to here, celsius, and loses this share per kelvin above. */
export const INVERTER_FULL_UP_TO_C = 25;
export const INVERTER_LOSS_PER_K: UsualRange = { low: 0.008, usual: 0.012, high: 0.015 };
/** It is off from here on, celsius. */
export const INVERTER_OFF_AT_C: UsualRange = { low: 60, usual: 65, high: 70 };
/** Inverters give their full rating up to this height, m, then lose this share per 100 m (low). */
export const INVERTER_FULL_UP_TO_M: UsualRange = { low: 1500, usual: 1750, high: 2000 };
export const INVERTER_LOSS_PER_100_M = 0.01;

/** How much warmer than outdoors it may be at a panel or an inverter. Common practice, no published source; low. */
export const WARMER_THAN_OUTDOORS_K = 10;

/** Kelvin in f = sqrt(1 - (T - T_ref) / K) of a thermal-magnetic breaker. */
export const BREAKER_SPAN_K = 80;
/** UL: hold test at 40 °C, trip tests at 25 °C; IEC: 30 °C for both. */
export const BREAKER_REFERENCE_C = {
  ul: { may: 40, will: 25 },
  iec: { may: 30, will: 30 },
} as const;

/** Generator: share lost per 1000 ft (304.8 m) and per 10 °F (5.56 K) above 25 °C; LP gas on top. */
export const GENERATOR_LOSS_PER_1000_FT = 0.035;
export const METRES_PER_1000_FT = 304.8;
export const GENERATOR_FULL_UP_TO_C = 25;
export const GENERATOR_LOSS_PER_10_F = 0.01;
export const KELVIN_PER_10_F = 50 / 9;
export const LP_GAS_LOSS = 0.1;

/** Celsius of a cable at each edge: as the day, warm, and as hot as its insulation may be. */
export const CABLE_C = { lo: 20, stated: 50, hi: 75 } as const;
