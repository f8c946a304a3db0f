import type { Day } from '../../rig-file/schema.js';
import type { CompiledRig } from '../../check/wiring/compile.js';
import { SLOT_MINUTES } from '../clock.js';
import { daySystemOf } from '../day-system.js';
import { timetableOf } from '../plan/plan-day.js';
import { suppliesWithRuns } from '../supply-runs.js';
import { bestPossible } from './best-possible.js';
import { clashOfMusts, type ClashOfMusts } from './clash-of-musts.js';
import type { Solver } from './linear-programme.js';

/** What a plan reaches, and what no plan can better; undefined where it was not found out. */
export interface Reach {
  readonly reached: number;
  readonly atBest: number | undefined;
}

/** How far a plan can be from the best possible one; plain data. */
export interface ProofOfPlan {
  readonly musts: Reach;
  /** The rest by its weight: 10 for what should be done, 1 for what may. */
  readonly rest: Reach;
  readonly generatorMinutes: Reach;
  /** The lowest charge as forecast, Wh. */
  readonly lowestWh: Reach;
  readonly clash: ClashOfMusts | undefined;
}

/**
 * Bounds that hold for every plan of a day beside what a plan reaches.
 *
 * @param solve Solves linear programmes given as text.
 */
export function proofOfPlan(compiled: CompiledRig, day: Day, solve: Solver): ProofOfPlan {
  const system = daySystemOf(compiled, day);
  const timetable = timetableOf(system, suppliesWithRuns(system));
  const { best, reached } = bestPossible(timetable, solve);
  const minutes = (steps: number | undefined): number | undefined =>
    steps === undefined ? undefined : steps * SLOT_MINUTES;
  return {
    musts: { reached: reached.musts, atBest: best.musts },
    rest: { reached: reached.rest, atBest: best.rest },
    generatorMinutes: {
      reached: reached.generatorSteps * SLOT_MINUTES,
      atBest: minutes(best.generatorSteps),
    },
    lowestWh: { reached: reached.lowestWh, atBest: best.lowestWh },
    clash: clashOfMusts(timetable, solve),
  };
}
