import { dcWatts, lossCurveOf } from '../../supply/efficiency-curve.js';
import type { Converter, Rig } from '../../rig-file/schema.js';
import type { LogTest } from '../log-test.js';

/** The inverter that a test on battery draws from: the one that feeds the load, else the only one there is. */
export function inverterOf(rig: Rig, test: Pick<LogTest, 'load'>): Converter | undefined {
  const inverters = rig.converters.filter(({ kind }) => kind === 'inverter' || kind === 'inverter-charger');
  const load = rig.loads.find(({ id }) => id === test.load);
  const circuit = rig.circuits.find(({ id }) => id === load?.circuit);
  return (
    inverters.find(({ to }) => to === circuit?.bus) ?? (inverters.length === 1 ? inverters[0] : undefined)
  );
}

/** What the battery gives by the rig for so many watts on the AC side, W; undefined where no single inverter feeds it. */
export function batteryWatts(rig: Rig, test: Pick<LogTest, 'load'>, watts: number): number | undefined {
  const inverter = inverterOf(rig, test);
  return inverter && dcWatts(lossCurveOf(inverter), watts, watts);
}
