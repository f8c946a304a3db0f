import type { Quantity } from '../../units/quantity.js';
import { MEASURED } from '../../reference/default-doubts.js';

/** The mean of several readings of one thing. */
export interface MeanOfReadings {
  readonly value: number;
  readonly count: number;
  /** Half of what lies between the lowest and the highest. */
  readonly spread: number;
}

/** @returns Undefined where there is no reading. */
export function meanOfReadings(values: readonly number[]): MeanOfReadings | undefined {
  if (values.length === 0) return undefined;
  // Not all at once as arguments: a log may have more lines than a call can take.
  const lowest = values.reduce((low, each) => Math.min(low, each));
  const highest = values.reduce((high, each) => Math.max(high, each));
  return {
    value: values.reduce((sum, each) => sum + each, 0) / values.length,
    count: values.length,
    spread: (highest - lowest) / 2,
  };
}

/**
 * Readings as a number of the rig: measured, with the spread of the readings where that is more than what a meter is good for.
 *
 * @param source Where it was read, such as the test and its date.
 * Source: docs/methods.md, half-widths of what is measured.
 */
export function asMeasured({ value, spread }: MeanOfReadings, source: string): Quantity {
  const isWide = spread > MEASURED.plus * Math.abs(value);
  return { value, basis: 'measured', ...(isWide && { minus: spread, plus: spread }), source };
}
