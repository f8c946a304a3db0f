/**
 * What is public of the core for days and their plans: what the room Day and the command line read of them. Planning itself
 * is asked of the worker (planning.ts).
 */

export type { DayPlan, EnergyVerdict, PlannedPiece, Unplaced } from './day/day-plan.js';
export type { DayChange } from './day/let-in.js';
export type { Misplacement } from './day/slack.js';
export type { Moment } from './day/moments.js';
export type { ProofOfPlan, Reach } from './day/bound/proof-of-plan.js';
export type { PlanReview } from './day/plan-review.js';
export type { Cost, HourOfLoad, SupplyCost } from './day/costs.js';
export type { Night } from './day/night.js';
export type { Surprise, SurpriseHarm } from './day/surprise.js';
export { clashWords, reachWords, type ReachWords, type Standing } from './wording/proof-words.js';
export { nightWords, sunUseWords, type NightWords } from './wording/night-words.js';
export { momentInPlan, SLOT_MINUTES, slotsOf, stretchesBetween, timeInPlan, whOf } from './day/clock.js';
export {
  assumptionWords,
  cutWords,
  dayChangeWords,
  ENERGY_WORDS,
  energyWords,
  planHeadline,
  unplacedWords,
} from './wording/day-words.js';
export {
  newDay,
  withDay,
  withJob,
  withMomentOn,
  withPieceOf,
  withPieceSplit,
  withPlan,
} from './rig/day-edits.js';
export { keepingJobs } from './rig/day-without.js';
export { theElement } from './rig/names-in-sentences.js';
