/**
 * Seconds at or below the continuous rating after which the surge clocks of an inverter count from
 * zero again, where its data sheet does not say. Common practice, confidence medium.
 */
export const DEFAULT_RECOVERY_S = 60;
