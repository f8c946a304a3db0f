import { withoutCharging } from '../../rig/edits.js';
import { loadOf } from '../../rig/lookup.js';
import type { Day, Job, Rig } from '../../rig-file/schema.js';
import { compile, type CompiledRig } from '../../check/wiring/compile.js';
import { daySystemOf, type DaySystem } from '../day-system.js';
import { placeTask } from './place-task.js';
import { Timetable } from './timetable.js';

/** One thing that is done otherwise, so that a job has a place. */
export type DayChange =
  | { readonly by: 'state'; readonly stateId: string }
  | { readonly by: 'split' }
  | { readonly by: 'window'; readonly begin: number; readonly chargingOff: boolean }
  | { readonly by: 'without'; readonly job: string }
  | { readonly by: 'supply'; readonly supplyId: string; readonly chargingOff: boolean }
  | { readonly by: 'tight' };

/**
 * The single changes that let a job in which has no place, all others staying where they are: the least effort first.
 *
 * @returns Each was tried: with it the job holds and the battery lasts.
 */
export function changesAdmittingJob(timetable: Timetable, taskIndex: number): readonly DayChange[] {
  const { system } = timetable;
  const job = system.tasks[taskIndex]?.job;
  if (!job) return [];
  const kinds: readonly (() => readonly DayChange[])[] = [
    () => lowerStates(timetable, taskIndex, job),
    () => (job.maySplit === 'yes' ? [] : splitInto(timetable, taskIndex)),
    () => otherTimes(timetable, taskIndex),
    () => withoutAnother(timetable, taskIndex),
    () => onOtherSupplies(timetable, taskIndex, job),
    () => (system.day.tight === 'allowed' ? [] : inTightMoments(timetable, taskIndex)),
  ];
  return kinds.reduce<readonly DayChange[]>(
    (found, kind) => (found.length >= ENOUGH ? found : [...found, ...kind()]),
    [],
  );
}

/** So many ways are enough to choose from. */
const ENOUGH = 2;

/** A day with something changed, and where the job then begins; undefined where it still has no place. */
function beginWith(
  timetable: Timetable,
  taskIndex: number,
  change: (day: Day) => Day,
  compiled = timetable.system.compiled,
): number | undefined {
  return beginIn(daySystemOf(compiled, change(timetable.system.day)), timetable, taskIndex);
}

/** The same as before, else with charging off on every supply: a charger leaves no room for what hangs ahead of it. */
function withOrWithoutCharging<T>(
  { system: { compiled } }: Timetable,
  tried: (compiled: CompiledRig, chargingOff: boolean) => T | undefined,
): T | undefined {
  return tried(compiled, false) ?? tried(notCharging(compiled), true);
}

const NOT_CHARGING = new WeakMap<CompiledRig, CompiledRig>();

function notCharging(compiled: CompiledRig): CompiledRig {
  const { supplies } = compiled.rig;
  const known =
    NOT_CHARGING.get(compiled) ??
    compile(supplies.reduce((changed: Rig, { id }) => withoutCharging(changed, id), compiled.rig));
  NOT_CHARGING.set(compiled, known);
  return known;
}

function beginIn(system: DaySystem, from: Timetable, taskIndex: number, left?: number): number | undefined {
  const { connected } = system.supplies;
  const supplies = from.supplies.map((supply, slot) =>
    supply === from.system.supplies.connected[slot] ? connected[slot] : supply,
  );
  const timetable = new Timetable(system, supplies);
  for (const piece of from.pieces) if (piece.task !== left) timetable.place(piece);
  return placeTask(timetable, taskIndex) ? timetable.piecesOf(taskIndex)[0]?.begin : undefined;
}

const withJob =
  (task: DaySystem['tasks'][number] | undefined, changes: Partial<Job>) =>
  (day: Day): Day => ({
    ...day,
    jobs: day.jobs.map((job) => (job.id === task?.job.id ? { ...job, ...changes } : job)),
  });

function lowerStates(timetable: Timetable, taskIndex: number, job: Job): readonly DayChange[] {
  const task = timetable.system.tasks[taskIndex];
  const { states = [] } = loadOf(timetable.system.compiled.rig, job.load);
  return states
    .filter(({ id }) => id !== job.state)
    .filter(({ id }) => beginWith(timetable, taskIndex, withJob(task, { state: id })) !== undefined)
    .map(({ id }) => ({ by: 'state', stateId: id }));
}

function splitInto(timetable: Timetable, taskIndex: number): readonly DayChange[] {
  const task = timetable.system.tasks[taskIndex];
  if (!task || task.stages.length > 1) return [];
  const split = withJob(task, { maySplit: 'yes', blockMinutes: SHORTEST_PIECE_MINUTES });
  return beginWith(timetable, taskIndex, split) === undefined ? [] : [{ by: 'split' }];
}

const SHORTEST_PIECE_MINUTES = 15;

function otherTimes(timetable: Timetable, taskIndex: number): readonly DayChange[] {
  const change = withJob(timetable.system.tasks[taskIndex], { from: undefined, until: undefined });
  const found = withOrWithoutCharging(timetable, (compiled, chargingOff): DayChange | undefined => {
    const begin = beginWith(timetable, taskIndex, change, compiled);
    return begin === undefined ? undefined : { by: 'window', begin, chargingOff };
  });
  return found ? [found] : [];
}

function withoutAnother(timetable: Timetable, taskIndex: number): readonly DayChange[] {
  const { system } = timetable;
  const others = [...new Set(timetable.pieces.map(({ task }) => task))];
  return others
    .filter((task) => system.tasks[task]?.job.importance !== 'must')
    .filter((task) => beginIn(system, timetable, taskIndex, task) !== undefined)
    .map((task) => ({ by: 'without', job: system.tasks[task]?.job.id ?? '' }));
}

/** Another supply over the whole of its window. */
function onOtherSupplies(timetable: Timetable, taskIndex: number, job: Job): readonly DayChange[] {
  const { compiled, day } = timetable.system;
  const { from = day.begins, until = day.begins, onDay } = job;
  const others = compiled.rig.supplies.filter(({ sources }) => sources.length > 0);
  return others.flatMap(({ id }) => {
    const during = { supply: id, use: 'connected' as const, from, until, onDay };
    const changed = (one: Day): Day => ({ ...one, supplies: [...(one.supplies ?? []), during] });
    const found = withOrWithoutCharging(timetable, (tried, chargingOff): DayChange | undefined =>
      beginWith(timetable, taskIndex, changed, tried) === undefined
        ? undefined
        : { by: 'supply', supplyId: id, chargingOff },
    );
    return found ?? [];
  });
}

function inTightMoments(timetable: Timetable, taskIndex: number): readonly DayChange[] {
  const allowed = (day: Day): Day => ({ ...day, tight: 'allowed' });
  return beginWith(timetable, taskIndex, allowed) === undefined ? [] : [{ by: 'tight' }];
}
