import type { Load, Rig } from '../rig-file/schema.js';
import { consumerOf } from './consumer.js';
import { systemOfLoad } from './voltage-of-load.js';

/** What a load draws in a state as the checks count it, W as stated: at its peak where it pulses, or may. */
export function wattsCounted(rig: Rig, load: Load, stateId: string | undefined): number {
  const { parts } = consumerOf(load, systemOfLoad(rig, load), stateId);
  return parts.reduce((sum, part) => sum + part.running.watts.value, 0);
}
