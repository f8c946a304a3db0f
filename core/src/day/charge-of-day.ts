import type { BatteryStore } from '../battery/battery-store.js';
import { chargeAfter, type DcPower } from '../battery/charge-step.js';
import { HOURS_OF_A_SLOT } from './clock.js';

/** The charge over a plan, and what of the sun there was no room for. */
export interface ChargeOfDay {
  /** At the beginning of each step, and at the end of the last, Wh. */
  readonly wh: readonly number[];
  readonly curtailedW: readonly number[];
  /** What chargers give in each step, W. */
  readonly givenW: readonly number[];
  /** The lowest charge, Wh, and at which step. */
  readonly lowestWh: number;
  readonly lowestAt: number;
  readonly endWh: number;
}

/**
 * The charge of the batteries step by step.
 *
 * @param startWh At the beginning.
 * @param powerAt What flows in each step.
 */
export function chargeOfDay(
  store: BatteryStore,
  startWh: number,
  slots: number,
  powerAt: (slot: number) => DcPower,
): ChargeOfDay {
  const wh = [startWh];
  const curtailedW: number[] = [];
  const givenW: number[] = [];
  let [lowestWh, lowestAt, now] = [startWh, 0, startWh];
  for (let slot = 0; slot < slots; slot += 1) {
    const step = chargeAfter(store, now, powerAt(slot), HOURS_OF_A_SLOT);
    now = step.wh;
    wh.push(now);
    curtailedW.push(step.curtailedW);
    givenW.push(step.givenW);
    if (now < lowestWh) [lowestWh, lowestAt] = [now, slot + 1];
  }
  return { wh, curtailedW, givenW, lowestWh, lowestAt, endWh: now };
}
