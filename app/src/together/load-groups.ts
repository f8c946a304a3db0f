import {
  kindOfPart,
  LOAD_FAMILIES,
  type CheckResult,
  type Interval,
  type Load,
  type LoadFamily,
  type Rig,
} from '@heliarch/core';

/** One row of the load list. */
export interface LoadRow {
  readonly load: Load;
  readonly isOn: boolean;
  /** Place in the switching order; none for loads that start by themselves or are not fed. */
  readonly place: number | undefined;
  readonly startsByItself: boolean;
  readonly watts: number;
  /** The largest start of its parts, VA. */
  readonly kick: number | undefined;
  readonly notFed: string | undefined;
}

export interface LoadGroup {
  readonly family: LoadFamily;
  /** Running watts of what is on in this group, as stated. */
  readonly watts: number;
  readonly rows: readonly LoadRow[];
}

/** The loads by family, each with its place in the start order. */
export function groupLoads(
  rig: Rig,
  isOn: ReadonlySet<string>,
  result: CheckResult,
  notFed: ReadonlyMap<string, string>,
): readonly LoadGroup[] {
  const places = new Map(result.order.map((consumer, index) => [consumer.load.id, index + 1]));
  const rows = rig.loads.map((load): LoadRow => ({
    load,
    isOn: isOn.has(load.id),
    place: places.get(load.id),
    startsByItself: load.usage === 'by-itself',
    watts: runningWatts(load),
    kick: largestKick(load),
    notFed: notFed.get(load.id),
  }));
  return LOAD_FAMILIES.map((family) => groupOf(family, rows)).filter((group) => group.rows.length > 0);
}

function groupOf(family: LoadFamily, rows: readonly LoadRow[]): LoadGroup {
  const own = rows.filter(({ load }) => familyOf(load) === family);
  const watts = own.filter((row) => row.isOn && !row.notFed).reduce((sum, row) => sum + row.watts, 0);
  return { family, watts, rows: own };
}

/** A load belongs where its largest part does: a roof unit is a compressor with a fan. */
export function familyOf(load: Load): LoadFamily {
  return kindOfPart(largestPart(load).kind).family;
}

/** The part whose numbers stand for the load in a list. */
export function largestPart(load: Load): Load['parts'][number] {
  return load.parts.reduce((largest, part) =>
    part.runningW.value > largest.runningW.value ? part : largest,
  );
}

/** The part with the largest start. */
export function kickingPart(load: Load): Load['parts'][number] | undefined {
  return load.parts
    .filter((part) => part.start)
    .reduce<Load['parts'][number] | undefined>(
      (largest, part) => ((part.start?.va.value ?? 0) > (largest?.start?.va.value ?? 0) ? part : largest),
      undefined,
    );
}

const runningWatts = (load: Load): number => load.parts.reduce((sum, part) => sum + part.runningW.value, 0);

const largestKick = (load: Load): Interval['stated'] | undefined => kickingPart(load)?.start?.va.value;
