import { kindOfPart, startSizeOf, type Part, type SystemOfLoad } from '@heliarch/core';

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

const SECONDS = ['start.seconds', 'start.powerFactor'];

export const KICK_WAYS: readonly Way[] = [
  { id: 'none', label: 'None', fields: [] },
  { id: 'entered', label: 'VA', fields: ['start.va', ...SECONDS, 'start.softStarter'] },
  { id: 'inrush', label: 'Clamp', fields: ['start.from.inrushA', 'start.from.baseA', ...SECONDS] },
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
export function kickWay(part: Part, system: SystemOfLoad): string {
  return startSizeOf(part, system)?.origin ?? 'none';
}

/** Whether a way makes sense for a part: a heater has no typical kick. */
export function isOffered({ id }: Way, part: Part): boolean {
  return id !== 'multiple' || kindOfPart(part.kind).startMultiple !== undefined;
}
