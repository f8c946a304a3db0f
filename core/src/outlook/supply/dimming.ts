import type { ConsumerPart } from '../../loads/consumer.js';
import { dcAmps } from '../../battery/dc-side.js';
import { isSoftStarted, softened } from '../../loads/start/soft-starter.js';
import { clippedVolts, dipShare } from '../../supply/voltage-dip.js';
import type { Interval } from '../../units/quantity.js';
import { kindOfPart } from '../../reference/kinds-of-parts.js';
import { DIP_STEPS } from '../../reference/voltage-quality.js';
import type { CheckResult, StartInOrder } from '../../check/check.js';
import { dcPathOf, isSagKnown } from '../../check/limits/dc-path.js';
import { impedanceOf } from '../../check/wiring/supply-path.js';
import type { InverterElement, PathImpedance } from '../../check/wiring/series-elements.js';

/** What a part of the way does to the voltage while something starts. */
export interface DipPart {
  readonly what: PathImpedance['what'] | 'battery' | 'battery-cable';
  /** Share of the nominal voltage, as stated. */
  readonly share: number;
}

/** What would make a dip smaller, and how small. */
export interface DipRemedy {
  readonly what: 'soft-starter' | 'second-battery' | 'heavier-battery-cable' | 'heavier-cord';
  /** The dip that is left, share of the nominal voltage, as stated. */
  readonly dip: number;
}

/** How far the lights dim at the hardest start, and by what. */
export interface Dimming {
  readonly loadId: string;
  readonly partId: string;
  /** Share of the nominal voltage; the least is that of an inverter that holds its volts while the battery sags. */
  readonly dip: Interval;
  /** They add up to the dip as stated. */
  readonly parts: readonly DipPart[];
  /** What people notice. */
  readonly says: string;
  /** The best first. */
  readonly remedies: readonly DipRemedy[];
}

/** A remedy that saves less than half of this share of the volts is not worth a line. */
const WORTH_TELLING = 0.005;

/**
 * The dip of the hardest start of a set, split into what causes it.
 *
 * Impedances in a row share a dip in proportion. On battery they are the inverter's own and the sag of
 * battery and cable, which a heavy transformer passes on; on shore pedestal, cord and branch cable.
 *
 * @returns Undefined where nothing starts. Source: physics; impedances by reference/voltage-quality.ts (low).
 */
export function dimmingOf(result: CheckResult): Dimming | undefined {
  return dipsOf(result).reduce<Dimming | undefined>(
    (worst, dip) => (worst && worst.dip.stated >= dip.dip.stated ? worst : dip),
    undefined,
  );
}

/** The dip of each start of a set, in the order of the starts, as shares of the nominal voltage. Source: as `dimmingOf`. */
export function dipsOf(result: CheckResult): readonly Dimming[] {
  return result.starts.flatMap((start) => start.consumer.parts.flatMap((part) => dipOf(result, start, part)));
}

function dipOf(result: CheckResult, { consumer }: StartInOrder, part: ConsumerPart): readonly Dimming[] {
  const { start, size } = part;
  if (!start || !size) return [];
  const way = wayTo(result, consumer.load.id);
  if (!way) return [];
  const dipAt = (edge: keyof Interval, va: number): number =>
    dipShare(impedanceOf(way.path, edge), way.volts, va / way.volts, start.powerFactor.stated);
  const { value, minus, plus } = start.va;
  const watts = (va: number): number => va * start.powerFactor.stated;
  const sag = batterySag(result, way.inverter, watts(value));
  const most = batterySag(result, way.inverter, watts(value + plus));
  const own = dipAt('stated', value);
  const dip = {
    lo: dipAt('lo', value - minus),
    stated: own + sumOfShares(sag),
    hi: Math.max(
      dipAt('hi', value + plus) + sumOfShares(most),
      foldedDip(way.inverter, value + plus, way.volts),
    ),
  };
  const parts = [...splitOf(way.path, own), ...sag];
  const soft = isSoftStarted(part.part) ? undefined : softened(size.full, {}).va.value;
  return [
    {
      loadId: consumer.load.id,
      partId: part.part.id,
      dip,
      parts,
      says: DIP_STEPS.find(({ below }) => dip.stated < below)?.says ?? '',
      remedies: [
        ...(soft === undefined || !canBeSoft(part)
          ? []
          : [
              {
                what: 'soft-starter' as const,
                dip: dipAt('stated', soft) + sumOfShares(batterySag(result, way.inverter, watts(soft))),
              },
            ]),
        ...halved(parts, dip.stated),
      ].sort((a, b) => a.dip - b.dip),
    },
  ];
}

