import fc from 'fast-check';
import { DEMO_NAMES, demoText } from '../demo-rigs.js';

const DEMOS = DEMO_NAMES.map(demoText);

const nestedLists = (depth: number): string => '['.repeat(depth) + ']'.repeat(depth);

/** JSON texts that have no business where they are put. */
const STRANGE_VALUES = [
  'null',
  'true',
  '0',
  '-1',
  '1e308',
  '1e999',
  '0.5',
  '"5"',
  '""',
  '" x "',
  '"tools"',
  '"constructor"',
  '"__proto__"',
  '"\u202eabc 💧 \\ud800"',
  JSON.stringify('long '.repeat(1000)),
  '[]',
  '[null]',
  '{}',
  '{"value":1,"basis":"measured"}',
  '{"__proto__":{"isAdmin":true}}',
  nestedLists(70),
  nestedLists(5000),
  `[${'1,'.repeat(600)}1]`,
] as const;

const STRANGE_KEYS = [
  'constructor',
  '__proto__',
  'toString',
  'hasOwnProperty',
  'a.b',
  'a["b"]',
  '',
  'zz 💧',
  'value',
];

/** One change of a document, at the place of that number in the order of its text. */
type Change =
  | { readonly does: 'replace' | 'append'; readonly at: number; readonly value: string }
  | { readonly does: 'remove' | 'double'; readonly at: number }
  | { readonly does: 'add-field'; readonly at: number; readonly key: string; readonly value: string }
  | { readonly does: 'take-from'; readonly at: number; readonly other: number };

const place = fc.nat(5000);
const strangeValue = fc.constantFrom(...STRANGE_VALUES);

const change: fc.Arbitrary<Change> = fc.oneof(
  fc.record({ does: fc.constantFrom('replace' as const, 'append' as const), at: place, value: strangeValue }),
  fc.record({ does: fc.constantFrom('remove' as const, 'double' as const), at: place }),
  fc.record({
    does: fc.constant('add-field' as const),
    at: place,
    key: fc.constantFrom(...STRANGE_KEYS),
    value: strangeValue,
  }),
  fc.record({ does: fc.constant('take-from' as const), at: place, other: place }),
);

/** A demo rig's file with a few changes in its structure, its ids among them, or in its bare text. */
export const mutatedFile: fc.Arbitrary<string> = fc
  .record({
    demo: fc.constantFrom(...DEMOS),
    changes: fc.array(change, { maxLength: 3 }),
    bytes: fc.option(
      fc.record({
        at: fc.nat(20_000),
        drop: fc.constantFrom(0, 1, 2, 50, 20_000),
        insert: fc.constantFrom('', '\uFEFF', '"', '}', ',', '\\', '\u0000', 'é', '[[[['),
      }),
      { freq: 3 },
    ),
  })
  .map(({ demo, changes, bytes }) => {
    const document: unknown = JSON.parse(demo);
    for (const each of changes) apply(document, each);
    const text = withRawValues(JSON.stringify(document));
    if (!bytes) return text;
    const at = bytes.at % text.length;
    return text.slice(0, at) + bytes.insert + text.slice(at + bytes.drop);
  });

/** What JSON.stringify cannot write, such as a number without end, is put in as text afterwards. */
const RAW = '\u0001raw:';

function withRawValues(json: string): string {
  return json.replace(
    /"\\u0001raw:((?:[^"\\]|\\.)*)"/g,
    (_, raw: string) => JSON.parse(`"${raw}"`) as string,
  );
}

type Container = Record<string, unknown> | unknown[];

/** Every place of the document that holds something, with what holds it. */
function placesIn(value: unknown): readonly { readonly holder: Container; readonly key: string }[] {
  if (typeof value !== 'object' || value === null) return [];
  const holder = value as Container;
  return Object.keys(holder).flatMap((key) => [{ holder, key }, ...placesIn(read(holder, key))]);
}

const read = (holder: Container, key: string): unknown => (holder as Record<string, unknown>)[key];

function put(holder: Container, key: string, value: unknown): void {
  Object.defineProperty(holder, key, { value, enumerable: true, configurable: true, writable: true });
}

function pushTo(holder: unknown, value: unknown): void {
  if (Array.isArray(holder)) holder.push(value);
}

function remove(holder: Container, key: string): void {
  if (Array.isArray(holder)) holder.splice(Number(key), 1);
  else Reflect.deleteProperty(holder, key);
}

function apply(document: unknown, change: Change): void {
  const places = placesIn(document);
  const { holder, key } = places[change.at % Math.max(1, places.length)] ?? {};
  if (!holder || key === undefined) return;
  const here = read(holder, key);
  switch (change.does) {
    case 'replace':
      put(holder, key, RAW + change.value);
      break;
    case 'append':
      pushTo(here, RAW + change.value);
      break;
    case 'remove':
      remove(holder, key);
      break;
    case 'double':
      pushTo(holder, structuredClone(here));
      break;
    case 'add-field':
      put(Array.isArray(holder) ? (document as Container) : holder, change.key, RAW + change.value);
      break;
    case 'take-from': {
      const other = places[change.other % places.length];
      if (other) put(holder, key, structuredClone(read(other.holder, other.key)));
    }
  }
}

/** A demo rig as a storage may give it back: with values that no JSON text can hold, and with cycles. */
export const mutatedDocument: fc.Arbitrary<unknown> = fc
  .record({
    demo: fc.constantFrom(...DEMOS),
    at: place,
    kind: fc.constantFrom(
      'cycle',
      'date',
      'map',
      'instance',
      'bigint',
      'hole',
      'function',
      'nan',
      'undefined',
      'deep',
    ),
  })
  .map(({ demo, at, kind }) => {
    const document: unknown = JSON.parse(demo);
    const places = placesIn(document);
    const { holder, key } = places[at % places.length]!;
    put(holder, key, STRANGE_OBJECTS[kind]?.(document));
    return document;
  });

class Instance {
  readonly value = 1;
}

const STRANGE_OBJECTS: Readonly<Record<string, (document: unknown) => unknown>> = {
  cycle: (document) => document,
  date: () => new Date(0),
  map: () => new Map([['a', 1]]),
  instance: () => new Instance(),
  bigint: () => 10n,
  hole: () => new Array(3),
  function: () => () => 1,
  nan: () => Number.NaN,
  undefined: () => undefined,
  deep: () => JSON.parse(nestedLists(5000)) as unknown,
};

const STRANGE_CELLS = [
  '',
  ' ',
  '-1',
  '1e9',
  'NaN',
  '0,5',
  'Tools',
  'constructor',
  '__proto__',
  'x'.repeat(3000),
  "'=1",
  '💧',
];

/** A load list with a few cells, lines or heads spoilt. */
export function mutatedTable(
  table: readonly (readonly string[])[],
): fc.Arbitrary<readonly (readonly string[])[]> {
  const spoil = fc.record({
    does: fc.constantFrom('set', 'drop-cell', 'double-line', 'drop-line'),
    line: fc.nat(100),
    column: fc.nat(100),
    text: fc.constantFrom(...STRANGE_CELLS),
  });
  return fc.array(spoil, { maxLength: 4 }).map((spoils) => {
    const lines = table.map((cells) => [...cells]);
    for (const { does, line, column, text } of spoils) {
      const at = line % lines.length;
      const cells = lines[at]!;
      if (does === 'set') cells[column % cells.length] = text;
      else if (does === 'drop-cell') cells.splice(column % cells.length, 1);
      else if (does === 'double-line') lines.push([...cells]);
      else if (at > 0) lines.splice(at, 1);
    }
    return lines;
  });
}
