import { chargingLoads } from './charging-loads.js';
import type { Circuit, Load, Rig, Supply } from '../rig-file/schema.js';

/** The load with an id of the rig, or what one of its chargers draws; ids in a result always are one of them. */
export function loadOf(rig: Rig, id: string): Load {
  const load =
    rig.loads.find((candidate) => candidate.id === id) ??
    chargingLoads(rig).find((charging) => charging.load.id === id)?.load;
  if (!load) throw new RangeError(`The rig has no load ${id}`);
  return load;
}

/** The supply with an id of the rig. */
export function supplyOf(rig: Rig, id: string): Supply {
  const supply = rig.supplies.find((candidate) => candidate.id === id);
  if (!supply) throw new RangeError(`The rig has no supply ${id}`);
  return supply;
}

/** The circuit that a load hangs on, or the feed of a charger; undefined where the rig has none. */
export function circuitOfLoad(rig: Rig, load: Pick<Load, 'circuit'>): Circuit | undefined {
  return (
    rig.circuits.find(({ id }) => id === load.circuit) ??
    chargingLoads(rig).find(({ circuit }) => circuit.id === load.circuit)?.circuit
  );
}
