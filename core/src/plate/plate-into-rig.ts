import type { TypicalLoad } from '../reference/typical-loads.js';
import type { Quantity } from '../units/quantity.js';
import { withEntry } from '../rig/entries.js';
import { freeId, freeName } from '../rig-file/free-names.js';
import { newEntry } from '../rig/new-entries.js';
import type { Rig } from '../rig-file/schema.js';
import { isBetter, loadOfPlate, withPlate, type PlateGap, type PlateKept } from './load-of-plate.js';
import type { PlateFact } from './read/plate-fact.js';
import type { PlateSaid } from './say-plate.js';
import { batteryOfPlate, converterOfPlate, generatorOfPlate, type PartOfPlate } from './supply-of-plate.js';

/** What a plate is put into: a new load, an entry that the rig has, or a new one of what supplies. */
export type PlateTarget =
  | { readonly into: 'new-load'; readonly kind: TypicalLoad; readonly name: string; readonly circuit: string }
  | { readonly into: 'entry'; readonly list: PlateList; readonly id: string }
  | { readonly into: 'new-entry'; readonly list: SupplyList; readonly name: string };

type SupplyList = Exclude<PlateList, 'loads'>;
export type PlateList = 'loads' | 'converters' | 'sources' | 'batteries';

/** The rig with a plate in it. */
export interface PlateInRig {
  readonly rig: Rig;
  readonly list: PlateList;
  readonly id: string;
  readonly used: readonly PlateFact[];
  /** Numbers of the plate that were read and have no place there. */
  readonly unused: readonly PlateFact[];
  readonly missing: readonly PlateGap[];
  /** What was measured, and stays. */
  readonly kept: readonly PlateKept[];
}

/** The rig with what a plate says in an entry of it. */
export function withPlateIn(rig: Rig, said: PlateSaid, target: PlateTarget): PlateInRig {
  const put = putInto(rig, said, target);
  const list = target.into === 'new-load' ? 'loads' : target.list;
  return { ...put, list, unused: said.facts.filter((fact) => !put.used.includes(fact)) };
}

type Put = Pick<PlateInRig, 'rig' | 'id' | 'used' | 'missing' | 'kept'>;

function putInto(rig: Rig, said: PlateSaid, target: PlateTarget): Put {
  if (target.into === 'new-load') {
    const { load, used, missing, kept } = loadOfPlate(rig, said.facts, target);
    return { rig: withEntry(rig, 'loads', load), id: load.id, used, missing, kept };
  }
  switch (target.list) {
    case 'loads':
      return intoLoad(rig, said, target.id);
    case 'converters':
      return into(rig, 'converters', target, converterOfPlate(said.read, said.facts));
    case 'sources':
      return into(rig, 'sources', target, generatorOfPlate(said.read, said.facts));
    case 'batteries':
      return into(rig, 'batteries', target, batteryOfPlate(said.read, said.facts));
  }
}

function intoLoad(rig: Rig, { facts }: PlateSaid, id: string): Put {
  const existing = rig.loads.find((load) => load.id === id);
  if (!existing) return { rig, id, used: [], missing: [], kept: [] };
  const { load, used, missing, kept } = withPlate(existing, facts);
  const loads = rig.loads.map((each) => (each === existing ? load : each));
  return { rig: { ...rig, loads }, id, used, missing, kept };
}

/** A number, or any of several tiers, that a plate knows less well. */
function isKnownBetter(value: unknown): boolean {
  if (Array.isArray(value)) return value.some((each: { readonly limit?: Quantity }) => isBetter(each.limit));
  return isBetter(value as Quantity | undefined);
}

function into<L extends SupplyList>(
  rig: Rig,
  list: L,
  target: Exclude<PlateTarget, { readonly into: 'new-load' }>,
  { says, used }: PartOfPlate<Rig[L][number]>,
): Put {
  const usedBut = (kept: readonly string[]): readonly PlateFact[] =>
    used.flatMap(([rating, facts]) => (kept.includes(String(rating)) ? [] : facts));
  const all: readonly { readonly id: string; readonly name: string }[] = rig[list];
  if (target.into === 'entry') {
    const existing: object = all.find(({ id }) => id === target.id) ?? {};
    const kept = Object.entries(existing).filter(([key, value]) => key in says && isKnownBetter(value));
    const filled = { ...says, ...Object.fromEntries(kept) };
    const entries = all.map((each) => (each.id === target.id ? { ...each, ...filled } : each));
    return {
      rig: { ...rig, [list]: entries },
      id: target.id,
      used: usedBut(kept.map(([key]) => key)),
      missing: [],
      kept: kept.length > 0 ? ['ratings'] : [],
    };
  }
  const fresh = newEntry(rig, list);
  const names = all.map(({ name }) => name);
  const name = target.name.trim() === '' ? fresh.name : freeName(target.name.trim(), names);
  const id = freeId(
    name,
    all.map((each) => each.id),
  );
  return {
    rig: { ...rig, [list]: [...all, { ...fresh, ...says, id, name }] },
    id,
    used: usedBut([]),
    missing: [],
    kept: [],
  };
}
