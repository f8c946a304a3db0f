import {
  CONDUCTOR_HEATING,
  CONDUCTOR_HEATING_SPREAD,
  SHORT_OVERLOAD_S,
} from '../reference/conductor-heating.js';
import type { Edge } from '../units/quantity.js';

/**
 * Time constant of a conductor as it heats, s: straight between two sizes on logarithmic scales, and on beyond them.
 *
 * @param mm2 Section, above 0.
 * @returns At each edge: a slow conductor is kind. Source: common practice, no published source (methods.md, rule 49); low.
 *
 * @example
 * heatingSeconds(1.5).stated; // 120
 */
export function heatingSeconds(mm2: number): Readonly<Record<Edge, number>> {
  const { thin, thick } = CONDUCTOR_HEATING;
  const exponent = Math.log(thick.seconds / thin.seconds) / Math.log(thick.mm2 / thin.mm2);
  const stated = thin.seconds * (mm2 / thin.mm2) ** exponent;
  return {
    pessimistic: stated / CONDUCTOR_HEATING_SPREAD,
    stated,
    optimistic: stated * CONDUCTOR_HEATING_SPREAD,
  };
}

/**
 * How many times its endless rating a conductor carries for a short while, as hot in the end as it may be for ever; below
 * ten seconds that is the adiabatic rule, I²t.
 *
 * @param seconds How long, above 0; from ten minutes on the endless rating counts.
 * @param tauS Its time constant.
 * @param before What it carried before, as a share of its rating.
 * @returns A factor of at least 1. Source: physics, first-order heating: 1 - exp(-t/τ).
 *
 * @example
 * shortTimeFactor(180, 900, 0); // 2.35
 */
export function shortTimeFactor(seconds: number, tauS: number, before: number): number {
  if (seconds >= SHORT_OVERLOAD_S) return 1;
  const left = Math.exp(-seconds / tauS);
  return Math.sqrt((1 - Math.min(1, before) ** 2 * left) / (1 - left));
}
