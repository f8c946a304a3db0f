import { SECONDS_PER_HOUR, SECONDS_PER_MINUTE } from '../../units/conversion-factors.js';
import { baseLoadOf, runningReadings } from '../read/base-load.js';
import { countedEnergy } from '../read/counted-energy.js';
import type { LogReading } from '../log-test.js';

/** What one dish took. */
export interface DishTest {
  readonly minutes: number;
  /** At the plug without the base load, Wh. */
  readonly wattHours: number;
  /** Counted by a meter, or made of watts read now and then. */
  readonly by: 'counter' | 'watts';
}

/**
 * What a dish took, from the first reading with the load to the last.
 *
 * @param readings What counts, in the order of time.
 * @returns Undefined while there are not two readings of a counter or of watts.
 * Source: energy is the sum of power over time (physics); between two readings of watts a straight line.
 */
export function dishOf(readings: readonly LogReading[]): DishTest | undefined {
  const running = runningReadings(readings);
  const base = baseLoadOf(readings);
  const baseW = base && !base.hasMoved ? base.watts : 0;
  const { points } = countedEnergy(running);
  const [first, last] = [points[0], points.at(-1)];
  if (first && last && last.atS > first.atS) {
    const hours = (last.atS - first.atS) / SECONDS_PER_HOUR;
    return {
      minutes: (last.atS - first.atS) / SECONDS_PER_MINUTE,
      wattHours: Math.max(0, last.wattHours - baseW * hours),
      by: 'counter',
    };
  }
  const watts = running.flatMap(({ atS, watts: read }) => (read === undefined ? [] : [{ atS, read }]));
  const [begins, ends] = [watts[0], watts.at(-1)];
  if (!begins || !ends || ends.atS <= begins.atS) return undefined;
  const wattHours = watts.slice(1).reduce((sum, { atS, read }, index) => {
    const before = watts[index] ?? begins;
    return sum + (((read + before.read) / 2 - baseW) * (atS - before.atS)) / SECONDS_PER_HOUR;
  }, 0);
  return {
    minutes: (ends.atS - begins.atS) / SECONDS_PER_MINUTE,
    wattHours: Math.max(0, wattHours),
    by: 'watts',
  };
}
