/**
 * What is public of the core for explaining an answer that stands: workings, cautions, and the words of the questions
 * beside it. Apart from the answers themselves, for a bundler does not split what comes through one index.
 */

export { limitCurveOf, type LimitCurve } from './answers/limit-curves.js';
export { dimmingOf, dipsOf } from './answers/dimming.js';
export { voltageDropsOf } from './answers/voltage-drop.js';
export { DIP_STEPS } from './reference/voltage-quality.js';
export { cautionsOf } from './answers/cautions.js';
export { CAUTION_TEXTS } from './reference/cautions.js';
export { clockWorkingOf } from './wording/clock-working.js';
export { dimmingWords } from './wording/dimming-words.js';
export { inputLimitWords } from './wording/input-limit-words.js';
export { withoutScene, withSceneKept } from './rig/edits.js';
export { isPurchase } from './fit/change.js';
export { changedBy } from './fit/changed.js';
export { changeWords, wayWords, wouldNotHelpWords } from './wording/change-words.js';
export { marginWords, shortMargin } from './wording/margin-words.js';
export { powerBackWords } from './wording/power-back-words.js';
export { sizeWords, type SizeWords } from './wording/size-words.js';
export { sourceTestWords } from './wording/source-test-words.js';
export { turnsWords } from './wording/turns-words.js';
export { unplannedLoadWords } from './wording/unplanned-load-words.js';
export { voltageDropWords } from './wording/voltage-drop-words.js';
export { asIfOn, workingOf } from './wording/working.js';
