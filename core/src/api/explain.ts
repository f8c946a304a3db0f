/** Public: workings, cautions and the words beside an answer. Apart, for it is loaded when a panel is opened. */

export { limitCurveOf, type LimitCurve } from '../outlook/limit-curves.js';
export { dimmingOf, dipsOf } from '../outlook/supply/dimming.js';
export { voltageDropsOf } from '../outlook/supply/voltage-drop.js';
export { DIP_STEPS } from '../reference/voltage-quality.js';
export { cautionsOf } from '../outlook/cautions.js';
export { CAUTION_TEXTS } from '../reference/cautions.js';
export { clockWorkingOf } from '../outlook/clock-working.js';
export { dimmingWords } from '../outlook/supply/dimming-words.js';
export { inputLimitWords } from '../outlook/supply/input-limit-words.js';
export { withoutScene, withSceneKept } from '../rig/edits.js';
export { isPurchase } from '../changes/change.js';
export { changedBy } from '../changes/changed.js';
export { changeWords, wayWords, wouldNotHelpWords } from '../changes/change-words.js';
export { marginWords, shortMargin } from '../words/margin-words.js';
export { powerBackWords } from '../outlook/supply/power-back-words.js';
export { sizeWords, type SizeWords } from '../changes/sizes/size-words.js';
export { sourceTestWords } from '../supply/source-test-words.js';
export { turnsWords } from '../sets/turns-words.js';
export { unplannedLoadWords } from '../outlook/unplanned-load-words.js';
export { voltageDropWords } from '../outlook/supply/voltage-drop-words.js';
export { asIfOn, workingOf } from '../words/working.js';
