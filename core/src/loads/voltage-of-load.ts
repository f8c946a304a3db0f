import { circuitOfLoad } from '../rig/lookup.js';
import type { Load, Rig } from '../rig-file/schema.js';

/** The system a load is connected to. */
export interface SystemOfLoad {
  /** Nominal volts between its two conductors. */
  readonly volts: number;
  readonly hertz: number | undefined;
  /** On direct current there is no power factor: volts times amps are watts. */
  readonly current?: 'ac' | 'dc';
}

/** Nominal volts and frequency at a load: a load on both legs of a bus has twice the volts of a leg. */
export function systemOfLoad(rig: Rig, load: Load): SystemOfLoad {
  const circuit = circuitOfLoad(rig, load);
  const bus = rig.buses.find((candidate) => candidate.id === circuit?.bus);
  if (!bus) throw new RangeError(`Load ${load.id} is on a bus that the rig does not have`);
  return { volts: bus.volts * (circuit?.pole === 'both' ? 2 : 1), hertz: bus.hertz, current: bus.kind };
}
