/** Public: days and their plans, as Day and the command line read them; planning itself is asked of the worker (compute). */

export type { DayPlan, EnergyVerdict, PlannedPiece } from '../day/day-plan.js';
export type { Misplacement } from '../day/plan/slack.js';
export type { Moment } from '../day/moments.js';
export type { ProofOfPlan } from '../day/bound/proof-of-plan.js';
export type { PlanReview } from '../day/plan/plan-review.js';
export type { Cost } from '../day/costs.js';
export { clashWords, reachWords } from '../day/proof-words.js';
export { nightWords, sunUseWords } from '../day/night-words.js';
export { momentInPlan, SLOT_MINUTES, slotsOf, stretchesBetween, timeInPlan, whOf } from '../day/clock.js';
export {
  assumptionWords,
  cutWords,
  ENERGY_WORDS,
  energyWords,
  planHeadline,
  unplacedWords,
} from '../day/day-words.js';
export {
  newDay,
  withDay,
  withJob,
  withMomentOn,
  withPieceOf,
  withPieceSplit,
  withPlan,
} from '../rig/day-edits.js';
export { keepingJobs } from '../rig/day-without.js';
export { theElement } from '../rig/names-in-sentences.js';
