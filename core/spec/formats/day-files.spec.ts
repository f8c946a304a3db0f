import { convertIcsCalendar } from 'ts-ics';
import { planOfDay } from '../../src/day/day-plan.js';
import { dayCalendar } from '../../src/formats/day-calendar.js';
import { planTable, traceTable } from '../../src/formats/day-tables.js';
import { compile } from '../../src/check/wiring/compile.js';
import { demoRig } from '../demo-rigs.js';

const tern = demoRig('tern');
const day = {
  ...tern.days![0]!,
  name: 'Ribs, varnish; and a very long name that goes beyond one line of a calendar',
};
const plan = planOfDay(compile(tern), day, { rounds: 0 });
const savedAt = Date.UTC(2026, 5, 12, 10);

describe('a plan that is taken along', () => {
  it('is a calendar that another parser of RFC 5545 reads: every piece at its time in UTC', () => {
    const named = {
      ...day,
      jobs: day.jobs.map((job) => ({ ...job, name: `${job.name}, ${'ä'.repeat(60)}; \\ "so"` })),
    };
    const file = dayCalendar(tern, named, plan, savedAt);
    if (!file.ok) throw new Error(file.message);
    const { events = [] } = convertIcsCalendar(undefined, file.text);
    expect(events.length).toBe(plan.pieces.length + plan.supplyRuns.length);
    // 08:00 six hours behind UTC.
    const begins = Date.UTC(2026, 5, 13, 14);
    plan.pieces.forEach(({ job, begin, minutes }, index) => {
      const event = events[index]!;
      expect(event.summary).toBe(named.jobs.find(({ id }) => id === job)!.name);
      expect(event.start.date.getTime()).toBe(begins + begin * 60_000);
      expect(event.end!.date.getTime() - event.start.date.getTime()).toBe(minutes * 60_000);
    });
    expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
    // Lines of at most 75 octets, ended by CR LF (RFC 5545, 3.1).
    expect(file.text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
    expect(file.text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
  });

  it('is no calendar where the clock is not known, and says so', () => {
    const file = dayCalendar(tern, { ...day, hoursFromUtc: undefined }, plan, savedAt);
    expect(file).toEqual({ ok: false, message: jasmine.stringContaining('UTC') as never });
  });

  it('is a table with a line for each piece and for what has no place, and a trace with one for each minute', () => {
    const table = planTable(tern, day, plan);
    expect(table.length).toBe(1 + plan.pieces.length + plan.supplyRuns.length + plan.unplaced.length);
    expect(table.find(([job]) => job === 'Tea')!.slice(1, 6)).toEqual(['Kettle', 1, '15:30', '15:35', 5]);
    const trace = traceTable(tern, day, plan);
    expect(trace.length).toBe(1 + 1440);
    const sunWh = trace.slice(1).reduce((sum, row) => sum + Number(row[4]) / 60, 0);
    expect(sunWh).toBeCloseTo(
      plan.solarW.reduce((sum, watts) => sum + watts / 12, 0),
      -1,
    );
    expect(new Set(trace.map((row) => row.length))).toEqual(new Set([11]));
  });
});
