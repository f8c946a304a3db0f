import type { DayPlan } from '../day/day-plan.js';
import { SLOT_MINUTES, timeInPlan } from '../day/clock.js';
import { loadOf } from '../rig/lookup.js';
import type { Day, Rig } from '../rig-file/schema.js';
import type { LoadOn } from '../check/situation.js';
import type { LiveState } from './live-state.js';

/** What a plan has on at a moment, beside what is ticked. */
export interface PlannedNow {
  readonly supply: string | undefined;
  readonly on: readonly LoadOn[];
  /** Planned and not ticked; ticked and not planned. */
  readonly missing: readonly string[];
  readonly extra: readonly string[];
  /** Until when it has just these on, as a time of the day. */
  readonly until: string;
}

/**
 * What the plan wants now.
 *
 * @param minutes Minutes since the beginning of the plan.
 * @returns Undefined before its beginning and after its end.
 */
export function plannedAt(
  rig: Rig,
  day: Day,
  { moments }: Pick<DayPlan, 'moments'>,
  minutes: number,
  at: Pick<LiveState, 'on'>,
): PlannedNow | undefined {
  const slot = Math.floor(minutes / SLOT_MINUTES);
  const moment = moments.find(({ from, until }) => from <= slot && slot < until);
  if (!moment) return undefined;
  const planned = new Set(moment.on.map(({ load }) => load));
  const ticked = new Set(at.on.map(({ load }) => load));
  const names = (ids: Iterable<string>): readonly string[] => [...ids].map((id) => loadOf(rig, id).name);
  return {
    supply: moment.supply,
    on: moment.on,
    missing: names([...planned].filter((id) => !ticked.has(id))),
    extra: names([...ticked].filter((id) => !planned.has(id))),
    until: timeInPlan(day, moment.until * SLOT_MINUTES),
  };
}
