/** Public: a plan as a calendar and as tables. Apart, for it brings what writes calendars; asked for when something is saved. */

export { dayCalendar } from '../formats/day-calendar.js';
export { planTable, traceTable } from '../formats/day-tables.js';
