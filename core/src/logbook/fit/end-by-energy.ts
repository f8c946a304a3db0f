import { batteryStoreOf } from '../../battery/battery-store.js';
import { PERCENT, SECONDS_PER_HOUR } from '../../units/conversion-factors.js';
import type { Interval } from '../../units/quantity.js';
import { CAPACITY_DOUBT } from '../../reference/batteries.js';
import { METER_SHARE } from '../../reference/meters.js';
import type { Rig } from '../../rig-file/schema.js';
import { countedEnergy } from '../read/counted-energy.js';
import type { LogReading, LogTest } from '../log-test.js';
import type { RunDownRead } from '../read/run-down-read.js';
import { batteryWatts } from '../give/tested-inverter.js';
import { magnitude } from '../../units/magnitude.js';

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
  const drawnW = efficiency?.dcWatts ?? (watts && batteryWatts(rig, test, watts.value));
  const store = batteryStoreOf(rig);
  if (!charge || !first || !watts || !drawnW || store.fullWh <= 0) return undefined;
  const used = usedSince(running, charge.fromS, drawnW, watts.value);
  const usableWh = ((first.y - reservePercent) / PERCENT) * store.fullWh;
  const leftS = ((usableWh - used.wattHours) / store.drawnWh(drawnW)) * SECONDS_PER_HOUR;
  const doubtWh = magnitude(CAPACITY_DOUBT * usableWh, METER_SHARE * used.wattHours);
  const powerDoubt = watts.spread / watts.value / Math.sqrt(watts.count);
  const doubtS = (doubtWh / drawnW) * SECONDS_PER_HOUR + Math.abs(leftS) * powerDoubt;
  const stated = used.untilS + leftS;
  return { lo: stated - doubtS, stated, hi: stated + doubtS };
}

/** What the battery has given, Wh, and until when that was counted. What flowed before is taken at the mean power. */
function usedSince(
  running: readonly LogReading[],
  fromS: number,
  drawnW: number,
  watts: number,
): { readonly wattHours: number; readonly untilS: number } {
  const { points } = countedEnergy(running.filter(({ atS }) => atS >= fromS));
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return { wattHours: 0, untilS: fromS };
  const uncountedWh = (drawnW * (first.atS - fromS)) / SECONDS_PER_HOUR;
  return { wattHours: last.wattHours * (drawnW / watts) + uncountedWh, untilS: last.atS };
}
