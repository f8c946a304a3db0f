import type { WireTables } from '../rig/contradictions.js';
import type { Rig } from '../rig-file/schema.js';
import { ampacity, largestBreakerOn } from './cable.js';
import { mostHorsepowerOfPlug } from '../loads/start/motor.js';

/** The tables that the contradictions of a rig are told by, by the school the rig follows. */
export function wireTablesOf({ practice }: Rig): WireTables {
  return {
    largestBreakerOn,
    ampacity: (cable) =>
      ampacity(cable, cable.awg === undefined ? 'iec' : practice?.ampacity === 'abyc' ? 'abyc' : 'nec'),
    mostHorsepowerOfPlug,
  };
}
