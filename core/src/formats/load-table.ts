import type { NumberStyle } from '../units/number-style.js';
import { kindOfPart, PART_KINDS, type PartKind } from '../reference/kinds-of-parts.js';
import { BASES, type Basis, type Quantity } from '../units/quantity.js';
import { parseNumber } from '../units/parse.js';
import { choiceWords } from '../rig/choice-words.js';
import { freeId } from '../rig-file/free-names.js';
import { fieldAt } from '../rig-file/field-table.js';
import type { Load, Part, Rig } from '../rig-file/schema.js';
import { describeProblem, type RigProblem } from '../rig-file/problems.js';
import { validateRig } from '../rig-file/validate.js';

/** A column of the load list as a table: its head, what it holds, and how it is read. */
interface Column {
  readonly head: string;
  readonly write: (rig: Rig, load: Load, part: Part) => string;
}

const unitOf = (place: string): string => {
  const { label, unit } = fieldAt(place);
  return unit === undefined ? label : `${label} [${unit}]`;
};

const numberWords = (value: number | undefined): string => (value === undefined ? '' : String(value));

const quantityColumns = (place: string, of: (part: Part) => Quantity | undefined): readonly Column[] => {
  const head = unitOf(place);
  return [
    { head, write: (_rig, _load, part) => numberWords(of(part)?.value) },
    { head: `${fieldAt(place).label}, known as`, write: (_rig, _load, part) => of(part)?.basis ?? '' },
  ];
};

const HEADS = {
  load: 'load',
  part: 'part',
  kind: 'kind',
  circuit: 'circuit',
  use: 'use',
} as const;

/** The columns, from the field table: a load with several parts takes a line for each. */
const COLUMNS: readonly Column[] = [
  { head: HEADS.load, write: (_rig, load) => load.name },
  { head: HEADS.part, write: (_rig, _load, part) => part.name ?? '' },
  { head: HEADS.kind, write: (_rig, _load, part) => kindOfPart(part.kind).name },
  {
    head: HEADS.circuit,
    write: (rig, load) => rig.circuits.find(({ id }) => id === load.circuit)?.name ?? load.circuit,
  },
  { head: HEADS.use, write: (_rig, load) => choiceWords(load.usage) },
  ...quantityColumns('loads[].parts[].runningW', ({ runningW }) => runningW),
  ...quantityColumns('loads[].parts[].powerFactor', ({ powerFactor }) => powerFactor),
  ...quantityColumns('loads[].parts[].start.va', ({ start }) => start?.va),
  ...quantityColumns('loads[].parts[].start.seconds', ({ start }) => start?.seconds),
  { head: unitOf('loads[].restartWaitS'), write: (_rig, load) => numberWords(load.restartWaitS) },
  { head: unitOf('loads[].runsMinutes'), write: (_rig, load) => numberWords(load.runsMinutes) },
  { head: fieldAt('loads[].isProtected').label, write: (_rig, load) => load.isProtected ?? '' },
];

/**
 * The load list as a table, units in the header: lines of cells, for any writer of RFC 4180. Numbers that
 * follow from a plate stay in the rig file only.
 */
export function loadTable(rig: Rig): readonly (readonly string[])[] {
  const lines = rig.loads.flatMap((load) =>
    load.parts.map((part) => COLUMNS.map(({ write }) => write(rig, load, part))),
  );
  return [COLUMNS.map(({ head }) => head), ...lines];
}

/** What a spreadsheet would read as a formula, behind the apostrophe that keeps it from being one. */
const GUARDED = /^'(?=[=+\-@\t\r])/;

/** One line of a table that is brought in, and what would become of it. */
export interface LoadLine {
  /** As a spreadsheet counts: the header is line 1. */
  readonly line: number;
  readonly name: string;
  readonly becomes: 'added' | 'changed' | 'left-out';
  /** Why it is left out. */
  readonly problems: readonly string[];
}

export interface LoadImport {
  /** Why the table cannot be read at all. */
  readonly fault: string | undefined;
  readonly lines: readonly LoadLine[];
  /** The rig with all good lines. */
  readonly rig: Rig;
}

type Cells = ReadonlyMap<string, string>;

/**
 * Reads a load list. Columns are found by their heads in any order; a load of a name that the rig has is
 * changed, any other is added. Every bad line says why, and the rest goes on without it.
 *
 * @param table Lines of cells, the header first.
 */
export function readLoadTable(
  style: NumberStyle,
  rig: Rig,
  table: readonly (readonly string[])[],
): LoadImport {
  const [header = [], ...body] = table;
  const heads = header.map(headAsWritten);
  const missing = [HEADS.load, unitOf('loads[].parts[].runningW')].filter((head) => !heads.includes(head));
  if (missing.length > 0)
    return {
      fault: `The header has no column "${missing[0]}"; add it, or begin from a saved list.`,
      lines: [],
      rig,
    };
  const lines = body
    .map((cells, index) => ({ line: index + 2, cells: cellsOf(heads, cells) }))
    .filter(({ cells }) => [...cells.values()].some((cell) => cell !== ''));
  const groups = groupedByLoad(lines);
  const result = groups.reduce<LoadImport>((before, group) => withGroup(style, before, group), {
    fault: undefined,
    lines: [],
    rig,
  });
  const whole = validateRig(result.rig, rig);
  return whole.ok ? result : { ...result, fault: problemLine(whole.problems), rig };
}

