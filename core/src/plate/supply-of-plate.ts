import { PLATE_CHEMISTRIES, PLATE_FUELS, PLATE_WAVEFORMS } from '../reference/plate-things.js';
import type { Quantity } from '../units/quantity.js';
import type { Battery, Converter, Source } from '../rig-file/schema.js';
import { factAt, type PlateFact, type PlateSlot } from './read/plate-fact.js';
import { ofPlate } from './quantity-of-fact.js';
import type { PlateRead } from './read/read-plate.js';

/** What a plate says of something that supplies, and which numbers say it. */
export interface PartOfPlate<T> {
  readonly says: Partial<T>;
  readonly used: readonly UsedFor<T>[];
}

/** The numbers of a plate that one of its ratings follows from. */
type UsedFor<T> = readonly [rating: keyof T, facts: readonly PlateFact[]];

const usedFor = <T>(rating: keyof T, ...facts: readonly (PlateFact | undefined)[]): UsedFor<T> => [
  rating,
  facts.flatMap((fact) => fact ?? []),
];

const textOf = ({ lines }: PlateRead): string => lines.join(' ').toLowerCase();

function named<T>(read: PlateRead, words: readonly (readonly [RegExp, T])[]): T | undefined {
  const text = textOf(read);
  return words.find(([pattern]) => pattern.test(text))?.[1];
}

type Tier = NonNullable<Converter['tiers']>[number];

/** What may be more for a while: with its seconds, for without them a tier says nothing. */
function tiersOf(
  facts: readonly PlateFact[],
  continuousVA: number,
): { readonly tiers: readonly Tier[]; readonly used: readonly PlateFact[] } {
  const most = factAt(facts, 'voltAmps', 'most') ?? factAt(facts, 'watts', 'most');
  const seconds = factAt(facts, 'seconds', 'most');
  if (!most || !seconds || most.value <= continuousVA) return { tiers: [], used: [] };
  return {
    tiers: [{ limit: ofPlate(most, 'rating'), unit: 'VA', seconds: seconds.value }],
    used: [most, seconds],
  };
}

/** Continuous watts and VA; where the plate has one of them alone it stands for both, as at a power factor of 1. */
function continuousOf(facts: readonly PlateFact[], ...slots: readonly PlateSlot[]) {
  const [watts, va] = [factAt(facts, 'watts', ...slots), factAt(facts, 'voltAmps', ...slots)];
  const [w, s] = [watts ?? va, va ?? watts];
  const fact = (each: PlateFact | undefined): Quantity | undefined => each && ofPlate(each, 'rating');
  return {
    continuousW: fact(w),
    continuousVA: fact(s),
    value: s?.value ?? 0,
    used: [...new Set([w, s])].flatMap((each) => each ?? []),
  };
}

/**
 * What the plate of an inverter says: watts and volt-amperes it bears for good and for seconds, idle watts, efficiency as a share,
 * amps of its charger.
 *
 * Source: RATED, MAX and SURGE with its seconds are common practice, no published source; docs/plate.md has them.
 */
export function converterOfPlate(read: PlateRead, facts: readonly PlateFact[]): PartOfPlate<Converter> {
  const { continuousW, continuousVA, value, used } = continuousOf(facts, 'output', 'main');
  const { tiers, used: usedOfTiers } = tiersOf(facts, value);
  const [idle, peak, charge] = [
    factAt(facts, 'watts', 'idle'),
    factAt(facts, 'efficiency', 'main', 'output'),
    factAt(facts, 'amps', 'charge'),
  ];
  const waveform = named(read, PLATE_WAVEFORMS);
  return {
    says: {
      ...(continuousW && { continuousW }),
      ...(continuousVA && { continuousVA }),
      ...(tiers.length > 0 && { tiers: [...tiers] }),
      ...(idle && { idleW: ofPlate(idle, 'rating') }),
      ...(peak && { efficiencyPeak: ofPlate(peak, 'rating') }),
      ...(charge && !charge.isUnconfirmed && { chargeA: charge.value }),
      ...(waveform && { waveform }),
    },
    used: [
      usedFor('continuousVA', ...used),
      usedFor('tiers', ...usedOfTiers),
      usedFor('idleW', idle),
      usedFor('efficiencyPeak', peak),
      usedFor('chargeA', charge),
    ],
  };
}

/**
 * What the plate of a generator says: watts and volt-amperes it gives for good and for seconds, and its fuel.
 *
 * Source: RATED and MAX are common practice, no published source; docs/plate.md has them.
 */
export function generatorOfPlate(read: PlateRead, facts: readonly PlateFact[]): PartOfPlate<Source> {
  const { continuousW, continuousVA, value, used } = continuousOf(facts, 'main', 'output');
  const { tiers, used: usedOfTiers } = tiersOf(facts, value);
  const fuel = named(read, PLATE_FUELS);
  return {
    says: {
      ...(continuousW && { continuousW }),
      ...(continuousVA && { continuousVA }),
      ...(tiers.length > 0 && { tiers: [...tiers] }),
      ...(fuel && { fuel }),
    },
    used: [usedFor('continuousVA', ...used), usedFor('tiers', ...usedOfTiers)],
  };
}

/**
 * What the plate of a battery says: ampere-hours, the hours they were found with, most amps out of it, and its chemistry.
 *
 * Source: capacity with its rate (C20, C10) by IEC 61960 and IEC 60896, from memory, in docs/plate.md.
 */
export function batteryOfPlate(read: PlateRead, facts: readonly PlateFact[]): PartOfPlate<Battery> {
  const [ampHours, hours, discharge] = [
    factAt(facts, 'ampHours', 'main'),
    factAt(facts, 'ratedHours', 'main'),
    factAt(facts, 'amps', 'discharge'),
  ];
  const chemistry = named(read, PLATE_CHEMISTRIES);
  return {
    says: {
      ...(ampHours && { ampHours: ofPlate(ampHours, 'rating') }),
      ...(hours && !hours.isUnconfirmed && { ratedHours: hours.value }),
      ...(discharge && !discharge.isUnconfirmed && { dischargeA: discharge.value }),
      ...(chemistry && { chemistry }),
    },
    used: [usedFor('ampHours', ampHours), usedFor('ratedHours', hours), usedFor('dischargeA', discharge)],
  };
}
