import type { Day } from '../rig-file/schema.js';
import { SLOT_MINUTES } from './clock.js';
import type { DaySystem } from './day-system.js';
import type { Timetable } from './plan/timetable.js';

type SupplyRuns = NonNullable<Day['supplyRuns']>;

/** What feeds each step of a plan that is kept: what is connected, and the generator where the plan has it on. */
export function suppliesWithRuns({
  day,
  supplies: { connected },
}: DaySystem): readonly (string | undefined)[] {
  const supplies = [...connected];
  for (const { supply, begin, minutes } of day.supplyRuns ?? [])
    supplies.fill(supply, Math.round(begin / SLOT_MINUTES), Math.round((begin + minutes) / SLOT_MINUTES));
  return supplies;
}

/** The runs of what is used only where it is needed, as they are kept in the file. */
export function supplyRunsOf({ supplies, system }: Timetable): SupplyRuns {
  const { connected } = system.supplies;
  const runs: SupplyRuns = [];
  supplies.forEach((supply, slot) => {
    if (supply === undefined || supply === connected[slot]) return;
    const last = runs.at(-1);
    if (last?.supply === supply && last.begin + last.minutes === slot * SLOT_MINUTES)
      runs[runs.length - 1] = { ...last, minutes: last.minutes + SLOT_MINUTES };
    else runs.push({ supply, begin: slot * SLOT_MINUTES, minutes: SLOT_MINUTES });
  });
  return runs;
}
