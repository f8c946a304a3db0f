import type { Day } from '../rig-file/schema.js';
import { stretchesOfEveryDay, type Stretch } from './clock.js';

/** When everybody sleeps, where a day does not say. */
const USUAL_NIGHT = { from: '22:00', until: '07:00' };

/** The nights of a plan in steps, and what is left of one in which it begins. */
export function nightHours(day: Day): readonly Stretch[] {
  const { nightFrom = USUAL_NIGHT.from, nightUntil = USUAL_NIGHT.until } = day;
  return stretchesOfEveryDay(day, nightFrom, nightUntil);
}
