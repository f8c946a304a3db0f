import type { Rig, Supply } from '../../src/rig-file/schema.js';
import {
  busOf,
  circuitOf,
  isAtAnyMoment,
  isByItself,
  onBattery,
  phaseOf,
  standing,
  type On,
  type Row,
} from './conductors.js';
import { verdictOf, type NaiveVerdict, type Side } from './doubtful-numbers.js';
import { startOf, startRows } from './start-rows.js';
import { steadyRows } from './steady-rows.js';

/**
 * A naive check of whole systems: legs and their neutral, locks, shedders, ties, levels, loads ahead of the inverter,
 * DC loads, plugs, the rule of three hours, breakers in series, other loads, generators, unknown ratings, chargers, heat
 * and height, and unequal batteries at their charge. Written from docs/methods.md, sharing no code with core/src: every order and every choice of a
 * lock is tried.
 */
const CLOSE = 1e-6;

/** Stops at the first that does not fit. */
function allFit(rows: Iterable<Row>): boolean {
  for (const [demand, capacity] of rows) if (demand > capacity + CLOSE) return false;
  return true;
}

export function naiveSystemVerdict(rig: Rig, supplyId: string, on: readonly On[]): NaiveVerdict {
  const supply = rig.supplies.find((each) => each.id === supplyId)!;
  const entered = standing(rig, supply, on);
  const set = whatRuns(rig, supply, entered);
  return verdictOf((side) => passes(rig, supply, set, side, entered));
}

/** Rule 49: what the supply fails by itself, and the set adds nothing to, is said once of the supply. */
function* rowsOfSet(rig: Rig, supply: Supply, set: On[], side: Side): Iterable<Row> {
  const rowsAt = (of: On[], edge: Side): ReadonlyMap<string, Row> => {
    const rows = [...steadyRows(rig, supply, of, edge)];
    return new Map(rows.flatMap((row) => (row[2] === undefined ? [] : [[row[2], row] as const])));
  };
  const readings = (of: On[]) =>
    ({ against: rowsAt(of, 'against'), stated: rowsAt(of, 'stated'), for: rowsAt(of, 'for') }) as const;
  const [alone, whole] = [readings([]), readings(set)];
  const fits = (row: Row | undefined) => row === undefined || row[0] <= row[1] + CLOSE;
  const rank = (of: typeof alone, key: string) =>
    ['holds', 'tight', 'likely-trips', 'trips'].indexOf(verdictOf((edge) => fits(of[edge].get(key))));
  for (const row of steadyRows(rig, supply, set, side)) {
    const key = row[2] ?? '';
    const [before, now] = [alone.against.get(key), whole.against.get(key)];
    const isOfSupply =
      set.length > 0 &&
      before !== undefined &&
      !fits(before) &&
      (now?.[0] ?? 0) <= before[0] * (1 + CLOSE) &&
      rank(whole, key) <= rank(alone, key);
    if (!isOfSupply) yield row;
  }
}

/** Whether it is fed: between two legs on one pole there are no volts. */
function isFed(rig: Rig, supply: Supply, each: On): boolean {
  const isOnePole = phaseOf(rig, supply) === 'in-phase';
  return (
    (busOf(rig, each) !== 'inlet' || !onBattery(supply)) &&
    !(isOnePole && circuitOf(rig, each).pole === 'both')
  );
}

/** What is fed, less what locks and shedders keep off. */
function whatRuns(rig: Rig, supply: Supply, order: readonly On[]): On[] {
  const fed = order.filter((each) => isFed(rig, supply, each));
  const free: On[] = [];
  for (const each of fed) {
    const locked = (rig.locks ?? []).some(
      ({ loads }) => loads.includes(each.load.id) && free.some(({ load }) => loads.includes(load.id)),
    );
    if (!locked) free.push(each);
  }
  const has = (id: string) => free.some(({ load }) => load.id === id);
  return free.filter(
    ({ load }) => !(rig.shedders ?? []).some(({ drops, watches }) => drops === load.id && has(watches)),
  );
}

/** Every order of a list. */
export function orders<T>(list: readonly T[]): T[][] {
  return list.length === 0
    ? [[]]
    : list.flatMap((each) => orders(list.filter((other) => other !== each)).map((rest) => [each, ...rest]));
}

