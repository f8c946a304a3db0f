import { dayWithoutLoad, dayWithoutSupply, dayWithStates } from './day-without.js';
import { ENTRY_WORDS, entriesOf, type Entry, type EntryList } from './entry-lists.js';
import { freeId, freeName } from '../rig-file/free-names.js';
import type { Load, Rig, Scene } from '../rig-file/schema.js';

export type Removal =
  | { readonly ok: true; readonly rig: Rig }
  | { readonly ok: false; readonly because: string };

/** The rig with one more entry, at the end of its list. */
export function withEntry<L extends EntryList>(rig: Rig, list: L, entry: Entry<L>): Rig {
  return { ...rig, [list]: [...entriesOf(rig, list), entry] };
}

/** The rig with a copy of an entry after it, under an id and a name of its own; the copy's id with it. */
export function withCopy(rig: Rig, list: EntryList, id: string): { readonly rig: Rig; readonly id: string } {
  const entries = entriesOf(rig, list);
  const index = entries.findIndex((entry) => entry.id === id);
  const original = entries[index];
  if (!original) return { rig, id };
  const name = freeName(
    original.name,
    entries.map((entry) => entry.name),
  );
  const copy = {
    ...original,
    id: freeId(
      name,
      entries.map((entry) => entry.id),
    ),
    name,
  };
  return {
    rig: { ...rig, [list]: [...entries.slice(0, index + 1), copy, ...entries.slice(index + 1)] },
    id: copy.id,
  };
}

/**
 * The rig without an entry and without what names it: ties, locks and ticks of a load go with it.
 *
 * @returns Why not, where something else hangs on the entry or a rig needs at least one.
 */
export function withoutEntry(rig: Rig, list: EntryList, id: string): Removal {
  const because = obstacleTo(rig, list, id);
  if (because) return { ok: false, because };
  const rest = { ...rig, [list]: entriesOf(rig, list).filter((entry) => entry.id !== id) };
  return { ok: true, rig: forgetting(rest, list, id) };
}

/** The loads moved to another circuit. */
export function withLoadsOn(rig: Rig, loadIds: readonly string[], circuitId: string): Rig {
  return changedLoads(rig, loadIds, (load) => ({ ...load, circuit: circuitId }));
}

/** Some loads changed in the same way. */
export function changedLoads(rig: Rig, loadIds: readonly string[], change: (load: Load) => Load): Rig {
  return { ...rig, loads: rig.loads.map((load) => (loadIds.includes(load.id) ? change(load) : load)) };
}

/** The rig without one part of a load, and without states, stages and ticks that were of this part only. */
export function withoutPart(rig: Rig, loadId: string, partId: string): Rig {
  const rest = changedLoads(rig, [loadId], (load) => loadWithoutPart(load, partId));
  const states = rest.loads.find(({ id }) => id === loadId)?.states ?? [];
  const isKept = (state: string | undefined): boolean => states.some(({ id }) => id === state);
  return {
    ...rest,
    scenes: rest.scenes.map((scene) => ({
      ...scene,
      on: scene.on.map(({ state, ...on }) =>
        on.load === loadId && !isKept(state) ? on : { ...on, ...(state !== undefined && { state }) },
      ),
    })),
    ...(rest.days && {
      days: rest.days.map((day) =>
        dayWithStates(
          day,
          loadId,
          states.map(({ id }) => id),
        ),
      ),
    }),
  };
}

function loadWithoutPart(load: Load, partId: string): Load {
  const states = (load.states ?? [])
    .map((state) => ({ ...state, parts: state.parts.filter(({ part }) => part !== partId) }))
    .filter(({ parts }) => parts.length > 0);
  const stages = (load.programme?.stages ?? []).filter(({ state }) => states.some(({ id }) => id === state));
  const { programme, states: before, ...rest } = load;
  return {
    ...rest,
    parts: load.parts.filter(({ id }) => id !== partId),
    ...(before && { states }),
    ...(programme && stages.length > 0 && { programme: { ...programme, stages } }),
  };
}

