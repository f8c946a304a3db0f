import { feedsOf } from '../../supply/feeds.js';
import { chargingLoads } from '../../rig/charging-loads.js';
import type { Load, Rig, Supply } from '../../rig-file/schema.js';
import { circuitElements, neutralElements } from './circuit-side.js';
import { busOf, fedLoads, type FedLoad, type NotFed } from './fed-loads.js';
import {
  converterLeg,
  inverterElements,
  outputElements,
  unknownCharging,
  type ConverterLeg,
} from './inverter-side.js';
import { outputLegs, sourceLegs } from './leg-views.js';
import {
  charges,
  type BatteryElement,
  type InverterElement,
  type Members,
  type SeriesElement,
  type UnknownRatingElement,
} from './series-elements.js';
import { hasContinuousRule } from '../../protection/continuous-rule.js';
import { loadVoltsElement } from './supply-path.js';
import { breakersInSeries, cordElements, sourceElements } from './source-side.js';

export interface Wiring {
  readonly elements: readonly SeriesElement[];
  readonly fed: readonly FedLoad[];
  readonly notFed: readonly NotFed[];
}

/** Everything that the current of some loads passes through on a supply, conductor by conductor. */
export function wiringOf(rig: Rig, supply: Supply, loads: readonly Load[]): Wiring {
  const feeds = feedsOf(rig, supply);
  const { fed, notFed } = fedLoads(rig, supply, loads);
  const legs = rig.converters.flatMap((converter) =>
    outputLegs(rig, feeds, converter, fed).map((leg) => converterLeg(rig, supply, converter, leg)),
  );
  const inverters = legs.flatMap((each) => inverterElements(rig, each, besideOf(rig, supply, each, fed)));
  const candidates: readonly SeriesElement[] = [
    ...inverters,
    ...rig.sources.flatMap((source) => sourceElements(rig, supply, source, fed, legs)),
    ...legs.flatMap((each) => [...outputElements(rig, each), ...unknownCharging(each)]),
    ...unknownChargers(rig, fed),
    ...rig.circuits.flatMap((circuit) => circuitElements(rig, circuit, fed)),
    ...neutralElements(rig, fed),
    ...fed.flatMap((entry) => loadCord(rig, entry)),
    ...rig.buses.flatMap((bus) => batteryElement(rig, bus.id, inverters, fed)),
  ];
  const elements = candidates.filter((element) => element.members.size > 0 || charges(element));
  return {
    elements: [...elements, ...fed.flatMap((entry) => loadVoltsElement(rig, supply, entry, fed, elements))],
    fed,
    notFed,
  };
}

/** What stands on the same conductor of the source, beside an inverter that assists. */
function besideOf(rig: Rig, supply: Supply, { leg }: ConverterLeg, fed: readonly FedLoad[]) {
  const { passedOn } = leg;
  const view = passedOn && sourceLegs(passedOn.source, fed).find((each) => each.pole === passedOn.sourcePole);
  const isAhead = (id: string): boolean =>
    fed.some(({ load, feeds }) => load.id === id && feeds[0].by === 'source' && !feeds[0].through);
  const ahead: Members = new Map([...(view?.members ?? [])].filter(([id]) => isAhead(id)));
  return { breakers: passedOn ? breakersInSeries(rig, supply, passedOn.source) : [], ahead };
}

/** The charge current of each stand-alone charger that is fed and whose amps are not entered. */
function unknownChargers(rig: Rig, fed: readonly FedLoad[]): readonly UnknownRatingElement[] {
  return chargingLoads(rig).flatMap(({ converter, load }): readonly UnknownRatingElement[] => {
    const isFed = fed.some((entry) => entry.load.id === load.id);
    if (!isFed || converter.chargeA !== undefined) return [];
    return [
      {
        kind: 'unknown-rating',
        of: 'charger',
        id: `${converter.id}:charge`,
        name: `Charge current of ${converter.name}`,
        members: new Map([[load.id, 1]]),
        behindLimits: [],
      },
    ];
  });
}

function loadCord(rig: Rig, { load, circuit, bus, poles }: FedLoad): readonly SeriesElement[] {
  if (!load.cord) return [];
  const shared = {
    members: new Map([[load.id, 1]]),
    volts: bus.volts * poles.length,
    behindLimits: [],
    hasContinuousRule: bus.kind === 'ac' && hasContinuousRule(rig, circuit.protection),
  };
  return cordElements(`${load.id}:cord`, `Cord, plug of ${load.name}`, load.cord, shared);
}

function batteryElement(
  rig: Rig,
  busId: string,
  all: readonly InverterElement[],
  fed: readonly FedLoad[],
): readonly BatteryElement[] {
  const batteries = rig.batteries.filter((battery) => battery.bus === busId);
  if (batteries.length === 0) return [];
  const bus = busOf(rig, busId);
  const inverters = all.filter((each) => each.converter.from === busId);
  const dcMembers: Members = new Map(
    fed.flatMap(({ load, feeds }) =>
      feeds[0].by === 'battery' && feeds[0].bus.id === busId ? [[load.id, 1] as const] : [],
    ),
  );
  const carried = [...inverters.flatMap((inverter) => [...inverter.members.keys()]), ...dcMembers.keys()];
  return [
    {
      kind: 'battery',
      id: `${busId}:batteries`,
      name: batteries.length === 1 ? (batteries[0]?.name ?? 'Battery') : 'Batteries',
      batteries,
      bus,
      volts: bus.volts,
      inverters,
      dcMembers,
      celsius: rig.conditions?.batteryC,
      ampacitySchool: rig.practice?.ampacity ?? 'nec',
      members: new Map(carried.map((id) => [id, 1])),
    },
  ];
}
