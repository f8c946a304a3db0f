import type { NumberStyle } from '../units/number-style.js';
import { formatSeconds } from '../units/format.js';
import type { Edge } from '../units/quantity.js';
import { loadOf } from '../rig/lookup.js';
import { inSentence, theLoad } from '../rig/names-in-sentences.js';
import type { Rig } from '../rig-file/schema.js';
import type { Limit, StartTested } from '../check/limits/limit.js';

/** A load inside a sentence, or one part of a load that has several. */
export function partName(rig: Rig, { loadId, partId }: Pick<StartTested, 'loadId' | 'partId'>): string {
  const load = loadOf(rig, loadId);
  const part = load.parts.find((candidate) => candidate.id === partId);
  if (load.parts.length < 2 || !part) return theLoad(load.name);
  return `${theLoad(part.name ?? part.id)} of ${theLoad(load.name)}`;
}

/** The row of the limit ladder: what is tested and on what. */
export function limitLabel(style: NumberStyle, rig: Rig, limit: Limit): string {
  const { element, start, kind } = limit;
  if (start) return startLabel(style, rig, limit, start);
  if (kind === 'continuous-rule') return `3 h rule, ${element.name}`;
  if (kind === 'inverter-peak') return `${element.name} peak current`;
  if (element.kind === 'battery') return dcLabel(limit) ?? `${element.name} current`;
  if (!isPowerSource(element)) return element.name;
  const isAssisting = element.kind === 'inverter' && element.assists !== undefined;
  return `${element.name} ${isAssisting ? 'with shore' : 'running'}, ${limit.unit}`;
}

function startLabel(style: NumberStyle, rig: Rig, limit: Limit, start: StartTested): string {
  const verb = start.again ? 'Restart' : SURGE_LABELS[start.cause];
  const what = `${verb}, ${inSentence(loadOf(rig, start.loadId).name)}`;
  const { element } = limit;
  if (element.kind === 'load-volts') return start.again ? `${element.name}, restart` : element.name;
  if (!isPowerSource(element)) return `${what}, ${dcLabel(limit) ?? element.name}`;
  const leg = /, leg \d$/.exec(element.name)?.[0] ?? '';
  return `${what}, ${ceilingTime(style, start, limit.edge)}${leg}${limit.unit === 'W' ? ', W' : ''}`;
}

const SURGE_LABELS = {
  start: 'Start',
  bogged: 'Bogged down',
  stall: 'Stalled',
  together: 'With all that restarts',
} as const;

const isPowerSource = ({ kind }: Limit['element']): boolean => kind === 'inverter' || kind === 'generator';

const DC_LABELS: Partial<Record<Limit['kind'], string>> = {
  'dc-volts': 'Battery volts',
  'dc-volts-start': 'battery volts',
  'dc-fuse': 'Battery fuse',
  'dc-fuse-start': 'battery fuse',
  'dc-cable': 'Battery cable',
};

/** The limits of a bank that are not its own current. */
function dcLabel({ kind, id, element }: Limit): string | undefined {
  const label = DC_LABELS[kind];
  if (label === undefined) return undefined;
  if (!kind.startsWith('dc-volts')) {
    const batteries = element.kind === 'battery' ? element.batteries : [];
    const own = batteries.find((battery) => id.includes(`:${battery.id}:`));
    return own && batteries.length > 1 ? `${label}, ${own.name}` : label;
  }
  return id.includes(':battery-volts') ? `${label}, its own cut-off` : `${label}, cut-off`;
}

/** For how long the ceiling of a start is carried. */
export function ceilingTime(style: NumberStyle, { ceilingSeconds }: StartTested, edge: Edge): string {
  const seconds = ceilingSeconds[edge];
  return Number.isFinite(seconds) ? formatSeconds(style, seconds) : 'continuous';
}
