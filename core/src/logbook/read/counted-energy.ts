import type { LogReading } from '../log-test.js';

/** Energy that a meter has counted, with what it counted before each time it began anew. */
export interface CountedEnergy {
  /** Joined over all segments, Wh since the first reading of it. */
  readonly points: readonly { readonly atS: number; readonly wattHours: number }[];
  /** When the counter had begun anew. */
  readonly resets: readonly number[];
}

/**
 * Adds up the segments of a counter that loses its count when its power is interrupted.
 *
 * What flowed between the last reading before and the moment it began anew is not known: it is missing, so the sum is "at
 * least".
 *
 * @param readings What counts, in the order of time.
 *
 * @example
 * // 0, 120, 250 Wh, then 30, 90 Wh: 250 Wh and 90 Wh, 340 Wh in all
 */
export function countedEnergy(readings: readonly LogReading[]): CountedEnergy {
  const read = readings.flatMap(({ atS, wattHours }) =>
    wattHours === undefined ? [] : [{ atS, wattHours }],
  );
  const resets: number[] = [];
  let [sum, last] = [0, read[0]?.wattHours ?? 0];
  const points = read.map(({ atS, wattHours }) => {
    const isAnew = wattHours < last;
    if (isAnew) resets.push(atS);
    sum += isAnew ? wattHours : wattHours - last;
    last = wattHours;
    return { atS, wattHours: sum };
  });
  return { points, resets };
}
