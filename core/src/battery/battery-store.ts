import { ampHoursAt, onLine, usualPeukert } from './battery-bank.js';
import { PERCENT } from '../units/conversion-factors.js';
import { ACCEPTANCE, CHARGE_KEPT, LFP_NO_CHARGE_BELOW_C, USUAL_RATED_HOURS } from '../reference/batteries.js';
import type { Interval } from '../units/quantity.js';
import type { Battery, Rig } from '../rig-file/schema.js';
import { capacityOf } from './battery-capacity.js';

/** The batteries of a rig as one store of energy. */
export interface BatteryStore {
  /** From full to empty, Wh at nominal volts. */
  readonly fullWh: number;
  /** What is kept, Wh. */
  readonly reserveWh: number;
  /** Energy that an hour at so many watts takes from it, Wh: more than the watts where it is drawn on fast (Peukert). */
  readonly drawnWh: (watts: number) => number;
  /** The most it takes up at a charge, W. */
  readonly acceptsW: (wh: number) => number;
  /** What of the watts into it can be had out again, 0 to 1. */
  readonly kept: number;
  /** What it may hold of what is entered: charges are counted in Wh of what is entered, so that a share of full stays one. */
  readonly holds: Interval;
}

/**
 * The batteries of a rig as a store.
 *
 * @returns Source: energy balance (physics); Peukert by methods.md 5.6; acceptance and charge kept are common practice.
 */
export function batteryStoreOf({ batteries, buses, conditions }: Rig): BatteryStore {
  const voltsOf = ({ bus }: Battery): number => buses.find(({ id }) => id === bus)?.volts ?? 0;
  const each = batteries.map((battery) => ({
    battery,
    volts: voltsOf(battery),
    wh: battery.ampHours.value * voltsOf(battery),
  }));
  const fullWh = each.reduce((sum, { wh }) => sum + wh, 0);
  const reserve = Math.max(0, ...batteries.map(({ reservePercent = 0 }) => reservePercent));
  const isCold = (conditions?.batteryC ?? LFP_NO_CHARGE_BELOW_C) < LFP_NO_CHARGE_BELOW_C;
  const takesUp = each.filter(({ battery }) => !(isCold && battery.chemistry === 'lfp'));
  return {
    fullWh,
    reserveWh: (fullWh * reserve) / PERCENT,
    drawnWh: (watts) =>
      each.reduce((sum, { battery, volts, wh }) => sum + drawnFrom(battery, volts, (watts * wh) / fullWh), 0),
    acceptsW: (stored) =>
      takesUp.reduce(
        (sum, { battery, wh }) =>
          sum + wh * onLine(ACCEPTANCE[battery.chemistry ?? 'lfp'], (stored / fullWh) * PERCENT),
        0,
      ),
    kept:
      fullWh > 0
        ? each.reduce((sum, { battery, wh }) => sum + CHARGE_KEPT[battery.chemistry ?? 'lfp'] * wh, 0) /
          fullWh
        : 1,
    holds: holdsOf(each, fullWh),
  };
}

/** Batteries of one rig are of one make and age: all of them are off to the same side. */
function holdsOf(
  each: readonly { readonly battery: Battery; readonly wh: number }[],
  fullWh: number,
): Interval {
  const at = (edge: keyof Interval): number =>
    fullWh > 0
      ? each.reduce(
          (sum, { battery, wh }) => sum + (capacityOf(battery)[edge] / battery.ampHours.value) * wh,
          0,
        ) / fullWh
      : 1;
  return { lo: at('lo'), stated: at('stated'), hi: at('hi') };
}

/**
 * The store with what it may hold at an edge. Its charge goes on to be counted in Wh of what is entered: what is drawn
 * from a smaller one takes a larger share of it, and so does what is put in.
 */
export function storeAt(store: BatteryStore, edge: keyof Interval): BatteryStore {
  const holds = store.holds[edge];
  if (holds === 1) return store;
  return {
    ...store,
    drawnWh: (watts) => store.drawnWh(watts) / holds,
    acceptsW: (wh) => store.acceptsW(wh) * holds,
    kept: store.kept / holds,
    holds: { lo: 1, stated: 1, hi: 1 },
  };
}

function drawnFrom(battery: Battery, volts: number, watts: number): number {
  if (watts <= 0 || volts <= 0) return watts;
  const { ampHours, ratedHours = USUAL_RATED_HOURS, chemistry } = battery;
  const amps = watts / volts;
  // Drawn on no faster than it was rated it holds what it says.
  if (amps * ratedHours <= ampHours.value) return watts;
  const held = ampHoursAt({ ampHours: ampHours.value, ratedHours, amps, exponent: usualPeukert(chemistry) });
  return watts * Math.max(1, ampHours.value / held);
}
