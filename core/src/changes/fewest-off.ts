import { bitAt, bitsOf, union } from '../sets/bits.js';
import { maximalSets } from '../sets/maximal-sets.js';
import { MonotoneMemory } from '../sets/monotone-memory.js';
import { runsTogether } from '../sets/runs-together.js';
import { countingLoads, mostWorth } from '../sets/worth-bound.js';
import type { Change } from './change.js';
import type { Trial, Trials } from './trials.js';

/**
 * The fewest loads to switch off so that the rest holds, where no one and no two things are enough.
 *
 * @param kept Loads that stay on, with those that are protected.
 * @returns Undefined where what stays on does not hold by itself, or the loads are more than a mask takes.
 * Source: the largest of the combinations of what is on (docs/decisions/0010).
 */
export function fewestOff(trials: Trials, kept: ReadonlySet<string>): Trial | undefined {
  const { rig, scene, startOrder } = trials.asked;
  const { supply, charge, on } = scene;
  const isOn = new Set(on.map(({ load }) => load));
  const mustInclude = rig.loads
    .filter(({ id, isProtected }) => isOn.has(id) && (kept.has(id) || isProtected === 'yes'))
    .map(({ id }) => id);
  const { loads, leftOut, failingPart, budgets } = runsTogether(trials.compiledOf(trials.asked), {
    supply,
    ...(charge && { charge }),
    states: new Map(on.flatMap(({ load, state }) => (state === undefined ? [] : [[load, state]]))),
    edge: 'pessimistic',
    mustInclude,
    mustNot: rig.loads.flatMap(({ id }) => (isOn.has(id) ? [] : id)),
  });
  if (leftOut.length > 0) return undefined;
  const required = loads.reduce(
    (mask, { id }, place) => (mustInclude.includes(id) ? union(mask, bitAt(place)) : mask),
    0,
  );
  const sets = maximalSets(loads.length, new MonotoneMemory(failingPart), required, {
    worths: countingLoads(loads),
    bound: mostWorth(countingLoads(loads), budgets()),
    most: 1,
  });
  const largest = [...sets].at(-1);
  if (largest === undefined) return undefined;
  const stays = new Set(bitsOf(largest).flatMap((bit) => loads[bit]?.id ?? []));
  const off = loads.flatMap(({ id }): readonly Change[] =>
    stays.has(id) ? [] : [{ by: 'off', loadId: id }],
  );
  const ordered: readonly Change[] = startOrder === 'best' ? off : [{ by: 'order' }, ...off];
  const trial = trials.try(ordered);
  return trial.isWhole && trial.result.verdict === 'holds' ? trial : undefined;
}
