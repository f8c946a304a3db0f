import { batteryStoreOf } from '../../battery/battery-store.js';
import { PERCENT } from '../../units/conversion-factors.js';
import type { Rig } from '../../rig-file/schema.js';
import { baseLoadOf, runningReadings, type BaseLoad } from './base-load.js';
import { shownCharge, type ShownCharge } from './charge-segments.js';
import { countedEnergy, type CountedEnergy } from './counted-energy.js';
import { measuredEfficiency, type MeasuredEfficiency } from '../fit/inverter-efficiency.js';
import { countingReadings, type LogReading, type LogTest } from '../log-test.js';
import { meanOfReadings, type MeanOfReadings } from './readings-mean.js';

/** What was read in a run-down. */
export interface RunDownRead {
  readonly charge: ShownCharge | undefined;
  readonly energy: CountedEnergy;
  readonly base: BaseLoad | undefined;
  /** At the meter while it ran, base included, W. */
  readonly watts: MeanOfReadings | undefined;
  readonly efficiency: MeasuredEfficiency | undefined;
  readonly reservePercent: number;
  /** What counts while the load ran, in the order of time. */
  readonly running: readonly LogReading[];
}

/** The readings of a run-down put in order. */
export function readRunDown(rig: Rig, test: LogTest): RunDownRead {
  const all = countingReadings(test);
  const running = runningReadings(all);
  const store = batteryStoreOf(rig);
  return {
    charge: shownCharge(running),
    energy: countedEnergy(running),
    base: baseLoadOf(all),
    watts: meanOfReadings(running.flatMap((each) => each.watts ?? [])),
    efficiency: measuredEfficiency(running),
    reservePercent: store.fullWh > 0 ? (PERCENT * store.reserveWh) / store.fullWh : 0,
    running,
  };
}
