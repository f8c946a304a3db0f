/** What is public of the core: what a set is asked and answered with. */

export {
  BTU_PER_HOUR_PER_WATT,
  HOURS_PER_DAY,
  MINUTES_PER_HOUR,
  MS_PER_SECOND,
  PERCENT,
  SECONDS_PER_DAY,
  SECONDS_PER_HOUR,
  SECONDS_PER_MINUTE,
} from './quantity/conversion-factors.js';
export { BASES, type Basis, type Interval, type Quantity } from './quantity/quantity.js';
export { capitalised, formatAmount, formatNumber, formatPercent, formatSeconds } from './quantity/format.js';
export { formatDuration } from './quantity/format-time.js';
export type { NumberStyle } from './quantity/number-style.js';
export { parseAmount, type Amount } from './quantity/parse-amount.js';
export { parseNumber } from './quantity/parse.js';
export { shownUnit, type ShownUnit, type UnitSystem } from './quantity/units.js';
export { LOAD_FAMILIES, kindOfPart, type LoadFamily, type PartKind } from './reference/kinds-of-parts.js';
export { CHEMISTRIES, type Chemistry } from './reference/batteries.js';
export { LARGEST_BREAKER_A } from './reference/breaker-curves.js';
export { sourceWords } from './reference/provenance.js';
export { dcWatts, lossCurveOf } from './electrical/efficiency-curve.js';
export { partNumber } from './electrical/part-numbers.js';
export { sourceTest, type SourceTest } from './electrical/source-test.js';
export { startSizeOf } from './electrical/start-size.js';
export { runningPowerFactor, runningPowerOf } from './electrical/running-power.js';
export { ceilingsOf, type Ceiling } from './electrical/surge-tiers.js';
export { systemOfLoad, type SystemOfLoad } from './electrical/voltage-of-load.js';
export { halfWidthsOf, intervalOf, type QuantityRole } from './rig/half-widths.js';
export { valueAt, withValueAt } from './rig/document-path.js';
export { fieldName } from './rig/field-names.js';
export {
  withArrivalTest,
  withCharge,
  withKnown,
  withLoad,
  withPartNumber,
  withRunningFrom,
  withoutCharging,
  withOnly,
  withoutHabits,
  withoutHolding,
  withStartMoved,
  withState,
  withSupply,
  type PartNumber,
} from './rig/edits.js';
export { followersOf, leaderOf, withFollowersOf } from './rig/followers.js';
export { describeProblem, type RigProblem } from './rig/problems.js';
export type {
  Battery,
  Bus,
  Circuit,
  Converter,
  Day,
  Job,
  Load,
  Part,
  Placement,
  Rig,
  Scene,
  Source,
  StartFrom,
  Supply,
} from './rig/schema.js';
export { validateRig, type Validation } from './rig/validate.js';
export { batteryClockOf, type BatteryClock } from './answers/battery-clock.js';
export { compareVerdicts } from './verdict/verdict.js';
export { check, isNothingFed, type CheckResult, type StartOrderRule } from './verdict/check.js';
export { doubtsOf, type Doubt } from './verdict/doubts.js';
export type { Progress } from './answers/progress.js';
export type { CautionId } from './reference/cautions.js';
export { dropOutOf, type DropOut } from './answers/drop-out.js';
export type { Dimming } from './answers/dimming.js';
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
} from './wording/explain.js';
export { inputLimitOf, type InputLimit } from './answers/input-limit.js';
export type { Limit } from './verdict/limit.js';
export { supplyNotices, type SupplyNotice } from './wording/supply-notice-words.js';
export { limitLabel, partName } from './wording/names.js';
export { loadOf } from './rig/lookup.js';
export { theLoad } from './rig/names-in-sentences.js';
export { outlookOf, outlooksOf, type Outlook } from './answers/outlook.js';
export type { AskedSet, Change } from './fit/change.js';
export type { Way, WaysToFit } from './fit/ways-to-fit.js';
export { settlementOf, type Settlement } from './answers/settle.js';
export { settlementWords } from './wording/settlement-words.js';
export type { CheckScene } from './verdict/situation.js';
export { notChecked } from './answers/not-checked.js';
export { wattsCounted } from './electrical/watts-counted.js';
export { outlookWords, wattsInState } from './wording/outlook-words.js';
export { powerFlowsOf } from './answers/power-flows.js';
export { powerBackOf, type PowerBack } from './answers/power-back.js';
export { staircaseHeads, staircaseOf, type DrawnStart, type Staircase } from './answers/staircase.js';
export type { Combination, CombinationQuestion, CombinationRank, Combinations } from './sets/combinations.js';
export type { EnoughSize, EnoughSizes } from './sizes/enough-sizes.js';
export type { OneChangeAway } from './fit/one-change-away.js';
export type { Pair, WhoRunsWithWhom } from './sets/pairs.js';
export type { Turns } from './sets/turns.js';
export type { SetQuestion } from './sets/runs-together.js';
export { USUAL_UNPLANNED_W, unplannedLoadsOf, type UnplannedLoad } from './answers/unplanned-load.js';
export type { Verdict } from './verdict/verdict.js';
export type { VoltageDrop } from './answers/voltage-drop.js';
export { compile, type CompiledRig } from './system/compile.js';
export type { AnsweredSet } from './wording/working.js';
export {
  LARGEST_FILE_BYTES,
  problemLines,
  readRigDocument,
  readRigFile,
  writeRigFile,
} from './formats/rig-file.js';
export { loadSummary, type LoadSummary } from './electrical/load-summary.js';
export { freeId, freeName } from './rig/free-names.js';
export { choiceWords } from './rig/choice-words.js';
export { ENTRY_WORDS, entriesOf, type Entry, type EntryList } from './rig/entry-lists.js';
export { changedLoads, withCopy, withEntry, withLoadsOn, withoutEntry, withoutPart } from './rig/entries.js';
export { worthLookingUp, type WorthLookingUp } from './answers/worth-looking-up.js';
