import type { DaySystem } from '../day-system.js';
import type { Timetable } from '../plan/timetable.js';
import { isImpossible } from '../plan/why-not.js';
import { isPlaced, worthOfTask } from '../plan/worth-of-plan.js';
import { dayProgramme, generatorSteps, LOWEST, placedVariable, type AskedOfDay } from './day-programme.js';
import { programmeText, type Row, type Solver, type Term } from './linear-programme.js';

/** What no plan of a day can better; undefined where it was not found out. */
export interface BestPossible {
  /** Musts that are placed, at the most. */
  readonly musts: number | undefined;
  /** The rest by its weight, at the most, with as many musts as this plan has. */
  readonly rest: number | undefined;
  /** Steps of the generator, at the least, with as much done as in this plan. */
  readonly generatorSteps: number | undefined;
  /** The lowest charge as forecast, at the most, with as much done and no more of the generator, Wh. */
  readonly lowestWh: number | undefined;
}

/** What a plan has of each. */
export interface Reached {
  readonly musts: number;
  readonly rest: number;
  readonly generatorSteps: number;
  readonly lowestWh: number;
}

/**
 * How far a plan can be from the best, by bounds that hold for every plan: value, then generator, then lowest charge, each with
 * what came before it as this plan has it.
 *
 * @returns Source: docs/decisions/0012; solved by the solver that is handed in.
 */
export function bestPossible(
  timetable: Timetable,
  solve: Solver,
): { readonly best: BestPossible; readonly reached: Reached } {
  const { system } = timetable;
  const reached = reachedBy(timetable);
  const asked: AskedOfDay = {
    impossible: [...system.tasks.keys()].filter((task) => isImpossible(system, task)),
  };
  const planned = dayProgramme(system, asked);
  const forecast = dayProgramme(system, { ...asked, isForecast: true });
  const most = (aim: readonly Term[], rows: readonly Row[], programme = planned): number | undefined => {
    const text = programmeText(aim, { ...programme, rows: [...programme.rows, ...rows] });
    const { status, objective } = solve(text);
    return status === 'optimal' ? objective : undefined;
  };
  const musts = mustTerms(system);
  const rest = restTerms(system);
  const steps = generatorSteps(system);
  const atLeast = (terms: readonly Term[], value: number): readonly Row[] =>
    terms.length === 0 ? [] : [{ terms, is: '>=', value }];
  const asMuch = [...atLeast(musts, reached.musts), ...atLeast(rest, reached.rest)];
  const noMore: readonly Row[] =
    steps.length === 0 ? [] : [{ terms: steps, is: '<=', value: reached.generatorSteps }];
  const least = steps.length === 0 ? 0 : most(negative(steps), asMuch);
  return {
    reached,
    best: {
      musts: musts.length === 0 ? 0 : floored(most(musts, [])),
      rest: rest.length === 0 ? 0 : floored(most(rest, atLeast(musts, reached.musts))),
      generatorSteps: least === undefined ? undefined : Math.ceil(-least - NEARLY),
      lowestWh: most([[1, LOWEST]], [...asMuch, ...noMore], forecast),
    },
  };
}

const NEARLY = 1e-6;
const floored = (value: number | undefined): number | undefined =>
  value === undefined ? undefined : Math.floor(value + NEARLY);
const negative = (terms: readonly Term[]): readonly Term[] =>
  terms.map(([weight, variable]): Term => [-weight, variable]);

function mustTerms({ tasks }: DaySystem): readonly Term[] {
  return [...tasks.keys()]
    .filter((task) => tasks[task]?.job.importance === 'must')
    .map((task): Term => [1, placedVariable(task)]);
}

function restTerms({ tasks }: DaySystem): readonly Term[] {
  return [...tasks.keys()]
    .map((task): Term => [worthOfTask(tasks[task]), placedVariable(task)])
    .filter(([weight]) => weight > 0);
}

function reachedBy(timetable: Timetable): Reached {
  const { system, supplies } = timetable;
  const placed = system.tasks.filter((_, task) => isPlaced(timetable, task));
  return {
    musts: placed.filter(({ job }) => job.importance === 'must').length,
    rest: placed.reduce((sum, task) => sum + worthOfTask(task), 0),
    generatorSteps: supplies.filter((supply, slot) => supply !== system.supplies.connected[slot]).length,
    lowestWh: timetable.chargeAsStated().lowestWh,
  };
}
