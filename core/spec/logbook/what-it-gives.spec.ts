import { analyseTest } from '../../src/logbook/analyse-test.js';
import { combineTests } from '../../src/logbook/fit/combine-tests.js';
import { readLogTest, type LogTest } from '../../src/logbook/log-test.js';
import { newTest, withEnd, withReading } from '../../src/logbook/test-edits.js';
import type { RunDown } from '../../src/logbook/fit/run-down.js';
import { replayTrip } from '../../src/logbook/fit/trip-replay.js';
import { withGiven } from '../../src/logbook/give/use-number.js';
import { verdictChanges } from '../../src/logbook/give/verdict-changes.js';
import { validateRig } from '../../src/rig-file/validate.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import { testWords } from '../../src/logbook/test-words.js';
import { DEMO_NAMES, demoRig } from '../demo-rigs.js';

const HOUR_S = 3600;
const tern = demoRig('tern');
const moment = (seconds: number) => `${seconds}`;

/** A test of the demo rig with its readings. */
function testOf(begin: Partial<LogTest>, readings: readonly Partial<LogTest['readings'][number]>[]): LogTest {
  const empty = newTest({ id: 't', kind: 'run-down', question: 'A test', begunAtS: 0, ...begin });
  return readings.reduce<LogTest>(
    (test, reading, index) => withReading(test, { id: String(index), atS: index * 600, ...reading }),
    { ...empty, ...begin },
  );
}
const givenBy = (test: LogTest) => analyseTest(tern, test, 0, 'the test').offered;

