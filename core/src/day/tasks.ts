import { restartWaitOf } from '../loads/start/restart-wait.js';
import { withFollowersOf } from '../rig/followers.js';
import { loadOf } from '../rig/lookup.js';
import type { Day, Job, Load, Rig } from '../rig-file/schema.js';
import { bitAt, union } from '../sets/bits.js';
import {
  daysOf,
  slotsOf,
  SLOT_MINUTES,
  stretchesBetween,
  stretchesOfEveryDay,
  type Stretch,
} from './clock.js';
import { nightHours } from './night-hours.js';

const SECONDS_OF_A_SLOT = SLOT_MINUTES * 60;

/** A load in one of its states, as jobs ask for it. */
export interface LoadState {
  readonly loadId: string;
  readonly stateId: string | undefined;
}

/** One stretch of a task in which its load is in one state. */
interface TaskStage {
  /** What runs, as a mask of load states. */
  readonly states: number;
  readonly slots: number;
}

/** A job on one of the days it is for, in steps of the plan. */
export interface Task {
  readonly job: Job;
  /** On which day, where it is a job of every day; undefined where it is done once. */
  readonly onDay: number | undefined;
  readonly load: Load;
  readonly stages: readonly TaskStage[];
  readonly slots: number;
  /** What it may be cut down to on a grey day; all of it where it may not. */
  readonly leastSlots: number;
  /** The shortest piece, in steps: all of it where it may not be split. */
  readonly pieceSlots: number;
  /** Stretches within which a piece must lie. */
  readonly windows: readonly Stretch[];
  /** Tasks that must be over before, as places. */
  readonly after: readonly number[];
  /** Steps that its load must rest between two pieces. */
  readonly restSlots: number;
}

/** The tasks of a day, and the load states that they ask for. */
export interface Tasks {
  readonly tasks: readonly Task[];
  readonly states: readonly LoadState[];
  /** How long each load runs at most in one go, minutes: for hours it counts as continuous, whatever states it goes through. */
  readonly minutesOfLoads: ReadonlyMap<string, number>;
  /** Loads that a job switches on again and again. */
  readonly switching: ReadonlySet<string>;
}

/** The place of a load state, taken up where it is new; the load runs for so many minutes in it and around it. */
type StateAt = (loadId: string, stateId: string | undefined, minutes: number) => number;

/** Jobs as tasks: one for each time they are done, on each day where they are of every day. */
export function tasksOf(rig: Rig, day: Day): Tasks {
  const states: LoadState[] = [];
  const minutesOfLoads = new Map<string, number>();
  const stateAt: StateAt = (loadId, stateId, minutes) => {
    minutesOfLoads.set(loadId, Math.max(minutes, minutesOfLoads.get(loadId) ?? 0));
    const known = states.findIndex((each) => each.loadId === loadId && each.stateId === stateId);
    return known >= 0 ? known : states.push({ loadId, stateId }) - 1;
  };
  const instances = day.jobs.flatMap((job) => instancesOf(day, job).map((onDay) => ({ job, onDay })));
  const tasks = instances.map(({ job, onDay }): Task => {
    const load = loadOf(rig, job.load);
    const windows = windowsOf(day, job, load, onDay);
    const stages = stagesOf(rig, job, load, windows, stateAt);
    const slots = stages.reduce((sum, stage) => sum + stage.slots, 0);
    const leastSlots = leastOf(job, stages, slots);
    return {
      job,
      onDay,
      load,
      stages,
      slots,
      leastSlots,
      pieceSlots: maySplit(job, stages) ? Math.min(slots, slotsFor(job.blockMinutes ?? SLOT_MINUTES)) : slots,
      windows,
      after: instances.flatMap((other, taskIndex) =>
        other.job.id === job.after && (other.onDay ?? onDay) === (onDay ?? other.onDay) ? [taskIndex] : [],
      ),
      restSlots: Math.ceil(restartWaitOf(load) / SECONDS_OF_A_SLOT),
    };
  });
  const switching = new Set(day.jobs.filter(({ starts = 1 }) => starts > 1).map(({ load }) => load));
  return { tasks, states, minutesOfLoads, switching };
}

/** A programme is not cut, and what may be cut keeps its shortest length. */
const leastOf = ({ leastMinutes }: Job, stages: readonly TaskStage[], slots: number): number =>
  leastMinutes === undefined || stages.length > 1 ? slots : Math.min(slots, slotsFor(leastMinutes));

/** A programme cannot be taken apart: its stages follow each other. */
const maySplit = ({ maySplit: may }: Job, stages: readonly TaskStage[]): boolean =>
  may === 'yes' && stages.length === 1;

/** The day of each time it is done. */
function instancesOf(day: Day, { repeats, onDay, times = 1 }: Job): readonly (number | undefined)[] {
  const days = repeats === 'daily' ? Array.from({ length: daysOf(day) }, (_, index) => index + 1) : [onDay];
  return days.flatMap((each) => new Array<number | undefined>(Math.round(times)).fill(each));
}

function windowsOf(
  day: Day,
  { from, until, attended }: Job,
  { quietHours }: Load,
  onDay?: number,
): readonly Stretch[] {
  const whole: readonly Stretch[] =
    onDay === undefined
      ? [{ from: 0, until: slotsOf(day) }]
      : stretchesBetween(day, day.begins, day.begins, onDay);
  const asked =
    from === undefined && until === undefined
      ? whole
      : stretchesBetween(day, from ?? day.begins, until ?? day.begins, onDay);
  const quiet = quietHours ? stretchesOfEveryDay(day, quietHours.from, quietHours.to) : [];
  const asleep = attended === 'yes' ? nightHours(day) : [];
  return [...quiet, ...asleep].reduce(without, asked).filter((window) => window.until > window.from);
}

/** Stretches without another one. */
function without(stretches: readonly Stretch[], gone: Stretch): readonly Stretch[] {
  return stretches.flatMap(({ from, until }) => [
    ...(gone.from > from ? [{ from, until: Math.min(until, gone.from) }] : []),
    ...(gone.until < until ? [{ from: Math.max(from, gone.until), until }] : []),
    ...(gone.from <= from && gone.until >= until ? [] : []),
  ]);
}

function stagesOf(
  rig: Rig,
  job: Job,
  { id, programme }: Load,
  windows: readonly Stretch[],
  stateAt: StateAt,
): readonly TaskStage[] {
  const others = withFollowersOf(rig, [id, ...(job.with ?? [])]).filter((loadId) => loadId !== id);
  const beside = (minutes: number): number =>
    others.reduce((mask, loadId) => union(mask, bitAt(stateAt(loadId, undefined, minutes))), 0);
  if (job.minutes === undefined && programme) {
    const all = programme.stages.reduce((sum, { minutes }) => sum + minutes, 0);
    return programme.stages.map(({ state, minutes }) => ({
      states: union(bitAt(stateAt(id, state, all)), beside(all)),
      slots: slotsFor(minutes),
    }));
  }
  const longest = Math.max(0, ...windows.map(({ from, until }) => until - from));
  const slots = job.minutes === undefined ? longest : slotsFor(job.minutes);
  const minutes = slots * SLOT_MINUTES;
  return [{ states: union(bitAt(stateAt(id, job.state, minutes)), beside(minutes)), slots }];
}

/** What takes a part of a step takes the step. */
const slotsFor = (minutes: number): number => Math.ceil(minutes / SLOT_MINUTES);
