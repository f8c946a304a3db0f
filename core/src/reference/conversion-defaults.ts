import type { UsualRange } from './kinds-of-parts.js';
import { COMMON_PRACTICE, type Provenance } from './provenance.js';

/**
 * Efficiencies by which a figure on a plate becomes electric power. EER 8 to 10 of roof units and what a charger gives: common
 * practice; microwave 0.50 to 0.65: US DOE about 0.557; from memory, medium.
 */
export const COOKING_EFFICIENCY: Provenance = { source: 'US DOE figures', confidence: 'medium' };
export const CONVERSIONS: Provenance = { source: COMMON_PRACTICE, confidence: 'medium' };
export const EER_PER_COP = 3.412;
export const COOLING_PER_WATT: UsualRange = {
  low: 8 / EER_PER_COP,
  usual: 9 / EER_PER_COP,
  high: 10 / EER_PER_COP,
};
export const MICROWAVE_EFFICIENCY: UsualRange = { low: 0.5, usual: 0.57, high: 0.65 };
export const BATTERY_CHARGER_EFFICIENCY: UsualRange = { low: 0.8, usual: 0.85, high: 0.92 };
