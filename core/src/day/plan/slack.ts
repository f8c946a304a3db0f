import type { DaySystem } from '../day-system.js';
import { Timetable, type OutOfPlace, type Piece } from './timetable.js';
import { lasts } from './worth-of-plan.js';

/** How late a piece may slip, and how early it may begin, in steps, all others staying where they are. */
export interface Slack {
  readonly piece: Piece;
  readonly later: number;
  readonly earlier: number;
}

/** The slack of every piece of a plan that lasts. */
export function slackOf(timetable: Timetable): readonly Slack[] {
  return timetable.pieces.map((piece) => {
    const others = without(timetable, piece);
    const steps = (by: 1 | -1): number => {
      let count = 0;
      while (fits(others, { ...piece, begin: piece.begin + by * (count + 1) })) count += 1;
      return count;
    };
    return { piece, later: steps(1), earlier: steps(-1) };
  });
}

/** The places a piece can go to with all others where they are, as the steps at which it may begin. */
export function placesFor(timetable: Timetable, piece: Piece): readonly number[] {
  const others = without(timetable, piece);
  const last = timetable.system.slots - piece.slots;
  return Array.from({ length: Math.max(0, last + 1) }, (_, begin) => begin).filter((begin) =>
    fits(others, { ...piece, begin }),
  );
}

function fits(timetable: Timetable, piece: Piece): boolean {
  if (piece.begin < 0 || piece.begin + piece.slots > timetable.system.slots) return false;
  return timetable.misfitOf(piece) === undefined && lasts(timetable.system, timetable.outcomeWith(piece));
}

function without(timetable: Timetable, gone: Piece): Timetable {
  const copy = new Timetable(timetable.system, timetable.supplies);
  for (const piece of timetable.pieces) if (piece !== gone) copy.place(piece);
  return copy;
}

/** What a piece does not keep where it was put, or that nothing feeds it there. */
export type Misplacement = OutOfPlace | 'not-fed';

/** Undefined where a piece is where it may be, whatever the limits say of it. */
export function misplacedBy(timetable: Timetable, piece: Piece): Misplacement | undefined {
  return without(timetable, piece).misplaced(piece) ?? (isFed(timetable, piece) ? undefined : 'not-fed');
}

function isFed(timetable: Timetable, { task, begin, slots }: Piece): boolean {
  const steps = Array.from({ length: slots }, (_, index) => begin + index);
  return steps.every((slot) => {
    const sets = timetable.setsAt(slot);
    return sets !== undefined && sets.notFedOf(timetable.runningBy(task, slot)) === undefined;
  });
}

/** Whether the battery lasts though the sun is gone for an hour, whichever it is. */
export function survivesGreyHour(timetable: Timetable): boolean {
  const { system } = timetable;
  const hours = Array.from({ length: Math.floor(system.slots / SLOTS_OF_AN_HOUR) }, (_, hour) => hour);
  return hours.every((hour) => lasts(system, timetable.charge(undefined, greyIn(system, hour))));
}

const SLOTS_OF_AN_HOUR = 12;

function greyIn({ sky }: DaySystem, hour: number): readonly number[] {
  const from = hour * SLOTS_OF_AN_HOUR;
  return sky.asEntered.map((watts, slot) => (slot >= from && slot < from + SLOTS_OF_AN_HOUR ? 0 : watts));
}
