/**
 * Seconds at or below the continuous rating after which the surge clocks of an inverter count from
 * zero again, where its data sheet does not say. Common practice, confidence medium.
 */
export const DEFAULT_RECOVERY_S = 60;

/** What an inverter of which no tier is entered carries at best. Common practice, no published source; low. */
export const SURGE_WITHOUT_TIERS = { times: 1.5, seconds: 1 } as const;
