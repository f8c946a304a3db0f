import type { Day, Job } from '../rig-file/schema.js';

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
