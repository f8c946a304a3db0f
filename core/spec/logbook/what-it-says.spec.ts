import fc from 'fast-check';
import { analyseTest } from '../../src/logbook/analyse-test.js';
import { arrivalEntry } from '../../src/logbook/read/arrival-entry.js';
import { readLogTest, type LogReading, type LogTest } from '../../src/logbook/log-test.js';
import { newTest, withReading } from '../../src/logbook/test-edits.js';
import { changeOf } from '../../src/logbook/give/use-number.js';
import { withArrivalTest } from '../../src/rig/edits.js';
import { orderWords } from '../../src/logbook/order-words.js';
import { testWords } from '../../src/logbook/test-words.js';
import { demoRig } from '../demo-rigs.js';

const HOUR_S = 3600;
const tern = demoRig('tern');

type Read = Partial<LogReading> & { readonly atS: number };
function testOf(begin: Partial<LogTest>, readings: readonly Read[]): LogTest {
  const empty = newTest({ id: 't', kind: 'run-down', question: 'A test', begunAtS: 0, ...begin });
  return readings.reduce<LogTest>(
    (test, reading, index) => withReading(test, { id: String(index), ...reading }),
    empty,
  );
}
const answerOf = (test: LogTest) => analyseTest(tern, test, 0, '').answer;
const linesOf = (test: LogTest) =>
  testWords('point', tern, test, answerOf(test), (atS) => `${(atS / HOUR_S).toFixed(1)} h`).lines;

