import { generatorFactor } from '../../supply/generator-derating.js';
import { inverterFactor } from '../../supply/inverter-derating.js';
import type { SurgeRating } from '../../supply/surge-tiers.js';
import type { Interval, Quantity } from '../../units/quantity.js';
import { TYPICAL_EFFICIENCY_FULL } from '../../reference/inverter-losses.js';
import { halfWidthsOf } from '../../rig-file/half-widths.js';
import type { Converter, Rig, Source } from '../../rig-file/schema.js';
import { heatAt } from './heat-at.js';

/**
 * What an inverter carries where it stands: all units side by side, less what heat and height take. Losses load
 * the battery alone, unless the rig follows the school that counts them against the rating as well.
 *
 * @param share Of its rating on the leg in question: half of a unit that feeds two.
 */
export function inverterRating(rig: Rig, converter: Converter, share: number): SurgeRating {
  const { altitudeM } = rig.conditions ?? {};
  const { celsius, celsiusAtWorst } = heatAt(rig, 'inverterC');
  const factor = inverterFactor(celsius, converter.ratedUpToC, altitudeM, celsiusAtWorst);
  const losses = rig.practice?.losses === 'on-the-inverter-too' ? fullEfficiency(converter) : 1;
  const units = (converter.unitsInParallel ?? 1) * share * losses;
  return scaledRating(converter, {
    lo: factor.lo * units,
    stated: factor.stated * units,
    hi: factor.hi * units,
  });
}

const fullEfficiency = ({ efficiencyFull }: Converter): number =>
  efficiencyFull?.value ?? TYPICAL_EFFICIENCY_FULL;

/** What a source with a rating of its own carries where it is; undefined where that is not entered. */
export function generatorRating(rig: Rig, source: Source, share: number): SurgeRating | undefined {
  const { continuousW, continuousVA, tiers = [], fuel } = source;
  const stated = continuousVA ?? continuousW;
  if (!stated) return undefined;
  const { outdoorC, altitudeM } = rig.conditions ?? {};
  const isEngine = source.kind === 'generator';
  const factor = (isEngine ? generatorFactor({ altitudeM, celsius: outdoorC, fuel }) : 1) * share;
  const rating = { continuousW: continuousW ?? stated, continuousVA: stated, tiers };
  return scaledRating(rating, { lo: factor, stated: factor, hi: factor });
}

function scaledRating({ continuousW, continuousVA, tiers }: SurgeRating, factor: Interval): SurgeRating {
  if (factor.lo === 1 && factor.stated === 1 && factor.hi === 1) return { continuousW, continuousVA, tiers };
  return {
    continuousW: scaledQuantity(continuousW, factor),
    continuousVA: scaledQuantity(continuousVA, factor),
    tiers: tiers.map((tier) => ({ ...tier, limit: scaledQuantity(tier.limit, factor) })),
    wattsPerVA: continuousW.value / continuousVA.value,
  };
}

function scaledQuantity(rating: Quantity, factor: Interval): Quantity {
  const { minus, plus } = halfWidthsOf(rating, 'rating');
  const value = rating.value * factor.stated;
  return {
    ...rating,
    value,
    minus: value - (rating.value - minus) * factor.lo,
    plus: (rating.value + plus) * factor.hi - value,
  };
}
