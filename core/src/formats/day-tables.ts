import { momentInPlan, SLOT_MINUTES, timeInPlan } from '../day/clock.js';
import type { DayPlan } from '../day/day-plan.js';
import { loadOf, supplyOf } from '../rig/lookup.js';
import type { Day, Rig } from '../rig-file/schema.js';

type Row = readonly (string | number)[];

/** A plan as a table: a line for each piece of a job, for each run of the generator, and for each job without a place. */
export function planTable(rig: Rig, day: Day, plan: DayPlan): readonly Row[] {
  const head = ['job', 'load', 'day', 'from', 'until', 'minutes', 'may begin later by [min]', 'pinned'];
  const dayOf = (begin: number): number => Math.floor(begin / MINUTES_OF_A_DAY) + 1;
  const span = (begin: number, minutes: number): Row => [
    dayOf(begin),
    timeInPlan(day, begin),
    timeInPlan(day, begin + minutes),
    minutes,
  ];
  const jobOf = (id: string) => day.jobs.find((job) => job.id === id);
  const loadName = (id: string): string => {
    const load = jobOf(id)?.load;
    return load === undefined ? '' : loadOf(rig, load).name;
  };
  return [
    head,
    ...plan.pieces.map(({ job, begin, minutes, later, pinned }) => [
      jobOf(job)?.name ?? job,
      loadName(job),
      ...span(begin, minutes),
      later,
      pinned ?? 'no',
    ]),
    ...plan.supplyRuns.map(({ supply, begin, minutes }) => [
      `${supplyOf(rig, supply).name} on`,
      '',
      ...span(begin, minutes),
      '',
      '',
    ]),
    ...plan.unplaced.map(({ job }) => [
      jobOf(job)?.name ?? job,
      loadName(job),
      'not placed',
      '',
      '',
      '',
      '',
      '',
    ]),
  ];
}

const MINUTES_OF_A_DAY = 1440;

/** What flows in a plan minute by minute: within one of its steps power is even, and charge goes straight. */
export function traceTable(rig: Rig, day: Day, plan: DayPlan): readonly Row[] {
  const head = [
    'minute',
    'time',
    'supply',
    'on',
    'sun [W]',
    'sun thrown away [W]',
    'charge [Wh]',
    'charge at worst [Wh]',
    'charge at best [Wh]',
    'share of the tightest limit',
    'verdict',
  ];
  const minutes = plan.solarW.length * SLOT_MINUTES;
  return [head, ...Array.from({ length: minutes }, (_, minute) => traceRow(rig, day, plan, minute))];
}

function traceRow(rig: Rig, day: Day, plan: DayPlan, minute: number): Row {
  const slot = Math.floor(minute / SLOT_MINUTES);
  const moment = plan.moments.find(({ from, until }) => slot >= from && slot < until);
  const whole = (value: number | undefined): number => Math.round(value ?? 0);
  const between = (wh: readonly number[]): number => {
    const [before = 0, after = before] = [wh[slot], wh[slot + 1]];
    return whole(before + ((after - before) * (minute % SLOT_MINUTES)) / SLOT_MINUTES);
  };
  return [
    minute,
    momentInPlan(day, minute),
    moment?.supply === undefined ? '' : supplyOf(rig, moment.supply).name,
    (moment?.on ?? []).map(({ load }) => loadOf(rig, load).name).join('; '),
    whole(plan.solarW[slot]),
    whole(plan.curtailedW[slot]),
    between(plan.charge.stated),
    between(plan.charge.worst),
    between(plan.charge.best),
    (moment?.runningShare ?? 0).toFixed(SHARE_DIGITS),
    moment?.verdict ?? '',
  ];
}

const SHARE_DIGITS = 3;
