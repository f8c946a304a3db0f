import { breakerCurves, type BreakerCurves } from '../protection/breaker-curve.js';
import { dcWatts, lossCurveOf } from '../supply/efficiency-curve.js';
import type { Interval } from '../units/quantity.js';
import type { Limit } from '../check/limits/limit.js';

/** What a limit looks like as a curve. */
export type LimitCurve =
  | ({
      readonly kind: 'breaker';
      /** What flows at most, A, and for how long, s; Infinity for what runs for hours. */
      readonly amps: Interval;
      readonly seconds: Interval;
    } & BreakerCurves)
  | {
      readonly kind: 'efficiency';
      readonly points: readonly EfficiencyPoint[];
      /** What the set draws at the output, W. */
      readonly watts: Interval;
    };

/** Output in W, and what of the input comes out, 0 to 1. */
interface EfficiencyPoint {
  readonly watts: number;
  readonly share: number;
}

const ENDLESS: Interval = { lo: Infinity, stated: Infinity, hi: Infinity };
const POINTS = 40;

/**
 * The curve behind a limit: of a breaker its time-current curves, of an inverter's watts its efficiency.
 *
 * @returns Amps and seconds, or W and a share at power factor 1; undefined where a limit is a plain number.
 * Source: as `breakerCurves` and `lossCurve`.
 */
export function limitCurveOf(limit: Limit): LimitCurve | undefined {
  const { element, kind } = limit;
  if ('protection' in element && (kind === 'breaker' || kind === 'breaker-start')) {
    const { lo: optimistic, stated, hi: pessimistic } = limit.running;
    const preload = limit.start
      ? { pessimistic, stated, optimistic }
      : { pessimistic: 0, stated: 0, optimistic: 0 };
    const seconds = limit.start?.seconds ?? ENDLESS;
    return { kind: 'breaker', amps: limit.worst, seconds, ...breakerCurves(element, preload) };
  }
  if (element.kind !== 'inverter' || kind !== 'inverter-watts') return undefined;
  const curve = lossCurveOf(element.converter);
  const points = Array.from({ length: POINTS }, (_, index) => {
    const watts = ((index + 1) / POINTS) * element.rating.continuousW.value;
    const ofOneUnit = watts / element.units;
    return { watts, share: ofOneUnit / dcWatts(curve, ofOneUnit, ofOneUnit) };
  });
  return { kind: 'efficiency', points, watts: limit.running };
}
