import { isSoftStarted } from '../../loads/start/soft-starter.js';
import { kindOfPart } from '../../reference/kinds-of-parts.js';
import { circuitOfLoad } from '../../rig/lookup.js';
import { feedsOf, polesOfCircuit, type Feed, type Pole } from '../../supply/feeds.js';
import type { Bus, Circuit, Load, Rig, Supply } from '../../rig-file/schema.js';
import { WHY_NOT_FED } from './not-fed-words.js';

/** A load that is on but runs on nothing here: it adds nothing, and why. */
export interface NotFed {
  readonly load: Load;
  readonly circuit: Circuit;
  readonly because: string;
}

/** A load with what feeds it. */
export interface FedLoad {
  readonly load: Load;
  readonly circuit: Circuit;
  readonly bus: Bus;
  /** The poles it takes its current from: one, or two for a load between two legs. */
  readonly poles: readonly Pole[];
  /** One feed per pole. */
  readonly feeds: readonly [Feed, ...Feed[]];
}

/** Follows the wiring from each load back to what feeds it; the rest is dead here, and says why. */
export function fedLoads(
  rig: Rig,
  supply: Supply,
  loads: readonly Load[],
): { readonly fed: readonly FedLoad[]; readonly notFed: readonly NotFed[] } {
  const feeds = feedsOf(rig, supply);
  const fed: FedLoad[] = [];
  const notFed: NotFed[] = [];
  for (const load of loads) {
    const circuit = circuitOf(rig, load);
    const bus = busOf(rig, circuit.bus);
    const poles = polesOfCircuit(bus, circuit);
    const own = poles.flatMap((pole) => feeds.get(bus.id, pole) ?? []);
    const [first, ...rest] = own;
    const because =
      first === undefined || own.length < poles.length
        ? WHY_NOT_FED.nothingFeeds(circuit.name)
        : whyNotHere(load, bus, supply, [first, ...rest]);
    if (first && because === undefined) fed.push({ load, circuit, bus, poles, feeds: [first, ...rest] });
    else notFed.push({ load, circuit, because: because ?? '' });
  }
  return { fed, notFed };
}

/** What must not be done at all, whatever the numbers (methods.md 1). */
function whyNotHere(
  load: Load,
  bus: Bus,
  supply: Supply,
  feeds: readonly [Feed, ...Feed[]],
): string | undefined {
  const [feed] = feeds;
  if (load.neverOn?.includes(supply.id)) return WHY_NOT_FED.keptOff(supply.name);
  if (feeds.length > 1 && feed.phase === 'in-phase') return WHY_NOT_FED.onePole(2 * bus.volts);
  if (feeds.length > 1 && new Set(feeds.map((each) => each.by)).size > 1) return WHY_NOT_FED.twoSources;
  return whyNotThisWave(load, bus, feed);
}

function whyNotThisWave(load: Load, bus: Bus, feed: Feed): string | undefined {
  const hasRotor = load.parts.some(({ kind }) => kindOfPart(kind).startTorqueShare !== undefined);
  const { ratedHertz } = load;
  if (hasRotor && ratedHertz !== undefined && bus.hertz !== undefined && ratedHertz !== bus.hertz)
    return WHY_NOT_FED.otherHertz(ratedHertz, bus.hertz);
  const isModified = feed.by === 'inverter' && feed.converter.waveform === 'modified-sine';
  const needsSine = load.parts.some(isSoftStarted);
  return isModified && needsSine ? WHY_NOT_FED.modifiedSine : undefined;
}

function circuitOf(rig: Rig, load: Load): Circuit {
  const circuit = circuitOfLoad(rig, load);
  if (!circuit)
    throw new RangeError(`Load ${load.id} is on circuit ${load.circuit}, which the rig does not have`);
  return circuit;
}

/** The bus with an id of the rig. */
export function busOf(rig: Rig, busId: string): Bus {
  const bus = rig.buses.find((candidate) => candidate.id === busId);
  if (!bus) throw new RangeError(`The rig has no bus ${busId}`);
  return bus;
}
