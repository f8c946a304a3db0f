import {
  LOAD_FAMILIES,
  type Load,
  type LoadFamily,
  type Rig,
  loadSummary,
  type LoadSummary,
} from '@heliarch/core/rig';

/** One line of the list. */
export interface LoadRow extends LoadSummary {
  readonly load: Load;
  readonly circuit: string;
  readonly use: string;
}

export type Column = 'kind' | 'name' | 'running' | 'start' | 'use' | 'circuit';

export interface Sorting {
  readonly column: Column;
  readonly isDown: boolean;
}

export interface RowGroup {
  /** Undefined where the list is not by kind. */
  readonly family: LoadFamily | undefined;
  readonly rows: readonly LoadRow[];
}

/** In a narrow column, beside its mark. */
const SHORT_USE: Readonly<Record<Load['usage'], string>> = {
  'left-on': 'left on',
  'by-itself': 'by itself',
  'during-work': 'during work',
};

export function loadRows(rig: Rig): readonly LoadRow[] {
  const circuits = new Map(rig.circuits.map(({ id, name }) => [id, name]));
  return rig.loads.map((load) => ({
    ...loadSummary(rig, load),
    load,
    circuit: circuits.get(load.circuit) ?? load.circuit,
    use: SHORT_USE[load.usage],
  }));
}

/** The rows that contain every word, in any column. */
export function filtered(rows: readonly LoadRow[], words: string): readonly LoadRow[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return rows.filter(({ load, family, circuit, use }) => {
    const text = `${load.name} ${family} ${circuit} ${use} ${load.isProtected === 'yes' ? 'protected' : ''}`;
    return wanted.every((word) => text.toLowerCase().includes(word));
  });
}

/** Sorted by kind they stand in groups, else in one list; equal ones keep the order of the rig. */
export function sorted(rows: readonly LoadRow[], { column, isDown }: Sorting): readonly RowGroup[] {
  if (column === 'kind') {
    const families = isDown ? [...LOAD_FAMILIES].reverse() : LOAD_FAMILIES;
    return families
      .map((family) => ({ family, rows: rows.filter((row) => row.family === family) }))
      .filter((group) => group.rows.length > 0);
  }
  const ways = isDown ? -1 : 1;
  return [{ family: undefined, rows: [...rows].sort((a, b) => ways * COMPARE[column](a, b)) }];
}

const byText = (read: (row: LoadRow) => string) => (a: LoadRow, b: LoadRow) => read(a).localeCompare(read(b));
const byNumber = (read: (row: LoadRow) => number) => (a: LoadRow, b: LoadRow) => read(a) - read(b);

const COMPARE: Readonly<Record<Exclude<Column, 'kind'>, (a: LoadRow, b: LoadRow) => number>> = {
  name: byText(({ load }) => load.name),
  running: byNumber(({ watts }) => watts),
  start: byNumber(({ start }) => start?.value ?? 0),
  use: byText(({ use }) => use),
  circuit: byText(({ circuit }) => circuit),
};
