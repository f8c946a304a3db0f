import type { Consumer } from '../electrical/consumer.js';
import { feedsOf, type Feed } from '../electrical/feeds.js';
import type { Circuit, Converter, Load, Protection, Rig, Source, Supply } from '../rig/schema.js';

/** What the current of a set passes through: each must carry its share, and each has limits of its own. */
export type SeriesElement = InverterElement | BreakerElement;

interface ElementBase {
  readonly id: string;
  readonly name: string;
  /** Ids of the loads whose current passes through it. */
  readonly members: ReadonlySet<string>;
}

export interface InverterElement extends ElementBase {
  readonly kind: 'inverter';
  readonly converter: Converter;
}

export interface BreakerElement extends ElementBase {
  readonly kind: 'branch-breaker' | 'source-breaker';
  readonly protection: Protection;
  /** Nominal voltage of its bus, V. */
  readonly volts: number;
}

/** A load that is on but that no connected source feeds: it adds nothing. */
export interface NotFed {
  readonly load: Load;
  readonly circuit: Circuit;
}

export interface Wiring {
  readonly elements: readonly SeriesElement[];
  readonly fed: readonly Load[];
  readonly notFed: readonly NotFed[];
}

/** Follows the wiring from each load back to what feeds it, on the given supply. */
export function wiringOf(rig: Rig, supply: Supply, loads: readonly Load[]): Wiring {
  const feeds = feedsOf(rig, supply);
  const fed: { readonly load: Load; readonly circuit: Circuit; readonly feed: Feed }[] = [];
  const notFed: NotFed[] = [];
  for (const load of loads) {
    const circuit = circuitOf(rig, load);
    const feed = feeds.get(circuit.bus);
    if (feed) fed.push({ load, circuit, feed });
    else notFed.push({ load, circuit });
  }
  const membersWhere = (test: (entry: (typeof fed)[number]) => boolean) =>
    new Set(fed.filter(test).map((entry) => entry.load.id));
  const candidates: readonly SeriesElement[] = [
    ...rig.converters.map((converter) =>
      inverter(
        converter,
        membersWhere(({ feed }) => feed.by === 'inverter' && feed.converter.id === converter.id),
      ),
    ),
    ...rig.sources.flatMap((source) =>
      sourceBreaker(
        rig,
        supply,
        source,
        membersWhere(({ feed }) => feed.by === 'source' && feed.source.id === source.id),
      ),
    ),
    ...rig.circuits.map((circuit) =>
      branchBreaker(
        rig,
        circuit,
        membersWhere((entry) => entry.circuit.id === circuit.id),
      ),
    ),
  ];
  return {
    elements: candidates.filter((element) => element.members.size > 0),
    fed: fed.map((entry) => entry.load),
    notFed,
  };
}

/** The consumers whose current passes through an element. */
export function throughElement(element: SeriesElement, consumers: readonly Consumer[]): readonly Consumer[] {
  return consumers.filter((consumer) => element.members.has(consumer.load.id));
}

function inverter(converter: Converter, members: ReadonlySet<string>): InverterElement {
  return { kind: 'inverter', id: converter.id, name: converter.name, converter, members };
}

function branchBreaker(rig: Rig, circuit: Circuit, members: ReadonlySet<string>): BreakerElement {
  const { id, name, protection, bus } = circuit;
  return {
    kind: 'branch-breaker',
    id,
    name: withAmps(name, protection),
    protection,
    volts: voltsOf(rig, bus),
    members,
  };
}

function sourceBreaker(
  rig: Rig,
  supply: Supply,
  source: Source,
  members: ReadonlySet<string>,
): readonly BreakerElement[] {
  const protection = supply.breaker;
  if (!protection) return [];
  const name = withAmps(supply.name, protection);
  return [
    { kind: 'source-breaker', id: source.id, name, protection, volts: voltsOf(rig, source.bus), members },
  ];
}

/** The size belongs to a breaker's name, unless the name says it already. */
function withAmps(name: string, { amps }: Protection): string {
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
