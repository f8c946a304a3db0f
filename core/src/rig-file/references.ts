import { fieldName } from './field-names.js';
import type { RigProblem } from './problems.js';
import type { Bus, Rig } from './schema.js';

/** Ids that occur twice, and ids that name nothing. */
export function checkReferences(rig: Rig): readonly RigProblem[] {
  return [
    ...duplicateIds(rig),
    ...danglingIds(rig),
    ...repeatedSceneLoads(rig),
    ...tiesInRings(rig),
    ...circuitsBetweenNoPoles(rig),
  ];
}

/** A circuit between two poles of a bus that has but one cannot be wired. */
function circuitsBetweenNoPoles(rig: Rig): readonly RigProblem[] {
  return rig.circuits.flatMap((circuit, index) => {
    const bus = rig.buses.find(({ id }) => id === circuit.bus);
    const isOnePole = bus && (bus.kind === 'dc' || (bus.poles ?? 'single') === 'single');
    if (circuit.pole !== 'both' || !isOnePole) return [];
    const message = `cannot be between both legs: ${bus.name} has one pole; choose one leg, or give ${bus.name} two`;
    return [problem(rig, `circuits[${index}].pole`, message)];
  });
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
    'solar',
  ] as const;
  const inLists = lists.flatMap((list) => duplicatesIn(rig[list] ?? [], list, rig));
  const inParts = rig.loads.flatMap((load, index) => [
    ...duplicatesIn(load.parts, `loads[${index}].parts`, rig),
    ...duplicatesIn(load.states ?? [], `loads[${index}].states`, rig),
  ]);
  const inDays = (rig.days ?? []).flatMap((day, index) => duplicatesIn(day.jobs, `days[${index}].jobs`, rig));
  return [...inLists, ...inParts, ...duplicatesIn(rig.days ?? [], 'days', rig), ...inDays];
}

function duplicatesIn(
  entries: readonly { readonly id: string }[],
  list: string,
  rig: Rig,
): readonly RigProblem[] {
  return entries.flatMap((entry, index) =>
    entries.findIndex((other) => other.id === entry.id) < index
      ? [
          {
            ...problem(
              rig,
              `${list}[${index}].id`,
              `"${entry.id}" is used twice; give one of the two another id`,
            ),
            isRepeatedId: true,
          },
        ]
      : [],
  );
}

/** One id at a place of the file, with what it may name. */
type Reference = readonly [path: string, id: string | null | undefined, among: readonly Named[]];

interface Named {
  readonly id: string;
}

function danglingIds(rig: Rig): readonly RigProblem[] {
  return [
    ...systemReferences(rig),
    ...loadReferences(rig),
    ...sceneReferences(rig),
    ...dayReferences(rig),
  ].flatMap(([path, id, among]) =>
    id === undefined || id === null || among.some((entry) => entry.id === id)
      ? []
      : [problem(rig, path, `"${id}" is not in this file; use one of ${listOf(among)}`)],
  );
}

function systemReferences(rig: Rig): readonly Reference[] {
  const buses = (kind: Bus['kind']) => rig.buses.filter((bus) => bus.kind === kind);
  return [
    ...rig.sources.map((it, i): Reference => [`sources[${i}].bus`, it.bus, buses('ac')]),
    ...rig.converters.flatMap((it, i): readonly Reference[] => [
      [`converters[${i}].from`, it.from, it.kind === 'charger' ? buses('ac') : buses('dc')],
      [
        `converters[${i}].to`,
        it.to,
        it.kind === 'charger' || it.kind === 'dc-dc' ? buses('dc') : buses('ac'),
      ],
      [`converters[${i}].passThroughFrom`, it.passThroughFrom, buses('ac')],
    ]),
    ...rig.batteries.map((it, i): Reference => [`batteries[${i}].bus`, it.bus, buses('dc')]),
    ...(rig.solar ?? []).map((it, i): Reference => [`solar[${i}].bus`, it.bus, buses('dc')]),
    ...rig.circuits.flatMap((it, i): readonly Reference[] => [
      [`circuits[${i}].bus`, it.bus, rig.buses],
      [`circuits[${i}].sharesNeutralWith`, it.sharesNeutralWith, rig.circuits],
    ]),
    ...rig.supplies.flatMap((it, i) =>
      it.sources.map((id, j): Reference => [`supplies[${i}].sources[${j}]`, id, rig.sources]),
    ),
  ];
}

