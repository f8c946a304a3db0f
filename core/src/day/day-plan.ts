import { noProgress, type Progress } from '../units/progress.js';
import type { Day, Placement } from '../rig-file/schema.js';
import type { CompiledRig } from '../check/wiring/compile.js';
import { HOURS_OF_A_SLOT, SLOT_MINUTES } from './clock.js';
import { daySystemOf, type DaySystem } from './day-system.js';
import { changesAdmittingJob, type DayChange } from './plan/changes-admitting-job.js';
import { momentsOfPlan, type Moment } from './moments.js';
import { placementsOf, planDay, timetableOf, type PlanEffort } from './plan/plan-day.js';
import {
  misplacedBy,
  placesFor,
  slackOf,
  survivesGreyHour,
  type Misplacement,
  type Slack,
} from './plan/slack.js';
import { suppliesWithRuns, supplyRunsOf } from './supply-runs.js';
import type { Piece, Timetable } from './plan/timetable.js';
import { whyNot, type WhyNot } from './plan/why-not.js';
import { directSunWh, isPlaced, slotsPlaced } from './plan/worth-of-plan.js';

/** A piece of a job as it is planned. */
export interface PlannedPiece extends Placement {
  /** Minutes by which it may begin later or earlier, all others staying. */
  readonly later: number;
  readonly earlier: number;
  /** What it does not keep where the user put it. */
  readonly misplaced?: Misplacement;
}

/** What has no place, and why. */
export interface Unplaced extends Omit<WhyNot, 'task'> {
  readonly job: string;
  readonly onDay: number | undefined;
  /** Single changes that let it in. */
  readonly changes: readonly DayChange[];
}

/** Charge over a plan, Wh, at the beginning of each step and at the end of the last. */
interface ChargeTrace {
  readonly stated: readonly number[];
  /** With every doubt read against the plan, and the worst clouds. */
  readonly worst: readonly number[];
  /** With every doubt read for it. */
  readonly best: readonly number[];
}

/** Whether the battery lasts: also at worst, as entered only, or not even then. */
export type EnergyVerdict = 'lasts' | 'may-run-out' | 'runs-out';

/** A day as it is planned, with all that a person reads of it; plain data. */
export interface DayPlan {
  readonly pieces: readonly PlannedPiece[];
  readonly supplyRuns: NonNullable<Day['supplyRuns']>;
  readonly placed: number;
  readonly of: number;
  readonly unplaced: readonly Unplaced[];
  /** By how much jobs are cut down, minutes. */
  readonly cutMinutes: Readonly<Record<string, number>>;
  readonly moments: readonly Moment[];
  readonly fullWh: number;
  readonly reserveWh: number;
  /** Whether it ends with the charge that was asked for. */
  readonly endsAsAsked: boolean;
  readonly charge: ChargeTrace;
  readonly energy: EnergyVerdict;
  readonly lowest: { readonly wh: number; readonly minutes: number };
  /** In each step, W: what the arrays give, and what of it is thrown away. */
  readonly solarW: readonly number[];
  readonly curtailedW: readonly number[];
  readonly directSunWh: number;
  readonly generatorMinutes: number;
  readonly survivesGreyHour: boolean;
  /** Energy of each job at its loads, Wh. */
  readonly whOfJobs: Readonly<Record<string, number>>;
}

/**
 * Plans a day anew; what the user pinned stays.
 *
 * @param tell Told each better plan, without what takes long to find out.
 * @throws RangeError where its jobs ask for more load states than a set can have.
 */
export function planOfDay(
  compiled: CompiledRig,
  day: Day,
  effort: PlanEffort = {},
  tell: (best: readonly Placement[]) => void = () => undefined,
  progress: Progress = noProgress,
): DayPlan {
  const system = daySystemOf(compiled, day);
  const timetable = planDay(system, effort, (best) => tell(placementsOf(best)), progress);
  return described(timetable);
}

/**
 * A plan as it stands in the file, judged again: where there is none, of a day on which nothing is on.
 *
 * @param depth A sketch leaves out why jobs have no place, and how far those that have one may slip: what takes longest.
 */
export function planAsKept(compiled: CompiledRig, day: Day, depth: 'whole' | 'sketch' = 'whole'): DayPlan {
  const system = daySystemOf(compiled, day);
  const isNothing = (day.plan ?? []).length === 0;
  return described(timetableOf(system, suppliesWithRuns(system)), isNothing ? 'sketch' : depth);
}

/**
 * Where a piece of a plan may go, all others staying where they are.
 *
 * @param begin Its minutes from the beginning of the plan.
 * @returns Minutes at which it may begin.
 */
