/**
 * What an inverter loses where its data sheet does not say. Source: common practice (methods.md 6),
 * confidence medium: idle 0.3 to 1.5 % of the rating; best and full efficiency as in its example.
 */
export const TYPICAL_IDLE_SHARE = 0.01;
export const TYPICAL_EFFICIENCY_PEAK = 0.93;
export const TYPICAL_EFFICIENCY_FULL = 0.88;

/**
 * A battery charger inside an inverter/charger: efficiency and power factor, and the
 * volts it charges at. Common practice (methods.md 7), medium.
 */
export const CHARGER_EFFICIENCY = { low: 0.8, usual: 0.85 } as const;
export const CHARGER_POWER_FACTOR = 0.95;
/** Of a charger of which no power-factor correction is known. Common practice, low. */
export const UNCORRECTED_CHARGER_POWER_FACTOR = { low: 0.6, usual: 0.7, high: 0.8 } as const;
/** Volts of a bank of 12 V, or of 12.8 V of lithium, as it charges: in the middle, and at absorption. */
export const CHARGING_VOLTS = { usual: 13.5, high: 14.4 } as const;
