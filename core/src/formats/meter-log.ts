import type { Trace, TraceColumn } from '../logbook/log-test.js';
import { SECONDS_PER_DAY } from '../units/conversion-factors.js';
import { readLogTime, timeStyleOf, type OffsetAt, type TimeStyle } from './log-times.js';

/** What a column of a log holds. */
export type ColumnUse = TraceColumn | 'time' | 'left-out';

/** A column as it is matched, with what its numbers are multiplied by to be in our unit. */
interface ColumnMatch {
  readonly head: string;
  readonly use: ColumnUse;
  readonly factor: number;
  /** Added after: degrees Fahrenheit begin elsewhere. */
  readonly offset: number;
}

/** What is asked before a log is read in: proposed from its first lines, changed by hand. */
export interface LogLayout {
  readonly columns: readonly ColumnMatch[];
  readonly timeStyle: TimeStyle | undefined;
  readonly decimal: 'point' | 'comma';
}

/** A line that could not be read, as a spreadsheet counts: the header is line 1. */
interface UnreadLine {
  readonly line: number;
  readonly because: 'no-time' | 'no-number';
}

/** A log read in. */
export interface MeterLog {
  readonly trace: Trace;
  readonly unread: readonly UnreadLine[];
  /** Lines whose time lies before that of the line above: the clock was set back, or the lines are mixed. */
  readonly outOfOrder: number;
}

const SAMPLE_LINES = 50;
const THOUSAND = 1000;

