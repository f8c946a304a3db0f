import { reach } from 'yup';
import { rigSchema } from './schema.js';

/** One step into a document: a key, or an index of a list. */
type Step = string | number;

/** The name of one entry of each list, for messages. */
const ENTRY_NAMES: Record<string, string> = {
  buses: 'Bus',
  sources: 'Source',
  converters: 'Inverter',
  batteries: 'Battery',
  circuits: 'Circuit',
  loads: 'Load',
  supplies: 'Supply',
  scenes: 'Scene',
  parts: 'part',
  tiers: 'surge tier',
};

/** `loads[3].parts[0].runningW` as steps. */
export function stepsOf(path: string): readonly Step[] {
  return [...path.matchAll(/\[(\d+)\]|\["([^"]*)"\]|([^.[\]]+)/g)].map((match) =>
    match[1] === undefined ? (match[2] ?? match[3] ?? '') : Number(match[1]),
  );
}

/**
 * The name a person knows a field by: entries by their own names, fields by their labels.
 *
 * @example
 * nameField('loads[3].parts[0].runningW.value', rig); // 'Load "Kettle", running power'
 */
export function fieldName(path: string, document: unknown): string {
  const names: string[] = [];
  let here: unknown = document;
  let list: { readonly key: string; readonly length: number } | undefined;
  let schemaPath = '';
  const steps = stepsOf(path);
  for (const [index, step] of steps.entries()) {
    here = childOf(here, step);
    if (typeof step === 'number') {
      schemaPath += `[${step}]`;
      if (list && (list.key !== 'parts' || list.length > 1)) names.push(entryName(list.key, step, here));
      continue;
    }
    schemaPath += schemaPath ? `.${step}` : step;
    list = Array.isArray(here) ? { key: step, length: here.length } : undefined;
    if (list && ENTRY_NAMES[step] && index < steps.length - 1) continue;
    const label = labelAt(schemaPath);
    if (step !== 'value' && label) names.push(label);
  }
  const name = names.join(', ');
  return name && `${name[0]?.toUpperCase() ?? ''}${name.slice(1)}`;
}

function childOf(value: unknown, step: Step): unknown {
  return typeof value === 'object' && value !== null ? (value as Record<Step, unknown>)[step] : undefined;
}

function entryName(list: string, index: number, entry: unknown): string {
  const kind = ENTRY_NAMES[list] ?? 'entry';
  const named = childOf(entry, 'name') ?? childOf(entry, 'id');
  return typeof named === 'string' && named ? `${kind} "${named}"` : `${kind} ${index + 1}`;
}

function labelAt(path: string): string | undefined {
  try {
    const schema = reach(rigSchema, path) as { spec?: { meta?: { label?: string } } };
    return schema.spec?.meta?.label;
  } catch {
    return undefined;
  }
}
