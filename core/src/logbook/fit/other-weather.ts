import type { Interval } from '../../units/quantity.js';
import { CAPACITY_LOSS_PER_K, COOLING_RATED_AT_C, GAINS_AS_KELVIN } from '../../reference/cabins.js';

/** Where a cooling load was measured, and where it is asked for. */
export interface Weather {
  readonly outdoorC: number;
  /** What its thermostat holds. */
  readonly setPointC: number;
}

/**
 * Share of the time that a cooling load would run in other weather, by what it ran in the weather of a test.
 *
 * The heat that comes in grows with the difference of temperatures and with sun and what is inside, which are not known: they
 * are taken as so many kelvin more of difference, and their range is the doubt. In heat the unit cools less.
 *
 * @param duty Measured share of the time, above 0 and below 1.
 * @returns 0 to 1 and, where it would not keep up, 1; undefined where it was no warmer outside than what it held.
 * Source: physics, 1R1C as loads/heat/cabin.ts; gains and loss with heat are common practice (reference/cabins.ts).
 */
export function dutyInOtherWeather(duty: number, at: Weather, other: Weather): Interval | undefined {
  const { low, usual, high } = GAINS_AS_KELVIN;
  if (at.outdoorC - at.setPointC + low <= 0 || !(duty > 0 && duty < 1)) return undefined;
  const cooling = ({ outdoorC }: Weather): number =>
    1 - CAPACITY_LOSS_PER_K * Math.max(0, outdoorC - COOLING_RATED_AT_C);
  const by = (gainsK: number): number => {
    const heat = ({ outdoorC, setPointC }: Weather): number => Math.max(0, outdoorC - setPointC + gainsK);
    return Math.min(1, (duty * heat(other) * cooling(at)) / (heat(at) * cooling(other)));
  };
  const ends = [by(low), by(high)];
  return { lo: Math.min(...ends), stated: by(usual), hi: Math.max(...ends) };
}
