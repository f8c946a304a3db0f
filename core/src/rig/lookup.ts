import type { Load, Rig, Supply } from './schema.js';

/** The load with an id of the rig; ids in a result always are. */
export function loadOf(rig: Rig, id: string): Load {
  const load = rig.loads.find((candidate) => candidate.id === id);
  if (!load) throw new RangeError(`The rig has no load ${id}`);
  return load;
}

/** The supply with an id of the rig. */
export function supplyOf(rig: Rig, id: string): Supply {
  const supply = rig.supplies.find((candidate) => candidate.id === id);
  if (!supply) throw new RangeError(`The rig has no supply ${id}`);
  return supply;
}
