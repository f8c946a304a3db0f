import type { Day } from '@heliarch/core/rig';
import { SLOT_MINUTES, slotsOf } from '@heliarch/core/day';

const MS_OF_A_MINUTE = 60_000;

/** Minutes from the beginning of a plan until a moment; undefined before it and after its end. */
export function minutesOfPlanAt(day: Day, now: Date): number | undefined {
  const [year = 0, month = 1, date = 1] = day.date.split('-').map(Number);
  const [hours = 0, minutes = 0] = day.begins.split(':').map(Number);
  const since = (now.getTime() - new Date(year, month - 1, date, hours, minutes).getTime()) / MS_OF_A_MINUTE;
  return since >= 0 && since < slotsOf(day) * SLOT_MINUTES ? since : undefined;
}
