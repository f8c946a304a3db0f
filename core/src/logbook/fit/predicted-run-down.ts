import { wattsCounted } from '../../loads/watts-counted.js';
import { batteryStoreOf } from '../../battery/battery-store.js';
import { PERCENT, SECONDS_PER_HOUR } from '../../units/conversion-factors.js';
import type { Rig } from '../../rig-file/schema.js';
import type { LogTest } from '../log-test.js';
import type { RunDownRead } from '../read/run-down-read.js';
import { batteryWatts } from '../give/tested-inverter.js';

/** A number as the rig has it and as it was measured, and by how many seconds that moves the end. */
interface Compared {
  readonly predicted: number;
  readonly measured: number;
  readonly effectS: number;
}

/** What the numbers of the rig said before, and what each of them changes. */
export interface Prediction {
  /** When the reserve would be reached by the rig alone, seconds since 1970. */
  readonly reserveAtS: number;
  /** At the meter, base included, W. */
  readonly load: Compared | undefined;
  /** Of the inverter at that load, 0 to 1. */
  readonly efficiency: Compared | undefined;
  /** Out of the battery, W. */
  readonly battery: Compared;
}

/**
 * When the rig's own numbers say the reserve is reached, and what each measured number moves: first the load, then the
 * inverter, each on top of the one before.
 *
 * @returns Undefined where the test is of no load of the rig, or no single inverter feeds it.
 * Source: energy balance (physics).
 */
export function predictionOf(rig: Rig, test: LogTest, read: RunDownRead): Prediction | undefined {
  const { charge, watts, reservePercent } = read;
  const [first] = charge?.shown ?? [];
  const statedW = statedWatts(rig, test, read);
  const predictedDc = statedW && batteryWatts(rig, test, statedW);
  if (!charge || !first || !statedW || !predictedDc) return undefined;
  const store = batteryStoreOf(rig);
  const usableWh = ((first.y - reservePercent) / PERCENT) * store.fullWh;
  const end = (dcW: number): number => charge.fromS + (usableWh / store.drawnWh(dcW)) * SECONDS_PER_HOUR;
  const withLoad = (watts && batteryWatts(rig, test, watts.value)) ?? predictedDc;
  const measuredDc = read.efficiency?.dcWatts ?? withLoad;
  return {
    reserveAtS: end(predictedDc),
    load: loadCompared(read, statedW, end(withLoad) - end(predictedDc)),
    efficiency: efficiencyCompared(read, withLoad, end(measuredDc) - end(withLoad)),
    battery: {
      predicted: predictedDc,
      measured: measuredDc,
      effectS: end(measuredDc) - end(predictedDc),
    },
  };
}

const loadCompared = ({ watts }: RunDownRead, predicted: number, effectS: number): Compared | undefined =>
  watts && { predicted, measured: watts.value, effectS };

function efficiencyCompared(
  { watts, efficiency }: RunDownRead,
  predictedDc: number,
  effectS: number,
): Compared | undefined {
  return (
    watts &&
    efficiency && {
      predicted: watts.value / predictedDc,
      measured: efficiency.efficiency.value,
      effectS,
    }
  );
}

/** What the load should draw by the rig, with the base that was read, W. */
function statedWatts(rig: Rig, test: LogTest, { base }: RunDownRead): number | undefined {
  const load = rig.loads.find(({ id }) => id === test.load);
  const watts = load && wattsCounted(rig, load, test.state) + (base?.watts ?? 0);
  return watts !== undefined && watts > 0 ? watts : undefined;
}
