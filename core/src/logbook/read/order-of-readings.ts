import { SECONDS_PER_MINUTE } from '../../units/conversion-factors.js';
import {
  MOST_BASE_DRIFT,
  STARTS_AGREE_WITHIN,
  STARTS_THAT_AGREE,
  STARTS_WANTED,
} from '../../reference/measuring.js';
import { runningReadings } from './base-load.js';
import { cyclesOf, CYCLES_WANTED } from '../fit/cycles.js';
import { countingReadings, type LogReading, type LogTest, type TestKind } from '../log-test.js';

/** What is read at a step of a test. */
export type ReadingStep =
  | 'base-before'
  | 'clamp-one'
  | 'starts'
  | 'running-2'
  | 'running-15'
  | 'readings'
  | 'cycles'
  | 'little-on'
  | 'much-on'
  | 'warm'
  | 'base-after';

/** A step of the order in which a test is read, and how far it is. */
export interface OrderedStep {
  readonly step: ReadingStep;
  readonly state: 'done' | 'next' | 'open' | 'spoiled';
  /** How many of how many, where it takes several. */
  readonly count: number;
  readonly wanted: number;
  /** The reading that stands for it. */
  readonly reading: LogReading | undefined;
  readonly because: 'base-moved' | 'starts-apart' | undefined;
}

const ORDER: Readonly<Record<TestKind, readonly ReadingStep[]>> = {
  'run-down': ['base-before', 'running-2', 'running-15', 'readings', 'base-after'],
  cycling: ['base-before', 'cycles', 'base-after'],
  start: ['base-before', 'clamp-one', 'starts', 'running-2', 'running-15', 'base-after'],
  charge: ['readings'],
  efficiency: ['readings'],
  arrival: ['little-on', 'much-on', 'warm'],
  dish: ['base-before', 'readings', 'base-after'],
  trip: [],
};

const READINGS_WANTED: Readonly<Partial<Record<TestKind, number>>> = {
  'run-down': 4,
  charge: 4,
  efficiency: 2,
  dish: 2,
};

/** A reading at two minutes is one from the second on; the one at a quarter of an hour has become warm. */
const RUNNING_FROM_S = {
  'running-2': 1.5 * SECONDS_PER_MINUTE,
  'running-15': 12 * SECONDS_PER_MINUTE,
} as const;

/**
 * The order in which a test is read, with what is done, what comes next and what was spoiled.
 *
 * Readings may come in any order: a step is done when what it asks for is there.
 *
 * Source: common practice, no published source (reference/measuring.ts).
 */
export function orderOfReadings(test: LogTest): readonly OrderedStep[] {
  const readings = countingReadings(test);
  const steps = ORDER[test.kind].map((step) => stepOf(step, test, readings));
  // Of a test that is over nothing is to be read next.
  const next = test.endedAtS === undefined ? steps.find(({ state }) => state !== 'done')?.step : undefined;
  return steps.map((each) =>
    each.step === next && each.state === 'open' ? { ...each, state: 'next' } : each,
  );
}

function stepOf(step: ReadingStep, test: LogTest, readings: readonly LogReading[]): OrderedStep {
  const own = readingsOfStep(step, test, readings);
  const wanted = wantedOf(step, test.kind);
  const count = step === 'cycles' ? (cyclesOf(runningReadings(readings))?.cycles.length ?? 0) : own.length;
  const because = faultOf(step, readings);
  return {
    step,
    state: because ? 'spoiled' : count >= wanted ? 'done' : 'open',
    count,
    wanted,
    reading: step.startsWith('running') ? own[0] : own.at(-1),
    because,
  };
}

function wantedOf(step: ReadingStep, kind: TestKind): number {
  if (step === 'starts') return STARTS_WANTED;
  if (step === 'cycles') return CYCLES_WANTED;
  return step === 'readings' ? (READINGS_WANTED[kind] ?? 1) : 1;
}

function readingsOfStep(
  step: ReadingStep,
  test: LogTest,
  readings: readonly LogReading[],
): readonly LogReading[] {
  const running = readings.filter(({ role }) => role === undefined);
  switch (step) {
    case 'starts':
    // The clamp is seen to hold one conductor by the first start that it shows.
    case 'clamp-one':
      return readings.filter(({ role }) => role === 'start');
    case 'running-2':
    case 'running-15':
      return running.filter(
        ({ atS, watts }) => watts !== undefined && atS - beginOf(test, readings) >= RUNNING_FROM_S[step],
      );
    case 'readings':
    case 'cycles':
      return running;
    default:
      return readings.filter(({ role }) => role === step);
  }
}

/** When the load was switched on: the first reading with it, or the first start. */
function beginOf({ begunAtS }: LogTest, readings: readonly LogReading[]): number {
  return readings.find(({ role }) => role === undefined || role === 'start')?.atS ?? begunAtS;
}

function faultOf(step: ReadingStep, readings: readonly LogReading[]): OrderedStep['because'] {
  if (step === 'base-after') {
    const [before, after] = [baseOf(readings, 'base-before'), baseOf(readings, 'base-after')];
    const isApart =
      before !== undefined &&
      after !== undefined &&
      Math.abs(after - before) > MOST_BASE_DRIFT * Math.max(before, after);
    return isApart ? 'base-moved' : undefined;
  }
  if (step !== 'starts') return undefined;
  const starts = readings.flatMap(({ role, amps }) => (role === 'start' ? (amps ?? []) : []));
  const highest = Math.max(...starts);
  const agreeing = starts.filter((each) => highest - each <= STARTS_AGREE_WITHIN * highest).length;
  return starts.length >= STARTS_WANTED && agreeing < STARTS_THAT_AGREE ? 'starts-apart' : undefined;
}

/** Amps on the clamp or watts on the meter, whichever was read. */
function baseOf(readings: readonly LogReading[], role: 'base-before' | 'base-after'): number | undefined {
  const reading = readings.find((each) => each.role === role);
  return reading?.amps ?? reading?.watts;
}