describe('what a test gives to the rig', () => {
  it('is the load less the base, provisional until the base after, and nothing where the base moved', () => {
    const load = { load: 'extractor' };
    const before = { role: 'base-before' as const, watts: 80 };
    const running = [{ watts: 981 }, { watts: 979 }, { watts: 980 }];
    const [given] = givenBy(testOf(load, [before, ...running]));
    expect(given!.change).toEqual({
      before: { value: 820, basis: 'nameplate' },
      after: { value: 900, half: undefined },
      unit: 'W',
    });
    expect(given!.given.provisional).toBe('base-after');
    const after = (watts: number) => testOf(load, [before, ...running, { role: 'base-after', watts }]);
    expect(givenBy(after(81))[0]!.given.provisional).toBeUndefined();
    expect(givenBy(after(120)))
      .withContext('5 % apart spoils it')
      .toEqual([]);
    expect(givenBy({ ...after(81), simulated: 'yes' }))
      .withContext('simulated')
      .toEqual([]);
  });

  it('has the spread of its readings where that is more than a meter is good for', () => {
    const [given] = givenBy(testOf({ load: 'extractor' }, [{ watts: 800 }, { watts: 1000 }]));
    expect(given!.change.after).toEqual({ value: 900, half: 100 });
  });

  it('is a start that counts as measured by the rules of the clamp, with its seconds', () => {
    const starts = [30.8, 31.2, 30.1, 31, 30.6].map((amps) => ({
      role: 'start' as const,
      amps,
      seconds: 0.6,
    }));
    const base = (role: 'base-before' | 'base-after', amps: number) => ({ role, amps });
    const test = testOf({ kind: 'start', load: 'air-compressor' }, [
      base('base-before', 1.4),
      ...starts,
      base('base-after', 1.4),
    ]);
    expect(givenBy(test)[0]!.given).toEqual({
      kind: 'start',
      load: 'air-compressor',
      part: 'main',
      quantity: { value: 3576, basis: 'measured', readings: 5, source: 'the test' },
      seconds: { value: 0.6, basis: 'measured', source: 'the test' },
      provisional: undefined,
    });
  });

  it('is idle draw, best efficiency and that at full power by two loads: the curve passes through both', () => {
    const dc = (watts: number) => 30 + watts + 4e-5 * watts * watts;
    const reading = (watts: number) => ({ watts, volts: 25, amps: dc(watts) / 25 });
    const given = givenBy(
      testOf({ kind: 'efficiency', load: 'extractor' }, [200, 205, 1500, 1490].map(reading)),
    );
    const [efficiency, idle] = given.map(({ given: each }) => each);
    expect(idle).toEqual(
      jasmine.objectContaining({ kind: 'idle', quantity: jasmine.objectContaining({ value: 30 }) }),
    );
    // 1 / (1 + 2 √(30 · 4e-5)) and 2600 / (30 + 2600 + 4e-5 · 2600²), by hand.
    expect(efficiency).toEqual(
      jasmine.objectContaining({
        peak: jasmine.objectContaining({ value: 0.935 }),
        full: jasmine.objectContaining({ value: 0.896 }),
      }),
    );
  });

  it('is what the battery holds where it was run until it cut off, and the error of its display', () => {
    // 400 Ah at 25.6 V are 10,240 Wh: from 100 % to nothing in ten hours, while the display ends at 8 %.
    const hours = [0, 2, 4, 6, 8, 9.5];
    const readings = hours.map((hour) => ({
      atS: hour * HOUR_S,
      watts: 900,
      volts: 25.6,
      amps: 38,
      percent: Math.round(100 - 9.2 * hour),
      wattHours: 900 * hour,
    }));
    const running = testOf({ load: 'extractor' }, readings);
    const test = withEnd(running, 10 * HOUR_S, 'it cut off', 'yes');
    const found = analyseTest(tern, test, 0, 'the test');
    const { held } = (found.answer as { found: RunDown }).found;
    expect(held!.fullWh).toBeCloseTo(10 * 38 * 25.6, 0);
    expect(held!.leftShownPercent).toBeCloseTo(8, 0);
    const capacity = found.offered.find(({ given }) => given.kind === 'capacity')!;
    expect(capacity.change.after.value).toBe(380);
    expect(withGiven(tern, capacity.given).batteries[0]!.ampHours.value).toBe(380);
    expect(givenBy(running).some(({ given }) => given.kind === 'capacity')).toBeFalse();
  });

  it('changes verdicts that are those of the rig with the number in it, and leaves a rig that is one', () => {
    const test = testOf({ load: 'extractor' }, [
      { role: 'base-before', watts: 80 },
      { watts: 980 },
      { watts: 981 },
    ]);
    const [offered] = givenBy(test);
    const after = withGiven(tern, offered!.given);
    expect(validateRig(after).ok).toBeTrue();
    const { changed, looked } = verdictChanges(tern, after);
    expect(looked).toBeGreaterThan(60);
    const pair = changed.find(({ loads }) => loads.join() === 'extractor,water-heater')!;
    const scene = { supply: pair.supply, on: pair.loads.map((load) => ({ load })) };
    expect(pair.before.verdict).toBe(check(compile(tern), scene).verdict);
    expect(pair.after.verdict).toBe(check(compile(after), scene).verdict);
    expect(pair.before.verdict).not.toBe(pair.after.verdict);
  });

  it('is put together of several tests by their weights; what stands apart is named and not dropped in silence', () => {
    const month = 30 * 24 * HOUR_S;
    const test = (id: string, value: number, at: number, half = 40) => ({
      test: id,
      atS: at * month,
      value,
      half,
    });
    // 1/40² and 1/20² as weights: (4000 + 4 · 4100) / 5, by hand.
    expect(combineTests([test('a', 4000, 0), test('b', 4100, 1, 20)])!.value).toBeCloseTo(4080, 9);
    const four = combineTests([
      test('a', 4000, 0),
      test('b', 4060, 3),
      test('c', 3300, 5),
      test('d', 4120, 6),
    ])!;
    expect(four.apart).toEqual(['c']);
    expect(four.counted).toEqual(['a', 'b', 'd']);
    expect(four.driftPerMonth!.stated).toBeCloseTo(20, 6);
    expect(four.drifts).toBeTrue();
    expect(combineTests([])).toBeUndefined();
  });

  it('of a trip: which device fits, and the number that would have to be wrong, from which on the limit is over', () => {
    const replayed = replayTrip(compile(tern), {
      atS: 0,
      supply: 'battery',
      on: ['kettle', 'fridge'].map((load) => ({ load, sinceS: 0 })),
      started: 'kettle',
      observation: { went: 'all', stillOn: [], pace: 'seconds', noticed: ['beep'], looked: [] },
      done: [],
    });
    expect(replayed.every(({ explained }) => explained !== 'as-entered')).toBeTrue();
    const wrong = replayed.flatMap((each) => each.wrong);
    expect(wrong.length).toBeGreaterThan(0);
    for (const { value, needed } of wrong) expect(needed).toBeGreaterThan(value);
  });

  it('of every demo rig is readable, answered, and said in words without a number that is none', () => {
    for (const id of DEMO_NAMES) {
      const rig = demoRig(id);
      const tests = (rig.logbook ?? []).map(readLogTest);
      expect(tests.length).withContext(id).toBeGreaterThan(1);
      for (const test of tests) {
        const found = analyseTest(rig, test!, 0, 'a test');
        const words = JSON.stringify(testWords('point', rig, test!, found.answer, moment));
        expect(words)
          .withContext(test!.question)
          .not.toMatch(/NaN|undefined|Infinity/);
        expect(structuredClone(found)).toEqual(found);
      }
    }
  });
});
