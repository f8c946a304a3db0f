import type { Interval } from '../units/quantity.js';
import {
  TYPICAL_EFFICIENCY_FULL,
  TYPICAL_EFFICIENCY_PEAK,
  TYPICAL_IDLE_SHARE,
} from '../reference/inverter-losses.js';
import type { Converter } from '../rig-file/schema.js';
import type { AcSum } from '../loads/apparent-power.js';

/** Loss curve of an inverter: P_dc = idle + P + (a - 1) S + b S². */
export interface LossCurve {
  /** W drawn with nothing on. */
  readonly idleW: number;
  /** Proportional part, above 0. */
  readonly a: number;
  /** Resistive part, 1/W. */
  readonly b: number;
}

/**
 * Fits the loss curve through idle draw, best efficiency and efficiency at full power.
 *
 * With D = 1/eta_full - 1/eta_peak: b = ((sqrt(P0/Pr) + sqrt(D)) / sqrt(Pr))², a = 1/eta_peak - 2 sqrt(P0 b):
 * the efficiency then peaks where idle and resistive losses are equal. Where the three figures
 * contradict each other (a below 1) the curve keeps a = 1 and the efficiency at full power.
 *
 * @param ratedW Continuous watts, above 0.
 * @param idleW Watts drawn with nothing on.
 * @param peak Best efficiency, 0 to 1, at least `full`.
 * @param full Efficiency at `ratedW`.
 * Source: physics, d(eta)/dP = 0 at the peak; methods.md 6.
 *
 * @example
 * lossCurve(3000, 30, 0.93, 0.88); // a 1.0058, b 4.018e-5
 */
export function lossCurve(ratedW: number, idleW: number, peak: number, full: number): LossCurve {
  const drop = Math.max(0, 1 / full - 1 / peak);
  const b = ((Math.sqrt(idleW / ratedW) + Math.sqrt(drop)) / Math.sqrt(ratedW)) ** 2;
  const a = 1 / peak - 2 * Math.sqrt(idleW * b);
  if (a >= 1) return { idleW, a, b };
  return { idleW, a: 1, b: Math.max(0, 1 / full - 1 - idleW / ratedW) / ratedW };
}

/** The loss curve of an inverter, with typical figures where its own are not known. */
export function lossCurveOf(converter: Converter): LossCurve {
  const ratedW = converter.continuousW.value;
  return lossCurve(
    ratedW,
    converter.idleW?.value ?? TYPICAL_IDLE_SHARE * ratedW,
    converter.efficiencyPeak?.value ?? TYPICAL_EFFICIENCY_PEAK,
    converter.efficiencyFull?.value ?? TYPICAL_EFFICIENCY_FULL,
  );
}

/**
 * What an inverter draws from the battery.
 *
 * @param watts Active power of its output, W.
 * @param va Apparent power of its output, VA: losses follow the current.
 * @returns DC watts, idle included.
 *
 * @example
 * dcWatts(lossCurve(3000, 30, 0.93, 0.88), 2000, 2000); // 2202: an efficiency of 0.908
 */
export function dcWatts({ idleW, a, b }: LossCurve, watts: number, va: number): number {
  return idleW + watts + (a - 1) * va + b * va * va;
}

/** The same at the edges of a sum. */
export function dcWattsAtEdges(curve: LossCurve, { watts, va }: Pick<AcSum, 'watts' | 'va'>): Interval {
  return {
    lo: dcWatts(curve, watts.lo, va.lo),
    stated: dcWatts(curve, watts.stated, va.stated),
    hi: dcWatts(curve, watts.hi, va.hi),
  };
}
