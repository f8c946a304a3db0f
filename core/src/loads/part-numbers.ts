import type { Quantity } from '../units/quantity.js';
import type { PartNumber } from '../rig/edits.js';
import type { Load, Part, Rig } from '../rig-file/schema.js';
import { runningPowerOf } from './running-power.js';
import { startSizeOf } from './start/start-size.js';
import { systemOfLoad } from './voltage-of-load.js';

/** A number of a part with the half-widths that count, entered or derived; undefined where it has none. */
export function partNumber(rig: Rig, load: Load, part: Part, number: PartNumber): Quantity | undefined {
  const system = systemOfLoad(rig, load);
  if (number === 'running') return runningPowerOf(part, system).watts;
  const size = startSizeOf(part, system);
  return number === 'start' ? size?.va : size?.seconds;
}
