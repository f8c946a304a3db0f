import { MOST_BASE_DRIFT } from '../../reference/measuring.js';
import type { LogReading } from '../log-test.js';
import { meanOfReadings } from './readings-mean.js';
import { remembered } from '../remembered.js';

/** What else ran during a test: what the meter showed without the load, before and after. */
export interface BaseLoad {
  /** The mean of both, W; that before while there is no other. */
  readonly watts: number;
  /** Only one of the two was read: what is made of it is provisional. */
  readonly isProvisional: boolean;
  /** Before and after lie more than 5 % apart: something else switched, and the test is spoiled. */
  readonly hasMoved: boolean;
}

/**
 * The base load of a test.
 *
 * @returns Undefined where it was not read before: then nothing is taken off.
 * Source: common practice, no published source (reference/measuring.ts).
 */
export function baseLoadOf(readings: readonly LogReading[]): BaseLoad | undefined {
  const of = (role: LogReading['role']): number | undefined =>
    meanOfReadings(readings.flatMap((each) => (each.role === role ? (each.watts ?? []) : [])))?.value;
  const [before, after] = [of('base-before'), of('base-after')];
  if (before === undefined) return undefined;
  if (after === undefined) return { watts: before, isProvisional: true, hasMoved: false };
  return {
    watts: (before + after) / 2,
    isProvisional: false,
    hasMoved: Math.abs(after - before) > MOST_BASE_DRIFT * Math.max(before, after),
  };
}

/** Readings while the load ran. */
export const runningReadings = remembered((readings: readonly LogReading[]): readonly LogReading[] =>
  readings.filter(({ role }) => role !== 'base-before' && role !== 'base-after'),
);
