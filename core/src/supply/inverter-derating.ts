import type { Interval } from '../units/quantity.js';
import {
  INVERTER_FULL_UP_TO_C,
  INVERTER_FULL_UP_TO_M,
  INVERTER_LOSS_PER_100_M,
  INVERTER_LOSS_PER_K,
  INVERTER_OFF_AT_C,
} from '../reference/heat.js';

/**
 * What heat and height leave of an inverter's rating, at the edges.
 *
 * @param celsius Where it stands.
 * @param fullUpToC Full rating up to here by its data sheet.
 * @param celsiusAtWorst As warm as it may be, where that is not entered.
 * @returns Factors of 0 to 1; 0 where it switches itself off. Source: common practice (medium, height low).
 *
 * @example
 * inverterFactor(45).stated; // 0.76
 */
export function inverterFactor(
  celsius: number | undefined,
  fullUpToC = INVERTER_FULL_UP_TO_C,
  altitudeM = 0,
  celsiusAtWorst = celsius,
): Interval {
  const at = (here: number | undefined, perKelvin: number, fullUpToM: number, offAtC: number): number => {
    if (here !== undefined && here >= offAtC) return 0;
    const hot = Math.max(0, (here ?? fullUpToC) - fullUpToC);
    const high = (INVERTER_LOSS_PER_100_M * Math.max(0, altitudeM - fullUpToM)) / 100;
    return Math.max(0, 1 - perKelvin * hot) * Math.max(0, 1 - high);
  };
  return {
    lo: at(celsiusAtWorst, INVERTER_LOSS_PER_K.high, INVERTER_FULL_UP_TO_M.low, INVERTER_OFF_AT_C.low),
    stated: at(celsius, INVERTER_LOSS_PER_K.usual, INVERTER_FULL_UP_TO_M.usual, INVERTER_OFF_AT_C.usual),
    hi: at(celsius, INVERTER_LOSS_PER_K.low, INVERTER_FULL_UP_TO_M.high, INVERTER_OFF_AT_C.high),
  };
}
