import { utcText } from '../day/clock.js';
import { TRACE_COLUMNS, type LogReading, type LogTest } from '../logbook/log-test.js';
import { MS_PER_SECOND } from '../units/conversion-factors.js';
import { COLUMN_HEADS } from './meter-log.js';

/**
 * The readings of a test as a table, units in the header: lines of cells, for any writer of RFC 4180. Times stand in UTC by
 * ISO 8601, so that they can be read in again anywhere; what was spoiled says so.
 */
export function readingsTable({ readings, trace }: LogTest): readonly (readonly string[])[] {
  const lines = trace?.atS ?? [];
  const isRead = (column: (typeof TRACE_COLUMNS)[number]): boolean =>
    trace?.columns[column] !== undefined || readings.some((reading) => reading[column] !== undefined);
  const columns = TRACE_COLUMNS.filter(isRead);
  const time = (atS: number): string => utcText(atS * MS_PER_SECOND);
  const rowOf = (reading: LogReading): readonly string[] => [
    time(reading.atS),
    ...columns.map((column) => String(reading[column] ?? '')),
    reading.role ?? '',
    reading.note ?? '',
    reading.spoiled ?? '',
  ];
  return [
    ['time', ...columns.map((column) => COLUMN_HEADS[column]), 'stands for', 'note', 'spoiled'],
    ...lines.map((atS, line) => [
      time(atS),
      ...columns.map((column) => String(trace?.columns[column]?.[line] ?? '')),
      '',
      '',
      '',
    ]),
    ...readings.map(rowOf),
  ];
}
