import { batteryStoreOf } from '../energy/battery-store.js';
import type { Interval } from '../quantity/quantity.js';
import { CAPACITY_DOUBT } from '../reference/batteries.js';
import { METER_SHARE } from '../reference/meters.js';
import type { Rig } from '../rig/schema.js';
import { countedEnergy } from './counted-energy.js';
import type { LogTest } from './log-test.js';
import type { RunDownRead } from './run-down-read.js';
import { batteryWatts } from './tested-inverter.js';

const PERCENT = 100;
const SECONDS_PER_HOUR = 3600;

/**
 * When the reserve is reached by energy: what the battery should hold by the rig, less what was counted on the AC side with the
 * losses of the inverter, at the mean power drawn. Where nothing counted, the mean power stands for it.
 *
 * @returns Seconds since 1970; undefined where charge or watts were not read.
 * Source: energy balance (physics); what a battery holds and what a meter is good for are common practice.
 */
export function endByEnergy(
  rig: Rig,
  test: LogTest,
  { charge, efficiency, watts, reservePercent, running }: RunDownRead,
): Interval | undefined {
  const [first] = charge?.shown ?? [];
  if (!charge || !first || !watts) return undefined;
  const drawnW = efficiency?.dcWatts ?? batteryWatts(rig, test, watts.value);
  const store = batteryStoreOf(rig);
  if (drawnW === undefined || drawnW <= 0 || store.fullWh <= 0) return undefined;
  const { points } = countedEnergy(running.filter(({ atS }) => atS >= charge.fromS));
  const { atS: countedAtS, wattHours } = points.at(-1) ?? { atS: charge.fromS, wattHours: 0 };
  // What flowed before the counter was read first is taken at the mean power.
  const uncountedS = (points[0]?.atS ?? charge.fromS) - charge.fromS;
  const usedWh = wattHours * (drawnW / watts.value) + (drawnW * uncountedS) / SECONDS_PER_HOUR;
  const usableWh = ((first.y - reservePercent) / PERCENT) * store.fullWh;
  const leftS = ((usableWh - usedWh) / store.drawnWh(drawnW)) * SECONDS_PER_HOUR;
  const doubtWh = Math.hypot(CAPACITY_DOUBT * usableWh, METER_SHARE * usedWh);
  const powerDoubt = watts.spread / watts.value / Math.sqrt(watts.count);
  const doubtS = (doubtWh / drawnW) * SECONDS_PER_HOUR + Math.abs(leftS) * powerDoubt;
  const stated = countedAtS + leftS;
  return { lo: stated - doubtS, stated, hi: stated + doubtS };
}
