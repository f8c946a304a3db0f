import { MINUTES_PER_HOUR, SECONDS_PER_MINUTE } from '../../units/conversion-factors.js';
import {
  CAPACITY_LOSS_PER_K,
  COOLING_RATED_AT_C,
  DEEP_CAPACITY_TIMES,
  POWER_GAIN_PER_K,
  SENSIBLE_SHARE,
} from '../../reference/cabins.js';

/** A cabin as one resistance and one capacity, with its gains. */
export interface Cabin {
  /** Heat loss per kelvin, W/K, above 0. */
  readonly lossWPerK: number;
  /** Heat capacity, J/K, above 0. */
  readonly capacityJPerK: number;
  /** Sun and what is inside, W. */
  readonly gainsW: number;
}

/** Weather and what a thermostat holds. */
export interface CabinWeather {
  readonly outsideC: number;
  readonly insideC: number;
  /** Relative humidity inside, %. */
  readonly humidityPercent: number;
}

/** A cooling unit by its plate. */
export interface RatedUnit {
  /** Cooling, W. */
  readonly capacityW: number;
  /** At the plug while it cools, W. */
  readonly inputW: number;
}

/** How a thermostat cycles a unit, or that it cannot keep up. */
export interface CabinCycle {
  /** Share of the time it runs, 0 to 1. */
  readonly duty: number;
  /** Undefined where it never stops, or never starts. */
  readonly onMinutes: number | undefined;
  readonly offMinutes: number | undefined;
  /** Where the room ends up if it runs all the time, celsius. */
  readonly lowestC: number;
  /** The mean at the plug, W. */
  readonly meanW: number;
}

/**
 * Duty and cycle of a unit that holds a room at a temperature, exactly: the room nears its balance along an exponential.
 *
 * τ = C / UA; t_off = τ ln((T_e - T_lo) / (T_e - T_hi)); t_on = τ ln((T_hi - T_e') / (T_lo - T_e')), with T_e = T_o + gains / UA
 * and T_e' = T_e - SHR Q_c / UA.
 *
 * @param room Capacity of what cycles: air and skin.
 * @param bandK Width of the thermostat's band around the temperature, K, above 0.
 * @returns Source: physics, 1R1C; shares and losses with heat in reference/cabins.ts.
 */
export function cabinCycle(room: Cabin, unit: RatedUnit, weather: CabinWeather, bandK: number): CabinCycle {
  const { balanceC, cooledC } = balances(room, unit, weather);
  const [low, high] = [weather.insideC - bandK / 2, weather.insideC + bandK / 2];
  const inputW = inputAt(unit, weather.outsideC);
  if (balanceC <= high)
    return { duty: 0, onMinutes: undefined, offMinutes: undefined, lowestC: cooledC, meanW: 0 };
  if (cooledC >= low)
    return { duty: 1, onMinutes: undefined, offMinutes: undefined, lowestC: cooledC, meanW: inputW };
  const onMinutes = minutesTo(room.capacityJPerK, room, high, low, cooledC);
  const offMinutes = minutesTo(room.capacityJPerK, room, low, high, balanceC);
  const duty = onMinutes / (onMinutes + offMinutes);
  return { duty, onMinutes, offMinutes, lowestC: cooledC, meanW: inputW * duty };
}

/**
 * Minutes and energy to cool a room down from what it is to what is wanted, walls and contents included.
 *
 * @param fromC What it is, celsius.
 * @returns min and Wh at the plug; undefined where the unit never gets there. Source: as cabinCycle, with the deep capacity of
 * reference/cabins.ts.
 */
export function precooling(
  room: Cabin,
  unit: RatedUnit,
  weather: CabinWeather,
  fromC: number,
): { readonly minutes: number; readonly wh: number } | undefined {
  const { cooledC } = balances(room, unit, weather);
  if (fromC <= weather.insideC) return { minutes: 0, wh: 0 };
  if (cooledC >= weather.insideC) return undefined;
  const deep = room.capacityJPerK * DEEP_CAPACITY_TIMES;
  const minutes = minutesTo(deep, room, fromC, weather.insideC, cooledC);
  return { minutes, wh: (inputAt(unit, weather.outsideC) * minutes) / MINUTES_PER_HOUR };
}

/**
 * Share of the cooling that lowers the temperature; the rest dries the air.
 *
 * @param humidityPercent Relative humidity, 0 to 100.
 * @returns 0 to 1. Source: common practice (reference/cabins.ts), straight between its two points.
 *
 * @example
 * sensibleShareAt(50); // 0.825
 */
export function sensibleShareAt(humidityPercent: number): number {
  const { dryPercent, dry, humidPercent, humid } = SENSIBLE_SHARE;
  const share = Math.min(1, Math.max(0, (humidityPercent - dryPercent) / (humidPercent - dryPercent)));
  return dry + share * (humid - dry);
}

/** Where the room ends up with the unit off, and with it on all the time. */
function balances(
  { lossWPerK, gainsW }: Cabin,
  { capacityW }: RatedUnit,
  { outsideC, humidityPercent }: CabinWeather,
): { readonly balanceC: number; readonly cooledC: number } {
  const balanceC = outsideC + gainsW / lossWPerK;
  const derated = capacityW * (1 - CAPACITY_LOSS_PER_K * Math.max(0, outsideC - COOLING_RATED_AT_C));
  return { balanceC, cooledC: balanceC - (sensibleShareAt(humidityPercent) * derated) / lossWPerK };
}

const inputAt = ({ inputW }: RatedUnit, outsideC: number): number =>
  inputW * (1 + POWER_GAIN_PER_K * Math.max(0, outsideC - COOLING_RATED_AT_C));

function minutesTo(
  capacityJPerK: number,
  { lossWPerK }: Cabin,
  fromC: number,
  toC: number,
  towardsC: number,
): number {
  const tauS = capacityJPerK / lossWPerK;
  return (tauS * Math.log((fromC - towardsC) / (toC - towardsC))) / SECONDS_PER_MINUTE;
}
