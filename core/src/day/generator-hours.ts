import { Timetable } from './timetable.js';
import { lasts } from './worth-of-plan.js';

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

/** The same pieces on other supplies; undefined where something does not hold there, or the battery does not last. */
function onSupplies(from: Timetable, supplies: Timetable['supplies']): Timetable | undefined {
  const timetable = new Timetable(from.system, supplies);
  const byOrder = [...from.pieces].sort((a, b) => a.begin - b.begin);
  for (const piece of byOrder) {
    if (!piece.isPinned && timetable.misfitOf(piece)) return undefined;
    timetable.place(piece);
  }
  return lasts(from.system, timetable.charge()) ? timetable : undefined;
}

function runsOf({ supplies, system }: Timetable): readonly { from: number; until: number }[] {
  const { connected } = system.supplies;
  const isOn = (slot: number): boolean => supplies[slot] !== connected[slot];
  const begins = supplies.flatMap((_, slot) => (isOn(slot) && (slot === 0 || !isOn(slot - 1)) ? [slot] : []));
  return begins.map((from) => {
    let until = from;
    while (until < supplies.length && isOn(until)) until += 1;
    return { from, until };
  });
}
