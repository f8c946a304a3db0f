import { check } from '../../check/check.js';
import type { LoadOn } from '../../check/situation.js';
import { bitsOf } from '../../sets/bits.js';
import type { DaySystem } from '../day-system.js';
import type { Timetable } from '../plan/timetable.js';
import { isImpossible } from '../plan/why-not.js';
import { isPlaced } from '../plan/worth-of-plan.js';
import type { Constraint } from './constraint.js';
import { dayProgramme } from './day-programme.js';
import { programmeText, type Solved, type Solver } from './linear-programme.js';

/** Musts that cannot all be done. */
export interface ClashOfMusts {
  /** Whether no plan at all has them all, or only none was found. */
  readonly isProved: boolean;
  /** Jobs by their ids; where it is proved, with any of them left out there is no proof any more. */
  readonly jobs: readonly string[];
  /** What each by itself, were it not in the way, would leave no proof. */
  readonly freedBy: readonly Constraint[];
  /** The element that has no room for them at once, where limits are in the way. */
  readonly element: string | undefined;
}

/**
 * The smallest group of musts that clash, by leaving out what is not needed for the clash, and what would free them.
 *
 * @returns Undefined where every must has a place, or those that have none are impossible by themselves.
 * Source: deletion filter (Chinneck and Dravnieks 1991, from memory).
 */
export function clashOfMusts(timetable: Timetable, solve: Solver): ClashOfMusts | undefined {
  const { system } = timetable;
  const impossible = [...system.tasks.keys()].filter((task) => isImpossible(system, task));
  const musts = [...system.tasks.keys()].filter(
    (task) => system.tasks[task]?.job.importance === 'must' && !impossible.includes(task),
  );
  const missing = musts.filter((task) => !isPlaced(timetable, task));
  if (missing.length === 0) return undefined;
  const answerTo = (group: readonly number[], without?: Constraint): Solved['status'] =>
    solve(programmeText([], dayProgramme(system, { impossible, musts: group, ...(without && { without }) })))
      .status;
  const isProved = (group: readonly number[]): boolean => answerTo(group) === 'infeasible';
  if (!isProved(musts))
    return { isProved: false, jobs: jobsOf(system, missing), freedBy: [], element: undefined };
  const group = musts.reduce((left, task) => {
    const without = left.filter((each) => each !== task);
    return isProved(without) ? without : left;
  }, musts);
  const freedBy = CONSTRAINTS.filter((each) => answerTo(group, each) === 'optimal');
  return {
    isProved: true,
    jobs: jobsOf(system, group),
    freedBy,
    element: freedBy.includes('limits') ? elementFor(system, group) : undefined,
  };
}

const CONSTRAINTS: readonly Constraint[] = ['limits', 'turns', 'windows', 'battery'];

const jobsOf = ({ tasks }: DaySystem, group: readonly number[]): readonly string[] => [
  ...new Set(group.map((task) => tasks[task]?.job.id ?? '')),
];

/** What decides where all of a group run at once, on what feeds the first of them. */
function elementFor(system: DaySystem, group: readonly number[]): string | undefined {
  const first = system.tasks[group[0] ?? -1]?.windows[0]?.from ?? 0;
  const supply = system.supplies.connected[first];
  if (supply === undefined) return undefined;
  const on = group.flatMap((task): readonly LoadOn[] =>
    bitsOf(system.tasks[task]?.stages[0]?.states ?? 0).flatMap((bit) => {
      const state = system.states[bit];
      return state ? [{ load: state.loadId, state: state.stateId }] : [];
    }),
  );
  return check(system.compiled, { supply, on }, 'any').decider?.element.name;
}