/** What is wrong with a list only as a whole: it holds too many loads. */
function problemLine([first]: readonly RigProblem[]): string {
  return first ? describeProblem(first) : '';
}

/** Heads are known in any case of letters. */
function headAsWritten(text: string): string {
  return COLUMNS.find(({ head }) => same(head, text))?.head ?? text.trim();
}

interface Line {
  readonly line: number;
  readonly cells: Cells;
}

function cellsOf(heads: readonly string[], cells: readonly string[]): Cells {
  return new Map(heads.map((head, index) => [head, (cells[index] ?? '').replace(GUARDED, '').trim()]));
}

/** Lines that follow each other under one name are the parts of one load. */
function groupedByLoad(lines: readonly Line[]): readonly (readonly Line[])[] {
  return lines.reduce<readonly (readonly Line[])[]>((groups, line) => {
    const last = groups.at(-1);
    const name = line.cells.get(HEADS.load) ?? '';
    const belongs = last?.[0]?.cells.get(HEADS.load) === name && (line.cells.get(HEADS.part) ?? '') !== '';
    return last && belongs ? [...groups.slice(0, -1), [...last, line]] : [...groups, [line]];
  }, []);
}

function withGroup(style: NumberStyle, before: LoadImport, group: readonly Line[]): LoadImport {
  const [first] = group;
  const name = first?.cells.get(HEADS.load) ?? '';
  const { rig } = before;
  const existing = rig.loads.find((load) => load.name === name);
  const problems: string[] = [];
  const earlier = before.lines.find((line) => line.name === name && name !== '');
  if (earlier)
    problems.push(`"${name}" stands on line ${earlier.line} already; give one of the two another name.`);
  const load = loadFrom(style, rig, name, group, existing, problems);
  const loads = existing
    ? rig.loads.map((each) => (each.id === existing.id ? load : each))
    : [...rig.loads, load];
  if (problems.length === 0) {
    const read = validateRig(withLoadAlone(rig, load));
    if (!read.ok) problems.push(...read.problems.map(describeProblem));
  }
  const becomes = problems.length > 0 ? 'left-out' : existing ? 'changed' : 'added';
  return {
    ...before,
    lines: [...before.lines, ...group.map(({ line }) => ({ line, name, becomes, problems }) as const)],
    rig: problems.length > 0 ? rig : { ...rig, loads },
  };
}

/** Its line is checked by itself, so that a long list costs no more than its length. */
function withLoadAlone(rig: Rig, load: Load): Rig {
  const { ties: _ties, locks: _locks, shedders: _shedders, days: _days, ...rest } = rig;
  return { ...rest, loads: [load], scenes: rig.scenes.map((scene) => ({ ...scene, on: [] })) };
}

function loadFrom(
  style: NumberStyle,
  rig: Rig,
  name: string,
  group: readonly Line[],
  existing: Load | undefined,
  problems: string[],
): Load {
  const cells = group[0]?.cells ?? new Map<string, string>();
  if (name === '') problems.push('The load has no name; give it one.');
  const taken = rig.loads.map(({ id }) => id);
  const before: Load = existing ?? { ...BLANK, id: freeId(name, taken), name };
  return {
    ...before,
    name,
    circuit: circuitFrom(rig, cells, problems) ?? before.circuit,
    usage: usageFrom(cells.get(HEADS.use) ?? '', problems) ?? before.usage,
    ...given('restartWaitS', numberFrom(style, cells, unitOf('loads[].restartWaitS'), problems)),
    ...given('runsMinutes', numberFrom(style, cells, unitOf('loads[].runsMinutes'), problems)),
    ...given('isProtected', yesOrNo(cells.get(fieldAt('loads[].isProtected').label))),
    parts: partsFrom(style, group, before.parts, problems),
  };
}

/** A line changes the part of its name, or the only one, and adds any other; parts without a line stay. */
function partsFrom(
  style: NumberStyle,
  group: readonly Line[],
  before: readonly Part[],
  problems: string[],
): Part[] {
  return group.reduce<Part[]>(
    (parts, { cells }) => {
      const name = cells.get(HEADS.part) ?? '';
      const isOnly = before.length === 1 && group.length === 1;
      const existing = parts.find((part) => isOnly || same(part.name ?? '', name));
      const part = partFrom(style, cells, existing ?? blankPart(name, parts, group.length), problems);
      return existing ? parts.map((each) => (each === existing ? part : each)) : [...parts, part];
    },
    [...before],
  );
}

