/** What is public of the core for the logbook: tests, what they say, and what they give to the rig. */

export {
  countingReadings,
  faultOfLogTest,
  READING_ROLES,
  readLogTest,
  TEST_KINDS,
  TRACE_COLUMNS,
  type LogReading,
  type LogTest,
  type ReadingRole,
  type TestConditions,
  type TestKind,
  type Trace,
  type TraceColumn,
} from './logbook/log-test.js';
export {
  newTest,
  withConditions,
  withEnd,
  withLoadOf,
  withoutEnd,
  withoutReading,
  withReading,
  withReadingChanged,
  withReadingsOf,
  withUse,
} from './logbook/test-edits.js';
export { analyseTest, type Offered, type TestAnalysed, type TestAnswer } from './logbook/analyse-test.js';
export { combineTests, type Combined } from './logbook/combine-tests.js';
export type { GivenNumber } from './logbook/given-numbers.js';
export type { OrderedStep } from './logbook/order-of-readings.js';
export type { Prediction } from './logbook/predicted-run-down.js';
export type { Lasting, RunDown } from './logbook/run-down.js';
export { dutyInOtherWeather } from './logbook/other-weather.js';
export { traceOfFeed } from './logbook/trace-of-feed.js';
export { arrivalEntry } from './logbook/arrival-entry.js';
export { testOfStartSeen, testOfTrip, testsFromSwitch } from './logbook/tests-from-switch.js';
export { targetOf, withGiven } from './logbook/use-number.js';
export { verdictChanges } from './logbook/verdict-changes.js';
export {
  COLUMN_HEADS,
  proposeLayout,
  readMeterLog,
  type ColumnUse,
  type LogLayout,
  type MeterLog,
} from './formats/meter-log.js';
export type { TimeStyle } from './formats/log-times.js';
export { readLogbookFile, writeLogbookFile } from './formats/logbook-file.js';
export { readingsTable } from './formats/readings-table.js';
export { givenWords, type GivenWords } from './wording/given-words.js';
export { orderWords } from './wording/order-words.js';
export type { TestWords } from './wording/test-headline.js';
export { testWords } from './wording/test-words.js';
export { changeLines, type ChangeLines } from './wording/verdict-change-words.js';
