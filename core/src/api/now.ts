/** Public: the moment at the switch: ticks, clocks, and the words of what a worker answers. For Now and storage. */

export {
  nothingOn,
  readLiveState,
  sceneOf,
  type LiveState,
  type MeterReading,
  type Trip,
  type TripObservation,
} from '../now/live-state.js';
export {
  usualRunS,
  withMeterReadAt,
  withOnlyOn,
  withStateFrom,
  withSwitchedOff,
  withSwitchedOn,
  withTimer,
} from '../now/live-state-edits.js';
export {
  newTrip,
  withStepDone,
  withTripBegun,
  withTripEnded,
  withTripObserved,
} from '../now/trip/trip-edits.js';
export type { SwitchOn } from '../now/can-switch-on.js';
export { clocksOf, waitOf, type Clock } from '../now/clocks.js';
export type { Overload } from '../now/overloads.js';
export type { TripCauses } from '../now/trip/trip-causes.js';
export type { UnexplainedPower } from '../now/unexplained-power.js';
export type { RecoveryStep } from '../now/trip/recovery-steps.js';
export { plannedAt } from '../now/planned-now.js';
export { clockWords } from '../now/now-clock-words.js';
export { switchOnWords, type SwitchOnWords } from '../now/switch-on-words.js';
export { causeWords, inspectionWords, stepWords } from '../now/trip/trip-words.js';
export { unexplainedWords } from '../now/unexplained-words.js';
export { listNames } from '../words/explain.js';
