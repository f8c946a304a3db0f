import type { Edge } from '../units/quantity.js';
import type { Load, Rig } from '../rig-file/schema.js';
import type { CompiledRig, System } from '../check/wiring/compile.js';
import { followersOf, withFollowersOf } from '../rig/followers.js';
import { unlocked } from '../check/wiring/locks.js';
import { wattsCounted } from '../loads/watts-counted.js';
import { fits } from '../check/fits.js';
import type { Limit } from '../check/limits/limit.js';
import { passesAt } from '../check/order/start-order.js';
import { situationOfAll, type CheckScene, type LoadOn } from '../check/situation.js';
import { bitAt, bitsBelow, bitsOf, common, MOST_IN_A_MASK, union } from './bits.js';
import { byTest, shrunk, type FailingPart } from './monotone-memory.js';
import type { WattsBudget } from './worth-bound.js';
import { LimitsByElement } from './limits-by-element.js';

/** Which loads a question about sets is about, and when a set counts. */
export interface SetQuestion {
  readonly supply: CheckScene['supply'];
  readonly charge?: CheckScene['charge'];
  /** The states of loads that have any, by load; in full where none is named. */
  readonly states?: ReadonlyMap<string, string>;
  /** Sets that hold, or also those that may hold. */
  readonly edge: Edge;
  readonly mustInclude?: readonly string[];
  readonly mustNot?: readonly string[];
  /** Only the loads of one circuit, and what every set must have. */
  readonly circuit?: string;
  /** Sets that hold in some order of their starts (the default), or whatever the order is. */
  readonly startOrder?: 'best' | 'any';
}

/** The loads of a question, each with its place in a bit mask, and whether a set of them runs together, or what of it does not. */
export interface RunsTogether {
  /** Those that the supply feeds, what every set must have first, then the largest first. */
  readonly loads: readonly Load[];
  /** What is fed too and has no place in a mask: the smallest of very many. */
  readonly leftOut: readonly Load[];
  readonly failingPart: FailingPart;
  /** What sets come to as sums of watts, for searches that look for the best. */
  readonly budgets: () => readonly WattsBudget[];
}

/**
 * What of two circuits flows in their common neutral may be less where both draw: it is monotone in no direction, and
 * is shown by the check of each set that is found.
 */
const NOT_MONOTONE: Limit['kind'] = 'neutral';

/**
 * The loads that a question about sets is about, with the test of a set of them: every limit of the check at one edge,
 * in some order of the starts, with what follows them, and with no load kept off by a lock or a shedder. Of a set that passes every subset does.
 *
 * @throws RangeError where the rig has no such supply.
 * Source: methods.md, rules 1 to 11; docs/decisions/0010.
 */
export function runsTogether(compiled: CompiledRig, question: SetQuestion): RunsTogether {
  const { rig } = compiled;
  const system = compiled.on(question.supply);
  const excluded = new Set(question.mustNot);
  const pinned = new Set(question.mustInclude);
  const fed = rig.loads
    .filter(
      ({ id, circuit }) => !excluded.has(id) && (pinned.has(id) || (question.circuit ?? circuit) === circuit),
    )
    .filter(({ id }) => !system.whyNotFed(id))
    .sort((a, b) => Number(pinned.has(b.id)) - Number(pinned.has(a.id)) || watts(b) - watts(a));
  const loads = fed.slice(0, MOST_IN_A_MASK);
  function watts(load: Load): number {
    return wattsCounted(rig, load, question.states?.get(load.id));
  }
  return { loads, leftOut: fed.slice(MOST_IN_A_MASK), ...testsOf(system, question, loads) };
}

function testsOf(
  system: System,
  question: SetQuestion,
  loads: readonly Load[],
): Pick<RunsTogether, 'failingPart' | 'budgets'> {
  const { rig } = system;
  const { charge, edge, startOrder = 'best', states } = question;
  const fed = new Map(rig.loads.filter(({ id }) => !system.whyNotFed(id)).map((load) => [load.id, load]));
  const chosenOf = (mask: number): readonly Load[] => {
    const ids = bitsOf(mask).flatMap((bit) => loads[bit]?.id ?? []);
    return withFollowersOf(rig, ids).flatMap((id) => fed.get(id) ?? []);
  };
  const situationOf = (mask: number) => {
    const chosen = chosenOf(mask);
    const on = chosen.map(({ id }): LoadOn => ({ load: id, state: states?.get(id) }));
    return situationOfAll(system, [...chosen, ...system.charging], { on, ...(charge && { charge }) });
  };
  const counts = ({ kind }: Limit): boolean => kind !== NOT_MONOTONE;
  const fails = (limit: Limit): boolean => counts(limit) && !passesAt([limit], edge);
  const ofAll = situationOf(bitsBelow(loads.length));
  const consumers = loads.flatMap(({ id }) => ofAll.consumers.find(({ load }) => load.id === id) ?? []);
  const charging = ofAll.consumers.filter(({ load }) => system.charging.some(({ id }) => id === load.id));
  const byElement = new LimitsByElement(ofAll, consumers, charging, fails, edge);
  const leaders = leadersAmong(rig, loads, (id) => fed.has(id));
  const testTied = byTest((mask) => {
    const situation = situationOf(mask);
    return fits(situation, situation.consumers, edge, startOrder, counts);
  });
  const hasRules = (rig.locks ?? []).length > 0 || (rig.shedders ?? []).length > 0;
  const isKeptApart = (mask: number): boolean => hasRules && unlocked(rig, chosenOf(mask)).keptOff.length > 0;
  const failingPart: FailingPart = (mask) => {
    if (isKeptApart(mask)) return shrunk(mask, (part) => !isKeptApart(part));
    if (common(leaders, mask) !== 0) return testTied(mask);
    return startOrder === 'any' ? byElement.failingPartInAnyOrder(mask) : byElement.failingPart(mask);
  };
  return { failingPart, budgets: () => byElement.budgets() };
}

/** The loads that bring others on with them, as a mask: each set with one of them is tested with what follows. */
function leadersAmong(rig: Rig, loads: readonly Load[], isFed: (id: string) => boolean): number {
  return loads.reduce(
    (mask, { id }, place) => (followersOf(rig, id).some(isFed) ? union(mask, bitAt(place)) : mask),
    0,
  );
}
