import { sizesOfCurve } from '../../protection/standard-size.js';
import type { Battery, Converter, Protection, Rig, Source } from '../../rig-file/schema.js';
import type { Quantity } from '../../units/quantity.js';
import type { CheckResult } from '../../check/check.js';

/** What a rating is of: its part and, of a surge, for how long. */
export interface RatingOf {
  readonly part: 'inverter' | 'output-breaker' | 'battery' | 'circuit' | 'hookup' | 'generator';
  readonly id: string;
  readonly name: string;
  readonly unit: 'W' | 'VA' | 'A';
  /** Undefined for what is carried for hours. */
  readonly seconds: number | undefined;
}

/** A rating of a rig that can be chosen larger or smaller. */
export interface SizedRating extends RatingOf {
  /** As entered; undefined where it is not. */
  readonly has: number | undefined;
  /** What goes with it in proportion: volt-amps with watts. */
  readonly also:
    | { readonly unit: 'VA'; readonly with: (value: number) => number; readonly has: number }
    | undefined;
  /** The sizes that are made, rising; undefined where any is. */
  readonly standard: readonly number[] | undefined;
  readonly withSize: (rig: Rig, value: number) => Rig;
}

/** Surges that data sheets tell apart, s, where a rig says nothing of them. */
const USUAL_TIERS_S = [60, 5, 0.5];

/**
 * The ratings that some sets ask something of, in the order in which they are chosen: what is for hours first, then the
 * surges from long to short; inverters before the battery that feeds them.
 */
export function sizedRatings(rig: Rig, results: readonly CheckResult[]): readonly SizedRating[] {
  const elements = results.flatMap((result) => result.elements);
  const used = <T extends { readonly id: string }>(
    list: readonly T[],
    ids: readonly string[],
  ): readonly T[] => list.filter(({ id }) => ids.includes(id));
  const converters = elements.flatMap((each) => (each.kind === 'inverter' ? [each.converter.id] : []));
  const generators = elements.flatMap((each) => (each.kind === 'generator' ? [each.source.id] : []));
  const banks = [...new Set(elements.flatMap((each) => (each.kind === 'battery' ? [each.bus.id] : [])))];
  const circuits = elements.flatMap((each) => (each.kind === 'branch-breaker' ? [each.id] : []));
  const supplies = results.flatMap(({ supply }) => (supply.sources.length > 0 ? [supply.id] : []));
  return [
    ...used(rig.converters, converters).flatMap(ofInverter),
    ...used(rig.sources, generators).flatMap(ofGenerator),
    ...banks.flatMap((bus) => ofBank(rig, bus)),
    ...rig.circuits
      .filter(({ id }) => circuits.some((element) => element === id || element.startsWith(`${id}:`)))
      .map(({ id, name, protection }) => ofCircuit(id, name, protection)),
    ...used(rig.supplies, supplies).flatMap(({ id, name, breaker }) =>
      breaker ? [ofHookup(id, name, breaker)] : [],
    ),
  ];
}

/** Sizes are sold in round steps. */
export const STEPS: Record<RatingOf['unit'], number> = { W: 10, VA: 10, A: 1 };
const ROUND_WITHIN = 1e-6;
const roundedUp = (voltAmps: number): number => Math.ceil(voltAmps / STEPS.VA - ROUND_WITHIN) * STEPS.VA;

type WithTiers = Pick<Converter, 'continuousW' | 'continuousVA' | 'tiers' | 'unitsInParallel'>;

function ofInverter(converter: Converter): readonly SizedRating[] {
  const { id, name, outputBreaker } = converter;
  const edit = (rig: Rig, change: (each: Converter) => Converter): Rig => ({
    ...rig,
    converters: rig.converters.map((each) => (each.id === id ? change(each) : each)),
  });
  const surges = surgeRatings({ part: 'inverter', id, name }, converter, edit);
  if (!outputBreaker) return surges;
  return [
    ...surges,
    {
      part: 'output-breaker',
      id,
      name: `Output breaker of ${name}`,
      unit: 'A',
      seconds: undefined,
      has: outputBreaker.amps,
      also: undefined,
      standard: sizesOfCurve(outputBreaker.curve),
      withSize: (rig, amps) => edit(rig, (each) => ({ ...each, outputBreaker: { ...outputBreaker, amps } })),
    },
  ];
}

function ofGenerator(source: Source): readonly SizedRating[] {
  const stated = source.continuousVA ?? source.continuousW;
  const { id, name, continuousW = stated, continuousVA = stated, tiers = [] } = source;
  if (!continuousW || !continuousVA) return [];
  const edit = (rig: Rig, change: (each: WithTiers) => WithTiers): Rig => ({
    ...rig,
    sources: rig.sources.map((each) => {
      if (each.id !== id) return each;
      const rated = change({ continuousW, continuousVA, tiers, ...each });
      return {
        ...each,
        continuousW: rated.continuousW,
        continuousVA: rated.continuousVA,
        tiers: rated.tiers,
      };
    }),
  });
  return surgeRatings({ part: 'generator', id, name }, { continuousW, continuousVA, tiers }, edit);
}

