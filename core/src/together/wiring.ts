import type { SourceLimit } from '../electrical/assist.js';
import { feedsOf, type Feed } from '../electrical/feeds.js';
import type { SurgeRating } from '../electrical/surge-tiers.js';
import { cordAmpacityA } from '../reference/cord-ampacity.js';
import {
  CHARGER_EFFICIENCY,
  CHARGER_POWER_FACTOR,
  CHARGING_OVER_NOMINAL_VOLTS,
} from '../reference/inverter-losses.js';
import type { Circuit, Converter, Cord, Load, Protection, Rig, Source, Supply } from '../rig/schema.js';
import type {
  BatteryElement,
  BehindLimit,
  BreakerElement,
  CordElement,
  GeneratorElement,
  InverterElement,
  RelayElement,
  SeriesElement,
} from './series-elements.js';

/** A load that is on but runs on nothing here: it adds nothing, and why. */
export interface NotFed {
  readonly load: Load;
  readonly circuit: Circuit;
  readonly because: string;
}

export interface Wiring {
  readonly elements: readonly SeriesElement[];
  readonly fed: readonly Load[];
  readonly notFed: readonly NotFed[];
}

interface FedLoad {
  readonly load: Load;
  readonly circuit: Circuit;
  readonly feed: Feed;
}

/** Follows the wiring from each load back to what feeds it, on the given supply. */
export function wiringOf(rig: Rig, supply: Supply, loads: readonly Load[]): Wiring {
  const feeds = feedsOf(rig, supply);
  const fed: FedLoad[] = [];
  const notFed: NotFed[] = [];
  for (const load of loads) {
    const circuit = circuitOf(rig, load);
    const feed = feeds.get(circuit.bus);
    const because = whyNotFed(load, circuit, supply, feed);
    if (feed && because === undefined) fed.push({ load, circuit, feed });
    else notFed.push({ load, circuit, because: because ?? '' });
  }
  const behind = rig.converters.map((converter) => behindLimitOf(rig, supply, converter, fed));
  const inverters = rig.converters.flatMap((converter, index) =>
    inverterOf(rig, supply, converter, fed, behind[index]),
  );
  const candidates: readonly SeriesElement[] = [
    ...inverters,
    ...rig.sources.flatMap((source) => sourceElements(rig, supply, source, fed, behind)),
    ...rig.converters.flatMap((converter) => outputElements(rig, supply, converter, fed)),
    ...rig.circuits.map((circuit) => branchBreaker(rig, circuit, fed)),
    ...fed.flatMap(({ load, circuit }) => loadCord(rig, load, circuit)),
    ...rig.buses.flatMap((bus) => batteryElement(rig, bus.id, inverters, fed)),
  ];
  return {
    elements: candidates.filter((element) => element.members.size > 0),
    fed: fed.map((entry) => entry.load),
    notFed,
  };
}

function whyNotFed(load: Load, circuit: Circuit, supply: Supply, feed: Feed | undefined): string | undefined {
  if (!feed) return `nothing feeds ${circuit.name}`;
  return load.neverOn?.includes(supply.id) ? `you keep it off ${supply.name}` : undefined;
}

const members = (fed: readonly FedLoad[], test: (entry: FedLoad) => boolean): ReadonlySet<string> =>
  new Set(fed.filter(test).map((entry) => entry.load.id));

const passesThrough = (converter: Converter) => (entry: FedLoad) =>
  entry.feed.by === 'source' && entry.feed.through?.id === converter.id;

const isFedBy = (source: Source) => (entry: FedLoad) =>
  entry.feed.by === 'source' && entry.feed.source.id === source.id;

/** The input limit and the charger of an inverter/charger that passes a source on. */
function behindLimitOf(
  rig: Rig,
  supply: Supply,
  converter: Converter,
  fed: readonly FedLoad[],
): BehindLimit | undefined {
  const behind = members(fed, passesThrough(converter));
  if (supply.sources.length === 0 || !converter.passThroughFrom) return undefined;
  const volts = voltsOf(rig, converter.to);
  const assists = supply.assist === 'on' && converter.canAssist === 'yes' && supply.inputLimitA !== undefined;
  const limit: SourceLimit = {
    va: (supply.inputLimitA ?? Infinity) * volts,
    assists,
    chargerVA: supply.charging === 'on' ? chargerVA(rig, converter) : 0,
  };
  return { behind, limit, startCarrier: supply.whoCarriesStart ?? 'unknown' };
}