export function placesOfPiece(
  compiled: CompiledRig,
  day: Day,
  { job, begin }: Pick<Placement, 'job' | 'begin'>,
): readonly number[] {
  const system = daySystemOf(compiled, day);
  const timetable = timetableOf(system, suppliesWithRuns(system));
  const piece = timetable.pieces.find(
    (each) => system.tasks[each.task]?.job.id === job && each.begin * SLOT_MINUTES === begin,
  );
  return piece ? placesFor(timetable, piece).map((slot) => slot * SLOT_MINUTES) : [];
}

function described(timetable: Timetable, depth: 'whole' | 'sketch' = 'whole'): DayPlan {
  const { system, supplies } = timetable;
  const { store, sky, tasks } = system;
  const missing = [...tasks.keys()].filter((task) => !isPlaced(timetable, task));
  const stated = timetable.chargeAsStated();
  const worst = timetable.chargeAt('hi', sky.atWorst);
  return {
    pieces: piecesOf(timetable, depth === 'whole' ? slackOf(timetable) : []),
    supplyRuns: supplyRunsOf(timetable),
    placed: tasks.length - missing.length,
    of: tasks.length,
    unplaced: depth === 'whole' ? missing.map((task) => unplacedOf(timetable, task)) : [],
    cutMinutes: cutMinutesOf(timetable),
    moments: momentsOfPlan(timetable),
    fullWh: store.fullWh,
    reserveWh: store.reserveWh,
    endsAsAsked: stated.endWh >= system.targetWh,
    charge: { stated: stated.wh, worst: worst.wh, best: timetable.chargeAt('lo', sky.clear).wh },
    energy: energyVerdict(system, stated.lowestWh, worst.lowestWh),
    lowest: { wh: stated.lowestWh, minutes: stated.lowestAt * SLOT_MINUTES },
    solarW: sky.asEntered,
    curtailedW: stated.curtailedW,
    directSunWh: directSunWh(timetable),
    generatorMinutes:
      supplies.filter((supply, slot) => supply !== system.supplies.connected[slot]).length * SLOT_MINUTES,
    survivesGreyHour: survivesGreyHour(timetable),
    whOfJobs: energyOfJobs(timetable),
  };
}

function energyVerdict({ store }: DaySystem, stated: number, worst: number): EnergyVerdict {
  if (stated < store.reserveWh) return 'runs-out';
  return worst < store.reserveWh ? 'may-run-out' : 'lasts';
}

function piecesOf(timetable: Timetable, slacks: readonly Slack[]): readonly PlannedPiece[] {
  return placementsOf(timetable).map((placement) => {
    const isIt = ({ task, begin }: Piece): boolean =>
      begin * SLOT_MINUTES === placement.begin && timetable.system.tasks[task]?.job.id === placement.job;
    const slack = slacks.find(({ piece }) => isIt(piece));
    const piece = timetable.pieces.find(isIt);
    const misplaced = piece && misplacedBy(timetable, piece);
    return {
      ...placement,
      later: (slack?.later ?? 0) * SLOT_MINUTES,
      earlier: (slack?.earlier ?? 0) * SLOT_MINUTES,
      ...(misplaced && { misplaced }),
    };
  });
}

function unplacedOf(timetable: Timetable, taskIndex: number): Unplaced {
  const { answer, obstacles } = whyNot(timetable, taskIndex);
  const task = timetable.system.tasks[taskIndex];
  return {
    job: task?.job.id ?? '',
    onDay: task?.onDay,
    answer,
    obstacles,
    changes: changesAdmittingJob(timetable, taskIndex),
  };
}

/** Of jobs that have a place, but not for all of their time. */
function cutMinutesOf(timetable: Timetable): Readonly<Record<string, number>> {
  const cut: Record<string, number> = {};
  timetable.system.tasks.forEach(({ job, slots }, task) => {
    const missing = slots - slotsPlaced(timetable, task);
    if (missing > 0 && isPlaced(timetable, task)) cut[job.id] = (cut[job.id] ?? 0) + missing * SLOT_MINUTES;
  });
  return cut;
}

/** What each job takes at its loads, losses left out. */
function energyOfJobs(timetable: Timetable): Readonly<Record<string, number>> {
  const { system } = timetable;
  const energies: Record<string, number> = {};
  for (const { task, begin, slots } of timetable.pieces) {
    const asked = system.tasks[task];
    if (!asked) continue;
    let wh = 0;
    for (let slot = begin; slot < begin + slots; slot += 1)
      wh += timetable.wattsOf(task, slot) * HOURS_OF_A_SLOT;
    energies[asked.job.id] = (energies[asked.job.id] ?? 0) + wh;
  }
  return energies;
}
