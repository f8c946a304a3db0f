/** What units of time, shares and heat are in each other, by their definitions (BIPM, SI Brochure, table 8; ISO 31-4 for the Btu). */
export const MS_PER_SECOND = 1000;
export const SECONDS_PER_MINUTE = 60;
export const MINUTES_PER_HOUR = 60;
export const HOURS_PER_DAY = 24;
export const SECONDS_PER_HOUR = 3600;
export const SECONDS_PER_DAY = 86_400;
/** A whole in percent. */
export const PERCENT = 100;
/** International Table Btu: 1055.055 852 62 J. */
export const BTU_PER_HOUR_PER_WATT = 3.412142;