/** Of several units side by side all together: each has its part. Watts and volt-amps keep the ratio they have. */
function surgeRatings<T extends WithTiers>(
  of: Pick<RatingOf, 'part' | 'id' | 'name'>,
  { continuousW, continuousVA, tiers, unitsInParallel: units = 1 }: WithTiers,
  edit: (rig: Rig, change: (each: T) => T) => Rig,
): readonly SizedRating[] {
  const chosen = (value: number): Quantity => ({ value: value / units, basis: 'setting' });
  const seconds = tiers.length > 0 ? tiers.map((tier) => tier.seconds) : USUAL_TIERS_S;
  const voltAmps = (watts: number): number => roundedUp((watts * continuousVA.value) / continuousW.value);
  const forHours: SizedRating = {
    ...of,
    unit: 'W',
    seconds: undefined,
    has: continuousW.value * units,
    also: { unit: 'VA', with: voltAmps, has: continuousVA.value * units },
    standard: undefined,
    withSize: (rig, watts) =>
      edit(rig, (each) => ({
        ...each,
        continuousW: chosen(watts),
        continuousVA: chosen(voltAmps(watts)),
      })),
  };
  const surge = (lasting: number): SizedRating => ({
    ...of,
    unit: 'VA',
    seconds: lasting,
    has: asTotal(tiers.find((tier) => tier.seconds === lasting)?.limit.value, units),
    also: undefined,
    standard: undefined,
    withSize: (rig, value) =>
      edit(rig, (each) => ({
        ...each,
        tiers: [
          ...each.tiers.filter((tier) => tier.seconds !== lasting),
          { limit: chosen(value), unit: 'VA' as const, seconds: lasting },
        ],
      })),
  });
  return [forHours, ...[...seconds].sort((a, b) => b - a).map(surge)];
}

const asTotal = (each: number | undefined, units: number): number | undefined =>
  each === undefined ? undefined : each * units;

/** All batteries of a bus together, each with the same part. */
function ofBank(rig: Rig, bus: string): readonly SizedRating[] {
  const batteries = rig.batteries.filter((battery) => battery.bus === bus);
  if (batteries.length === 0) return [];
  const seconds = [...new Set(batteries.flatMap(({ tiers = [] }) => tiers.map((tier) => tier.seconds)))];
  const edit = (each: Rig, change: (battery: Battery) => Battery): Rig => ({
    ...each,
    batteries: each.batteries.map((battery) => (battery.bus === bus ? change(battery) : battery)),
  });
  const sum = (amps: (battery: Battery) => number | undefined): number | undefined => {
    const known = batteries.map(amps);
    return known.every((value) => value !== undefined)
      ? known.reduce((all, value) => all + value, 0)
      : undefined;
  };
  const of = {
    part: 'battery',
    id: bus,
    name: batteries.map(({ name }) => name).join(' and '),
    unit: 'A',
    also: undefined,
    standard: undefined,
  } as const;
  return [
    {
      ...of,
      seconds: undefined,
      has: sum(({ dischargeA }) => dischargeA),
      withSize: (each, amps) =>
        edit(each, (battery) => ({ ...battery, dischargeA: amps / batteries.length })),
    },
    ...seconds
      .sort((a, b) => b - a)
      .map((lasting): SizedRating => ({
        ...of,
        seconds: lasting,
        has: sum(({ tiers = [] }) => tiers.find((tier) => tier.seconds === lasting)?.amps),
        withSize: (each, amps) =>
          edit(each, ({ tiers = [], ...battery }) => ({
            ...battery,
            tiers: [
              ...tiers.filter((tier) => tier.seconds !== lasting),
              { amps: amps / batteries.length, seconds: lasting },
            ],
          })),
      })),
  ];
}

function ofCircuit(id: string, name: string, protection: Protection): SizedRating {
  return {
    part: 'circuit',
    id,
    name,
    unit: 'A',
    seconds: undefined,
    has: protection.amps,
    also: undefined,
    standard: sizesOfCurve(protection.curve),
    withSize: (rig, amps) => ({
      ...rig,
      circuits: rig.circuits.map((each) =>
        each.id === id ? { ...each, protection: { ...protection, amps } } : each,
      ),
    }),
  };
}

function ofHookup(id: string, name: string, breaker: Protection): SizedRating {
  return {
    part: 'hookup',
    id,
    name,
    unit: 'A',
    seconds: undefined,
    has: breaker.amps,
    also: undefined,
    standard: sizesOfCurve(breaker.curve),
    withSize: (rig, amps) => ({
      ...rig,
      supplies: rig.supplies.map((each) =>
        each.id === id ? { ...each, breaker: { ...breaker, amps } } : each,
      ),
    }),
  };
}
