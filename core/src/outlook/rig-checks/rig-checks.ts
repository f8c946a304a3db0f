import type { NumberStyle } from '../../units/number-style.js';
import { capitalised } from '../../units/format.js';
import { contradictionsOf } from '../../rig/contradictions.js';
import { entriesOf, ENTRY_LISTS } from '../../rig/entry-lists.js';
import { stepsOf } from '../../rig-file/field-names.js';
import type { Rig } from '../../rig-file/schema.js';
import { wireTablesOf } from '../../protection/wire-tables.js';
import { acChecks } from './ac-checks.js';
import { dcChecks } from './dc-checks.js';
import type { RigCheck } from './rig-check.js';

const ORDER: Readonly<Record<RigCheck['verdict'], number>> = {
  trips: 0,
  'likely-trips': 1,
  tight: 2,
  unknown: 3,
  holds: 4,
};

/**
 * Whether the parts of a system fit each other: what a careful person looks at before the first load.
 *
 * @returns The worst first; what holds is told too, last. Source: named in each.
 */
export function rigChecksOf(style: NumberStyle, rig: Rig): readonly RigCheck[] {
  const all = [...dcChecks(style, rig), ...acChecks(style, rig)];
  const told = new Set(all.map(({ id }) => id));
  const contradictions = contradictionChecks(rig).filter(({ id }) => !told.has(id));
  return [...all, ...contradictions].sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict]);
}

function contradictionChecks(rig: Rig): readonly RigCheck[] {
  return contradictionsOf(rig, wireTablesOf(rig)).flatMap(
    ({ id, path, field, message }): readonly RigCheck[] => {
      const [listName, index] = stepsOf(path);
      const list = ENTRY_LISTS.find((each) => each === listName);
      const entry = list && typeof index === 'number' ? entriesOf(rig, list)[index] : undefined;
      if (!list || !entry || list === 'loads') return [];
      return [
        {
          id,
          list,
          entryId: entry.id,
          verdict: 'tight',
          title: field,
          sentence: `${capitalised(message)}.`,
          source: 'the two numbers contradict each other',
          fix: 'Look at both again.',
        },
      ];
    },
  );
}
