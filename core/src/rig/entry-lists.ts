import type { Rig } from '../rig-file/schema.js';

/** The lists of a rig whose entries a person adds, copies and removes. */
export const ENTRY_LISTS = [
  'sources',
  'converters',
  'batteries',
  'solar',
  'buses',
  'circuits',
  'loads',
  'supplies',
  'days',
] as const;
export type EntryList = (typeof ENTRY_LISTS)[number];
export type Entry<L extends EntryList = EntryList> = NonNullable<Rig[L]>[number];

/** How one entry of a list is called. */
export const ENTRY_WORDS: Readonly<Record<EntryList, string>> = {
  sources: 'source',
  converters: 'inverter or charger',
  batteries: 'battery',
  solar: 'solar array',
  buses: 'busbar',
  circuits: 'circuit',
  loads: 'load',
  supplies: 'supply',
  days: 'day',
};

export function entriesOf(rig: Rig, list: EntryList): readonly Entry[] {
  return rig[list] ?? [];
}
