import type { Rig } from '../rig-file/schema.js';
import { flatArrayW } from './clear-sky.js';

/**
 * What the arrays of a rig give to its batteries, W: each no more than its charge controller passes on.
 *
 * @param wPerM2 Irradiance on the flat, W/m².
 * @returns W on the DC side. Source: methods.md 11; arrays lie flat.
 */
export function solarWatts(rig: Rig, wPerM2: number): number {
  return (rig.solar ?? []).reduce((sum, { bus, stcW, chargerA }) => {
    const volts = rig.buses.find(({ id }) => id === bus)?.volts ?? 0;
    return (
      sum + Math.min(flatArrayW(stcW.value, wPerM2), chargerA === undefined ? Infinity : chargerA * volts)
    );
  }, 0);
}
