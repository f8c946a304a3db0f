const SPECIFIC_HEAT_J_PER_KG_K = 4186;
const KG_PER_LITRE = 1;

/**
 * Electric energy to heat water, J.
 *
 * @param litres Above 0.
 * @param riseK Temperature rise, K.
 * @param efficiency Heat into the water over electric input, above 0 to 1: kettle 0.85, induction 0.85, coil 0.74.
 * @returns J; over watts it is the time in s. Source: physics, m c ΔT / efficiency.
 *
 * @example
 * waterHeatingJ(1.5, 85, 0.85) / 3600; // 174.4 Wh: 419 s at 1,500 W
 */
export function waterHeatingJ(litres: number, riseK: number, efficiency = 1): number {
  return (litres * KG_PER_LITRE * SPECIFIC_HEAT_J_PER_KG_K * riseK) / efficiency;
}
