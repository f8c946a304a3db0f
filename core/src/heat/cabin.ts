/** A cabin as one resistance and one capacity, with its gains. */
export interface Cabin {
  /** Heat loss per kelvin, W/K, above 0. */
  readonly lossWPerK: number;
  /** Heat capacity, J/K, above 0. */
  readonly capacityJPerK: number;
  /** Sun and what is inside, W. */
  readonly gainsW: number;
}

/** A cooling unit at work. */
export interface CoolingUnit {
  /** Cooling capacity, W. */
  readonly capacityW: number;
  /** Share of it that lowers the temperature: 0.75 in humid, 0.9 in dry air, 1 where air is left out. */
  readonly sensibleShare: number;
}

/** How a thermostat cycles a unit. */
export interface Cycle {
  /** Share of the time it runs, 0 to 1; 1 where it cannot keep the temperature. */
  readonly duty: number;
  readonly onS: number;
  readonly offS: number;
}

/**
 * Duty and cycle of a cooling unit that holds a temperature: linear within the band of the thermostat.
 *
 * D = (UA (T_o - T_s) + gains) / (SHR Q_c); t_off = C Δ / Q; t_on = C Δ / (SHR Q_c - Q).
 *
 * @param outsideAboveC Outside less inside temperature, K.
 * @param bandK Width of the thermostat's band, K, above 0.
 * @returns Infinity for a time without an end. Source: physics, 1R1C; shares common practice.
 */
export function coolingCycle(
  { lossWPerK, capacityJPerK, gainsW }: Cabin,
  { capacityW, sensibleShare }: CoolingUnit,
  outsideAboveC: number,
  bandK: number,
): Cycle {
  const gain = lossWPerK * outsideAboveC + gainsW;
  const cooling = sensibleShare * capacityW;
  if (gain <= 0) return { duty: 0, onS: 0, offS: Infinity };
  if (gain >= cooling) return { duty: 1, onS: Infinity, offS: 0 };
  return {
    duty: gain / cooling,
    onS: (capacityJPerK * bandK) / (cooling - gain),
    offS: (capacityJPerK * bandK) / gain,
  };
}
