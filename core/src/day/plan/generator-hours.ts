import type { Timetable } from './timetable.js';
import { isWorthMore, lasts, worthOfPlan } from './worth-of-plan.js';

/**
 * The same plan with the generator on for as short as it can be, in as few runs as may be: each run is left out where all
 * holds without it, else shortened from its beginning and from its end.
 */
export function shortestGenerator(timetable: Timetable): Timetable {
  const { connected } = timetable.system.supplies;
  let best = timetable;
  for (const run of runsOf(timetable)) {
    const without = (from: number, until: number): Timetable | undefined => {
      const supplies = best.supplies.map((supply, slot) =>
        slot >= from && slot < until ? connected[slot] : supply,
      );
      return onSupplies(best, supplies);
    };
    const gone = without(run.from, run.until);
    if (gone) {
      best = gone;
      continue;
    }
    const fromBeginning = most(run.until - run.from, (count) => without(run.from, run.from + count));
    best = fromBeginning.found ?? best;
    const left = run.until - run.from - fromBeginning.count;
    best = most(left, (count) => without(run.until - count, run.until)).found ?? best;
  }
  return best;
}

/**
 * The same plan with the generator where it does most: half hours in which it gains least are left out first, as far as all
 * holds without them; then as `shortestGenerator`.
 */
export function gainfulGenerator(timetable: Timetable): Timetable {
  const { connected } = timetable.system.supplies;
  const gains = gainsOf(timetable);
  const blocks = runsOf(timetable)
    .flatMap(({ from, until }) =>
      Array.from({ length: Math.ceil((until - from) / MOVES) }, (_, index): Run => {
        const begin = from + index * MOVES;
        return { from: begin, until: Math.min(until, begin + MOVES) };
      }),
    )
    .sort((a, b) => meanOf(gains, a) - meanOf(gains, b));
  const left = blocks.reduce((best, { from, until }) => {
    const supplies = best.supplies.map((supply, slot) =>
      slot >= from && slot < until ? connected[slot] : supply,
    );
    return onSupplies(best, supplies) ?? best;
  }, timetable);
  return shortestGenerator(left);
}

/** What the generator gains in each step over what is connected, W; nothing where the battery has no room for it. */
function gainsOf(timetable: Timetable): readonly number[] {
  const { system } = timetable;
  const without = timetable.copy(system.supplies.connected);
  const { givenW } = timetable.charge();
  return timetable.supplies.map((_, slot) => {
    const sky = system.sky.asEntered;
    const drawn = without.powerAt(slot, 'stated', sky).drawn - timetable.powerAt(slot, 'stated', sky).drawn;
    return drawn + (givenW[slot] ?? 0) * system.store.kept;
  });
}

function meanOf(values: readonly number[], { from, until }: Run): number {
  return values.slice(from, until).reduce((sum, value) => sum + value, 0) / (until - from);
}

/**
 * The same plan with each run of the generator where it does most good: moved within the hours in which it may run, all else
 * staying.
 */
export function generatorMoved(timetable: Timetable): Timetable {
  let best = timetable;
  let worth = worthOfPlan(best);
  for (const run of runsOf(timetable)) {
    const before = best;
    for (const begin of beginsFor(before, run)) {
      const moved = withRunAt(before, run, begin);
      const worthOfMoved = moved && worthOfPlan(moved);
      if (worthOfMoved && isWorthMore(worthOfMoved, worth)) [best, worth] = [moved, worthOfMoved];
    }
  }
  return best;
}

/** Runs are moved, and left out, by so many steps: half an hour. */
const MOVES = 6;

interface Run {
  readonly from: number;
  readonly until: number;
}

/** Where a run of that length is allowed. */
function beginsFor({ system, supplies }: Timetable, { from, until }: Run): readonly number[] {
  const { ifNeeded } = system.supplies;
  const supply = supplies[from];
  const begins = Array.from({ length: Math.ceil(system.slots / MOVES) }, (_, index) => index * MOVES);
  return begins.filter((begin) =>
    Array.from({ length: until - from }, (_, index) => begin + index).every(
      (slot) => ifNeeded[slot] === supply,
    ),
  );
}

function withRunAt(timetable: Timetable, { from, until }: Run, begin: number): Timetable | undefined {
  const { connected } = timetable.system.supplies;
  const supply = timetable.supplies[from];
  const supplies = timetable.supplies.map((each, slot) => {
    if (slot >= begin && slot < begin + until - from) return supply;
    return slot >= from && slot < until ? connected[slot] : each;
  });
  return onSupplies(timetable, supplies);
}

/** The generator wherever it may run and carries what is planned. */
export function suppliesThatHold(timetable: Timetable): Timetable['supplies'] {
  const { system } = timetable;
  return timetable.supplies.map((supply, slot) => {
    const generator = system.supplies.ifNeeded[slot];
    if (generator === undefined) return supply;
    const [running, starting] = [timetable.runningAt(slot), timetable.startingAt(slot)];
    const sets = system.setsOn(generator);
    return sets.holds(running) && sets.startOrder(starting, running) ? generator : supply;
  });
}

/** The largest number that is found to do, by halves. */
function most<T>(
  limit: number,
  tried: (count: number) => T | undefined,
): { count: number; found: T | undefined } {
  let [low, high] = [0, limit];
  let found: T | undefined;
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    const result = tried(middle);
    if (result === undefined) high = middle - 1;
    else [low, found] = [middle, result];
  }
  return { count: low, found };
}

/**
 * The same pieces on other supplies; undefined where something that held does not hold there, or the battery does not last.
 */
function onSupplies(from: Timetable, supplies: Timetable['supplies']): Timetable | undefined {
  const timetable = from.copy(supplies);
  const fails = supplies.some(
    (supply, slot) => supply !== from.supplies[slot] && !timetable.holdsAt(slot) && from.holdsAt(slot),
  );
  return !fails && lasts(from.system, timetable.charge()) ? timetable : undefined;
}

function runsOf({ supplies, system }: Timetable): readonly Run[] {
  const { connected } = system.supplies;
  const isOn = (slot: number): boolean => supplies[slot] !== connected[slot];
  const begins = supplies.flatMap((_, slot) => (isOn(slot) && (slot === 0 || !isOn(slot - 1)) ? [slot] : []));
  return begins.map((from) => {
    let until = from;
    while (until < supplies.length && isOn(until)) until += 1;
    return { from, until };
  });
}
