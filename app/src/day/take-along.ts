import type { Day, Rig } from '@heliarch/core/rig';
import { dayCalendar, planTable, traceTable } from '@heliarch/core/formats';
import type { DayPlan } from '@heliarch/core/day';
import { unparse } from 'papaparse';
import { saveBlob } from '../storage/rig-files';

/** What a plan is taken along as. */
export type TakenAs = 'calendar' | 'table' | 'trace';

/** Saves a plan as a file; what keeps it from being saved, or what is not in it, in words. */
export function takeAlong(as: TakenAs, rig: Rig, day: Day, plan: DayPlan): string | undefined {
  const name = `${rig.id}-${day.id}`;
  if (as !== 'calendar') {
    const rows = as === 'table' ? planTable(rig, day, plan) : traceTable(rig, day, plan);
    const text = unparse(rows as (string | number)[][], { escapeFormulae: true, newline: '\r\n' });
    saveBlob(`${name}-${as}.csv`, new Blob([`${text}\r\n`], { type: 'text/csv;charset=utf-8' }));
    return undefined;
  }
  const calendar = dayCalendar(rig, day, plan, Date.now());
  if (!calendar.ok) return calendar.message;
  saveBlob(`${name}.ics`, new Blob([calendar.text], { type: 'text/calendar;charset=utf-8' }));
  const missing = plan.unplaced.map(({ job }) => day.jobs.find(({ id }) => id === job)?.name ?? job);
  return missing.length > 0
    ? `Saved. Not in the calendar, for it has no place: ${missing.join(', ')}.`
    : undefined;
}
