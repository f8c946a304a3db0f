import ICAL from 'ical.js';
import { timeInPlan, utcOf, utcText } from '../day/clock.js';
import type { DayPlan } from '../day/day-plan.js';
import { loadOf, supplyOf } from '../rig/lookup.js';
import type { Day, Rig } from '../rig-file/schema.js';

const MS_OF_A_MINUTE = 60_000;
/** A line has 75 octets at most (RFC 5545, 3.1); the library leaves the blank at the head of a continued one out of its count. */
ICAL.foldLength = 74;

const PRODUCT = '-//Heliarch//Day//EN';

/** A plan as a calendar, or why it cannot be one. */
export type CalendarFile =
  | { readonly ok: true; readonly text: string }
  | { readonly ok: false; readonly message: string };

/**
 * The pieces of a plan and the runs of its generator as events of a calendar, in UTC; it says of itself that nothing is switched.
 *
 * @param savedAt Milliseconds since 1970 in UTC: when the calendar is written.
 * @returns Text by RFC 5545, lines ended by CR LF.
 */
export function dayCalendar(rig: Rig, day: Day, plan: DayPlan, savedAt: number): CalendarFile {
  if (day.hoursFromUtc === undefined)
    return {
      ok: false,
      message: 'Hours ahead of UTC are not entered: a calendar would show it at the wrong time.',
    };
  const events = [...pieceEvents(rig, day, plan), ...runEvents(rig, day, plan)];
  if (events.length === 0) return { ok: false, message: 'Nothing is planned yet.' };
  const calendar = new ICAL.Component('vcalendar');
  calendar.updatePropertyWithValue('prodid', PRODUCT);
  calendar.updatePropertyWithValue('version', '2.0');
  for (const event of events) calendar.addSubcomponent(asComponent(rig, day, event, savedAt));
  return { ok: true, text: `${calendar.toString()}\r\n` };
}

interface PlanEvent {
  /** What it is of: a job, or a supply. */
  readonly id: string;
  readonly begin: number;
  readonly minutes: number;
  readonly title: string;
  readonly words: string;
}

function pieceEvents(rig: Rig, day: Day, { pieces }: DayPlan): readonly PlanEvent[] {
  return pieces.map(({ job: id, begin, minutes, later }) => {
    const job = day.jobs.find((each) => each.id === id);
    const slack = later > 0 ? ` May begin up to ${later} min later.` : '';
    const words = `${job ? loadOf(rig, job.load).name : id}.${slack}`;
    return { id, begin, minutes, title: job?.name ?? id, words };
  });
}

function runEvents(rig: Rig, day: Day, { supplyRuns }: DayPlan): readonly PlanEvent[] {
  return supplyRuns.map(({ supply, begin, minutes }) => ({
    id: supply,
    begin,
    minutes,
    title: `${supplyOf(rig, supply).name} on`,
    words: `Until ${timeInPlan(day, begin + minutes)}.`,
  }));
}

function asComponent(
  rig: Rig,
  day: Day,
  { id, begin, minutes, title, words }: PlanEvent,
  savedAt: number,
): ICAL.Component {
  const event = new ICAL.Component('vevent');
  const start = utcOf(day, begin);
  event.updatePropertyWithValue('uid', `${rig.id}-${day.id}-${id}-${begin}@heliarch`);
  event.updatePropertyWithValue('dtstamp', timeOf(savedAt));
  event.updatePropertyWithValue('dtstart', timeOf(start));
  event.updatePropertyWithValue('dtend', timeOf(start + minutes * MS_OF_A_MINUTE));
  event.updatePropertyWithValue('summary', title);
  event.updatePropertyWithValue('description', `${words} Planning: nothing is switched.`);
  return event;
}

/** A moment in UTC. */
const timeOf = (ms: number): ICAL.Time => ICAL.Time.fromDateTimeString(utcText(ms));
