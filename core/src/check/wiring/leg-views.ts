import { outputPoles, polesOf, type Feed, type Feeds, type Pole } from '../../supply/feeds.js';
import type { Converter, Rig, Source } from '../../rig-file/schema.js';
import { busOf, type FedLoad } from './fed-loads.js';
import type { Members } from './series-elements.js';

/** One conductor of a source or an inverter, with the loads on it. */
export interface LegView {
  readonly pole: Pole;
  /** Appended to ids and names: nothing where there is but one conductor. */
  readonly idSuffix: string;
  readonly nameSuffix: string;
  readonly members: Members;
}

/** A conductor of an inverter's output: what it does there, and which source stands behind it. */
export interface OutputLeg extends LegView {
  readonly passedOn: { readonly source: Source; readonly sourcePole: Pole } | undefined;
  /** Share of the unit's rating on this conductor: half of a unit that feeds two. */
  readonly ratingShare: number;
}

/** A load between two legs draws the same current on each: half of its volt-amps at the volts of a leg. */
const SHARE_BETWEEN_LEGS = 1 / 2;

const LEG_NAMES: Record<Pole, string> = { whole: '', l1: ', leg 1', l2: ', leg 2' };

/** The conductors of a source that is connected, each with what it carries. */
export function sourceLegs(source: Source, fed: readonly FedLoad[]): readonly LegView[] {
  return conductors(fed, (feed) =>
    feed.by === 'source' && feed.source.id === source.id ? asConductor(feed, feed.sourcePole) : undefined,
  );
}

/** The conductors of an inverter's output in a situation, with loads on them or not. */
export function outputLegs(
  rig: Rig,
  feeds: Feeds,
  converter: Converter,
  fed: readonly FedLoad[],
): readonly OutputLeg[] {
  const own = (feed: Feed | undefined): feed is Feed & { by: 'source' | 'inverter' } =>
    (feed?.by === 'source' && feed.through?.id === converter.id) ||
    (feed?.by === 'inverter' && feed.converter.id === converter.id);
  const loaded = conductors(fed, (feed, pole) => (own(feed) ? asConductor(feed, pole) : undefined));
  const poles = outputPoles(rig, converter);
  const legs = new Map<Pole, OutputLeg>();
  for (const pole of poles) {
    const feed = feeds.get(converter.to, pole);
    if (!own(feed)) continue;
    const at = asConductor(feed, pole);
    const view = loaded.find((each) => each.pole === at) ?? emptyLeg(at);
    const passedOn =
      feed.by === 'source'
        ? { source: feed.source, sourcePole: asConductor(feed, feed.sourcePole) }
        : undefined;
    legs.set(at, { ...view, passedOn, ratingShare: at === 'whole' ? 1 : 1 / poles.length });
  }
  return [...legs.values()];
}

/** A conductor with no load on it. */
export const emptyLeg = (pole: Pole): LegView => viewOf(pole, new Map());

/** The share of a generator's rating on one leg. */
export function generatorShare(rig: Rig, source: Source, view: LegView): number {
  return view.pole === 'whole' ? 1 : 1 / polesOf(busOf(rig, source.bus)).length;
}

/** One conductor carries everything where both legs are one pole. */
function asConductor(feed: Feed, pole: Pole): Pole {
  return feed.phase === 'in-phase' ? 'whole' : pole;
}

function conductors(
  fed: readonly FedLoad[],
  conductorOf: (feed: Feed, pole: Pole) => Pole | undefined,
): readonly LegView[] {
  const byPole = new Map<Pole, Map<string, number>>();
  for (const { load, poles, feeds } of fed) {
    poles.forEach((pole, index) => {
      const feed = feeds[index];
      const at = feed && conductorOf(feed, pole);
      if (!feed || at === undefined) return;
      const members = byPole.get(at) ?? new Map<string, number>();
      members.set(load.id, poles.length > 1 ? SHARE_BETWEEN_LEGS : 1);
      byPole.set(at, members);
    });
  }
  return [...byPole].map(([pole, members]) => viewOf(pole, members));
}

function viewOf(pole: Pole, members: Members): LegView {
  const idSuffix = pole === 'whole' ? '' : `:${pole}`;
  return { pole, idSuffix, nameSuffix: LEG_NAMES[pole], members };
}
