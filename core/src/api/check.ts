/** Public: what a set is asked and answered with. In the first load; any room, the workers, the command line. */

export { batteryClockOf, type BatteryClock } from '../outlook/battery-clock.js';
export { compareVerdicts } from '../check/verdict.js';
export { check, isNothingFed, type CheckResult, type StartOrderRule } from '../check/check.js';
export { doubtsOf, type Doubt } from '../check/limits/doubts.js';
export type { Progress } from '../units/progress.js';
export type { CautionId } from '../reference/cautions.js';
export { dropOutOf, type DropOut } from '../outlook/supply/drop-out.js';
export type { Dimming } from '../outlook/supply/dimming.js';
export {
  VERDICT_WORDS,
  explain,
  explainLimit,
  margin,
  listNames,
  plainText,
  shareWords,
  spareOrOver,
  verdictPhrase,
  type Explanation,
} from '../words/explain.js';
export { inputLimitOf, type InputLimit } from '../outlook/supply/input-limit.js';
export type { Limit } from '../check/limits/limit.js';
export { supplyNotices, type SupplyNotice } from '../words/supply-notice-words.js';
export { limitLabel, partName } from '../words/names.js';
export { outlookOf, outlooksOf, type Outlook } from '../outlook/outlook.js';
export type { Change } from '../changes/change.js';
export type { Way, WaysToFit } from '../changes/ways-to-fit.js';
export { settlementOf, type Settlement } from '../outlook/settling/settle.js';
export { settlementWords } from '../outlook/settling/settlement-words.js';
export type { CheckScene } from '../check/situation.js';
export { notChecked } from '../outlook/settling/not-checked.js';
export { outlookWords, wattsInState } from '../outlook/outlook-words.js';
export { powerFlowsOf } from '../outlook/supply/power-flows.js';
export { powerBackOf, type PowerBack } from '../outlook/supply/power-back.js';
export { staircaseHeads, staircaseOf, type DrawnStart, type Staircase } from '../outlook/staircase.js';
export type {
  Combination,
  CombinationQuestion,
  CombinationRank,
  Combinations,
} from '../sets/combinations.js';
export type { EnoughSizes } from '../changes/sizes/enough-sizes.js';
export type { OneChangeAway } from '../changes/one-change-away.js';
export type { Pair, WhoRunsWithWhom } from '../sets/pairs.js';
export type { Turns } from '../sets/turns.js';
export type { SetQuestion } from '../sets/runs-together.js';
export { USUAL_UNPLANNED_W, unplannedLoadsOf, type UnplannedLoad } from '../outlook/unplanned-load.js';
export type { Verdict } from '../check/verdict.js';
export type { VoltageDrop } from '../outlook/supply/voltage-drop.js';
export { compile, type CompiledRig } from '../check/wiring/compile.js';
export type { AnsweredSet } from '../words/working.js';
export { worthLookingUp, type WorthLookingUp } from '../outlook/settling/worth-looking-up.js';
