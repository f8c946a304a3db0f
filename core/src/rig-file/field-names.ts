import { reach } from 'yup';
import { capitalised } from '../units/format.js';
import { rigSchema } from './schema.js';

/** One step into a document: a key, or an index of a list. */
export type PathStep = string | number;

/** The name of one entry of each list, for messages. */
const ENTRY_NAMES: ReadonlyMap<PathStep, string> = new Map([
  ['buses', 'Bus'],
  ['sources', 'Source'],
  ['converters', 'Inverter'],
  ['batteries', 'Battery'],
  ['circuits', 'Circuit'],
  ['loads', 'Load'],
  ['supplies', 'Supply'],
  ['scenes', 'Scene'],
  ['parts', 'part'],
  ['tiers', 'surge tier'],
]);

/** A key that a path can carry as it is. */
const PLAIN_KEY = /^[^.[\]"]+$/;

/** `loads[3].parts[0].runningW` as steps. */
export function stepsOf(path: string): readonly PathStep[] {
  return [...path.matchAll(/\[(\d+)\]|\["([^"]*)"\]|([^.[\]]+)/g)].map((match) =>
    match[1] === undefined ? (match[2] ?? match[3] ?? '') : Number(match[1]),
  );
}

/** Steps as a path: `loads[3].parts[0].runningW`; the opposite of stepsOf. */
export function pathOfSteps(steps: readonly PathStep[]): string {
  return steps
    .map((step, index) => {
      if (typeof step === 'number') return `[${step}]`;
      if (!PLAIN_KEY.test(step)) return `["${step.replaceAll('"', "'")}"]`;
      return index === 0 ? step : `.${step}`;
    })
    .join('');
}

/**
 * The name a person knows a field by: entries by their own names, fields by their labels.
 *
 * @example
 * fieldName('loads[3].parts[0].runningW.value', rig); // 'Load "Kettle", running power'
 */
export function fieldName(path: string, document: unknown): string {
  const steps = stepsOf(path);
  const names = steps.flatMap(
    (_, index) => nameOfStep(steps.slice(0, index + 1), steps.length, document) ?? [],
  );
  return capitalised(names.join(', '));
}

/** The name that one step adds; the list of an entry and the value of a quantity add none. */
function nameOfStep(here: readonly PathStep[], length: number, document: unknown): string | undefined {
  const step = here.at(-1) ?? '';
  const list = here.at(-2);
  if (typeof step === 'number') {
    const entries = valueAt(here.slice(0, -1), document);
    const isOnlyPart = list === 'parts' && Array.isArray(entries) && entries.length === 1;
    return isOnlyPart ? undefined : entryName(String(list), step, valueAt(here, document));
  }
  const leadsToEntry = ENTRY_NAMES.has(step) && here.length < length;
  return step === 'value' || leadsToEntry ? undefined : labelAt(here);
}

function valueAt(steps: readonly PathStep[], document: unknown): unknown {
  return steps.reduce<unknown>(childOf, document);
}

function childOf(value: unknown, step: PathStep): unknown {
  return typeof value === 'object' && value !== null ? (value as Record<PathStep, unknown>)[step] : undefined;
}

function entryName(list: string, index: number, entry: unknown): string {
  const kind = ENTRY_NAMES.get(list) ?? 'entry';
  const named = childOf(entry, 'name') ?? childOf(entry, 'id');
  return typeof named === 'string' && named ? `${kind} "${named}"` : `${kind} ${index + 1}`;
}

function labelAt(steps: readonly PathStep[]): string | undefined {
  try {
    const schema = reach(rigSchema, pathOfSteps(steps)) as { spec?: { meta?: { label?: string } } };
    return schema.spec?.meta?.label;
  } catch {
    return undefined;
  }
}
