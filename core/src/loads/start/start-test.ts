import type { Quantity } from '../../units/quantity.js';
import {
  MOST_BASE_DRIFT,
  STARTS_AGREE_WITHIN,
  STARTS_THAT_AGREE,
  STARTS_WANTED,
} from '../../reference/measuring.js';

/** Readings of a start on a clamp meter, in the order they are taken. */
export interface StartReadings {
  /** Amps through the clamp before the load is switched on. */
  readonly baseBeforeA: number;
  /** The inrush of each start, base included. */
  readonly startsA: readonly number[];
  /** Amps through the clamp after the last one; undefined while it is not taken yet. */
  readonly baseAfterA: number | undefined;
  readonly volts: number;
}

export type StartFault = 'base-drifted' | 'below-base' | 'few-starts' | 'spread';

/** What the readings say of the start. */
export interface StartJudged {
  /** The highest start less the base, A. */
  readonly amps: number;
  /** The same as apparent power, with how well it is known. */
  readonly va: Quantity;
  /** How many starts lie within the agreed spread of the highest. */
  readonly agreeing: number;
  /** What keeps it from counting as measured; empty where nothing does. */
  readonly faults: readonly StartFault[];
}

/**
 * Judges the readings of a start: the highest less the base load, in VA.
 *
 * It counts as measured when at least three starts agree within 10 %, and the base before and after by 5 %; with fewer
 * it is measured once, which is known less well, and where the base moved it is a guess. The highest counts, since a clamp can miss a peak and not invent it.
 *
 * @returns Undefined where there is no start, or none above the base.
 * Source: common practice, no published source.
 *
 * @example
 * judgeStart({ baseBeforeA: 2, startsA: [34.6, 34, 33.8, 34.2, 33.9], baseAfterA: 2, volts: 120 });
 * // amps 32.6, va 3,912 measured, agreeing 5
 */
export function judgeStart({
  baseBeforeA,
  startsA,
  baseAfterA,
  volts,
}: StartReadings): StartJudged | undefined {
  const highest = Math.max(...startsA);
  const base = baseAfterA === undefined ? baseBeforeA : (baseBeforeA + baseAfterA) / 2;
  if (startsA.length === 0 || highest <= base) return undefined;
  const amps = highest - base;
  const agreeing = startsA.filter((start) => highest - start <= STARTS_AGREE_WITHIN * amps).length;
  const drift = baseAfterA === undefined ? 0 : Math.abs(baseAfterA - baseBeforeA);
  const faults: readonly StartFault[] = [
    ...(drift > MOST_BASE_DRIFT * Math.max(baseBeforeA, baseAfterA ?? 0) ? ['base-drifted' as const] : []),
    ...(startsA.some((start) => start <= base) ? ['below-base' as const] : []),
    ...(startsA.length < STARTS_WANTED ? ['few-starts' as const] : []),
    ...(agreeing < STARTS_THAT_AGREE ? ['spread' as const] : []),
  ];
  return {
    amps,
    va: faults.includes('base-drifted')
      ? { value: amps * volts, basis: 'guess' }
      : { value: amps * volts, basis: 'measured', readings: agreeing },
    agreeing,
    faults,
  };
}
