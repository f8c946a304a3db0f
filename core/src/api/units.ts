/** Public: numbers with units, read and written. In the first load; any room. */

export {
  MINUTES_PER_HOUR,
  MS_PER_SECOND,
  PERCENT,
  SECONDS_PER_DAY,
  SECONDS_PER_HOUR,
  SECONDS_PER_MINUTE,
} from '../units/conversion-factors.js';
export { BASES, type Basis, type Interval, type Quantity } from '../units/quantity.js';
export { capitalised, formatAmount, formatNumber, formatPercent, formatSeconds } from '../units/format.js';
export { formatDuration, twoDigits } from '../units/format-time.js';
export type { NumberStyle } from '../units/number-style.js';
export { parseAmount, type Amount } from '../units/parse-amount.js';
export { parseNumber } from '../units/parse.js';
export { shownUnit, type ShownUnit, type UnitSystem } from '../units/units.js';
