import type { LogReading, LogTest, TestConditions, TestKind } from './log-test.js';

/** What a test is begun with. */
export interface TestBegin {
  readonly id: string;
  readonly kind: TestKind;
  readonly question: string;
  readonly begunAtS: number;
  readonly load?: string | undefined;
  readonly part?: string | undefined;
  readonly state?: string | undefined;
  readonly supply?: string | undefined;
  readonly wantedAtS?: number | undefined;
}

/** A test without any reading. */
export function newTest(begin: TestBegin): LogTest {
  return withoutUndefined({ ...begin, conditions: {}, readings: [], uses: [] });
}

/** A test with one more reading, in the order of time. */
export function withReading(test: LogTest, reading: LogReading): LogTest {
  const readings = [...test.readings, reading].sort((a, b) => a.atS - b.atS);
  return { ...test, readings };
}

/**
 * A test with what another version of it has besides, where both were changed at once: each of the readings, and each number
 * that was used. What both have is as in the first.
 */
export function withReadingsOf(test: LogTest, other: LogTest): LogTest {
  const has = new Set(test.readings.map(({ id }) => id));
  const used = new Set(test.uses.map(({ target }) => target));
  const missing = other.readings.filter(({ id }) => !has.has(id));
  return {
    ...test,
    readings: [...test.readings, ...missing].sort((a, b) => a.atS - b.atS),
    uses: [...test.uses, ...other.uses.filter(({ target }) => !used.has(target))],
  };
}

/** A test with a reading corrected; what is undefined is taken out of it. */
export function withReadingChanged(test: LogTest, id: string, change: Partial<LogReading>): LogTest {
  const readings = test.readings.map((each) =>
    each.id === id ? withoutUndefined({ ...each, ...change }) : each,
  );
  return { ...test, readings: readings.sort((a, b) => a.atS - b.atS) };
}

export function withoutReading(test: LogTest, id: string): LogTest {
  return { ...test, readings: test.readings.filter((each) => each.id !== id) };
}

export function withConditions(test: LogTest, change: Partial<TestConditions>): LogTest {
  return { ...test, conditions: withoutUndefined({ ...test.conditions, ...change }) };
}

/** A test of another load; what is measured is put down to its main part, at full power. */
export function withLoadOf({ part: _part, state: _state, ...test }: LogTest, load: string): LogTest {
  return { ...test, load };
}

/** A test that is over, with what ended it. */
export function withEnd(
  test: LogTest,
  endedAtS: number,
  endedBecause: string,
  wasRunEmpty: LogTest['wasRunEmpty'] = 'no',
): LogTest {
  return { ...test, endedAtS, endedBecause, wasRunEmpty };
}

/** A test that goes on after all. */
export function withoutEnd({
  endedAtS: _at,
  endedBecause: _because,
  wasRunEmpty: _was,
  ...test
}: LogTest): LogTest {
  return test;
}

/** A test whose number was taken over into the rig. */
export function withUse(test: LogTest, target: string, value: number, atS: number): LogTest {
  const others = test.uses.filter((each) => each.target !== target);
  return { ...test, uses: [...others, { target, value, atS }] };
}

function withoutUndefined<T extends object>(value: T): T {
  return Object.fromEntries(Object.entries(value).filter(([, each]) => each !== undefined)) as T;
}
