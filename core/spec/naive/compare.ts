import fc from 'fast-check';
import type { Consumer } from '../../src/loads/consumer.js';
import { loadOf, supplyOf } from '../../src/rig/lookup.js';
import type { Rig } from '../../src/rig-file/schema.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import { endOnFailure } from '../always.js';
import { RunningSet } from '../../src/check/wiring/running-set.js';
import type { Limit } from '../../src/check/limits/limit.js';
import { allSteadyLimits } from '../../src/check/limits/steady-limits.js';
import { VERDICTS } from '../../src/check/verdict.js';
import { anySystem, type AnySystem } from './any-system.js';
import type { Side } from './doubtful-numbers.js';
import { standing, type On, type Row } from './conductors.js';
import { naiveSystemVerdict, orders } from './naive-system.js';
import { startOf, startRows } from './start-rows.js';
import { steadyRows } from './steady-rows.js';

/**
 * Compares the check with the naive one on so many random systems.
 *
 * @returns How often each verdict was given on each supply.
 * @throws Error with the smallest system that is judged differently.
 */
export function compareSystems(count: number, seed: number): ReadonlyMap<string, number> {
  const seen = new Map<string, number>();
  const property = fc.property(anySystem, ({ rig, supply, on }) => {
    const naive = naiveSystemVerdict(
      rig,
      supply,
      on.map(({ load, ...how }) => ({ load: loadOf(rig, load), ...how })),
    );
    const key = `${supply} ${naive}`;
    seen.set(key, (seen.get(key) ?? 0) + 1);
    const found = check(compile(rig), { supply, on, charge: chargeOf(rig) });
    if (found.verdict === naive || [...found.limits, ...found.ofSupply].some(isAtItsEdge)) return true;
    return backsOff(rig, supply) && bestOfAllOrders(rig, supply, on) === naive;
  });
  const result = fc.check(property, { numRuns: count, seed, endOnFailure });
  if (!result.failed) return seen;
  const [smallest] = result.counterexample ?? [];
  throw new Error(`seed ${seed}, after ${result.numRuns} systems: ${JSON.stringify(smallest)}`);
}

/** The charge that was read, if any, is kept with the only scene. */
const chargeOf = (rig: Rig) => rig.scenes[0]?.charge;

/** Both checks search a band of power factors in steps: what lies within a step's error of a limit proves nothing. */
const AT_ITS_EDGE = 3e-6;
const isAtItsEdge = ({ headroom, capacity }: Limit): boolean =>
  (['pessimistic', 'stated', 'optimistic'] as const).some(
    (edge) => Math.abs(headroom[edge]) < AT_ITS_EDGE * capacity[edge],
  );

/**
 * Whether charging backs off as loads are added: then a load that runs already may leave a start a few VA more, and
 * the best order, which is exact for sums that only grow, may be missed on the careful side.
 */
function backsOff(rig: Rig, supplyId: string): boolean {
  const { charging, assist, inputLimitA } = supplyOf(rig, supplyId);
  return charging !== 'off' && assist !== 'on' && inputLimitA !== undefined;
}

function bestOfAllOrders(rig: Rig, supply: string, on: AnySystem['on']): string {
  const verdicts = orders(on).map(
    (each) => check(compile(rig), { supply, on: each, charge: chargeOf(rig) }, 'given').verdict,
  );
  return VERDICTS.find((verdict) => verdicts.includes(verdict)) ?? 'trips';
}

type Figures = Row;

/**
 * Compares every figure of every limit with the naive check on so many random systems: what each has to carry and what
 * it carries, steady and at every start, at both edges. Nothing may be there that the other has not.
 *
 * @returns How many figures of each kind of limit were found alike.
 * @throws Error with the smallest system of which a figure differs.
 */
export function compareFigures(
  count: number,
  seed: number,
  systems: fc.Arbitrary<AnySystem> = anySystem,
): ReadonlyMap<string, number> {
  const alike = new Map<string, number>();
  const property = fc.property(systems, (system) => {
    for (const side of ['against', 'stated', 'for'] as const)
      for (const { limits, rows } of figuresOf(system, side)) {
        let left = rows.filter(isAsked);
        const asked = limits.filter((each) => isComparable(each, side) && isAsked(figuresAt(each, side)));
        const others = asked.filter((limit) => !takeFrom((row) => isAlike(limit, side, row)));
        for (const limit of others)
          if (!takeFrom((row) => isBackedOff(limit, figuresAt(limit, side), row)))
            throw new Error(`${limit.id}: ${String(figuresAt(limit, side))}, naive: ${left.join(' ')}`);
        for (const { kind } of asked) alike.set(kind, (alike.get(kind) ?? 0) + 1);
        /** Takes the first row that is found, so that none counts twice. */
        function takeFrom(isFound: (row: Figures) => boolean): boolean {
          const index = left.findIndex(isFound);
          left = left.filter((_, place) => place !== index);
          return index >= 0;
        }
        // Of unequal batteries the check names the one that is worst off.
        const missing = left.filter((row) => !limits.some((limit) => isLighter(limit, row, side)));
        if (missing.length > 0) throw new Error(`the check has not: ${missing.join(' ')}`);
      }
  });
  fc.assert(property, { numRuns: count, seed, endOnFailure });
  return alike;
}

