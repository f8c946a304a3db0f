/** Public: what takes longer than a tick. For the workers and the command line alone: no room waits for it. */

export { highsSolver } from '../day/bound/highs-solver.js';
export { proofOfPlan } from '../day/bound/proof-of-plan.js';
export { reviewOfPlan } from '../day/plan/plan-review.js';
export { placesOfPiece, planAsKept, planOfDay } from '../day/day-plan.js';
export { enoughSizes } from '../changes/sizes/enough-sizes.js';
export { oneChangeAway } from '../changes/one-change-away.js';
export { waysToFit } from '../changes/ways-to-fit.js';
export { combinationsOf } from '../sets/combinations.js';
export { turnsOf } from '../sets/turns.js';
export { whoRunsWithWhom } from '../sets/pairs.js';
export { canSwitchOn } from '../now/can-switch-on.js';
export { overloadsOf } from '../now/overloads.js';
export { tripCauses } from '../now/trip/trip-causes.js';
export { unexplainedPower } from '../now/unexplained-power.js';
export { recoveryStepsOf } from '../now/trip/recovery-steps.js';
export { shortestCard } from '../card/shortest-card.js';
export { proofOfLine } from '../card/line-proof.js';
export { proofWords } from '../card/card-proof-words.js';
