import { SECONDS_PER_HOUR } from '../../units/conversion-factors.js';
import type { Interval } from '../../units/quantity.js';
import { pointsOfDisplay } from '../read/charge-points.js';
import type { ShownCharge } from '../read/charge-segments.js';
import { fitLine, lineAt, standardErrorAt, type LineFit } from './line-fit.js';
import { studentT } from './student-t.js';
import { whenReached } from './when-reached.js';

/** How fast the charge falls by its display, and when it is down. */
export interface RunOut {
  /** Per cent an hour, above 0 where it falls. */
  readonly perHour: Interval;
  /** When the reserve is reached and when it is empty, seconds since 1970; `hi` may be infinite. */
  readonly reserveAtS: Interval | undefined;
  readonly emptyAtS: Interval | undefined;
  /** The line, x in hours since `fromS`. */
  readonly fit: LineFit;
  readonly fromS: number;
}

/**
 * When a battery that is run down reaches its reserve, by a straight line through what its display showed.
 *
 * It holds for a load that does not change; one that cycles must be read over many of its cycles.
 *
 * @param reservePercent What is kept.
 * @returns Undefined while the readings make no line: two different moments in one segment are the least.
 * Source: least squares and Fieller's theorem (line-fit.ts, when-reached.ts); the display's steps by charge-points.ts.
 */
export function runOutOf(charge: ShownCharge, reservePercent: number): RunOut | undefined {
  const { points, scatter } = pointsOfDisplay(charge.shown, charge.step);
  const fit = fitLine(points, charge.counts, scatter);
  if (!fit || !(fit.degreesOfFreedom > 0)) return undefined;
  const half = studentT(fit.degreesOfFreedom) * standardErrorAt({ ...fit, meanX: 0, weight: Infinity }, 1);
  const at = (percent: number): Interval | undefined => {
    const reached = whenReached(fit, percent);
    return reached && momentsOf(reached, charge.fromS);
  };
  return {
    perHour: { lo: -fit.slope - half, stated: -fit.slope, hi: -fit.slope + half },
    reserveAtS: at(reservePercent),
    emptyAtS: at(0),
    fit,
    fromS: charge.fromS,
  };
}

/** The charge by the line at a moment, with its interval, %. */
export function chargeByLine({ fit, fromS }: RunOut, atS: number): Interval {
  const x = (atS - fromS) / SECONDS_PER_HOUR;
  const half = studentT(fit.degreesOfFreedom) * standardErrorAt(fit, x);
  const stated = lineAt(fit, x);
  return { lo: stated - half, stated, hi: stated + half };
}

function momentsOf({ lo, stated, hi }: Interval, fromS: number): Interval {
  const at = (hours: number): number => fromS + hours * SECONDS_PER_HOUR;
  return { lo: at(lo), stated: at(stated), hi: at(hi) };
}