const HEADS: readonly (readonly [ColumnUse, RegExp])[] = [
  [
    'time',
    /\b(time|date|timestamp|datetime|zeit|datum|uhrzeit|heure|hora|fecha)\b|zeitstempel|^t$|^t\s*[[(]/i,
  ],
  ['wattHours', /\bk?wh\b|energy|energie|consumption|verbrauch/i],
  ['percent', /soc|state of charge|charge|ladung|ladezustand|%/i],
  ['celsius', /\btemp|°\s*[cf]|celsius|fahrenheit/i],
  ['watts', /power|leistung|puissance|potencia|watts?\b|\bk?w\b/i],
  ['volts', /volt|spannung|tension|\bm?v\b/i],
  ['amps', /amp|current|strom|courant|corriente|\bm?a\b/i],
];

/** What the columns and times of a log are, proposed from its header and its first lines. */
export function proposeLayout(table: readonly (readonly string[])[]): LogLayout {
  const [header = [], ...lines] = table;
  const sample = lines.slice(0, SAMPLE_LINES);
  const taken = new Set<ColumnUse>();
  const columns = header.map((head, index): ColumnMatch => {
    const use = HEADS.find(([each, pattern]) => !taken.has(each) && pattern.test(head))?.[0] ?? 'left-out';
    taken.add(use);
    return {
      head,
      use,
      ...scaleOf(
        head,
        use,
        sample.map((cells) => cells[index] ?? ''),
      ),
    };
  });
  const timeAt = columns.findIndex(({ use }) => use === 'time');
  return {
    columns,
    timeStyle: timeStyleOf(sample.map((cells) => cells[timeAt] ?? '')),
    decimal: decimalOf(sample.flatMap((cells) => cells.filter((_, index) => index !== timeAt))),
  };
}

/** What the numbers of a column are multiplied by, by the unit in its head. */
function scaleOf(
  head: string,
  use: ColumnUse,
  cells: readonly string[],
): Pick<ColumnMatch, 'factor' | 'offset'> {
  if (use === 'celsius' && /°?\s*f\b|fahrenheit/i.test(head)) return { factor: 5 / 9, offset: -160 / 9 };
  if (/\bkwh?\b/i.test(head)) return { factor: THOUSAND, offset: 0 };
  if (/\bm[av]\b/i.test(head)) return { factor: 1 / THOUSAND, offset: 0 };
  // A charge that never exceeds 1 is a share.
  const isShare =
    use === 'percent' &&
    !head.includes('%') &&
    cells.length > 1 &&
    cells.every((cell) => Number(cell.replace(',', '.')) <= 1);
  return { factor: isShare ? 100 : 1, offset: 0 };
}

/** A comma that is followed by anything but three digits divides decimals, and so does one where no point does. */
function decimalOf(cells: readonly string[]): 'point' | 'comma' {
  const hasPoint = cells.some((cell) => /\d\.\d/.test(cell));
  const hasComma = cells.some((cell) => /\d,(\d{1,2}|\d{4,})$|^[+-]?0,\d/.test(cell.trim()));
  const groups = cells.some((cell) => /\d\.\d{3},\d/.test(cell));
  return groups || (hasComma && !hasPoint) ? 'comma' : 'point';
}

/**
 * Reads a log by its layout. Bad lines are named and left out; an empty cell is a number that was not read.
 *
 * @param table Lines of cells by RFC 4180, the header first.
 * @param offsetAt Of the clock that wrote it, where its times say no zone.
 * @param beginsS Where its times say no day: seconds since 1970.
 */
export function readMeterLog(
  table: readonly (readonly string[])[],
  { columns, timeStyle, decimal }: LogLayout,
  offsetAt: OffsetAt,
  beginsS: number,
): MeterLog {
  const timeAt = columns.findIndex(({ use }) => use === 'time');
  const used = columns.flatMap((column, at) =>
    column.use === 'time' || column.use === 'left-out' ? [] : [{ ...column, use: column.use, at }],
  );
  const unread: UnreadLine[] = [];
  const lines: { readonly atS: number; readonly values: readonly (number | null)[] }[] = [];
  let [lastS, days, outOfOrder] = [-Infinity, 0, 0];
  table.slice(1).forEach((cells, index) => {
    if (cells.every((cell) => cell.trim() === '')) return;
    const line = index + 2;
    const read = timeStyle && readLogTime(cells[timeAt] ?? '', { style: timeStyle, offsetAt, beginsS });
    if (read === undefined) {
      unread.push({ line, because: 'no-time' });
      return;
    }
    // Times alone begin anew at midnight.
    if (timeStyle === 'time-only' && read + days * SECONDS_PER_DAY < lastS - SECONDS_PER_DAY / 2) days += 1;
    const atS = read + days * SECONDS_PER_DAY;
    if (atS < lastS) outOfOrder += 1;
    lastS = atS;
    const values = used.map(({ at, factor, offset }) => numberIn(cells[at] ?? '', decimal, factor, offset));
    if (values.some(Number.isNaN)) unread.push({ line, because: 'no-number' });
    lines.push({ atS, values: values.map((value) => (Number.isNaN(value) ? null : value)) });
  });
  lines.sort((a, b) => a.atS - b.atS);
  const trace: Trace = {
    atS: lines.map(({ atS }) => atS),
    columns: Object.fromEntries(
      used.map(({ use }, index) => [use, lines.map(({ values }) => values[index] ?? null)]),
    ),
  };
  return { trace, unread, outOfOrder };
}

/** Null where nothing stands there, NaN where it is no number. */
function numberIn(
  cell: string,
  decimal: LogLayout['decimal'],
  factor: number,
  offset: number,
): number | null {
  const text = cell.trim().replace(/(\d)\s*(%|°\s*[CF]|[a-zA-Z]+)$/, '$1');
  if (text === '' || text === '-') return null;
  const value = Number(decimal === 'comma' ? withPoint(text, '.', ',') : withPoint(text, ',', '.'));
  return Number.isFinite(value) ? value * factor + offset : NaN;
}

/** With a decimal point and no groups; a separator that groups no three digits is left, and is then no number. */
function withPoint(text: string, group: string, point: string): string {
  const grouped = new RegExp(`^[+-]?\\d{1,3}(\\${group}\\d{3})+(\\${point}\\d+)?$`);
  const plain = grouped.test(text) ? text.replaceAll(group, '') : text;
  return point === '.' ? plain : plain.replace(group, '?').replace(point, '.');
}

/** Heads of the columns where readings are written to a table. */
export const COLUMN_HEADS: Readonly<Record<TraceColumn, string>> = {
  watts: 'power [W]',
  volts: 'battery [V]',
  amps: 'battery [A]',
  wattHours: 'energy [Wh]',
  percent: 'charge [%]',
  celsius: 'temperature [°C]',
};
