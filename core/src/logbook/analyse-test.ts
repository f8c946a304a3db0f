import type { SourceTest } from '../supply/source-test.js';
import type { StartJudged } from '../loads/start/start-test.js';
import type { Trip } from '../now/live-state.js';
import type { Rig } from '../rig-file/schema.js';
import { compile } from '../check/wiring/compile.js';
import { arrivalOfTest } from './fit/arrival-of-test.js';
import { runningReadings } from './read/base-load.js';
import { chargeTestOf, type ChargeTest } from './fit/charge-test.js';
import { cyclesOf, type Cycling } from './fit/cycles.js';
import { dishOf, type DishTest } from './fit/dish-test.js';
import { givenNumbers, type GivenNumber } from './give/given-numbers.js';
import { efficiencyAtLoads, type MeasuredEfficiency } from './fit/inverter-efficiency.js';
import { countingReadings, type LogTest } from './log-test.js';
import { orderOfReadings, type OrderedStep } from './read/order-of-readings.js';
import { runDownOf, type RunDown } from './fit/run-down.js';
import { startOfTest } from './read/start-of-test.js';
import { nominalVolts } from './give/tested-inlet.js';
import { replayTrip, type TripReplayed } from './fit/trip-replay.js';
import { changeOf, targetOf, type NumberChange } from './give/use-number.js';

/** What a test says so far, by its kind; undefined while too little was read. */
export type TestAnswer =
  | { readonly kind: 'run-down'; readonly found: RunDown }
  | { readonly kind: 'cycling'; readonly found: Cycling | undefined }
  | { readonly kind: 'start'; readonly found: StartJudged | undefined }
  | { readonly kind: 'charge'; readonly found: ChargeTest }
  | { readonly kind: 'efficiency'; readonly found: readonly MeasuredEfficiency[] }
  | { readonly kind: 'arrival'; readonly found: SourceTest | undefined }
  | { readonly kind: 'dish'; readonly found: DishTest | undefined }
  | { readonly kind: 'trip'; readonly found: readonly TripReplayed[] };

/** A number that the test gives, with the place it is for and what it changes. */
export interface Offered {
  readonly given: GivenNumber;
  readonly target: string;
  readonly change: NumberChange;
}

/** All that a test says at a moment. */
export interface TestAnalysed {
  readonly answer: TestAnswer;
  readonly order: readonly OrderedStep[];
  readonly offered: readonly Offered[];
  /** How many readings count, lines of a log among them. */
  readonly readings: number;
}

/**
 * What a test says, in whatever order its readings came, and which numbers of the rig it gives.
 *
 * @param nowS Seconds since 1970.
 * @param source What a number says of where it comes from, such as "Logbook, 18 May 2026".
 */
export function analyseTest(rig: Rig, test: LogTest, nowS: number, source: string): TestAnalysed {
  return {
    answer: answerOf(rig, test, nowS),
    order: orderOfReadings(test),
    offered: givenNumbers(rig, test, source).map((given) => ({
      given,
      target: targetOf(given),
      change: changeOf(rig, given),
    })),
    readings: countingReadings(test).length,
  };
}

function answerOf(rig: Rig, test: LogTest, nowS: number): TestAnswer {
  const readings = countingReadings(test);
  switch (test.kind) {
    case 'run-down':
      return { kind: 'run-down', found: runDownOf(rig, test, nowS) };
    case 'cycling':
      return { kind: 'cycling', found: cyclesOf(runningReadings(readings)) };
    case 'start':
      return { kind: 'start', found: startOfTest(rig, test, readings) };
    case 'charge':
      return { kind: 'charge', found: chargeTestOf(test) };
    case 'efficiency':
      return { kind: 'efficiency', found: efficiencyAtLoads(readings) };
    case 'arrival':
      return { kind: 'arrival', found: arrivalOfTest(readings, nominalVolts(rig, test)) };
    case 'dish':
      return { kind: 'dish', found: dishOf(readings) };
    case 'trip':
      return { kind: 'trip', found: test.trip ? replayTrip(compile(rig), test.trip as Trip) : [] };
  }
}
