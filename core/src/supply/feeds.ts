import type { Bus, Circuit, Converter, Rig, Source, Supply } from '../rig-file/schema.js';

/** A conductor of a bus: the only one, or one of two legs. */
export type Pole = 'whole' | 'l1' | 'l2';

/** How the legs that feed a load stand to each other; a single conductor has none. */
type Phase = 'single' | NonNullable<Supply['legs']>;

/** What a pole of a bus draws from in a given situation. */
export type Feed =
  | {
      readonly by: 'source';
      readonly source: Source;
      /** The pole of the source that its current comes from. */
      readonly sourcePole: Pole;
      readonly through: Converter | undefined;
      readonly phase: Phase;
    }
  | { readonly by: 'inverter'; readonly converter: Converter; readonly phase: Phase }
  | { readonly by: 'battery'; readonly bus: Bus; readonly phase: Phase };

/** The poles of a bus. */
export function polesOf(bus: Bus): readonly Pole[] {
  return (bus.poles ?? 'single') === 'single' ? ['whole'] : ['l1', 'l2'];
}

/** The feeds of all poles, by bus and pole. */
export class Feeds {
  private readonly byPole = new Map<string, Feed>();

  get(busId: string, pole: Pole): Feed | undefined {
    return this.byPole.get(`${busId} ${pole}`);
  }

  /** The first feed of a pole stays: a source before an inverter. */
  add(busId: string, pole: Pole, feed: Feed): void {
    if (!this.get(busId, pole)) this.byPole.set(`${busId} ${pole}`, feed);
  }
}

/**
 * Which pole of which bus is fed by what, once the sources of a supply are connected. A connected
 * source feeds its own bus and, through the transfer relay of an inverter/charger, the bus behind it;
 * an inverter with a battery feeds its output only where no source does; a battery feeds its DC bus. A
 * pole that is missing is dead.
 */
export function feedsOf(rig: Rig, supply: Supply): Feeds {
  const feeds = new Feeds();
  feedFromSources(rig, supply, feeds);
  passThrough(rig, feeds);
  feedFromBatteries(rig, feeds);
  return feeds;
}

function feedFromSources(rig: Rig, supply: Supply, feeds: Feeds): void {
  for (const source of rig.sources) {
    const bus = busOf(rig, source.bus);
    if (!supply.sources.includes(source.id) || !bus) continue;
    const phase = phaseOfSource(bus, supply);
    for (const sourcePole of polesOf(bus))
      feeds.add(bus.id, sourcePole, { by: 'source', source, sourcePole, through: undefined, phase });
  }
}

function feedFromBatteries(rig: Rig, feeds: Feeds): void {
  for (const bus of rig.buses) {
    if (rig.batteries.some((battery) => battery.bus === bus.id))
      feeds.add(bus.id, 'whole', { by: 'battery', bus, phase: 'single' });
  }
  for (const converter of rig.converters) {
    const isInverter = converter.kind === 'inverter' || converter.kind === 'inverter-charger';
    if (!isInverter || feeds.get(converter.from, 'whole')?.by !== 'battery') continue;
    const phase = phaseOfBus(busOf(rig, converter.to));
    for (const pole of outputPoles(rig, converter))
      feeds.add(converter.to, pole, { by: 'inverter', converter, phase });
  }
}

/** The poles of its output bus that a converter feeds. */
export function outputPoles(rig: Rig, { to, pole }: Converter): readonly Pole[] {
  const bus = busOf(rig, to);
  const all = bus ? polesOf(bus) : [];
  return pole === 'l1' || pole === 'l2' ? all.filter((each) => each === pole || each === 'whole') : all;
}

/** The poles that a circuit takes its current from. */
export function polesOfCircuit(bus: Bus, { pole = 'l1' }: Circuit): readonly Pole[] {
  if (polesOf(bus)[0] === 'whole') return ['whole'];
  return pole === 'both' ? ['l1', 'l2'] : [pole];
}

/** Relays in a row pass a source on one after the other, hence once per converter. */
function passThrough(rig: Rig, feeds: Feeds): void {
  rig.converters.forEach(() => {
    for (const converter of rig.converters) {
      for (const pole of outputPoles(rig, converter)) {
        const feed =
          converter.passThroughFrom && feeds.get(converter.passThroughFrom, inputPole(rig, converter, pole));
        if (feed && feed.by === 'source') feeds.add(converter.to, pole, { ...feed, through: converter });
      }
    }
  });
}

/** The pole of its input that an output pole is joined to. */
function inputPole(rig: Rig, converter: Converter, pole: Pole): Pole {
  const input = busOf(rig, converter.passThroughFrom ?? '');
  if (!input || polesOf(input)[0] === 'whole') return 'whole';
  if (pole !== 'whole') return pole;
  return converter.pole === 'l2' ? 'l2' : 'l1';
}

function phaseOfSource(bus: Bus, supply: Supply): Phase {
  return polesOf(bus)[0] === 'whole' ? 'single' : (supply.legs ?? phaseOfBus(bus));
}

function phaseOfBus(bus: Bus | undefined): Phase {
  switch (bus?.poles) {
    case 'split-180':
      return 'opposed';
    case 'two-poles-in-phase':
      return 'in-phase';
    default:
      return 'single';
  }
}

function busOf(rig: Rig, id: string): Bus | undefined {
  return rig.buses.find((bus) => bus.id === id);
}