/** Whether loads can be on while one of them starts last, on top of all the others and of what follows it. */
export function naiveJoins(rig: Rig, supplyId: string, on: readonly On[], lastId: string): boolean {
  const supply = rig.supplies.find((each) => each.id === supplyId)!;
  const set = whatRuns(rig, supply, standing(rig, supply, on));
  const { bears, brings } = startsOf(rig, supply, set, 'against');
  const last = set.find(({ load }) => load.id === lastId);
  return last !== undefined && staysOn(rig, supply, set, 'against') && (!brings(last) || bears(set, last));
}

/**
 * Whether loads hold whatever the order of their starts, and whatever is restarted: each can start last.
 *
 * @param brought What starts with them, unless it is kept off.
 */
export function naiveInAnyOrder(
  rig: Rig,
  supplyId: string,
  on: readonly On[],
  brought: readonly On[] = [],
): boolean {
  const supply = rig.supplies.find((each) => each.id === supplyId)!;
  const set = whatRuns(rig, supply, standing(rig, supply, [...on, ...brought]));
  const isOn = ({ load }: On) => set.some((each) => each.load.id === load.id);
  const { bears, brings, led } = startsOf(rig, supply, set, 'against');
  const hand = set.filter((each) => !led.has(each) && brings(each));
  return on.every(isOn) && staysOn(rig, supply, set, 'against') && hand.every((each) => bears(set, each));
}

/** Whether loads hold when they are started in just this order. */
export function naiveInThisOrder(rig: Rig, supplyId: string, on: readonly On[]): boolean {
  const supply = rig.supplies.find((each) => each.id === supplyId)!;
  const set = whatRuns(rig, supply, standing(rig, supply, on));
  const { bears, brings, led, withFollowers } = startsOf(rig, supply, set, 'against');
  const floor = set.filter(isByItself);
  const hand = set.filter((each) => !floor.includes(each) && !led.has(each) && brings(each));
  return (
    staysOn(rig, supply, set, 'against') &&
    hand.every((each, index) => bears(withFollowers([...floor, ...hand.slice(0, index)]), each))
  );
}

/** All that runs, and every start that comes by itself. */
function staysOn(rig: Rig, supply: Supply, set: On[], side: Side, ticked: readonly On[] = []): boolean {
  const { bears, brings } = startsOf(rig, supply, set, side, ticked);
  const anyMoment = set.filter(isAtAnyMoment);
  return (
    allFit(rowsOfSet(rig, supply, set, side)) && anyMoment.filter(brings).every((each) => bears(set, each))
  );
}

/** The starts within a set, each with what follows it. */
function startsOf(rig: Rig, supply: Supply, set: On[], side: Side, ticked: readonly On[] = []) {
  const direct = (leader: On): On[] =>
    (rig.ties ?? [])
      .filter((tie) => tie.leader === leader.load.id)
      .flatMap((tie) => set.filter(({ load }) => load.id === tie.follower));
  const followersOf = (leader: On): On[] =>
    direct(leader).flatMap((follower) => [follower, ...followersOf(follower)]);
  const led = new Set(set.flatMap(followersOf));
  const withFollowers = (list: On[]) => [...new Set([...list, ...list.flatMap(followersOf)])];
  // Rule 45: a shedder drops its load after the start it makes room for.
  const stillOn = (each: On) =>
    ticked.filter(
      (other) =>
        !set.includes(other) &&
        isFed(rig, supply, other) &&
        (rig.shedders ?? []).some(
          ({ watches, drops, leadsStart }) =>
            watches === each.load.id && drops === other.load.id && leadsStart !== 'yes',
        ),
    );
  const brings = (each: On) => [each, ...followersOf(each)].some(startOf);
  const bears = (before: On[], each: On): boolean => {
    const rest = withFollowers([...before, ...stillOn(each)].filter((other) => other !== each));
    const tied = followersOf(each);
    const alone = !startOf(each) || allFit(startRows(rig, supply, rest, [each], side));
    return alone && (!tied.some(startOf) || allFit(startRows(rig, supply, rest, [each, ...tied], side)));
  };
  return { led, withFollowers, brings, bears };
}

/** A set at one edge. */
function passes(rig: Rig, supply: Supply, set: On[], side: Side, ticked: readonly On[]): boolean {
  const { led, withFollowers, brings, bears } = startsOf(rig, supply, set, side, ticked);
  const floor = set.filter((each) => isByItself(each) && each.heldOff !== 'yes');
  const hand = set.filter((each) => !floor.includes(each) && !led.has(each) && brings(each));
  return (
    staysOn(rig, supply, set, side, ticked) &&
    orders(hand).some((order) =>
      order.every((each, index) => bears(withFollowers([...floor, ...order.slice(0, index)]), each)),
    )
  );
}
