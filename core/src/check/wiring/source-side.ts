import { awgMm2 } from '../../protection/cable.js';
import { cordAmpacityA, leadAmpacityA, type LoadedConductors } from '../../reference/cord-ampacity.js';
import type { Cord, Rig, Source, Supply } from '../../rig-file/schema.js';
import { hasContinuousRule } from '../../protection/continuous-rule.js';
import { busOf, type FedLoad } from './fed-loads.js';
import type { ConverterLeg } from './inverter-side.js';
import { emptyLeg, generatorShare, sourceLegs, type LegView } from './leg-views.js';
import { withAmps } from './names-of-elements.js';
import { generatorRating } from './ratings.js';
import type {
  BehindLimit,
  BreakerElement,
  CordElement,
  GeneratorElement,
  RatedBreaker,
  SeriesElement,
  UnknownRatingElement,
} from './series-elements.js';

/** Generator, breaker and cords of a source, on each of its conductors. */
export function sourceElements(
  rig: Rig,
  supply: Supply,
  source: Source,
  fed: readonly FedLoad[],
  converterLegs: readonly ConverterLeg[],
): readonly SeriesElement[] {
  const loaded = sourceLegs(source, fed);
  const passedOn = converterLegs.flatMap(({ leg }) =>
    leg.passedOn?.source.id === source.id ? [leg.passedOn.sourcePole] : [],
  );
  const others = [...new Set(passedOn)].filter((pole) => !loaded.some((view) => view.pole === pole));
  return [...loaded, ...others.map(emptyLeg)].flatMap((view) => {
    const behindLimits = limitsBehind(source, view, converterLegs);
    return elementsOfLeg(rig, supply, source, view, behindLimits);
  });
}

/** The input limits and chargers on one conductor of a source. */
function limitsBehind(
  source: Source,
  view: LegView,
  converterLegs: readonly ConverterLeg[],
): readonly BehindLimit[] {
  return converterLegs.flatMap(({ leg, behindLimit }) => {
    const { passedOn } = leg;
    const isHere = passedOn?.source.id === source.id && passedOn.sourcePole === view.pole;
    const does = behindLimit && (Number.isFinite(behindLimit.limit.va) || behindLimit.limit.charger.hi > 0);
    return isHere && does ? [behindLimit] : [];
  });
}

function elementsOfLeg(
  rig: Rig,
  supply: Supply,
  source: Source,
  { idSuffix, nameSuffix, members, pole }: LegView,
  behindLimits: readonly BehindLimit[],
): readonly SeriesElement[] {
  const shared = { members, volts: busOf(rig, source.bus).volts, behindLimits };
  const series = breakersInSeries(rig, supply, source);
  const rating = generatorRating(
    rig,
    source,
    generatorShare(rig, source, { idSuffix, nameSuffix, members, pole }),
  );
  const generator: readonly GeneratorElement[] = rating
    ? [
        {
          kind: 'generator',
          id: `${source.id}:set${idSuffix}`,
          name: `${source.name}${nameSuffix}`,
          source,
          rating,
          ...shared,
        },
      ]
    : [];
  const breakers = series.map((each): BreakerElement => ({
    kind: each.kind,
    id: `${source.id}${each.kind === 'inlet-breaker' ? ':own' : ''}${idSuffix}`,
    name: `${withAmps(each.name, each.protection)}${nameSuffix}`,
    hasContinuousRule: hasContinuousRule(rig, each.protection),
    otherLoadsA: each.otherLoadsA,
    protection: each.protection,
    celsius: each.celsius,
    ...shared,
  }));
  const loaded = pole === 'whole' ? 'two' : 'three';
  const cords = (supply.cords ?? []).flatMap((cord, index) => {
    const [id, name] = [`${supply.id}:cord-${index}${idSuffix}`, cord.name ?? `Cord, plug of ${supply.name}`];
    const isSaid = cord.plugA !== undefined || cord.awg !== undefined || cord.mm2 !== undefined;
    if (!isSaid) return [unknownCord(id, name, { members, behindLimits })];
    const rule = hasContinuousRule(rig, series[0]?.protection);
    return cordElements(id, name, cord, { ...shared, hasContinuousRule: rule }, loaded);
  });
  return [
    ...notEntered(source, supply, { idSuffix, nameSuffix }, { members, behindLimits }),
    ...generator,
    ...breakers,
    ...cords.map((cord) => ({ ...cord, name: `${cord.name}${nameSuffix}` })),
  ];
}

