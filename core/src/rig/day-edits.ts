import { freeId, freeName } from './free-names.js';
import type { Day, Job, Placement, Rig } from './schema.js';

/** The rig with one of its days changed. */
export function withDay(rig: Rig, dayId: string, change: (day: Day) => Day): Rig {
  return { ...rig, days: (rig.days ?? []).map((day) => (day.id === dayId ? change(day) : day)) };
}

/** A day without the jobs that are not kept, what comes after them and where they were planned. */
export function keepingJobs(day: Day, isKept: (job: Job) => boolean): Day {
  const jobs = day.jobs.filter(isKept);
  if (jobs.length === day.jobs.length) return day;
  const isThere = (id: string | undefined): boolean => jobs.some((job) => job.id === id);
  return {
    ...day,
    jobs: jobs.map(({ after, ...job }) => (isThere(after) ? { ...job, after } : job)),
    ...(day.plan && { plan: day.plan.filter(({ job }) => isThere(job)) }),
  };
}

/** A day without a load: without its jobs, and beside no other. */
export function dayWithoutLoad(day: Day, loadId: string): Day {
  const kept = keepingJobs(day, ({ load }) => load !== loadId);
  const jobs = kept.jobs.map(({ with: beside, ...job }) => ({
    ...job,
    ...(beside && { with: beside.filter((id) => id !== loadId) }),
  }));
  return { ...kept, jobs };
}

/** A day without a supply. */
export function dayWithoutSupply(day: Day, supplyId: string): Day {
  return {
    ...day,
    ...(day.supplies && { supplies: day.supplies.filter(({ supply }) => supply !== supplyId) }),
    ...(day.supplyRuns && { supplyRuns: day.supplyRuns.filter(({ supply }) => supply !== supplyId) }),
  };
}

/** A day whose jobs ask for no state of a load that it has not. */
export function dayWithStates(day: Day, loadId: string, states: readonly string[]): Day {
  const jobs = day.jobs.map(({ state, ...job }) =>
    job.load === loadId && state !== undefined && !states.includes(state)
      ? job
      : { ...job, ...(state !== undefined && { state }) },
  );
  return { ...day, jobs };
}

/** A day with a plan in place of the one it has. */
export function withPlan(
  day: Day,
  plan: readonly Placement[],
  supplyRuns: NonNullable<Day['supplyRuns']> = day.supplyRuns ?? [],
): Day {
  return { ...day, plan: [...plan], supplyRuns };
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