function loadReferences(rig: Rig): readonly Reference[] {
  return [
    ...rig.loads.flatMap((it, i): readonly Reference[] => [
      [`loads[${i}].circuit`, it.circuit, rig.circuits],
      ...(it.neverOn ?? []).map((id, j): Reference => [`loads[${i}].neverOn[${j}]`, id, rig.supplies]),
      ...(it.states ?? []).flatMap((state, j) =>
        state.parts.map(({ part }, k): Reference => [
          `loads[${i}].states[${j}].parts[${k}].part`,
          part,
          it.parts,
        ]),
      ),
      ...(it.programme?.stages ?? []).map(({ state }, j): Reference => [
        `loads[${i}].programme.stages[${j}].state`,
        state,
        it.states ?? [],
      ]),
    ]),
    ...(rig.ties ?? []).flatMap((it, i): readonly Reference[] => [
      [`ties[${i}].follower`, it.follower, rig.loads],
      [`ties[${i}].leader`, it.leader, rig.loads],
    ]),
    ...(rig.locks ?? []).flatMap((it, i) =>
      it.loads.map((id, j): Reference => [`locks[${i}].loads[${j}]`, id, rig.loads]),
    ),
    ...(rig.shedders ?? []).flatMap((it, i): readonly Reference[] => [
      [`shedders[${i}].drops`, it.drops, rig.loads],
      [`shedders[${i}].watches`, it.watches, rig.loads],
    ]),
  ];
}

function sceneReferences(rig: Rig): readonly Reference[] {
  return rig.scenes.flatMap((it, i): readonly Reference[] => [
    [`scenes[${i}].supply`, it.supply, rig.supplies],
    ...it.on.flatMap((on, j): readonly Reference[] => [
      [`scenes[${i}].on[${j}].load`, on.load, rig.loads],
      ...(on.offAtRestartOf ?? []).map((id, k): Reference => [
        `scenes[${i}].on[${j}].offAtRestartOf[${k}]`,
        id,
        rig.loads,
      ]),
      [`scenes[${i}].on[${j}].state`, on.state, rig.loads.find((load) => load.id === on.load)?.states ?? []],
    ]),
  ]);
}

function dayReferences(rig: Rig): readonly Reference[] {
  return (rig.days ?? []).flatMap(
    ({ supplies = [], jobs, plan = [], supplyRuns = [] }, i): readonly Reference[] => [
      ...supplies.map((it, j): Reference => [`days[${i}].supplies[${j}].supply`, it.supply, rig.supplies]),
      ...jobs.flatMap((it, j): readonly Reference[] => [
        [`days[${i}].jobs[${j}].load`, it.load, rig.loads],
        [
          `days[${i}].jobs[${j}].state`,
          it.state,
          rig.loads.find((load) => load.id === it.load)?.states ?? [],
        ],
        [`days[${i}].jobs[${j}].after`, it.after, jobs],
      ]),
      ...jobs.flatMap(({ with: beside = [] }, j) =>
        beside.map((id, k): Reference => [`days[${i}].jobs[${j}].with[${k}]`, id, rig.loads]),
      ),
      ...plan.map((it, j): Reference => [`days[${i}].plan[${j}].job`, it.job, jobs]),
      ...supplyRuns.map((it, j): Reference => [
        `days[${i}].supplyRuns[${j}].supply`,
        it.supply,
        rig.supplies,
      ]),
    ],
  );
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

/** A load that starts because of itself would start for ever. */
function tiesInRings(rig: Rig): readonly RigProblem[] {
  const ties = rig.ties ?? [];
  /** Loads that no ring can be reached from, so that each is gone through once. */
  const clear = new Set<string>();
  const ringFrom = (id: string, path: readonly string[]): readonly string[] | undefined => {
    if (path.includes(id)) return path.slice(path.indexOf(id));
    if (clear.has(id)) return undefined;
    for (const { follower } of ties.filter(({ leader }) => leader === id)) {
      const ring = ringFrom(follower, [...path, id]);
      if (ring) return ring;
    }
    clear.add(id);
    return undefined;
  };
  const first = ties.map(({ leader }) => ringFrom(leader, [])).find((ring) => ring !== undefined);
  if (!first) return [];
  const index = ties.findIndex(({ leader }) => leader === first[0]);
  const message = `goes round in a ring: ${first.join(', ')}; remove one of these ties`;
  return [problem(rig, `ties[${index}].follower`, message)];
}

function problem(rig: Rig, path: string, message: string): RigProblem {
  return { path, field: fieldName(path, rig), message };
}

const MOST_LISTED = 12;

function listOf(entries: readonly Named[]): string {
  if (entries.length === 0) return '(there is none yet)';
  const ids = entries.slice(0, MOST_LISTED).map((entry) => entry.id);
  return entries.length > MOST_LISTED ? `${ids.join(', ')} …` : ids.join(', ');
}
