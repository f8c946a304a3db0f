import { breakerConstants } from '../reference/breaker-curves.js';
import { heatFactors, secondsToTrip, type BreakerBand, type BreakerInPlace } from './breaker.js';

/** A current and how long a breaker carries it, A and s. */
interface CurvePoint {
  readonly amps: number;
  readonly seconds: number;
}

/** The two curves between which a breaker trips. */
export interface BreakerCurves {
  /** The earliest it may trip. */
  readonly may: readonly CurvePoint[];
  /** The latest it is bound to trip. */
  readonly will: readonly CurvePoint[];
}

/** Drawn up to so many times the rated current, by so many points. */
const MOST_MULTIPLES = 40;
const POINTS = 80;
/** What a magnetic release takes about, s. */
const RELEASE_S = 0.01;

/**
 * The time-current curves of a breaker, for drawing.
 *
 * @param preload What flowed for hours before, A, at each edge: it warms the breaker.
 * @returns Currents rising, seconds finite and never rising; 0.01 s where the magnetic release answers.
 * Source: IEC 60255-149 with the constants of reference/breaker-curves.ts.
 */
export function breakerCurves(breaker: BreakerInPlace, preload: BreakerBand): BreakerCurves {
  const { amps, curve } = breaker.protection;
  const { may, will, magnetic, slowBelow, slowTripS } = breakerConstants(curve, amps);
  const heat = heatFactors(breaker);
  const [mayA, willA] = [amps * heat.may, amps * heat.will];
  const mayWarmth = Math.min(preload.pessimistic / mayA, 1) ** 2;
  const willWarmth = Math.min(preload.optimistic / willA, will.k) ** 2;
  return {
    may: sampled(may.k, mayA, (x) =>
      x * mayA >= magnetic.may * amps ? RELEASE_S : secondsToTrip(may, x, mayWarmth),
    ),
    will: sampled(will.k, willA, (x) => {
      if (x * willA >= magnetic.will * amps) return RELEASE_S;
      return x < slowBelow ? slowTripS : secondsToTrip(will, x, willWarmth);
    }),
  };
}

/** Points from just above what is carried for ever. */
function sampled(k: number, ratedA: number, secondsAt: (x: number) => number): readonly CurvePoint[] {
  const step = (MOST_MULTIPLES / k) ** (1 / POINTS);
  return Array.from({ length: POINTS }, (_, index) => k * step ** (index + 0.01)).map((x) => ({
    amps: x * ratedA,
    seconds: Math.max(RELEASE_S, secondsAt(x)),
  }));
}
