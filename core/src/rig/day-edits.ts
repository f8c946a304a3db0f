import { freeId, freeName } from '../rig-file/free-names.js';
import type { Day, Placement, Rig } from '../rig-file/schema.js';

/** The rig with one of its days changed. */
export function withDay(rig: Rig, dayId: string, change: (day: Day) => Day): Rig {
  return { ...rig, days: (rig.days ?? []).map((day) => (day.id === dayId ? change(day) : day)) };
}

/** A day with a plan in place of the one it has. */
export function withPlan(
  day: Day,
  plan: readonly Placement[],
  supplyRuns: NonNullable<Day['supplyRuns']> = day.supplyRuns ?? [],
): Day {
  return { ...day, plan: [...plan], supplyRuns };
}

/** The rig with what runs at a moment of a plan as what is on; the first scene is that. */
export function withMomentOn(
  rig: Rig,
  supply: string,
  on: readonly { readonly load: string; readonly state?: string | undefined }[],
): Rig {
  const [now, ...others] = rig.scenes;
  if (!now) return rig;
  const ticked = on.map(({ load, state }) => ({ load, ...(state !== undefined && { state }) }));
  return { ...rig, scenes: [{ ...now, supply, on: ticked }, ...others] };
}

const USUAL_BEGIN = '08:00';
const USUAL_CHARGE_PERCENT = 80;
const USUAL_JOB_MINUTES = 30;

/**
 * A new day: what starts by itself runs all day, everything else is still to be said.
 *
 * @param date As in 2026-06-21.
 */
export function newDay(rig: Rig, date: string): Day {
  const days = rig.days ?? [];
  const name = freeName(
    'Day',
    days.map((day) => day.name),
  );
  const id = freeId(
    name,
    days.map((day) => day.id),
  );
  const day: Day = { id, name, date, begins: USUAL_BEGIN, startPercent: USUAL_CHARGE_PERCENT, jobs: [] };
  const always = rig.loads.filter(({ usage }) => usage === 'by-itself');
  return always.reduce((before, load) => withJob(before, rig, load.id, true), day);
}

/**
 * A day with one more job, named after its load.
 *
 * @param isAllDay Its load is on all day; else it takes half an hour, to be corrected.
 */
export function withJob(day: Day, rig: Rig, loadId: string, isAllDay = false): Day {
  const load = rig.loads.find(({ id }) => id === loadId);
  if (!load) return day;
  const name = freeName(
    load.name,
    day.jobs.map((job) => job.name),
  );
  const id = freeId(
    name,
    day.jobs.map((job) => job.id),
  );
  const minutes = isAllDay || load.programme ? {} : { minutes: load.runsMinutes ?? USUAL_JOB_MINUTES };
  return { ...day, jobs: [...day.jobs, { id, name, load: loadId, ...minutes }] };
}

const LEAST_MINUTES = 5;

const isPiece = (a: Placement, b: Placement): boolean =>
  a.job === b.job && a.begin === b.begin && a.onDay === b.onDay;

/**
 * A day with a piece made longer or shorter, and pinned. A job that is done in one piece then takes so long; of one that is
 * split, or cut down, only the piece changes.
 */
export function withPieceOf(day: Day, piece: Placement, minutes: number): Day {
  const wanted = Math.max(LEAST_MINUTES, minutes);
  const job = day.jobs.find(({ id }) => id === piece.job);
  const isPieceAlone = job?.maySplit === 'yes' || job?.leastMinutes !== undefined;
  return {
    ...day,
    jobs: isPieceAlone
      ? day.jobs
      : day.jobs.map((each) => (each.id === piece.job ? { ...each, minutes: wanted } : each)),
    plan: (day.plan ?? []).map((each) =>
      isPiece(each, piece) ? { ...each, minutes: wanted, pinned: 'yes' as const } : each,
    ),
  };
}

/** A day with a piece in two halves, each of which may go elsewhere; its job may be split from now on. */
export function withPieceSplit(day: Day, piece: Placement): Day {
  const first = Math.ceil(piece.minutes / 2 / LEAST_MINUTES) * LEAST_MINUTES;
  const rest = piece.minutes - first;
  if (rest < LEAST_MINUTES) return day;
  const halves = [
    { ...piece, minutes: first, pinned: 'yes' as const },
    { ...piece, begin: piece.begin + first, minutes: rest, pinned: 'yes' as const },
  ];
  return {
    ...day,
    jobs: day.jobs.map((job) =>
      job.id === piece.job
        ? {
            ...job,
            minutes: job.minutes ?? piece.minutes,
            maySplit: 'yes' as const,
            blockMinutes: Math.min(job.blockMinutes ?? Infinity, rest),
          }
        : job,
    ),
    plan: (day.plan ?? []).flatMap((each) => (isPiece(each, piece) ? halves : [each])),
  };
}
