import type { PlateInRig } from './plate-into-rig.js';
import { formatNumber } from '../units/format.js';
import type { NumberStyle } from '../units/number-style.js';
import { shownUnit, type UnitSystem } from '../units/units.js';
import { fieldAt } from '../rig-file/field-table.js';
import type { Rig } from '../rig-file/schema.js';

const DECIMALS = 2;

/**
 * What a plate changes in an entry that the rig has, number by number: `amp-hours 400 Ah → 200 Ah`. What it only adds is not said;
 * nothing where the entry is new.
 */
export function plateChangeWords(
  style: NumberStyle,
  system: UnitSystem,
  rig: Rig,
  { rig: after, list, id }: Pick<PlateInRig, 'rig' | 'list' | 'id'>,
): readonly string[] {
  const numbersOf = (of: Rig): ReadonlyMap<string, number> => {
    const entries: readonly { readonly id: string }[] = of[list];
    return new Map(leaves(entries.find((entry) => entry.id === id)));
  };
  const filled = numbersOf(after);
  return [...numbersOf(rig)].flatMap(([path, was]) => {
    const is = filled.get(path);
    if (is === was) return [];
    const { label, unit = '' } = fieldAt(`${list}[].${path}`);
    const shown = shownUnit(unit, system);
    const words = (value: number): string =>
      `${formatNumber(style, shown.show(value), DECIMALS)} ${shown.unit}`.trim();
    return [`${label} ${words(was)} ${is === undefined ? 'goes' : `→ ${words(is)}`}`];
  });
}

/** Every number of an entry with its place; of one with its doubt the number as stated. */
function leaves(value: unknown, path = ''): readonly (readonly [path: string, number])[] {
  if (typeof value === 'number') return [[path, value]];
  if (Array.isArray(value)) return value.flatMap((each, index) => leaves(each, `${path}[${index}]`));
  if (typeof value !== 'object' || value === null) return [];
  if ('basis' in value && 'value' in value) return leaves(value.value, path);
  return Object.entries(value).flatMap(([key, each]) => leaves(each, path === '' ? key : `${path}.${key}`));
}
