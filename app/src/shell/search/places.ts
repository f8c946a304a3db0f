import { capitalised } from '@heliarch/core/units';
import { ENTRY_WORDS, entriesOf, type EntryList, type Rig } from '@heliarch/core/rig';
import { topFields, type Field } from '@heliarch/core/describe';

/** What the frame itself can do. */
export type ActionId =
  | 'undo'
  | 'redo'
  | 'theme'
  | 'begin'
  | 'open-file'
  | 'hand-over'
  | 'cautions'
  | 'keys'
  | 'print';

/** Something that can be gone to or done, and the words it is found by. */
export interface Place {
  readonly id: string;
  readonly name: string;
  /** What it is: "load", "circuit", "field of the inverter". */
  readonly what: string;
  readonly to:
    | { readonly link: string; readonly query?: Readonly<Record<string, string>> }
    | { readonly action: ActionId };
}

const ROOMS: readonly Place[] = [
  { id: 'rig', name: 'Rig', what: 'room', to: { link: '/rig' } },
  { id: 'supplies', name: 'Supplies side by side', what: 'in Rig', to: viewOfRig('supplies') },
  { id: 'setup', name: 'Surroundings, practice, units', what: 'in Rig', to: viewOfRig('setup') },
  { id: 'loads', name: 'Loads', what: 'room', to: { link: '/loads' } },
  { id: 'together', name: 'Together', what: 'room', to: { link: '/together' } },
  { id: 'day', name: 'Day', what: 'room', to: { link: '/day' } },
  { id: 'now', name: 'Now', what: 'room', to: { link: '/now' } },
  { id: 'dark', name: 'It went dark', what: 'in Now', to: { link: '/now', query: { view: 'dark' } } },
  { id: 'card', name: 'Card', what: 'room', to: { link: '/card' } },
];

const ACTIONS: readonly Place[] = (
  [
    ['undo', 'Undo'],
    ['redo', 'Redo'],
    ['theme', 'Change between day and night'],
    ['begin', 'Begin a new rig'],
    ['open-file', 'Open a file'],
    ['hand-over', 'Give to a phone, or take one'],
    ['print', 'Print this room'],
    ['keys', 'Show the keys'],
    ['cautions', 'Before you rely on this'],
  ] as const
).map(([action, name]) => ({ id: action, name, what: 'action', to: { action } }));

const LISTS: readonly EntryList[] = [
  'converters',
  'batteries',
  'sources',
  'supplies',
  'circuits',
  'solar',
  'buses',
];
const MOST_FOUND = 12;

/** Everything of a rig that can be gone to. */
export function placesOf(rig: Rig | undefined): readonly Place[] {
  if (!rig) return [...ROOMS, ...ACTIONS];
  const loads = rig.loads.map(({ id, name }) => ({
    id: `load ${id}`,
    name,
    what: 'load',
    to: { link: '/loads', query: { load: id } },
  }));
  const parts = LISTS.flatMap((list) =>
    entriesOf(rig, list).map(({ id, name }) => ({
      id: `${list} ${id}`,
      name,
      what: ENTRY_WORDS[list],
      to: partOfRig(list, id),
    })),
  );
  return [...ROOMS, ...loads, ...parts, ...LISTS.flatMap((list) => fieldsOf(rig, list)), ...ACTIONS];
}

/**
 * What has all of the words, what begins with them first.
 *
 * @returns No more than fit a list that is read at a glance.
 */
export function foundAmong(places: readonly Place[], words: string): readonly Place[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  if (wanted.length === 0) return places.slice(0, MOST_FOUND);
  const first = wanted[0] ?? '';
  const begins = ({ name }: Place): number => Number(name.toLowerCase().startsWith(first));
  return places
    .filter(({ name, what }) => wanted.every((word) => `${name} ${what}`.toLowerCase().includes(word)))
    .sort((a, b) => begins(b) - begins(a))
    .slice(0, MOST_FOUND);
}

function viewOfRig(view: string): Place['to'] {
  return { link: '/rig', query: { view } };
}

function partOfRig(list: EntryList, id: string): Place['to'] {
  return { link: '/rig', query: { part: `${list} ${id}`, ...(list === 'supplies' && { view: 'supplies' }) } };
}

/** The fields of a kind of part, to be filled in at the first of that kind. */
function fieldsOf(rig: Rig, list: EntryList): readonly Place[] {
  const [entry] = entriesOf(rig, list);
  const fields = topFields().find(({ key }) => key === list)?.fields ?? [];
  return entry ? fields.flatMap((field) => placeOfField(field, list, entry)) : [];
}

function placeOfField(
  { key, kind, label }: Field,
  list: EntryList,
  entry: { readonly id: string; readonly name: string },
): readonly Place[] {
  if (kind === 'id' || kind === 'constant' || key === 'name') return [];
  const what = `field of ${entry.name}`;
  return [{ id: `${list} ${key}`, name: capitalised(label), what, to: partOfRig(list, entry.id) }];
}
