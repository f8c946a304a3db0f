import type { Load, Rig } from '../../rig-file/schema.js';
import type { NotFed } from './fed-loads.js';
import { WHY_NOT_FED } from './not-fed-words.js';

/** A set without what its locks and shedders keep off, and why each of those is off. */
export interface Unlocked {
  readonly free: readonly Load[];
  readonly keptOff: readonly NotFed[];
}

/**
 * What runs of a set once its locks and shedders have acted. They act through loads that run: one that is
 * barred, not fed or locked out itself keeps nothing off.
 *
 * @param loads What is on and fed, in the order it was switched on: of a lock, the first runs.
 */
export function unlocked(rig: Rig, loads: readonly Load[]): Unlocked {
  const keptOff: NotFed[] = [];
  const free = loads.reduce<readonly Load[]>((running, load) => {
    const lock = lockedBy(rig, running, load);
    if (lock) keptOff.push(lock);
    return lock ? running : [...running, load];
  }, []);
  const mayGo = free.filter((load) => droppedBy(rig, free, load));
  // Of two that drop each other neither is known to go: what is not known to be off counts.
  const dropped = mayGo.flatMap(
    (load) =>
      droppedBy(
        rig,
        free.filter((other) => other === load || !mayGo.includes(other)),
        load,
      ) ?? [],
  );
  return {
    free: free.filter((load) => !dropped.some((each) => each.load === load)),
    keptOff: [...keptOff, ...dropped],
  };
}

/**
 * What is still on while a load starts and is dropped only then: a shedder acts after the start it makes room for, unless it
 * is known to lead it.
 *
 * @param on What is on and fed, whatever is dropped of it later.
 * Source: common practice, no published source (methods.md, rule 45).
 */
export function droppedAfterStart(rig: Rig, on: readonly Load[], starting: Load): readonly Load[] {
  const late = (rig.shedders ?? []).filter(
    ({ watches, leadsStart }) => watches === starting.id && leadsStart !== 'yes',
  );
  return on.filter(({ id }) => late.some(({ drops }) => drops === id));
}

/** The lock that keeps a load off while one of the others runs. */
function lockedBy(rig: Rig, others: readonly Load[], load: Load): NotFed | undefined {
  const lock = (rig.locks ?? []).find(
    (each) => each.loads.includes(load.id) && others.some((other) => each.loads.includes(other.id)),
  );
  return lock && keptOff(rig, load, WHY_NOT_FED.locked(lock.name));
}

/** The shedder that drops a load while another one runs; a load that is dropped itself drops none. */
function droppedBy(
  rig: Rig,
  others: readonly Load[],
  load: Load,
  asked: readonly string[] = [],
): NotFed | undefined {
  const path = [...asked, load.id];
  for (const { name, drops, watches } of rig.shedders ?? []) {
    const watched = others.find((other) => other.id === watches);
    if (drops !== load.id || !watched || path.includes(watches)) continue;
    if (!droppedBy(rig, others, watched, path))
      return keptOff(rig, load, WHY_NOT_FED.dropped(name, watched.name));
  }
  return undefined;
}

function keptOff(rig: Rig, load: Load, because: string): NotFed | undefined {
  const circuit = rig.circuits.find((candidate) => candidate.id === load.circuit);
  return circuit && { load, circuit, because };
}
