import { magnitude } from '../units/magnitude.js';

/** A complex impedance, ohm. */
export interface Impedance {
  readonly ohms: number;
  readonly reactanceOhms: number;
}

/**
 * How far the voltage dips while a rotor is locked: a divider of the source and the load's own impedance.
 *
 * @param source Of everything up to the load: pedestal, cord, or the inverter's output.
 * @param lockedRotorA At the rated voltage.
 * @param powerFactor At the start, 0 to 1.
 * @returns Share of the voltage that is lost, 0 to 1. Source: physics, V_L = V Z_L / (Z_s + Z_L).
 *
 * @example
 * dipShare({ ohms: 0.224, reactanceOhms: 0 }, 120, 60, 0.7); // 0.0752
 */
export function dipShare(
  source: Impedance,
  ratedV: number,
  lockedRotorA: number,
  powerFactor: number,
): number {
  if (lockedRotorA <= 0) return 0;
  const size = ratedV / lockedRotorA;
  const load = { ohms: size * powerFactor, reactanceOhms: size * Math.sqrt(1 - powerFactor * powerFactor) };
  const whole = magnitude(load.ohms + source.ohms, load.reactanceOhms + source.reactanceOhms);
  return 1 - size / whole;
}

/** Output impedance of an inverter, ohm, from its share of the base V²/S. */
export function inverterOhms(share: number, ratedV: number, ratedVA: number): number {
  return (share * ratedV * ratedV) / ratedVA;
}

/** A constant impedance on a source that gives no more than a current limit: the voltage it is left with, V. */
export function clippedVolts(ratedV: number, limitA: number, wantedA: number): number {
  return wantedA <= limitA ? ratedV : (ratedV * limitA) / wantedA;
}
