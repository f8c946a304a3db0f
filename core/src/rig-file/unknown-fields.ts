import { allFields, withoutIndexes, type Field } from './field-table.js';
import { pathOfSteps, type PathStep } from './field-names.js';

/** What a quantity is made of; the field table names the quantity as a whole. */
const OF_A_QUANTITY = ['value', 'basis', 'minus', 'plus', 'commonCause', 'readings', 'source', 'note'];

/**
 * Fields that the rig file does not have, by their places. They are kept, and named once: a slip in the name of
 * a field must not take its number out of a check in silence.
 *
 * @example
 * unknownFieldsOf({ ...rig, converters: [{ ...inverter, chargeAmps: 60 }] }); // ['converters[0].chargeAmps']
 */
export function unknownFieldsOf(document: unknown): readonly string[] {
  const fields = new Map(allFields().map((field) => [field.path, field]));
  return unknownIn(document, [], fields);
}

function unknownIn(
  value: unknown,
  at: readonly PathStep[],
  fields: ReadonlyMap<string, Field>,
): readonly string[] {
  if (Array.isArray(value)) return value.flatMap((entry, index) => unknownIn(entry, [...at, index], fields));
  if (typeof value !== 'object' || value === null) return [];
  const parent = fields.get(withoutIndexes(pathOfSteps(at)));
  return Object.entries(value).flatMap(([key, child]) => {
    const steps = [...at, key];
    const path = pathOfSteps(steps);
    // A test has fields of its own, which the logbook reads.
    if (path.startsWith('logbook[')) return [];
    const isKnown =
      parent?.kind === 'quantity' ? OF_A_QUANTITY.includes(key) : fields.has(withoutIndexes(path));
    return isKnown ? unknownIn(child, steps, fields) : [path];
  });
}
