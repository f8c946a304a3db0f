import type { UsualRange } from './kinds-of-parts.js';

/**
 * Heat into water or food over what is drawn at the plug, 0 to 1.
 *
 * Source: US DOE test procedures for cooking tops (10 CFR 430, subpart B, appendix I) and their support documents for hobs and
 * microwave ovens, from memory; kettles and ovens common practice, no published source. Confidence: medium-low.
 */
export const COOKING_EFFICIENCY = {
  kettle: { low: 0.8, usual: 0.85, high: 0.93 },
  induction: { low: 0.72, usual: 0.85, high: 0.9 },
  coil: { low: 0.65, usual: 0.74, high: 0.8 },
  glass: { low: 0.6, usual: 0.7, high: 0.76 },
  microwave: { low: 0.5, usual: 0.57, high: 0.65 },
  tank: { low: 0.95, usual: 0.98, high: 1 },
} as const satisfies Readonly<Record<string, UsualRange>>;

export type CookingAppliance = keyof typeof COOKING_EFFICIENCY;

/** How each is called. */
export const COOKING_NAMES: Readonly<Record<CookingAppliance, string>> = {
  kettle: 'Kettle',
  induction: 'Induction hob',
  coil: 'Hob with coils',
  glass: 'Glass-top hob',
  microwave: 'Microwave oven',
  tank: 'Water tank',
};

/** Heat that a kilogram takes per kelvin, J/(kg K). Water: physics; moist food: common practice, 3,200 to 3,800. */
export const SPECIFIC_HEAT = { water: 4186, food: 3500 } as const;
export type Heated = keyof typeof SPECIFIC_HEAT;

/** Boiling point of water at the sea, and how it falls with height: 3.3 K per 1,000 m. Common practice, medium-high. */
export const BOILING_C = 100;
export const BOILING_LOSS_C_PER_M = 0.0033;
