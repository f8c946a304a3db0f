import { minutesOfPlanAt } from '../parts/minutes-of-plan';
import type { Day, Job, Load, Rig } from '@heliarch/core/rig';
import { PERCENT } from '@heliarch/core/units';
import { slotsOf, SLOT_MINUTES, timeInPlan, type DayPlan, type PlannedPiece } from '@heliarch/core/day';
import { troublesOf, type Trouble } from './troubles';

/** A piece of a job as a bar of its lane. */
export interface Bar {
  readonly piece: PlannedPiece;
  readonly job: Job;
  /** Where it stands and how long it is, in per cent of the plan. */
  readonly left: number;
  readonly width: number;
  /** How far it may slip, in per cent of the plan. */
  readonly tail: number;
  /** Share of the time its load runs. */
  readonly duty: number;
  readonly cannotPause: boolean;
  /** What is wrong while it runs; undefined where it holds. */
  readonly trouble: Trouble | undefined;
  /** On which side of it its name has room. */
  readonly nameAt: 'after' | 'before' | 'nowhere';
  readonly spoken: string;
}

/** A load with what it does over the day. */
export interface Lane {
  readonly load: Load;
  readonly watts: number;
  readonly bars: readonly Bar[];
}

/** Minutes of a plan as a share of its width, %. */
export const atMinute = (day: Day, minutes: number): number =>
  (PERCENT * minutes) / (slotsOf(day) * SLOT_MINUTES);

/** The lanes of a plan: one for each load that a job asks for, in the order of the rig. */
export function lanesOf(
  rig: Rig,
  day: Day,
  pieces: readonly PlannedPiece[],
  plan: DayPlan | undefined,
  wattsOf: (load: Load) => number,
): readonly Lane[] {
  const troubles = [...(plan ? troublesOf(plan) : [])];
  const troubleOf = ({ job, begin }: PlannedPiece): Trouble | undefined =>
    troubles.find(([each]) => each.job === job && each.begin === begin)?.[1];
  const asked = new Set(day.jobs.map(({ load }) => load));
  return rig.loads
    .filter(({ id }) => asked.has(id))
    .map((load) => ({
      load,
      watts: wattsOf(load),
      bars: pieces.flatMap((piece) => barOf(day, load, piece, troubleOf(piece))),
    }));
}

function barOf(day: Day, load: Load, piece: PlannedPiece, trouble: Trouble | undefined): readonly Bar[] {
  const job = day.jobs.find(({ id }) => id === piece.job);
  if (job?.load !== load.id) return [];
  const { begin, minutes, later } = piece;
  const cycle = load.cycling;
  const [from, until] = [timeInPlan(day, begin), timeInPlan(day, begin + minutes)];
  return [
    {
      piece,
      job,
      left: atMinute(day, begin),
      width: atMinute(day, minutes),
      tail: atMinute(day, later),
      duty: cycle ? cycle.onMinutes / (cycle.onMinutes + cycle.offMinutes) : 1,
      nameAt: nameAt(atMinute(day, begin), atMinute(day, begin + minutes + later)),
      cannotPause: load.programme !== undefined && job.minutes === undefined,
      trouble,
      spoken: [
        `${job.name}, ${from} to ${until}`,
        ...(piece.pinned === 'yes' ? ['pinned'] : []),
        ...(later > 0 ? [`may begin up to ${later} minutes later`] : []),
        ...(trouble ? [trouble] : []),
      ].join(', '),
    },
  ];
}

/** A name takes about a seventh of the width. */
const NAME_PERCENT = 15;

function nameAt(left: number, end: number): Bar['nameAt'] {
  if (end + NAME_PERCENT <= PERCENT) return 'after';
  return left >= NAME_PERCENT ? 'before' : 'nowhere';
}

/** Every second hour of a plan, with its place. */
export function hoursOf(day: Day): readonly { readonly time: string; readonly left: number }[] {
  const total = slotsOf(day) * SLOT_MINUTES;
  const step = total > MINUTES_OF_A_DAY ? LONG_STEP : STEP;
  return Array.from({ length: Math.floor(total / step) }, (_, index) => {
    const minutes = index * step;
    return { time: timeInPlan(day, minutes), left: atMinute(day, minutes) };
  });
}

const MINUTES_OF_A_DAY = 1440;
const STEP = 120;
const LONG_STEP = 720;

/** What a job asks for, in few words. */
export function jobTerms(day: Day, job: Job): string {
  const window =
    job.from !== undefined && job.until !== undefined
      ? `${job.from} to ${job.until}`
      : job.from !== undefined
        ? `from ${job.from}`
        : job.until !== undefined
          ? `by ${job.until}`
          : undefined;
  const after = day.jobs.find(({ id }) => id === job.after);
  return [
    job.importance ?? 'should',
    ...(job.minutes === undefined ? [] : [`${job.minutes} min`]),
    ...(window === undefined ? [] : [window]),
    ...(job.meal === undefined ? [] : [job.meal]),
    ...(after ? [`after ${after.name.toLowerCase()}`] : []),
  ].join(', ');
}

/** Now, where it is within the plan, in per cent of it. */
export function nowIn(day: Day, now: Date): number | undefined {
  const minutes = minutesOfPlanAt(day, now);
  return minutes === undefined ? undefined : atMinute(day, minutes);
}
