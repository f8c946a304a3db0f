/**
 * What an inverter loses where its data sheet does not say. Source: common practice (methods.md 6.1),
 * confidence medium: idle 0.3 to 1.5 % of the rating; best and full efficiency as in its example.
 */
export const TYPICAL_IDLE_SHARE = 0.01;
export const TYPICAL_EFFICIENCY_PEAK = 0.93;
export const TYPICAL_EFFICIENCY_FULL = 0.88;

/**
 * A battery charger inside an inverter/charger: efficiency and power factor, and how far the charging
 * voltage lies above the nominal one (14.4 V on 12.8 V). Common practice (methods.md 15), medium.
 */
export const CHARGER_EFFICIENCY = 0.85;
export const CHARGER_POWER_FACTOR = 0.95;
export const CHARGING_OVER_NOMINAL_VOLTS = 1.125;
