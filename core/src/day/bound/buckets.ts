import type { DaySystem } from '../day-system.js';
import type { Stretch } from '../clock.js';

/** A stretch of a plan in which the supplies stay as they are. */
export interface Bucket extends Stretch {
  readonly connected: string | undefined;
  /** What may be started where it is needed. */
  readonly ifNeeded: string | undefined;
}

/** Half an hour, in steps. */
const BUCKET_SLOTS = 6;

/** A plan in buckets of half an hour, cut where the supply changes. */
export function bucketsOf({ slots, supplies: { connected, ifNeeded } }: DaySystem): readonly Bucket[] {
  const buckets: Bucket[] = [];
  for (let slot = 0; slot < slots; slot += 1) {
    const last = buckets.at(-1);
    const goesOn =
      last !== undefined &&
      slot - last.from < BUCKET_SLOTS &&
      last.connected === connected[slot] &&
      last.ifNeeded === ifNeeded[slot];
    if (goesOn) buckets[buckets.length - 1] = { ...last, until: slot + 1 };
    else buckets.push({ from: slot, until: slot + 1, connected: connected[slot], ifNeeded: ifNeeded[slot] });
  }
  return buckets;
}
