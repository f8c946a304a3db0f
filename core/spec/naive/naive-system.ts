import type { Rig, Supply } from '../../src/rig/schema.js';
import { busOf, circuitOf, onBattery, phaseOf, standing, type On, type Row } from './conductors.js';
import type { Side } from './doubtful-numbers.js';
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

export function naiveSystemVerdict(
  rig: Rig,
  supplyId: string,
  on: readonly On[],
): 'holds' | 'tight' | 'trips' {
  const supply = rig.supplies.find((each) => each.id === supplyId)!;
  const entered = standing(rig, supply, on);
  const choices = (rig.locks ?? []).length > 0 ? orders(entered) : [entered];
  const sets = choices.map((order) => whatRuns(rig, supply, order));
  if (sets.some((set) => passes(rig, supply, set, 'against'))) return 'holds';
  return sets.some((set) => passes(rig, supply, set, 'for')) ? 'tight' : 'trips';
}

/** What is fed, less what locks and shedders keep off. */
function whatRuns(rig: Rig, supply: Supply, order: readonly On[]): On[] {
  // Between two legs on one pole there are no volts.
  const isOnePole = phaseOf(rig, supply) === 'in-phase';
  const fed = order.filter(
    (each) =>
      (busOf(rig, each) !== 'inlet' || !onBattery(supply)) &&
      !(isOnePole && circuitOf(rig, each).pole === 'both'),
  );
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

/** Whether loads hold whatever the order of their starts, and whatever is restarted: each can start last. */
export function naiveInAnyOrder(rig: Rig, supplyId: string, on: readonly On[]): boolean {
  const supply = rig.supplies.find((each) => each.id === supplyId)!;
  const set = whatRuns(rig, supply, standing(rig, supply, on));
  const { bears, brings, led } = startsOf(rig, supply, set, 'against');
  const hand = set.filter((each) => !led.has(each) && brings(each));
  return (
    set.length === on.length && staysOn(rig, supply, set, 'against') && hand.every((each) => bears(set, each))
  );
}

/** Whether loads hold when they are started in just this order. */
export function naiveInThisOrder(rig: Rig, supplyId: string, on: readonly On[]): boolean {
  const supply = rig.supplies.find((each) => each.id === supplyId)!;
  const set = whatRuns(rig, supply, standing(rig, supply, on));
  const { bears, brings, led, withFollowers } = startsOf(rig, supply, set, 'against');
  const floor = set.filter(({ load }) => load.usage === 'by-itself');
  const hand = set.filter((each) => !floor.includes(each) && !led.has(each) && brings(each));
  return (
    staysOn(rig, supply, set, 'against') &&
    hand.every((each, index) => bears(withFollowers([...floor, ...hand.slice(0, index)]), each))
  );
}

/** All that runs, and every start that comes by itself. */
function staysOn(rig: Rig, supply: Supply, set: On[], side: Side): boolean {
  const { bears, brings } = startsOf(rig, supply, set, side);
  const itself = set.filter(({ load }) => load.usage === 'by-itself');
  return (
    allFit(steadyRows(rig, supply, set, side)) && itself.filter(brings).every((each) => bears(set, each))
  );
}

/** The starts within a set, each with what follows it. */
function startsOf(rig: Rig, supply: Supply, set: On[], side: Side) {
  const direct = (leader: On): On[] =>
    (rig.ties ?? [])
      .filter((tie) => tie.leader === leader.load.id)
      .flatMap((tie) => set.filter(({ load }) => load.id === tie.follower));
  const followersOf = (leader: On): On[] =>
    direct(leader).flatMap((follower) => [follower, ...followersOf(follower)]);
  const led = new Set(set.flatMap(followersOf));
  const withFollowers = (list: On[]) => [...new Set([...list, ...list.flatMap(followersOf)])];
  const brings = (each: On) => [each, ...followersOf(each)].some(startOf);
  const bears = (before: On[], each: On): boolean => {
    const rest = withFollowers(before.filter((other) => other !== each));
    const tied = followersOf(each);
    const alone = !startOf(each) || allFit(startRows(rig, supply, rest, [each], side));
    return alone && (!tied.some(startOf) || allFit(startRows(rig, supply, rest, [each, ...tied], side)));
  };
  return { led, withFollowers, brings, bears };
}

/** A set at one edge. */
function passes(rig: Rig, supply: Supply, set: On[], side: Side): boolean {
  const { led, withFollowers, brings, bears } = startsOf(rig, supply, set, side);
  const floor = set.filter(({ load, heldOff }) => load.usage === 'by-itself' && heldOff !== 'yes');
  const hand = set.filter((each) => !floor.includes(each) && !led.has(each) && brings(each));
  return (
    staysOn(rig, supply, set, side) &&
    orders(hand).some((order) =>
      order.every((each, index) => bears(withFollowers([...floor, ...order.slice(0, index)]), each)),
    )
  );
}