/** What charging draws at its full setting, VA: volts x amps / (efficiency x power factor). */
function chargerVA(rig: Rig, converter: Converter): number {
  const chargingVolts = voltsOf(rig, converter.from) * CHARGING_OVER_NOMINAL_VOLTS;
  return (chargingVolts * (converter.chargeA ?? 0)) / (CHARGER_EFFICIENCY * CHARGER_POWER_FACTOR);
}

function inverterOf(
  rig: Rig,
  supply: Supply,
  converter: Converter,
  fed: readonly FedLoad[],
  behindLimit: BehindLimit | undefined,
): readonly InverterElement[] {
  const { id, name } = converter;
  const base = { kind: 'inverter', id, name, converter, rating: converter } as const;
  const inverting = members(fed, ({ feed }) => feed.by === 'inverter' && feed.converter.id === id);
  if (inverting.size > 0) return [{ ...base, members: inverting }];
  if (!behindLimit?.limit.assists) return [];
  const assists = {
    volts: voltsOf(rig, converter.to),
    limit: behindLimit.limit,
    startCarrier: behindLimit.startCarrier,
    sourceBreaker: smallestBreaker(rig, supply),
    ahead: members(fed, ({ feed }) => feed.by === 'source' && feed.through === undefined),
    relayA: converter.passThroughA ?? Infinity,
  };
  return [{ ...base, members: behindLimit.behind, assists }];
}

/** The source breaker of a check is the smallest in the chain. */
function smallestBreaker(rig: Rig, supply: Supply): Protection | undefined {
  const chain = [
    supply.breaker,
    ...rig.sources.filter((source) => supply.sources.includes(source.id)).map((source) => source.breaker),
  ].flatMap((breaker) => breaker ?? []);
  return chain.reduce<Protection | undefined>(
    (smallest, breaker) => (smallest && smallest.amps <= breaker.amps ? smallest : breaker),
    undefined,
  );
}

function sourceElements(
  rig: Rig,
  supply: Supply,
  source: Source,
  fed: readonly FedLoad[],
  behind: readonly (BehindLimit | undefined)[],
): readonly SeriesElement[] {
  const own = members(fed, isFedBy(source));
  if (own.size === 0) return [];
  const volts = voltsOf(rig, source.bus);
  const limited = behind.find((each) => each && [...each.behind].some((id) => own.has(id)));
  const isPlain = !limited || (!Number.isFinite(limited.limit.va) && limited.limit.chargerVA === 0);
  const shared = { members: own, volts, ...(isPlain ? {} : { behindLimit: limited }) };
  const protection = smallestBreaker(rig, supply);
  const breaker: BreakerElement | undefined = protection && {
    kind: 'source-breaker',
    id: source.id,
    name: withAmps(supply.name, protection),
    protection,
    otherLoadsA: supply.otherLoadsA,
    ...shared,
  };
  return [
    ...generatorOf(source, shared),
    ...(breaker ? [breaker] : []),
    ...(supply.cords ?? []).flatMap((cord, index) =>
      cordOf(`${supply.id}:cord-${index}`, cord.name ?? `Cord, plug of ${supply.name}`, cord, shared),
    ),
  ];
}

function generatorOf(
  source: Source,
  shared: Pick<GeneratorElement, 'members' | 'behindLimit'>,
): readonly GeneratorElement[] {
  const rating = source.kind === 'generator' ? surgeRatingOf(source) : undefined;
  return rating
    ? [{ kind: 'generator', id: `${source.id}:set`, name: source.name, source, rating, ...shared }]
    : [];
}

function surgeRatingOf({ continuousW, continuousVA, tiers }: Source): SurgeRating | undefined {
  const stated = continuousVA ?? continuousW;
  return stated && { continuousW: continuousW ?? stated, continuousVA: stated, tiers: tiers ?? [] };
}

