import { formatSeconds } from '../quantity/format.js';
import type { Load, Rig } from '../rig/schema.js';
import type { Limit, StartTested } from './limit.js';

/** The load with an id of the rig; ids in a result always are. */
export function loadOf(rig: Rig, id: string): Load {
  const load = rig.loads.find((candidate) => candidate.id === id);
  if (!load) throw new RangeError(`The rig has no load ${id}`);
  return load;
}

/**
 * A load's name inside a sentence.
 *
 * @example
 * theLoad('Roof air conditioner'); // 'the roof air conditioner'
 */
export function theLoad(name: string): string {
  return `the ${inSentence(name)}`;
}

/** A load inside a sentence, or one part of a load that has several. */
export function partName(rig: Rig, { loadId, partId }: Pick<StartTested, 'loadId' | 'partId'>): string {
  const load = loadOf(rig, loadId);
  const part = load.parts.find((candidate) => candidate.id === partId);
  if (load.parts.length < 2 || !part) return theLoad(load.name);
  return `${theLoad(part.name ?? part.id)} of ${theLoad(load.name)}`;
}

/** The row of the limit ladder: what is tested and on what. */
export function limitLabel(rig: Rig, limit: Limit): string {
  const { element, start } = limit;
  const isPower = element.kind === 'inverter' || element.kind === 'generator';
  if (start) {
    const what = `${start.again ? 'Restart' : 'Start'}, ${inSentence(loadOf(rig, start.loadId).name)}`;
    return isPower
      ? `${what}, ${ceilingTime(start)}${limit.unit === 'W' ? ', W' : ''}`
      : `${what}, ${element.name}`;
  }
  if (limit.kind === 'continuous-rule') return `3 h rule, ${element.name}`;
  if (element.kind === 'battery') return `${element.name} current`;
  if (!isPower) return element.name;
  const isAssisting = element.kind === 'inverter' && element.assists !== undefined;
  return `${element.name} ${isAssisting ? 'with shore' : 'running'}, ${limit.unit}`;
}

/** For how long the ceiling of a start is carried. */
export function ceilingTime({ ceilingSeconds }: StartTested): string {
  return Number.isFinite(ceilingSeconds) ? formatSeconds(ceilingSeconds) : 'continuous';
}

/** A name that begins with a word, not an acronym, begins small inside a sentence. */
function inSentence(name: string): string {
  const isWord = /^.[^A-Z]/u.test(name);
  return isWord ? `${name.slice(0, 1).toLowerCase()}${name.slice(1)}` : name;
}
