import { ampacity } from '../electrical/cable.js';
import { cordAmpacityA } from '../reference/cord-ampacity.js';
import type { Cord, Protection, Rig, Source, Supply } from '../rig/schema.js';
import { hasContinuousRule } from './continuous-rule.js';
import { busOf, type FedLoad } from './fed-loads.js';
import type { ConverterLeg } from './inverter-side.js';
import { generatorShare, sourceLegs, type LegView } from './leg-views.js';
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
  return sourceLegs(source, fed).flatMap((view) => {
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
    const does = behindLimit && (Number.isFinite(behindLimit.limit.va) || behindLimit.limit.chargerVA > 0);
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
  const smallest = smallestBreaker(rig, supply);
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
  const breaker: readonly BreakerElement[] = smallest
    ? [
        {
          kind: 'source-breaker',
          id: `${source.id}${idSuffix}`,
          name: `${withAmps(supply.name, smallest.protection)}${nameSuffix}`,
          hasContinuousRule: hasContinuousRule(rig, smallest.protection),
          otherLoadsA: supply.otherLoadsA,
          ...smallest,
          ...shared,
        },
      ]
    : [];
  const cords = (supply.cords ?? []).flatMap((cord, index) =>
    cordElements(`${supply.id}:cord-${index}${idSuffix}`, cord.name ?? `Cord, plug of ${supply.name}`, cord, {
      ...shared,
      hasContinuousRule: hasContinuousRule(rig, smallest?.protection),
    }),
  );
  const unknown = (id: string, name: string): UnknownRatingElement => ({
    kind: 'unknown-rating',
    id: `${source.id}:${id}${idSuffix}`,
    name: `${name}${nameSuffix}`,
    ...shared,
  });
  const notEntered = [
    ...(source.kind === 'generator' && !rating ? [unknown('set', `Rating of ${source.name}`)] : []),
    ...(source.kind === 'inlet' && !smallest ? [unknown('breaker', `Breaker of ${supply.name}`)] : []),
  ];
  return [
    ...notEntered,
    ...generator,
    ...breaker,
    ...cords.map((cord) => ({ ...cord, name: `${cord.name}${nameSuffix}` })),
  ];
}

/** The source breaker of a check is the smallest in the chain; one outdoors is as warm as it is there. */
export function smallestBreaker(rig: Rig, supply: Supply): RatedBreaker | undefined {
  const chain: readonly Protection[] = [
    supply.breaker,
    ...rig.sources.filter((source) => supply.sources.includes(source.id)).map((source) => source.breaker),
  ].flatMap((breaker) => breaker ?? []);
  const protection = chain.reduce<Protection | undefined>(
    (smallest, breaker) => (smallest && smallest.amps <= breaker.amps ? smallest : breaker),
    undefined,
  );
  return protection && { protection, celsius: rig.conditions?.outdoorC };
}

/** A plug, an adapter or a cord with a rating: the least of plug and wire. */
export function cordElements(
  id: string,
  name: string,
  cord: Cord,
  shared: Pick<CordElement, 'members' | 'volts' | 'behindLimits' | 'hasContinuousRule'>,
): readonly CordElement[] {
  const wire = cord.awg ? cordAmpacityA(cord.awg) : cord.mm2 && ampacity({ mm2: cord.mm2 }, 'iec');
  const amps = Math.min(cord.plugA ?? Infinity, wire ?? Infinity);
  return Number.isFinite(amps)
    ? [{ kind: 'plug-and-cord', id, name: withAmps(name, { amps }), amps, ...shared }]
    : [];
}
