/**
 * What is public of the core for the moment at the switch: one's own ticks, clocks, and the words of what a worker answers
 * about them (planning.ts).
 */

export {
  nothingOn,
  readAtSwitch,
  sceneOf,
  type AtSwitch,
  type MeterReading,
  type Pace,
  type SwitchedOn,
  type Trip,
  type TripObservation,
} from './now/at-switch.js';
export {
  usualRunS,
  withMeterReadAt,
  withOnlyOn,
  withStateFrom,
  withSwitchedOff,
  withSwitchedOn,
  withTimer,
} from './now/at-switch-edits.js';
export { newTrip, withStepDone, withTripBegun, withTripEnded, withTripObserved } from './now/trip-edits.js';
export type { SwitchOn } from './now/can-switch-on.js';
export { clocksOf, waitOf, type Clock } from './now/clocks.js';
export type { Overload } from './now/overloads.js';
export type { Look } from './now/looks.js';
export type { TripCause, TripCauses } from './now/trip-causes.js';
export type { UnexplainedPower } from './now/unexplained-power.js';
export type { StepBack } from './now/way-back.js';
export { plannedAt, type PlannedNow } from './now/planned-now.js';
export { clockWords, type ClockWords } from './wording/now-clock-words.js';
export { shortWait, switchOnWords, type SwitchOnWords } from './wording/switch-on-words.js';
export { causeWords, lookWords, stepWords, type StepWords } from './wording/trip-words.js';
export { unexplainedWords } from './wording/unexplained-words.js';
export { listNames } from './wording/explain.js';
