import { fieldName } from './field-names.js';
import type { RigProblem } from './problems.js';
import type { Bus, Rig } from './schema.js';

/** Ids that occur twice, and ids that name nothing. */
export function checkReferences(rig: Rig): readonly RigProblem[] {
  return [...duplicateIds(rig), ...danglingIds(rig), ...repeatedSceneLoads(rig)];
}

function duplicateIds(rig: Rig): readonly RigProblem[] {
  const lists = [
    'buses',
    'sources',
    'converters',
    'batteries',
    'circuits',
    'loads',
    'supplies',
    'scenes',
  ] as const;
  const inLists = lists.flatMap((list) => duplicatesIn(rig[list], list, rig));
  const inParts = rig.loads.flatMap((load, index) => duplicatesIn(load.parts, `loads[${index}].parts`, rig));
  return [...inLists, ...inParts];
}

function duplicatesIn(
  entries: readonly { readonly id: string }[],
  list: string,
  rig: Rig,
): readonly RigProblem[] {
  return entries.flatMap((entry, index) =>
    entries.findIndex((other) => other.id === entry.id) < index
      ? [problem(rig, `${list}[${index}].id`, `"${entry.id}" is used twice; give one of the two another id`)]
      : [],
  );
}

function danglingIds(rig: Rig): readonly RigProblem[] {
  const buses = (kind?: Bus['kind']) => rig.buses.filter((bus) => !kind || bus.kind === kind);
  const check = (path: string, id: string | null | undefined, among: readonly { readonly id: string }[]) =>
    id === undefined || id === null || among.some((entry) => entry.id === id)
      ? []
      : [problem(rig, path, `"${id}" is not in this file; use one of ${listOf(among)}`)];
  return [
    ...rig.sources.flatMap((it, i) => check(`sources[${i}].bus`, it.bus, buses('ac'))),
    ...rig.converters.flatMap((it, i) => [
      ...check(`converters[${i}].from`, it.from, buses('dc')),
      ...check(`converters[${i}].to`, it.to, buses('ac')),
      ...check(`converters[${i}].passThroughFrom`, it.passThroughFrom, buses('ac')),
    ]),
    ...rig.batteries.flatMap((it, i) => check(`batteries[${i}].bus`, it.bus, buses('dc'))),
    ...rig.circuits.flatMap((it, i) => check(`circuits[${i}].bus`, it.bus, buses('ac'))),
    ...rig.loads.flatMap((it, i) => check(`loads[${i}].circuit`, it.circuit, rig.circuits)),
    ...rig.supplies.flatMap((it, i) =>
      it.sources.flatMap((id, j) => check(`supplies[${i}].sources[${j}]`, id, rig.sources)),
    ),
    ...rig.scenes.flatMap((it, i) => [
      ...check(`scenes[${i}].supply`, it.supply, rig.supplies),
      ...it.on.flatMap((on, j) => check(`scenes[${i}].on[${j}].load`, on.load, rig.loads)),
    ]),
  ];
}

function repeatedSceneLoads(rig: Rig): readonly RigProblem[] {
  return rig.scenes.flatMap((scene, i) =>
    scene.on.flatMap((on, j) =>
      scene.on.findIndex((other) => other.load === on.load) < j
        ? [problem(rig, `scenes[${i}].on[${j}].load`, `"${on.load}" is listed twice; remove one`)]
        : [],
    ),
  );
}

function problem(rig: Rig, path: string, message: string): RigProblem {
  return { path, field: fieldName(path, rig), message };
}

const MOST_LISTED = 12;

function listOf(entries: readonly { readonly id: string }[]): string {
  if (entries.length === 0) return '(there is none yet)';
  const ids = entries.slice(0, MOST_LISTED).map((entry) => entry.id);
  return entries.length > MOST_LISTED ? `${ids.join(', ')} …` : ids.join(', ');
}
