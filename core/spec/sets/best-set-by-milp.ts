import highsLoader from 'highs';

/** A load of a rig of one inverter without doubts, at a power factor of one: volt-amps are watts. */
export interface ScalarLoad {
  readonly id: string;
  readonly running: number;
  readonly start?: { readonly va: number; readonly seconds: number };
  readonly startsBy: 'hand' | 'itself';
  readonly circuit: string;
}

export interface ScalarRig {
  readonly loads: readonly ScalarLoad[];
  readonly continuous: number;
  readonly tiers: readonly (readonly [va: number, seconds: number])[];
  /** What each circuit carries for hours, VA. */
  readonly circuits: Readonly<Record<string, number>>;
}

type Solver = Awaited<ReturnType<typeof highsLoader>>;

/** The solver of mixed-integer programmes, HiGHS, as an independent reference. */
export const milpSolver = (): Promise<Solver> => highsLoader();

/**
 * How many loads can run together at most: a mixed-integer programme of its own, which shares no code with core/src.
 *
 * A start that must not be on top of more than D watts, itself running included, is a job with a deadline; jobs are done
 * by earliest deadline (J. R. Jackson, 1955), so that what runs when load i has started is the floor and all started by
 * hand with no later deadline. What starts by itself must bear all that runs.
 */
export function mostTogether(solver: Solver, rig: ScalarRig): number {
  return Math.round(solver.solve(programmeOf(rig)).ObjectiveValue);
}

function programmeOf({ loads, continuous, tiers, circuits }: ScalarRig): string {
  const of = (id: string): string => `x_${loads.findIndex((load) => load.id === id)}`;
  const sum = (some: readonly ScalarLoad[]): string =>
    some.map(({ id, running }) => `${running} ${of(id)}`).join(' + ');
  const all = loads.reduce((total, { running }) => total + running, 0);
  const ceiling = (seconds: number): number =>
    Math.max(continuous, ...tiers.filter(([, lasts]) => lasts >= seconds).map(([va]) => va));
  const deadline = ({ running, start }: ScalarLoad): number =>
    start ? ceiling(start.seconds) - (start.va - running) : Infinity;
  const isNoLater = (one: ScalarLoad, other: ScalarLoad): boolean =>
    one.start !== undefined && deadline(one) <= deadline(other);
  const started = loads.filter(({ start }) => start);
  const rows = [
    `${sum(loads)} <= ${continuous}`,
    ...Object.entries(circuits).flatMap(([id, most]) => {
      const own = loads.filter(({ circuit }) => circuit === id);
      return own.length > 0 ? [`${sum(own)} <= ${most}`] : [];
    }),
    ...started.map((load) => {
      const before =
        load.startsBy === 'itself'
          ? loads
          : loads.filter((other) => other === load || other.startsBy === 'itself' || isNoLater(other, load));
      // Where the load is off, the row asks nothing.
      return `${sum(before)} + ${all} ${of(load.id)} <= ${deadline(load) + all}`;
    }),
  ];
  return [
    'Maximize',
    ` obj: ${loads.map(({ id }) => of(id)).join(' + ')}`,
    'Subject To',
    ...rows.map((row, index) => ` c${index}: ${row}`),
    'Binary',
    ` ${loads.map(({ id }) => of(id)).join(' ')}`,
    'End',
  ].join('\n');
}