/** The way to a load, and the inverter that carries it alone. */
function wayTo({ elements }: CheckResult, loadId: string) {
  const way = elements.find((element) => element.kind === 'load-volts' && element.members.has(loadId));
  if (way?.kind !== 'load-volts') return undefined;
  const inverter = elements.find(
    (element): element is InverterElement =>
      element.kind === 'inverter' && element.members.has(loadId) && !element.assists,
  );
  return { volts: way.volts, path: way.path, inverter };
}

/** An inverter that folds back gives no more than its top tier: an impedance is left with fewer volts. */
function foldedDip(inverter: InverterElement | undefined, va: number, volts: number): number {
  if (inverter?.converter.aboveTopTier !== 'folds-back') return 0;
  const { tiers, continuousVA } = inverter.rating;
  const most = Math.max(continuousVA.value, ...tiers.map(({ limit }) => limit.value));
  return 1 - clippedVolts(volts, most / volts, va / volts) / volts;
}

/** Twice the batteries, or twice the copper, is half the resistance: to first order half of its part. */
function halved(parts: readonly DipPart[], whole: number): readonly DipRemedy[] {
  const remedies: Partial<Record<DipPart['what'], DipRemedy['what']>> = {
    battery: 'second-battery',
    'battery-cable': 'heavier-battery-cable',
    cord: 'heavier-cord',
  };
  return parts.flatMap(({ what, share }) => {
    const remedy = remedies[what];
    return remedy && share > WORTH_TELLING ? [{ what: remedy, dip: whole - share / 2 }] : [];
  });
}

const sumOfShares = (parts: readonly DipPart[]): number => parts.reduce((sum, { share }) => sum + share, 0);

/** Soft starters are made for compressors. */
const canBeSoft = ({ part }: ConsumerPart): boolean => kindOfPart(part.kind).family === 'Compressors';

/** Impedances in a row share a dip in proportion. */
function splitOf(pieces: readonly PathImpedance[], dip: number): readonly DipPart[] {
  const sum = pieces.reduce((all, { ohms }) => all + ohms.stated, 0);
  return pieces
    .map(({ what, ohms }) => ({ what, share: sum > 0 ? (dip * ohms.stated) / sum : 0 }))
    .filter(({ share }) => share > 0);
}

/** How far the volts at the inverter fall at the start, by the battery itself and by its cable and contacts. */
function batterySag(
  result: CheckResult,
  inverter: InverterElement | undefined,
  watts: number,
): readonly DipPart[] {
  const bank = result.elements.find(
    (element) => element.kind === 'battery' && element.bus.id === inverter?.converter.from,
  );
  if (bank?.kind !== 'battery' || !isSagKnown(bank)) return [];
  const { openV, wholeOhms, batteryOhms } = dcPathOf(bank);
  // Beyond the collapse no current gives the power; the volts are then at half.
  const amps =
    dcAmps({ openV: openV.stated, ohms: wholeOhms.stated }, watts) ?? openV.stated / (2 * wholeOhms.stated);
  const share = (ohms: number): number => (amps * ohms) / openV.stated;
  return [
    { what: 'battery', share: share(batteryOhms.stated) },
    { what: 'battery-cable', share: share(wholeOhms.stated - batteryOhms.stated) },
  ];
}
