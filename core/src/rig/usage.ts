import { kindOfPart } from '../reference/kinds-of-parts.js';
import type { Load } from '../rig-file/schema.js';

/**
 * How a load is used, as far as it can be: a refrigerator, an air conditioner or whatever cycles by a thermostat or a
 * pressure switch starts by itself, whatever was entered (methods.md, rule 44).
 */
export function usageOf(load: Load): Load['usage'] {
  return cannotBeSwitched(load) ? 'by-itself' : load.usage;
}

/** Whether a load is entered as switched by hand though nobody switches its kind by hand. */
export function cannotBeSwitched({ usage, parts, cycling }: Load): boolean {
  if (usage === 'by-itself') return false;
  return parts.some(({ kind }) => {
    const { hasThermostat, mayHaveThermostat } = kindOfPart(kind);
    return hasThermostat === true || (mayHaveThermostat === true && cycling !== undefined);
  });
}
