import type { Task } from '../tasks.js';
import type { Outcome, Piece, Timetable } from './timetable.js';
import { lasts, slotsPlaced } from './worth-of-plan.js';

/** Places where a piece may begin are looked at in so many steps at first, and closer around the best. */
const COARSE = 3;

/**
 * Places a task where it holds and the battery lasts: where the charge stays highest, of places alike where the generator runs
 * anyway, and of those the earliest. What may be cut down is cut where all of it has no place.
 *
 * @returns False where there is no such place; the timetable is then as it was.
 */
export function placeTask(timetable: Timetable, taskIndex: number): boolean {
  const task = timetable.system.tasks[taskIndex];
  return task !== undefined && lengthsOf(task).some((slots) => placeSlots(timetable, task, taskIndex, slots));
}

/** In so many steps something is cut down. */
const CUTS = 3;

/** How long a task may be, the longest first. */
function lengthsOf({ slots, leastSlots }: Task): readonly number[] {
  if (leastSlots === slots) return [slots];
  const cut = (step: number): number => Math.round(slots - ((slots - leastSlots) * step) / CUTS);
  return [...new Set(Array.from({ length: CUTS + 1 }, (_, step) => cut(step)))];
}

function placeSlots(timetable: Timetable, task: Task, taskIndex: number, asked: number): boolean {
  let left = asked - slotsPlaced(timetable, taskIndex);
  while (left > 0) {
    const slots = pieceLength(task, asked, left);
    const best = bestPlace(timetable, task, taskIndex, slots);
    if (!best) {
      timetable.remove(taskIndex);
      return false;
    }
    timetable.place(best);
    left -= slots;
  }
  return true;
}

/** No rest shorter than the shortest piece is left over; what may not be split is as long as is asked for. */
function pieceLength({ pieceSlots, slots }: Task, asked: number, left: number): number {
  const shortest = pieceSlots === slots ? asked : pieceSlots;
  return left < 2 * shortest ? left : shortest;
}

function bestPlace(timetable: Timetable, task: Task, taskIndex: number, slots: number): Piece | undefined {
  const begins = task.windows.flatMap(({ from, until }) =>
    Array.from({ length: Math.max(0, until - slots - from + 1) }, (_, index) => from + index),
  );
  const tried = new Map<number, Candidate | undefined>();
  const at = (begin: number): Candidate | undefined => {
    if (!tried.has(begin))
      tried.set(begin, candidate(timetable, { task: taskIndex, begin, slots, isPinned: false }));
    return tried.get(begin);
  };
  const best = (among: readonly number[]): Candidate | undefined =>
    among.reduce<Candidate | undefined>((top, begin) => better(top, at(begin)), undefined);
  const coarse = best(begins.filter((begin) => begin % COARSE === 0)) ?? best(begins);
  if (!coarse) return undefined;
  const near = coarse.piece.begin;
  return best(begins.filter((begin) => Math.abs(begin - near) < COARSE))?.piece;
}

interface Candidate {
  readonly piece: Piece;
  readonly outcome: Outcome;
  /** Steps in which the generator runs anyway. */
  readonly onGenerator: number;
}

function candidate(timetable: Timetable, piece: Piece): Candidate | undefined {
  if (timetable.misfitOf(piece)) return undefined;
  const outcome = timetable.outcomeWith(piece);
  return lasts(timetable.system, outcome)
    ? { piece, outcome, onGenerator: stepsOnGenerator(timetable, piece) }
    : undefined;
}

function stepsOnGenerator({ supplies, system }: Timetable, { begin, slots }: Piece): number {
  const { connected } = system.supplies;
  let steps = 0;
  for (let slot = begin; slot < begin + slots; slot += 1) if (supplies[slot] !== connected[slot]) steps += 1;
  return steps;
}

/** Charges that differ by less than this are alike, Wh. */
const ALIKE_WH = 20;

function better(a: Candidate | undefined, b: Candidate | undefined): Candidate | undefined {
  if (!a || !b) return a ?? b;
  const least = ({ outcome }: Candidate): number => Math.min(outcome.lowestWh, outcome.endWh);
  const difference = least(b) - least(a);
  if (Math.abs(difference) > ALIKE_WH) return difference > 0 ? b : a;
  if (a.onGenerator !== b.onGenerator) return a.onGenerator > b.onGenerator ? a : b;
  return a.piece.begin <= b.piece.begin ? a : b;
}