/** Ratings that decide and are not entered: of a generator, of an outlet in a vehicle, and of the breaker of a hookup. */
function notEntered(
  source: Source,
  supply: Supply,
  { idSuffix, nameSuffix }: Pick<LegView, 'idSuffix' | 'nameSuffix'>,
  shared: Pick<UnknownRatingElement, 'members' | 'behindLimits'>,
): readonly UnknownRatingElement[] {
  const unknown = (id: string, name: string): UnknownRatingElement => ({
    kind: 'unknown-rating',
    of: 'source',
    id: `${source.id}:${id}${idSuffix}`,
    name: `${name}${nameSuffix}`,
    ...shared,
  });
  const isRated = source.continuousVA !== undefined || source.continuousW !== undefined;
  const isBroken = supply.breaker !== undefined || source.breaker !== undefined;
  const needsRating = source.kind === 'generator' || (source.kind === 'vehicle' && !isBroken);
  return [
    ...(needsRating && !isRated ? [unknown('set', `Rating of ${source.name}`)] : []),
    ...(source.kind === 'inlet' && !supply.breaker ? [unknown('breaker', `Breaker of ${supply.name}`)] : []),
  ];
}

/** A breaker between a source and the rig, and what it is called. */
interface BreakerInSeries extends RatedBreaker {
  readonly kind: 'source-breaker' | 'inlet-breaker';
  readonly name: string;
  /** What others draw from it. */
  readonly otherLoadsA: Supply['otherLoadsA'];
}

/**
 * The breakers of a source one behind the other, each a limit of its own: that of the hookup, where others
 * may hang on it too, and the inlet's. One outdoors is as warm as it is there.
 */
export function breakersInSeries(rig: Rig, supply: Supply, source: Source): readonly BreakerInSeries[] {
  const celsius = rig.conditions?.outdoorC;
  const hookup = supply.breaker ?? source.breaker;
  if (!hookup) return [];
  const first: BreakerInSeries = {
    kind: 'source-breaker',
    name: supply.name,
    protection: hookup,
    celsius,
    otherLoadsA: supply.otherLoadsA,
  };
  return supply.breaker && source.breaker
    ? [
        first,
        {
          kind: 'inlet-breaker',
          name: source.name,
          protection: source.breaker,
          celsius,
          otherLoadsA: undefined,
        },
      ]
    : [first];
}

/**
 * A plug, an adapter or a cord with a rating: the least of plug and wire. One thinner than any table says nothing of what it
 * carries.
 */
export function cordElements(
  id: string,
  name: string,
  cord: Cord,
  shared: Pick<CordElement, 'members' | 'volts' | 'behindLimits' | 'hasContinuousRule'>,
  loaded?: LoadedConductors,
): readonly (CordElement | UnknownRatingElement)[] {
  const { awg, mm2, plugA } = cord;
  const wire = awg ? cordAmpacityA(awg, loaded) : mm2 === undefined ? undefined : leadAmpacityA(mm2);
  const { members, behindLimits } = shared;
  if (mm2 !== undefined && wire === undefined) return [unknownCord(id, name, { members, behindLimits })];
  const amps = Math.min(plugA ?? Infinity, wire ?? Infinity);
  if (!Number.isFinite(amps)) return [];
  const section = awg ? awgMm2(awg) : mm2;
  return [
    {
      kind: 'plug-and-cord',
      id,
      name: withAmps(name, { amps }),
      amps,
      ...(section !== undefined && wire === amps && { mm2: section }),
      ...shared,
    },
  ];
}

/** A cord of which neither plug nor size is entered, or whose size is below every table. */
export function unknownCord(
  id: string,
  name: string,
  shared: Pick<UnknownRatingElement, 'members' | 'behindLimits'>,
): UnknownRatingElement {
  return { kind: 'unknown-rating', of: 'cord', id, name, ...shared };
}
