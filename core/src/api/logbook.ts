/** Public: tests, what they say, and what they give to the rig. For Logbook and the worker behind it. */

export {
  countingReadings,
  faultOfLogTest,
  readLogTest,
  TEST_KINDS,
  TRACE_COLUMNS,
  type LogReading,
  type LogTest,
  type ReadingRole,
  type TestConditions,
  type TestKind,
} from '../logbook/log-test.js';
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
} from '../logbook/test-edits.js';
export { analyseTest, type Offered, type TestAnalysed } from '../logbook/analyse-test.js';
export { combineTests, type Combined } from '../logbook/fit/combine-tests.js';
export type { GivenNumber } from '../logbook/give/given-numbers.js';
export type { OrderedStep } from '../logbook/read/order-of-readings.js';
export type { Prediction } from '../logbook/fit/predicted-run-down.js';
export type { RunDown } from '../logbook/fit/run-down.js';
export { dutyInOtherWeather } from '../logbook/fit/other-weather.js';
export { traceOfFeed } from '../logbook/read/trace-of-feed.js';
export { arrivalEntry } from '../logbook/read/arrival-entry.js';
export { testOfStartSeen, testOfTrip, testsFromSwitch } from '../logbook/read/tests-from-switch.js';
export { withGiven } from '../logbook/give/use-number.js';
export { verdictChanges } from '../logbook/give/verdict-changes.js';
export { proposeLayout, readMeterLog, type ColumnUse, type LogLayout } from '../formats/meter-log.js';
export type { TimeStyle } from '../formats/log-times.js';
export { readLogbookFile, writeLogbookFile } from '../formats/logbook-file.js';
export { readingsTable } from '../formats/readings-table.js';
export { givenWords } from '../logbook/given-words.js';
export { orderWords } from '../logbook/order-words.js';
export { testWords } from '../logbook/test-words.js';
export { changeLines, type ChangeLines } from '../logbook/verdict-change-words.js';
