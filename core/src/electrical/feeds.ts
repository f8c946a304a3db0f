import type { Converter, Rig, Source, Supply } from '../rig/schema.js';

/** What an AC bus draws from in a given situation. */
export type Feed =
  | { readonly by: 'source'; readonly source: Source }
  | { readonly by: 'inverter'; readonly converter: Converter };

/**
 * Which bus is fed by what, once the sources of a supply are connected. A connected source feeds its
 * own bus and, through the transfer relay of an inverter/charger, the bus behind it; an inverter
 * with a battery feeds its output only where no source does. A bus that is missing is dead.
 *
 * @returns Feeds by the id of the AC bus.
 */
export function feedsOf(rig: Rig, supply: Supply): ReadonlyMap<string, Feed> {
  const feeds = new Map<string, Feed>();
  for (const source of rig.sources) {
    if (supply.sources.includes(source.id)) feeds.set(source.bus, { by: 'source', source });
  }
  passThrough(rig.converters, feeds);
  for (const converter of rig.converters) {
    const hasBattery = rig.batteries.some((battery) => battery.bus === converter.from);
    if (hasBattery && !feeds.has(converter.to)) feeds.set(converter.to, { by: 'inverter', converter });
  }
  return feeds;
}

/** Relays in a row pass a source on one after the other, hence once per converter. */
function passThrough(converters: readonly Converter[], feeds: Map<string, Feed>): void {
  converters.forEach(() => {
    for (const { passThroughFrom, to } of converters) {
      const feed = passThroughFrom ? feeds.get(passThroughFrom) : undefined;
      if (feed?.by === 'source' && !feeds.has(to)) feeds.set(to, feed);
    }
  });
}
