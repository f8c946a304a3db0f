import { SECONDS_PER_MINUTE } from '../../units/conversion-factors.js';
import {
  BOILING_C,
  BOILING_LOSS_C_PER_M,
  COOKING_EFFICIENCY,
  SPECIFIC_HEAT,
  type CookingAppliance,
  type Heated,
} from '../../reference/cooking.js';
import type { Interval } from '../../units/quantity.js';

const JOULES_PER_WH = 3600;

/** What is to be heated, and with what. */
export interface Cooking {
  readonly what: Heated;
  /** Above 0. */
  readonly kg: number;
  readonly fromC: number;
  readonly toC: number;
  readonly appliance: CookingAppliance;
  /** At the plug, W, above 0. */
  readonly watts: number;
}

/** How long it takes and what energy, at the least, usually, and at the most. */
export interface CookingTime {
  readonly minutes: Interval;
  readonly wh: Interval;
}

/**
 * Minutes and energy to heat water or food.
 *
 * @returns Nothing where it is as warm already. Source: physics, m c ΔT / η; efficiencies in reference/cooking.ts.
 *
 * @example
 * cookingTime({ what: 'water', kg: 1.5, fromC: 15, toC: 100, appliance: 'kettle', watts: 1500 }).minutes.stated; // 6.98
 */
export function cookingTime({ what, kg, fromC, toC, appliance, watts }: Cooking): CookingTime {
  const intoWh = (kg * SPECIFIC_HEAT[what] * Math.max(0, toC - fromC)) / JOULES_PER_WH;
  const { low, usual, high } = COOKING_EFFICIENCY[appliance];
  const wh = { lo: intoWh / high, stated: intoWh / usual, hi: intoWh / low };
  const minutes = (energy: number): number => (energy / watts) * (JOULES_PER_WH / SECONDS_PER_MINUTE);
  return { wh, minutes: { lo: minutes(wh.lo), stated: minutes(wh.stated), hi: minutes(wh.hi) } };
}

/**
 * Boiling point of water, celsius.
 *
 * @param altitudeM Metres above the sea.
 *
 * @example
 * boilingPointC(3000); // 90.1
 */
export const boilingPointC = (altitudeM: number): number =>
  BOILING_C - BOILING_LOSS_C_PER_M * Math.max(0, altitudeM);
