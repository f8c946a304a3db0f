/**
 * What is public of the core for questions about many sets at once. Apart from the answers about one, for a bundler does
 * not split what comes through one index: workers and the command line ask them, no room does.
 */

export { highsSolver } from './day/bound/highs-solver.js';
export { proofOfPlan } from './day/bound/proof-of-plan.js';
export { reviewOfPlan } from './day/plan-review.js';
export { placesOfPiece, planAsKept, planOfDay } from './day/day-plan.js';
export { enoughSizes } from './sizes/enough-sizes.js';
export { oneChangeAway } from './fit/one-change-away.js';
export { waysToFit } from './fit/ways-to-fit.js';
export { combinationsOf } from './sets/combinations.js';
export { turnsOf } from './sets/turns.js';
export { whoRunsWithWhom } from './sets/pairs.js';
export { canSwitchOn } from './now/can-switch-on.js';
export { overloadsOf } from './now/overloads.js';
export { tripCauses } from './now/trip-causes.js';
export { unexplainedPower } from './now/unexplained-power.js';
export { wayBackOf } from './now/way-back.js';
export { shortestCard } from './card/shortest-card.js';
export { proofOfLine } from './card/line-proof.js';
export { proofWords } from './wording/card-proof-words.js';