const AT_LEAST_ONE: readonly EntryList[] = ['buses', 'circuits', 'supplies'];

function obstacleTo(rig: Rig, list: EntryList, id: string): string | undefined {
  const entry = entriesOf(rig, list).find((each) => each.id === id);
  if (!entry) return undefined;
  if (AT_LEAST_ONE.includes(list) && entriesOf(rig, list).length === 1)
    return `a rig has at least one ${ENTRY_WORDS[list]}; add another one first`;
  const hanging = hangingOn(rig, list, id);
  return hanging.length === 0
    ? undefined
    : `${entry.name} feeds ${listed(hanging)}; move or remove ${hanging.length === 1 ? 'it' : 'them'} first`;
}

const MOST_NAMED = 3;

function listed(names: readonly string[]): string {
  const more = names.length - MOST_NAMED;
  if (more > 0) return `${names.slice(0, MOST_NAMED).join(', ')} and ${more} more`;
  return [names.slice(0, -1).join(', '), ...names.slice(-1)].filter(Boolean).join(' and ');
}

function hangingOn(rig: Rig, list: EntryList, id: string): readonly string[] {
  if (list === 'circuits') return rig.loads.filter((load) => load.circuit === id).map((load) => load.name);
  if (list !== 'buses') return [];
  const onBus = [...rig.sources, ...rig.batteries, ...(rig.solar ?? []), ...rig.circuits];
  const converters = rig.converters.filter((each) => [each.from, each.to, each.passThroughFrom].includes(id));
  return [...onBus.filter(({ bus }) => bus === id), ...converters].map(({ name }) => name);
}

/** Everything that named the entry, without it. */
function forgetting(rig: Rig, list: EntryList, id: string): Rig {
  switch (list) {
    case 'loads':
      return withoutLoad(rig, id);
    case 'supplies':
      return withoutSupply(rig, id);
    case 'sources':
      return {
        ...rig,
        supplies: rig.supplies.map((supply) => ({
          ...supply,
          sources: supply.sources.filter((source) => source !== id),
        })),
      };
    case 'circuits':
      return {
        ...rig,
        circuits: rig.circuits.map(({ sharesNeutralWith, ...circuit }) => ({
          ...circuit,
          ...(sharesNeutralWith !== undefined && sharesNeutralWith !== id && { sharesNeutralWith }),
        })),
      };
    default:
      return rig;
  }
}

function withoutLoad(rig: Rig, id: string): Rig {
  const { ties, locks, shedders } = rig;
  return {
    ...rig,
    ...(ties && { ties: ties.filter(({ follower, leader }) => follower !== id && leader !== id) }),
    ...(locks && {
      locks: locks
        .map((lock) => ({ ...lock, loads: lock.loads.filter((load) => load !== id) }))
        .filter((lock) => lock.loads.length > 1),
    }),
    ...(shedders && { shedders: shedders.filter(({ drops, watches }) => drops !== id && watches !== id) }),
    scenes: rig.scenes.map((scene) => ({ ...scene, on: onWithoutLoad(scene.on, id) })),
    ...(rig.days && { days: rig.days.map((day) => dayWithoutLoad(day, id)) }),
  };
}

function onWithoutLoad(on: Scene['on'], id: string): Scene['on'] {
  return on
    .filter(({ load }) => load !== id)
    .map(({ offAtRestartOf, ...each }) => {
      const tools = offAtRestartOf?.filter((tool) => tool !== id) ?? [];
      return tools.length > 0 ? { ...each, offAtRestartOf: tools } : each;
    });
}

function withoutSupply(rig: Rig, id: string): Rig {
  const first = rig.supplies[0];
  return {
    ...rig,
    loads: rig.loads.map((load) =>
      load.neverOn ? { ...load, neverOn: load.neverOn.filter((supply) => supply !== id) } : load,
    ),
    scenes: rig.scenes.map((scene) =>
      scene.supply === id && first ? { ...scene, supply: first.id } : scene,
    ),
    ...(rig.days && { days: rig.days.map((day) => dayWithoutSupply(day, id)) }),
  };
}