/** The figures of both checks about the set as it runs, and about each start on top of what runs then. */
function figuresOf({ rig, supply: supplyId, on }: AnySystem, side: Side) {
  const supply = supplyOf(rig, supplyId);
  const result = check(compile(rig), { supply: supplyId, on, charge: chargeOf(rig) });
  const stands = standing(
    rig,
    supply,
    on.map(({ load, ...how }) => ({ load: loadOf(rig, load), ...how })),
  );
  const all = new Map(stands.map((each) => [each.load.id, each]));
  // What charges is a load of the check, and none of the rig.
  const entered = (consumers: readonly Consumer[]) => consumers.flatMap(({ load }) => all.get(load.id) ?? []);
  const set = entered([...result.selfStarting, ...result.order]);
  const followers = (leader: string): readonly On[] =>
    (rig.ties ?? [])
      .filter((tie) => tie.leader === leader)
      .flatMap(({ follower }) => set.filter(({ load }) => load.id === follower))
      .flatMap((follower) => [follower, ...followers(follower.load.id)]);
  const steady = result.elements.flatMap((element) =>
    allSteadyLimits(element, new RunningSet([...result.selfStarting, ...result.order])),
  );
  return [
    { limits: steady, rows: [...steadyRows(rig, supply, set, side)] },
    ...result.starts.map(({ consumer, running, limits }) => {
      const [before, own, tied] = [entered(running), entered([consumer]), followers(consumer.load.id)];
      const alone = own.some(startOf) ? [...startRows(rig, supply, before, own, side)] : [];
      const brings = tied.some(startOf);
      const together = brings ? [...startRows(rig, supply, before, [...own, ...tied], side)] : [];
      return { limits, rows: [...alone, ...together] };
    }),
  ];
}

const figuresAt = ({ worst, capacity }: Limit, side: Side): Figures =>
  ({
    against: [worst.hi, capacity.pessimistic] as const,
    stated: [worst.stated, capacity.stated] as const,
    for: [worst.lo, capacity.optimistic] as const,
  })[side];

/** A limit that is asked for something, and is one. */
const isAsked = ([demand, capacity]: Figures) => demand > 1e-6 && capacity !== Infinity;

/** A rule of planning never trips, so the naive check does not ask for it at the optimistic edge. */
const isComparable = ({ kind }: Limit, side: Side) => side === 'against' || kind !== 'continuous-rule';

const CLOSE = 3e-6;
const MOST_BACKED_OFF = 1.2;
/** A rating in doubt joins the doubts at the power factor that is worst: near it the sum is flat, and they are not. */
const CLOSE_AT_A_TOP = 3e-4;
/** A start alone has at best the same volt-amps at every power factor: which of them a guessed rating joins is open. */
const CLOSE_ALONE = 0.1;
const isClose = (a: number, b: number, share = CLOSE) => Math.abs(a - b) <= share * Math.max(1, Math.abs(a));

/** The check has a bank of unequal batteries as one, the naive check each of them: the shares are the same. */
function isAlike(limit: Limit, side: Side, row: Figures): boolean {
  const { unit, element, kind } = limit;
  const [demand, capacity] = figuresAt(limit, side);
  if (element.kind === 'battery' && unit === 'A') return isClose(demand / capacity, row[0] / row[1]);
  const close = side === 'for' && kind === 'generator-start-va' ? CLOSE_ALONE : CLOSE_AT_A_TOP;
  return isClose(demand, row[0]) && isClose(capacity, row[1], close);
}

/** Charging that backs off may leave less at worst than as entered: the check then counts what is entered. */
function isBackedOff({ element, worst }: Limit, [demand, capacity]: Figures, row: Figures): boolean {
  const mayBe = ['generator', 'source-breaker', 'inlet-breaker', 'unknown-rating'].includes(element.kind);
  const isAsEntered = demand === worst.stated && demand > row[0] && demand < row[0] * MOST_BACKED_OFF;
  return mayBe && isAsEntered && isClose(capacity, row[1]);
}

function isLighter(limit: Limit, [demand, capacity]: Figures, side: Side): boolean {
  const [own, carries] = figuresAt(limit, side);
  return limit.element.kind === 'battery' && limit.unit === 'A' && demand / capacity < own / carries;
}
