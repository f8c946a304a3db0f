/** What is public of the core for taking a plan along, apart from the rest: it brings what writes calendars. */

export { dayCalendar, type CalendarFile } from './formats/day-calendar.js';
export { planTable, traceTable } from './formats/day-tables.js';
