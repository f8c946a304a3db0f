import {
  GENERATOR_FULL_UP_TO_C,
  GENERATOR_LOSS_PER_1000_FT,
  GENERATOR_LOSS_PER_10_F,
  KELVIN_PER_10_F,
  LP_GAS_LOSS,
  METRES_PER_1000_FT,
} from '../reference/heat.js';
import type { Source } from '../rig-file/schema.js';

/** Where a generator runs. */
export interface GeneratorPlace {
  readonly altitudeM?: number | undefined;
  readonly celsius?: number | undefined;
  readonly fuel?: Source['fuel'];
}

/**
 * What height, heat and fuel leave of a generator's rating: the factors multiply.
 *
 * @returns A factor of 0 to 1. Source: common practice; reference conditions ISO 8528-1.
 *
 * @example
 * generatorFactor({ altitudeM: 1600, celsius: 32 }); // 0.806: 3,500 W become 2,821 W
 */
export function generatorFactor({ altitudeM = 0, celsius = 0, fuel }: GeneratorPlace): number {
  const height = 1 - (GENERATOR_LOSS_PER_1000_FT * Math.max(0, altitudeM)) / METRES_PER_1000_FT;
  const heat =
    1 - (GENERATOR_LOSS_PER_10_F * Math.max(0, celsius - GENERATOR_FULL_UP_TO_C)) / KELVIN_PER_10_F;
  return Math.max(0, height) * Math.max(0, heat) * (fuel === 'lp-gas' ? 1 - LP_GAS_LOSS : 1);
}
