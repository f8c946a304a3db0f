import type { Progress } from '../units/progress.js';
import { headroomShare } from '../check/limits/limit.js';
import { isPurchase, subjectOf, type AskedSet, type Change } from './change.js';
import { effortOf } from './effort.js';
import type { Trial, Trials } from './trials.js';

const MOST_PAIRS_TRIED = 600;
const MOST_PAIRS_TOLD = 4;

/** Two changes neither of which is enough, each of which does something for a limit that fails. */
export function pairsThatHold(
  trials: Trials,
  singles: readonly Change[],
  progress: Progress,
): { readonly found: readonly Trial[]; readonly areAll: boolean } {
  const helping = singles.filter(
    (change) =>
      !isPurchase(change) && change.by !== 'who-carries' && !trials.holds([change]) && eases(trials, change),
  );
  const pairs = helping
    .flatMap((one, index) =>
      helping
        .slice(index + 1)
        // Two waits are four sets one after the other: no hand keeps them apart.
        .filter((other) => one.by !== 'wait' || other.by !== 'wait')
        .filter((other) => subjectOf(one) !== subjectOf(other) && !areOfOneLoad(one, other))
        .map((other): readonly Change[] => [one, other]),
    )
    .map((changes) => ({ changes, effort: sumOfEfforts(trials.asked, changes) }))
    .sort((a, b) => a.effort - b.effort);
  const found: Trial[] = [];
  for (const [index, { changes }] of pairs.slice(0, MOST_PAIRS_TRIED).entries()) {
    progress(singles.length + index, singles.length + pairs.length);
    if (found.some((way) => givesUpMore(changes, way.changes)) || !trials.holds(changes)) continue;
    found.push(trials.try(changes));
    if (found.length === MOST_PAIRS_TOLD) return { found, areAll: true };
  }
  return { found, areAll: pairs.length <= MOST_PAIRS_TRIED };
}

/** A load that waits for another one, and that other one off, are about both; so is one switched off at a restart. */
function areOfOneLoad(one: Change, other: Change): boolean {
  const of = (change: Change): readonly string[] => [
    ...('loadId' in change ? [change.loadId] : []),
    ...('forId' in change ? [change.forId] : []),
    ...(change.by === 'habit' ? [change.restartsId, ...change.offIds] : []),
  ];
  return of(one).some((id) => of(other).includes(id));
}

/** Whether a load goes off that another pair, alike but for that, only lets wait. */
function givesUpMore(changes: readonly Change[], found: readonly Change[]): boolean {
  const off = changes.find((change) => change.by === 'off');
  const wait = found.find((change) => change.by === 'wait');
  const isSame = changes.some((change) => change !== off && found.includes(change));
  return !!off && !!wait && isSame && [wait.loadId, wait.forId].includes(off.loadId);
}

const sumOfEfforts = (asked: AskedSet, changes: readonly Change[]): number =>
  changes.reduce((sum, change) => sum + effortOf(asked, change), 0);

/** Whether a change leaves more of a limit that fails. */
function eases(trials: Trials, change: Change): boolean {
  const { result, isWhole } = trials.try([change]);
  if (!isWhole) return false;
  return trials.failing.some((before) => {
    const after = result.limits.find(
      ({ kind, element }) => kind === before.kind && element.id === before.element.id,
    );
    return !after || headroomShare(after, 'pessimistic') > headroomShare(before, 'pessimistic') + LEAST_GAIN;
  });
}

/** Less than a thousandth of a limit helps nobody. */
const LEAST_GAIN = 1e-3;
