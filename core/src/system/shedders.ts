import type { Load, Rig } from '../rig/schema.js';
import type { NotFed } from './fed-loads.js';

/** The shedder that drops a load while another one runs; it cannot run beside it. */
export function droppedBy(rig: Rig, others: readonly Load[], load: Load): NotFed | undefined {
  const shedder = (rig.shedders ?? []).find(
    (each) => each.drops === load.id && others.some((other) => other.id === each.watches),
  );
  const circuit = rig.circuits.find((candidate) => candidate.id === load.circuit);
  const watched = rig.loads.find((candidate) => candidate.id === shedder?.watches);
  return shedder && circuit && watched
    ? { load, circuit, because: `"${shedder.name}" drops it while ${watched.name} runs` }
    : undefined;
}