describe('what a test says', () => {
  it('of a charge: what it took at most, from where on less, and full no sooner than by its last rate', () => {
    const charge = testOf(
      { kind: 'charge' },
      [60, 60, 59, 58, 40, 30, 22, 15].map((amps, index) => ({
        atS: index * HOUR_S,
        amps,
        volts: 27,
        percent: [20, 33, 46, 59, 71, 80, 87, 92][index]!,
      })),
    );
    const answer = answerOf(charge);
    if (answer.kind !== 'charge') throw new Error('It is a charge');
    expect(answer.found.amps!.value).toBeCloseTo((60 + 60 + 59 + 58) / 4, 6);
    expect(answer.found.tapersAtPercent).toBe(71);
    // A line through what is read from the bend on ends later than one through all would.
    expect(answer.found.fullAtS!.stated).toBeGreaterThan(7.9 * HOUR_S);
    const discharging = testOf({ kind: 'charge' }, [
      { atS: 0, percent: 80 },
      { atS: HOUR_S, percent: 70 },
      { atS: 2 * HOUR_S, percent: 60 },
    ]);
    expect(answerOf(discharging)).toEqual(jasmine.objectContaining({ kind: 'charge' }));
    expect(linesOf(discharging).join(' ')).not.toContain('rises');
  });

  it('of a dish: the same by a counter as by watts read often, the base taken off (energy is power over time)', () => {
    const watts = fc.array(fc.integer({ min: 100, max: 1800 }), { minLength: 2, maxLength: 20 });
    fc.assert(
      fc.property(watts, fc.integer({ min: 0, max: 80 }), (each, base) => {
        const before = { atS: -60, role: 'base-before' as const, watts: base };
        const read = each.map((value, minute) => ({ atS: minute * 60, watts: value + base }));
        const counted = each.reduce<number[]>((sums, value, minute) => {
          const mean = minute === 0 ? 0 : (value + each[minute - 1]!) / 2 + base;
          return [...sums, (sums.at(-1) ?? 0) + mean / 60];
        }, []);
        const byCounter = counted.map((wattHours, minute) => ({ atS: minute * 60, wattHours }));
        const one = answerOf(testOf({ kind: 'dish' }, [before, ...read]));
        const other = answerOf(testOf({ kind: 'dish' }, [before, ...byCounter]));
        if (one.kind !== 'dish' || other.kind !== 'dish') throw new Error('They are dishes');
        expect(one.found!.by).toBe('watts');
        expect(other.found!.by).toBe('counter');
        expect(one.found!.wattHours).toBeCloseTo(other.found!.wattHours, 6);
      }),
      { numRuns: 50 },
    );
  });

  it('of the order of readings: what comes next, and why a step is spoiled', () => {
    const start = (amps: number, index: number): Read => ({ atS: 60 * (index + 1), role: 'start', amps });
    const step = (test: LogTest, name: string) =>
      analyseTest(tern, test, 0, '').order.find(({ step: each }) => each === name)!;
    const base: Read = { atS: 0, role: 'base-before', amps: 2 };
    const begun = testOf({ kind: 'start' }, [base, ...[30, 31, 30, 29].map(start)]);
    expect(step(begun, 'starts')).toEqual(jasmine.objectContaining({ state: 'next', count: 4, wanted: 5 }));
    expect(orderWords(step(begun, 'starts')).count).toBe('4 of 5');
    const more = testOf({ kind: 'start' }, [base, ...[30, 31, 30, 29, 31, 30].map(start)]);
    expect(orderWords(step(more, 'starts')).count)
      .withContext('no “6 of 5”')
      .toBe('6');
    const apart = testOf({ kind: 'start' }, [base, ...[40, 31, 22, 26, 18].map(start)]);
    expect(step(apart, 'starts')).toEqual(
      jasmine.objectContaining({ state: 'spoiled', because: 'starts-apart' }),
    );
    const moved = testOf({ kind: 'start' }, [
      base,
      start(30, 0),
      { atS: 900, role: 'base-after', amps: 2.2 },
    ]);
    expect(step(moved, 'base-after').because).toBe('base-moved');
    // At two minutes and at a quarter of an hour, whatever was read sooner.
    const ran = testOf({ kind: 'run-down', load: 'extractor' }, [
      { atS: 0, watts: 900 },
      { atS: 130, watts: 910 },
      { atS: 1000, watts: 915 },
    ]);
    expect(step(ran, 'running-2').reading?.atS).toBe(130);
    expect(step(ran, 'running-15').reading?.atS).toBe(1000);
  });

  it('of a run-down: why it ends at another time than the rig says, its parts adding up to the whole', () => {
    const { logbook = [] } = tern;
    const kept = logbook.map(readLogTest).find((test) => test?.kind === 'run-down')!;
    const answer = answerOf(kept);
    if (answer.kind !== 'run-down') throw new Error('It is a run-down');
    const { predicted, byCharge } = answer.found;
    const minutes = (text: string): number =>
      [...text.matchAll(/(?:(\d+) h )?(\d+) min (sooner|later)/g)]
        .map(
          ([, hours = '0', left, side]) => (side === 'sooner' ? -1 : 1) * (60 * Number(hours) + Number(left)),
        )
        .reduce((sum, each) => sum + each, 0);
    const line = linesOf(kept).find((each) => each.startsWith('The reserve is reached'))!;
    const [whole = '', causes = ''] = line.split(' than the numbers of the rig say: ');
    expect(minutes(whole)).toBeCloseTo((byCharge!.reserveAtS!.stated - predicted!.reserveAtS) / 60, -0.3);
    expect(Math.abs(minutes(causes) - minutes(whole))).toBeLessThanOrEqual(2);
    expect(causes).toContain('the load draws 80 W more');
  });

  it('of an arrival kept elsewhere: it is an entry, and the rig has its number', () => {
    const supply = tern.supplies.find(({ id }) => id.startsWith('shore'))!.id;
    const read = { light: { volts: 121, amps: 0 }, loaded: { volts: 117.97, amps: 12.3 }, warm: undefined };
    const entry = arrivalEntry(tern, { atS: 1000, supply, ...read });
    expect(readLogTest(JSON.parse(JSON.stringify(entry)))).toEqual(entry);
    const { offered } = analyseTest(tern, entry, 1000, '');
    const given = offered[0]!.given;
    if (given.kind !== 'source') throw new Error('It gives a source');
    const ohms = (121 - 117.97) / 12.3;
    const after = withArrivalTest(tern, supply, { emptyV: 121, ohms });
    expect(entry.uses[0]!.value).toBe(changeOf(after, given).before!.value);
  });
});
