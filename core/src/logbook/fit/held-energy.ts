import { PERCENT, SECONDS_PER_HOUR } from '../../units/conversion-factors.js';
import type { Rig } from '../../rig-file/schema.js';
import type { CountedEnergy } from '../read/counted-energy.js';
import type { LogTest } from '../log-test.js';
import type { RunDownRead } from '../read/run-down-read.js';
import { batteryWatts } from '../give/tested-inverter.js';

/** Run down from less than half, an error of the display at its start weighs too much. */
const LEAST_SPAN_PERCENT = 50;

/** What a battery was found to hold, run down until it cut off. */
export interface HeldEnergy {
  /** Out of the battery, Wh. */
  readonly gaveWh: number;
  /** The same for a full one, by the charge that the display showed at the start, Wh. */
  readonly fullWh: number;
  /** What the display still showed at the end, as it is joined, %: its error. */
  readonly leftShownPercent: number;
  /** The counter had begun anew: what flowed meanwhile is missing. */
  readonly isAtLeast: boolean;
}

/**
 * What a battery holds, by a run-down that went on until it cut off: energy counted on the AC side with the losses of the
 * inverter, or the mean power where nothing counted.
 *
 * @param lastShown The charge by the display at the end, joined over its segments, %.
 * @returns Undefined unless it was run empty from at least half of its charge.
 * Source: energy balance (physics).
 */
export function heldEnergy(
  rig: Rig,
  test: LogTest,
  read: RunDownRead,
  lastShown: number,
): HeldEnergy | undefined {
  const { charge, energy, watts, efficiency } = read;
  const [first] = charge?.shown ?? [];
  if (!wasRunEmpty(test) || !charge || !first || !watts || first.y < LEAST_SPAN_PERCENT) return undefined;
  const drawnW = efficiency?.dcWatts ?? batteryWatts(rig, test, watts.value);
  if (drawnW === undefined) return undefined;
  const hours = (test.endedAtS - charge.fromS) / SECONDS_PER_HOUR;
  const counted = countedIn(energy);
  // What was not counted, before the first reading of the counter and after its last, is taken at the mean power.
  const gaveWh = counted.wattHours * (drawnW / watts.value) + drawnW * (hours - counted.hours);
  return {
    gaveWh,
    fullWh: (gaveWh / first.y) * PERCENT,
    leftShownPercent: lastShown,
    isAtLeast: energy.resets.length > 0,
  };
}

function wasRunEmpty(test: LogTest): test is LogTest & { endedAtS: number } {
  return test.wasRunEmpty === 'yes' && test.endedAtS !== undefined;
}

function countedIn({ points }: CountedEnergy): { readonly wattHours: number; readonly hours: number } {
  const [begun, last] = [points[0], points.at(-1)];
  return begun && last
    ? { wattHours: last.wattHours, hours: (last.atS - begun.atS) / SECONDS_PER_HOUR }
    : { wattHours: 0, hours: 0 };
}