/** What a load of which the table says nothing more is. */
const BLANK: Load = { id: '', name: '', circuit: '', usage: 'left-on', parts: [] };

function blankPart(name: string, others: readonly Part[], count: number): Part {
  const taken = others.map(({ id }) => id);
  return { id: freeId(count === 1 ? 'main' : name || 'part', taken), kind: 'resistance-heater' };
}

/** A field that takes the place of what was there, where the table gives it. */
function given<K extends string, T>(key: K, value: T | undefined): Partial<Record<K, T>> {
  return value === undefined ? {} : ({ [key]: value } as Record<K, T>);
}

const yesOrNo = (text: string | undefined): 'yes' | 'no' | undefined =>
  text === 'yes' || text === 'no' ? text : undefined;

function circuitFrom(rig: Rig, cells: Cells, problems: string[]): string | undefined {
  const name = cells.get(HEADS.circuit) ?? '';
  const circuit = rig.circuits.find((each) => same(each.name, name) || each.id === name);
  const isKept = name === '' && rig.loads.some((load) => load.name === cells.get(HEADS.load));
  if (!circuit && !isKept)
    problems.push(
      `The circuit "${name}" is not in this rig; use one of ${rig.circuits.map((each) => each.name).join(', ')}.`,
    );
  return circuit?.id;
}

const same = (one: string, other: string): boolean => one.trim().toLowerCase() === other.trim().toLowerCase();

function usageFrom(text: string, problems: string[]): Load['usage'] | undefined {
  if (text === '') return undefined;
  const usages: readonly Load['usage'][] = ['left-on', 'by-itself', 'during-work'];
  const found = usages.find((usage) => same(choiceWords(usage), text) || usage === text);
  if (!found)
    problems.push(`The use "${text}" is not known; use one of ${usages.map(choiceWords).join(', ')}.`);
  return found;
}

function partFrom(style: NumberStyle, cells: Cells, before: Part, problems: string[]): Part {
  const name = cells.get(HEADS.part) ?? '';
  const runningW = unchanged(
    before.runningW,
    quantityFrom(style, cells, 'loads[].parts[].runningW', problems),
  );
  const { runningFrom, ...rest } = before;
  return {
    ...rest,
    // Watts that are given take the place of the figure they followed from.
    ...(runningW === undefined && runningFrom && { runningFrom }),
    kind: kindFrom(cells.get(HEADS.kind) ?? '', problems) ?? before.kind,
    ...(name !== '' && { name }),
    ...given('runningW', runningW),
    ...given(
      'powerFactor',
      unchanged(before.powerFactor, quantityFrom(style, cells, 'loads[].parts[].powerFactor', problems)),
    ),
    ...given('start', startFrom(style, cells, before, problems)),
  };
}

function startFrom(style: NumberStyle, cells: Cells, { start }: Part, problems: string[]): Part['start'] {
  const va = unchanged(start?.va, quantityFrom(style, cells, 'loads[].parts[].start.va', problems));
  const seconds = unchanged(
    start?.seconds,
    quantityFrom(style, cells, 'loads[].parts[].start.seconds', problems),
  );
  if (!va && !seconds) return start;
  return { ...start, ...given('va', va), ...given('seconds', seconds) };
}

/** A number that the table repeats keeps its own doubt, source and note, which the table has no column for. */
function unchanged(before: Quantity | undefined, given: Quantity | undefined): Quantity | undefined {
  const isSame = before?.value === given?.value && before?.basis === given?.basis;
  return isSame ? before : given;
}

function kindFrom(text: string, problems: string[]): PartKind | undefined {
  if (text === '') return undefined;
  const found = PART_KINDS.find((kind) => same(kindOfPart(kind).name, text) || kind === text);
  if (!found)
    problems.push(
      `The kind "${text}" is not known; use a name as "Made of" in Loads shows it, such as "${kindOfPart('fan-motor').name}".`,
    );
  return found;
}

function numberFrom(style: NumberStyle, cells: Cells, head: string, problems: string[]): number | undefined {
  const text = cells.get(head) ?? '';
  if (text === '') return undefined;
  const value = parseNumber(style, text);
  if (value === undefined) problems.push(`"${head}" must be a number; found "${text}".`);
  return value;
}

function quantityFrom(
  style: NumberStyle,
  cells: Cells,
  place: string,
  problems: string[],
): Quantity | undefined {
  const value = numberFrom(style, cells, unitOf(place), problems);
  if (value === undefined) return undefined;
  const head = `${fieldAt(place).label}, known as`;
  const text = cells.get(head) ?? '';
  const basis = text === '' ? 'nameplate' : BASES.find((each) => same(each, text));
  if (!basis) problems.push(`"${head}" must be one of ${BASES.join(', ')}; found "${text}".`);
  return { value, basis: (basis ?? 'guess') satisfies Basis };
}
