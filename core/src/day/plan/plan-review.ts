import type { Day } from '../../rig-file/schema.js';
import type { CompiledRig } from '../../check/wiring/compile.js';
import { costsOfPlan, hoursOfLoads, type HourOfLoad, type SupplyCost } from '../costs.js';
import { daySystemOf } from '../day-system.js';
import { nightsOf, type Night } from '../night.js';
import { timetableOf } from './plan-day.js';
import { sunToSpare, type SunUse } from './sun-to-spare.js';
import { suppliesWithRuns } from '../supply-runs.js';
import { surpriseIn, type Surprise } from '../surprise.js';

/** What else a person asks of a plan; plain data. */
export interface PlanReview {
  readonly nights: readonly Night[];
  readonly costs: readonly SupplyCost[];
  readonly hours: readonly HourOfLoad[];
  readonly sunUses: readonly SunUse[];
  readonly surprise: Surprise;
}

/** The nights of a plan, what it costs, what to do with sun to spare, and what one surprise does to it. */
export function reviewOfPlan(compiled: CompiledRig, day: Day): PlanReview {
  const system = daySystemOf(compiled, day);
  const timetable = timetableOf(system, suppliesWithRuns(system));
  return {
    nights: nightsOf(timetable),
    costs: costsOfPlan(timetable),
    hours: hoursOfLoads(compiled),
    sunUses: sunToSpare(timetable),
    surprise: surpriseIn(timetable),
  };
}