/** What stands behind an inverter/charger in either way of working: its output breaker and its relay. */
function outputElements(
  rig: Rig,
  supply: Supply,
  converter: Converter,
  fed: readonly FedLoad[],
): readonly SeriesElement[] {
  const passed = members(fed, passesThrough(converter));
  const inverted = members(fed, ({ feed }) => feed.by === 'inverter' && feed.converter.id === converter.id);
  const volts = voltsOf(rig, converter.to);
  const { outputBreaker, passThroughA } = converter;
  const breaker: readonly BreakerElement[] = outputBreaker
    ? [
        {
          kind: 'output-breaker',
          id: `${converter.id}:output`,
          name: withAmps('Output', outputBreaker),
          protection: outputBreaker,
          volts,
          members: passed.size > 0 ? passed : inverted,
        },
      ]
    : [];
  const behindLimit = behindLimitOf(rig, supply, converter, fed);
  const relay: readonly RelayElement[] =
    passThroughA === undefined
      ? []
      : [
          {
            kind: 'relay',
            id: `${converter.id}:relay`,
            name: `Transfer relay ${passThroughA} A`,
            amps: passThroughA,
            volts,
            members: passed,
            behindLimit,
          },
        ];
  return [...breaker, ...relay];
}

function branchBreaker(rig: Rig, circuit: Circuit, fed: readonly FedLoad[]): BreakerElement {
  const { id, name, protection, bus } = circuit;
  return {
    kind: 'branch-breaker',
    id,
    name: withAmps(name, protection),
    protection,
    volts: voltsOf(rig, bus),
    members: members(fed, (entry) => entry.circuit.id === id),
  };
}

function loadCord(rig: Rig, load: Load, circuit: Circuit): readonly CordElement[] {
  if (!load.cord) return [];
  const shared = { members: new Set([load.id]), volts: voltsOf(rig, circuit.bus) };
  return cordOf(`${load.id}:cord`, `Cord, plug of ${load.name}`, load.cord, shared);
}

function cordOf(
  id: string,
  name: string,
  cord: Cord,
  shared: Pick<CordElement, 'members' | 'volts' | 'behindLimit'>,
): readonly CordElement[] {
  const amps = Math.min(cord.plugA ?? Infinity, cord.awg ? cordAmpacityA(cord.awg) : Infinity);
  return Number.isFinite(amps)
    ? [{ kind: 'plug-and-cord', id, name: withAmps(name, { amps }), amps, ...shared }]
    : [];
}

function batteryElement(
  rig: Rig,
  busId: string,
  inverters: readonly InverterElement[],
  fed: readonly FedLoad[],
): readonly BatteryElement[] {
  const batteries = rig.batteries.filter((battery) => battery.bus === busId);
  if (batteries.length === 0) return [];
  const inverter = inverters.find((each) => each.converter.from === busId);
  const dcMembers = members(fed, ({ feed }) => feed.by === 'battery' && feed.bus.id === busId);
  return [
    {
      kind: 'battery',
      id: `${busId}:batteries`,
      name: batteries.length === 1 ? (batteries[0]?.name ?? 'Battery') : 'Batteries',
      batteries,
      volts: voltsOf(rig, busId),
      inverter,
      dcMembers,
      members: new Set([...(inverter?.members ?? []), ...dcMembers]),
    },
  ];
}

/** The size belongs to a breaker's name, unless the name says it already. */
function withAmps(name: string, { amps }: Pick<Protection, 'amps'>): string {
  const size = `${amps} A`;
  return name.includes(size) ? name : `${name} ${size}`;
}

function circuitOf(rig: Rig, load: Load): Circuit {
  const circuit = rig.circuits.find((candidate) => candidate.id === load.circuit);
  if (!circuit)
    throw new RangeError(`Load ${load.id} is on circuit ${load.circuit}, which the rig does not have`);
  return circuit;
}

function voltsOf(rig: Rig, busId: string): number {
  const bus = rig.buses.find((candidate) => candidate.id === busId);
  if (!bus) throw new RangeError(`The rig has no bus ${busId}`);
  return bus.volts;
}
