import { proposeLayout, readMeterLog } from '../../src/formats/meter-log.js';

const utc = () => 0;
const at = (text: string) => Date.parse(text) / 1000;
const read = (lines: readonly string[][], offset: (civilS: number) => number = utc) =>
  readMeterLog(lines, proposeLayout(lines), offset, at('2026-06-11T00:00:00Z'));

describe('a log of a meter', () => {
  it('is read with its columns and units found by their heads, decimal commas and a zone of its own', () => {
    const { trace, unread } = read([
      ['Zeitstempel', 'Leistung (kW)', 'Spannung V', 'SoC [%]', 'Temp °F'],
      ['11.06.2026 14:00:30', '0,4612', '25,9', '98', '68'],
      ['11.06.2026 14:01', '1.234,5', '', '97', '212'],
    ]);
    expect(unread).toEqual([]);
    expect(trace.atS).toEqual([at('2026-06-11T14:00:30Z'), at('2026-06-11T14:01:00Z')]);
    expect(trace.columns.watts).toEqual([461.2, 1_234_500]);
    expect(trace.columns.volts).toEqual([25.9, null]);
    expect(trace.columns.percent).toEqual([98, 97]);
    expect(trace.columns.celsius!.map((each) => Math.round(each!))).toEqual([20, 100]);
  });

  it('has times by ISO 8601 with zones, in two halves of the day, alone over midnight, counted, or by month first', () => {
    const times = (cells: readonly string[], offset?: (civilS: number) => number) =>
      read([['time', 'power [W]'], ...cells.map((cell) => [cell, '1'])], offset).trace.atS;
    expect(times(['2026-06-11T14:00:00+02:00', '2026-06-11T12:30:00Z'])).toEqual([
      at('2026-06-11T12:00:00Z'),
      at('2026-06-11T12:30:00Z'),
    ]);
    expect(times(['2026-06-11 14:00'], () => 120)).toEqual([at('2026-06-11T12:00:00Z')]);
    expect(times(['6/11/2026 11:59 PM', '6/12/2026 12:05 AM'])).toEqual([
      at('2026-06-11T23:59:00Z'),
      at('2026-06-12T00:05:00Z'),
    ]);
    expect(times(['23:50', '00:10'])).toEqual([at('2026-06-11T23:50:00Z'), at('2026-06-12T00:10:00Z')]);
    expect(times(['1781179200', '1781179260'])).toEqual([1_781_179_200, 1_781_179_260]);
    expect(times(['0', '30'])).toEqual([at('2026-06-11T00:00:00Z'), at('2026-06-11T00:00:30Z')]);
  });

  it('names every line that it cannot read, keeps gaps as gaps, and sorts what is mixed', () => {
    const { trace, unread, outOfOrder } = read([
      ['time', 'W', 'A'],
      ['2026-06-11 14:00', '100.5', '4'],
      ['2026-06-11 14:02', 'off', ''],
      ['no time', '100', '4'],
      ['2026-06-11 14:01', '12,5', '4'],
      ['2026-02-30 14:01', '12', '4'],
    ]);
    expect(unread).toEqual([
      { line: 3, because: 'no-number' },
      { line: 4, because: 'no-time' },
      // A comma where points divide decimals is no number: it is never taken for another one.
      { line: 5, because: 'no-number' },
      { line: 6, because: 'no-time' },
    ]);
    expect(trace.columns.watts).toEqual([100.5, null, null]);
    expect(trace.atS).toEqual([...trace.atS].sort((a, b) => a - b));
    expect(outOfOrder).toBe(1);
  });
});
