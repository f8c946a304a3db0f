import { kindOfPart, startSizeOf, type Part, type SystemOfLoad } from '@heliarch/core/rig';

/** A way in which a number is known: its tab and the fields it asks for, within the part. */
export interface Way {
  readonly id: string;
  readonly label: string;
  readonly fields: readonly string[];
}

export const RUNNING_WAYS: readonly Way[] = [
  { id: 'watts', label: 'Watts', fields: ['runningW', 'powerFactor'] },
  { id: 'meter', label: 'Meter', fields: [] },
  { id: 'amps', label: 'Amps', fields: ['runningFrom.amps', 'runningFrom.volts', 'powerFactor'] },
  { id: 'va', label: 'VA', fields: ['runningFrom.va', 'powerFactor'] },
  { id: 'horsepower', label: 'Horsepower', fields: ['runningFrom.horsepower', 'powerFactor'] },
  {
    id: 'cooling',
    label: 'Cooling',
    fields: ['runningFrom.coolingW', 'runningFrom.coolingPerWatt', 'powerFactor'],
  },
  { id: 'cooking', label: 'Cooking', fields: ['runningFrom.cookingW', 'powerFactor'] },
  {
    id: 'charger',
    label: 'Charger',
    fields: ['runningFrom.chargeA', 'runningFrom.volts', 'powerFactor'],
  },
];

/** The way the running power of a part is known by. */
export function runningWay({ runningW, runningFrom = {} }: Part): string {
  if (runningW) return 'watts';
  if (runningFrom.amps) return 'amps';
  if (runningFrom.va) return 'va';
  if (runningFrom.horsepower !== undefined) return 'horsepower';
  if (runningFrom.coolingW) return 'cooling';
  if (runningFrom.cookingW) return 'cooking';
  return runningFrom.chargeA ? 'charger' : 'watts';
}

/** A part whose running power is known in one way alone. */
export function runningKnownBy(part: Part, way: Way): Part {
  const { runningW, runningFrom, ...rest } = part;
  const from = only(runningFrom, way, 'runningFrom.');
  return { ...rest, ...(way.id === 'watts' && runningW && { runningW }), ...(from && { runningFrom: from }) };
}

/** The fields that a way asks for; undefined where none of them is there. */
function only<T extends object>(from: T | undefined, { fields }: Way, prefix: string): T | undefined {
  const own = Object.entries(from ?? {}).filter(([key]) => fields.includes(`${prefix}${key}`));
  return own.length > 0 ? (Object.fromEntries(own) as T) : undefined;
}

const SECONDS = ['start.seconds', 'start.powerFactor'];

export const START_WAYS: readonly Way[] = [
  { id: 'none', label: 'None', fields: [] },
  { id: 'entered', label: 'VA', fields: ['start.va', ...SECONDS, 'start.softStarter'] },
  {
    id: 'inrush',
    label: 'Clamp',
    fields: ['start.from.inrushA', 'start.from.baseA', ...SECONDS, 'start.softStarter'],
  },
  {
    id: 'locked-rotor',
    label: 'Locked rotor',
    fields: ['start.from.lockedRotorA', 'start.from.volts', ...SECONDS],
  },
  {
    id: 'rated-load',
    label: 'Rated load',
    fields: ['start.from.ratedLoadA', 'start.from.volts', ...SECONDS],
  },
  {
    id: 'code-letter',
    label: 'Code letter',
    fields: ['start.from.codeLetter', 'start.from.horsepower', 'start.from.volts', ...SECONDS],
  },
  { id: 'motor-table', label: 'Motor table', fields: ['start.from.horsepower', ...SECONDS] },
  { id: 'multiple', label: 'Typical', fields: SECONDS },
];

/** The way the start of a part is known by. */
export function startWay(part: Part, system: SystemOfLoad): string {
  return startSizeOf(part, system)?.origin ?? 'none';
}

/** A part whose start is known in one way alone. */
export function startKnownBy(part: Part, way: Way): Part {
  const { va, from, none: _none, ...kept } = part.start ?? {};
  const own = only(from, way, 'start.from.');
  return {
    ...part,
    start: { ...kept, ...(way.id === 'entered' && va && { va }), ...(own && { from: own }) },
  };
}

/** Whether a way makes sense for a part: a heater has no typical start, a rotor is never without one. */
export function isOffered({ id }: Way, part: Part): boolean {
  const { startMultiple, startTorqueShare } = kindOfPart(part.kind);
  if (id === 'none') return startTorqueShare === undefined;
  return id !== 'multiple' || startMultiple !== undefined;
}

/** A part that is said to have no start: outright where its kind usually has one. */
export function withoutStart({ kind }: Part): Part['start'] {
  return kindOfPart(kind).startMultiple ? { none: 'yes' } : undefined;
}
