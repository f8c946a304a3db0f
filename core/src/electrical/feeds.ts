import type { Bus, Converter, Rig, Source, Supply } from '../rig/schema.js';

/** What a bus draws from in a given situation. */
export type Feed =
  | { readonly by: 'source'; readonly source: Source; readonly through: Converter | undefined }
  | { readonly by: 'inverter'; readonly converter: Converter }
  | { readonly by: 'battery'; readonly bus: Bus };

/**
 * Which bus is fed by what, once the sources of a supply are connected. A connected source feeds its
 * own bus and, through the transfer relay of an inverter/charger, the bus behind it; an inverter
 * with a battery feeds its output only where no source does; a battery feeds its DC bus. A bus that
 * is missing is dead.
 *
 * @returns Feeds by the id of the bus.
 */
export function feedsOf(rig: Rig, supply: Supply): ReadonlyMap<string, Feed> {
  const feeds = new Map<string, Feed>();
  for (const source of rig.sources) {
    if (supply.sources.includes(source.id))
      feeds.set(source.bus, { by: 'source', source, through: undefined });
  }
  passThrough(rig.converters, feeds);
  for (const bus of rig.buses) {
    if (rig.batteries.some((battery) => battery.bus === bus.id)) feeds.set(bus.id, { by: 'battery', bus });
  }
  for (const converter of rig.converters) {
    const isInverter = converter.kind === 'inverter' || converter.kind === 'inverter-charger';
    const hasBattery = feeds.get(converter.from)?.by === 'battery';
    if (isInverter && hasBattery && !feeds.has(converter.to)) {
      feeds.set(converter.to, { by: 'inverter', converter });
    }
  }
  return feeds;
}

/** Relays in a row pass a source on one after the other, hence once per converter. */
function passThrough(converters: readonly Converter[], feeds: Map<string, Feed>): void {
  converters.forEach(() => {
    for (const converter of converters) {
      const feed = converter.passThroughFrom ? feeds.get(converter.passThroughFrom) : undefined;
      if (feed?.by === 'source' && !feeds.has(converter.to)) {
        feeds.set(converter.to, { by: 'source', source: feed.source, through: converter });
      }
    }
  });
}
