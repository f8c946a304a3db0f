import type { Day, Rig } from '../rig-file/schema.js';
import { slotsOf, stretchesBetween } from './clock.js';

/** Which supply there is in each step of a plan, by its id. */
export interface SuppliesOverTime {
  /** What is connected; undefined where nothing feeds anything. */
  readonly connected: readonly (string | undefined)[];
  /** What may be started where it is needed. */
  readonly ifNeeded: readonly (string | undefined)[];
}

/** The supplies of a day: what is said to be connected, else the batteries alone. */
export function suppliesOverTime(rig: Rig, day: Day): SuppliesOverTime {
  const alone = rig.supplies.find(({ sources }) => sources.length === 0)?.id;
  const over = (use: 'connected' | 'if-needed', otherwise: string | undefined) => {
    const slots = new Array<string | undefined>(slotsOf(day)).fill(otherwise);
    for (const each of day.supplies ?? [])
      if (each.use === use)
        for (const { from, until } of stretchesBetween(day, each.from, each.until, each.onDay))
          slots.fill(each.supply, from, until);
    return slots;
  };
  return { connected: over('connected', alone), ifNeeded: over('if-needed', undefined) };
}

/** What the vehicle charges with in each step of a plan, W; nothing where it stands. */
export function drivesOverTime(day: Day): readonly number[] {
  const watts = new Array<number>(slotsOf(day)).fill(0);
  for (const drive of day.drives ?? [])
    for (const { from, until } of stretchesBetween(day, drive.from, drive.until, drive.onDay))
      watts.fill(drive.watts ?? 0, from, until);
  return watts;
}
