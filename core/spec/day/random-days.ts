import fc from 'fast-check';
import type { Day, Job, Rig } from '../../src/rig-file/schema.js';

const anyTime = fc.integer({ min: 0, max: 95 }).map((quarter) => {
  const two = (value: number) => String(value).padStart(2, '0');
  return `${two(Math.floor(quarter / 4))}:${two((quarter % 4) * 15)}`;
});

/** Jobs of the loads of a rig with windows of their own. */
const anyJob = (rig: Rig) =>
  fc.record({
    load: fc.constantFrom(...rig.loads.map(({ id }) => id)),
    minutes: fc.integer({ min: 5, max: 300 }),
    from: fc.option(anyTime, { nil: undefined }),
    until: fc.option(anyTime, { nil: undefined }),
    importance: fc.constantFrom<NonNullable<Job['importance']>[]>('must', 'should', 'may'),
    maySplit: fc.constantFrom<('yes' | 'no')[]>('yes', 'no'),
  });

/** What is asked of a day, at random. */
export const anyDay = (rig: Rig) =>
  fc.record({
    jobs: fc.array(anyJob(rig), { minLength: 1, maxLength: 7 }),
    startPercent: fc.integer({ min: 25, max: 100 }),
    cloudOktas: fc.integer({ min: 0, max: 8 }),
  });

export function dayOf(
  base: Day,
  {
    jobs,
    ...rest
  }: {
    jobs: readonly Partial<Job>[];
    startPercent: number;
    cloudOktas: number;
  },
): Day {
  return {
    ...base,
    ...rest,
    targetPercent: 0,
    jobs: jobs.map((job, index) => ({ ...(job as Job), id: `job-${index}`, name: `Job ${index}` })),
  };
}
