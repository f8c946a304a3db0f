import { HOURS_OF_A_SLOT, type Stretch } from '../clock.js';
import type { DaySystem } from '../day-system.js';
import type { SetsOnSupply } from '../plan/sets-on-supply.js';
import type { Task } from '../tasks.js';
import { bucketsOf, type Bucket } from './buckets.js';
import { clashesOn } from './clashes.js';
import type { Constraint } from './constraint.js';
import type { Programme, Row, Term } from './linear-programme.js';

/** What of a day a programme asks; what is left out can only make more possible. */
export interface AskedOfDay {
  /** Tasks that must be placed, as places. */
  readonly musts?: readonly number[];
  /** Tasks that are known to have no place, as places. */
  readonly impossible: readonly number[];
  /** Whether draws count as they are forecast, instead of at the edge that the plan keeps to. */
  readonly isForecast?: boolean;
  /** What does not count; all of it does where left out. */
  readonly without?: Constraint;
}

/** Whether a task is placed, as a variable. */
export const placedVariable = (task: number): string => `y${task}`;
/** The lowest charge at the ends of the buckets, Wh. */
export const LOWEST = 'lowest';
/** Steps for which a generator runs in a bucket. */
const generatorVariable = (bucket: number): string => `g${bucket}`;

/** Steps in which the generator runs, as a sum. */
export function generatorSteps(system: DaySystem): readonly Term[] {
  return bucketsOf(system).flatMap(({ ifNeeded }, index): readonly Term[] =>
    ifNeeded === undefined ? [] : [[1, generatorVariable(index)]],
  );
}

/**
 * What every plan of a day keeps, in buckets of half an hour: each task has its steps within its windows, what never runs at
 * once shares the time, and the charge follows from what is drawn at least. Pieces need not hang together, so that more is
 * possible than any plan can do: what is impossible here is impossible.
 *
 * Source: a relaxation (the charge is a concave function of the net power, so that means over a bucket only help);
 * docs/decisions/0012.
 */
export function dayProgramme(system: DaySystem, asked: AskedOfDay): Programme {
  const buckets = bucketsOf(system);
  const places = [...system.tasks.keys()].filter((task) => !asked.impossible.includes(task));
  const shares = new Shares(system, buckets, places, asked.without === 'windows');
  return {
    rows: [
      ...taskRows(system, shares, places),
      ...asked.impossible.map((task): Row => ({ terms: [[1, placedVariable(task)]], is: '=', value: 0 })),
      ...(asked.musts ?? []).map((task): Row => ({ terms: [[1, placedVariable(task)]], is: '=', value: 1 })),
      ...clashRows(system, buckets, shares, places, asked.without),
      ...(asked.without === 'battery' ? [] : chargeRows(system, buckets, shares, asked.isForecast ?? false)),
    ],
    bounds: [
      ...shares.all.map(({ variable, most }) => ({ variable, from: 0, to: most })),
      ...buckets.flatMap(({ from, until, ifNeeded }, index) =>
        ifNeeded === undefined ? [] : [{ variable: generatorVariable(index), from: 0, to: until - from }],
      ),
      ...chargeBounds(system, buckets, asked),
    ],
    binaries: [...system.tasks.keys()].map(placedVariable),
  };
}

type Mode = 'connected' | 'generator';

interface Share {
  readonly task: number;
  readonly bucket: number;
  readonly mode: Mode;
  readonly variable: string;
  readonly most: number;
}

/** How many steps of each task lie in each bucket, on what is connected and on the generator, as variables. */
class Shares {
  readonly all: readonly Share[];
  private readonly byTask = new Map<number, Share[]>();
  private readonly byBucket = new Map<string, Share[]>();

  constructor(system: DaySystem, buckets: readonly Bucket[], places: readonly number[], isAnyTime: boolean) {
    const whole = [{ from: 0, until: system.slots }];
    this.all = places.flatMap((task) => {
      const windows = isAnyTime ? whole : usableWindows(system.tasks[task]);
      return buckets.flatMap((bucket, index) => sharesIn(system, task, windows, bucket, index));
    });
    for (const share of this.all) {
      this.byTask.set(share.task, [...(this.byTask.get(share.task) ?? []), share]);
      const key = `${share.bucket} ${share.mode}`;
      this.byBucket.set(key, [...(this.byBucket.get(key) ?? []), share]);
    }
  }

  of(task: number): readonly Share[] {
    return this.byTask.get(task) ?? [];
  }

  in(bucket: number, mode: Mode): readonly Share[] {
    return this.byBucket.get(`${bucket} ${mode}`) ?? [];
  }
}

/** Where all of a piece has room. */
function usableWindows(task: Task | undefined): readonly Stretch[] {
  if (!task) return [];
  const piece = Math.min(task.pieceSlots, task.leastSlots);
  return task.windows.filter(({ from, until }) => until - from >= piece);
}

function sharesIn(
  system: DaySystem,
  task: number,
  windows: readonly Stretch[],
  bucket: Bucket,
  index: number,
): readonly Share[] {
  const most = windows.reduce(
    (sum, { from, until }) => sum + Math.max(0, Math.min(until, bucket.until) - Math.max(from, bucket.from)),
    0,
  );
  if (most === 0) return [];
  const own = (mode: Mode, supply: string | undefined): readonly Share[] =>
    supply !== undefined && runsOn(system, task, supply)
      ? [{ task, bucket: index, mode, variable: `x${task}_${index}${mode === 'generator' ? 'g' : ''}`, most }]
      : [];
  return [...own('connected', bucket.connected), ...own('generator', bucket.ifNeeded)];
}

function runsOn(system: DaySystem, task: number, supply: string): boolean {
  const sets = system.setsOn(supply);
  return (system.tasks[task]?.stages ?? []).some(({ states }) => sets.holds(states));
}

/** A task that is placed has its steps; what comes after another is placed only with it. */
function taskRows(system: DaySystem, shares: Shares, places: readonly number[]): readonly Row[] {
  return places.flatMap((taskIndex): readonly Row[] => {
    const task = system.tasks[taskIndex];
    if (!task) return [];
    const steps = shares.of(taskIndex).map(({ variable }): Term => [1, variable]);
    const placed = placedVariable(taskIndex);
    const bounds: readonly Row[] =
      steps.length === 0
        ? [{ terms: [[1, placed]], is: '=', value: 0 }]
        : [
            { terms: [...steps, [-task.leastSlots, placed]], is: '>=', value: 0 },
            { terms: [...steps, [-task.slots, placed]], is: '<=', value: 0 },
          ];
    const behind = task.after.map((before): Row => ({
      terms: [
        [1, placed],
        [-1, placedVariable(before)],
      ],
      is: '<=',
      value: 0,
    }));
    return [...bounds, ...behind];
  });
}

/** What never runs at once shares the steps of a bucket. */
function clashRows(
  system: DaySystem,
  buckets: readonly Bucket[],
  shares: Shares,
  places: readonly number[],
  without: Constraint | undefined,
): readonly Row[] {
  const known = new Map<string, ReturnType<typeof clashesOn>>();
  const clashesOf = (supply: string): ReturnType<typeof clashesOn> => {
    const found = known.get(supply) ?? clashesOn(system, supply, places, without);
    known.set(supply, found);
    return found;
  };
  return buckets.flatMap((bucket, index) => {
    const length = bucket.until - bucket.from;
    const generator: readonly Term[] = bucket.ifNeeded === undefined ? [] : [[1, generatorVariable(index)]];
    const rowsOf = (mode: Mode, supply: string | undefined): readonly Row[] =>
      supply === undefined
        ? []
        : [
            ...clashesOf(supply),
            // Nothing runs longer than there is time for it.
            ...shares.in(index, mode).map(({ task }) => ({ tasks: [task], atMost: 1 })),
          ].flatMap(({ tasks, atMost }): readonly Row[] => {
            const own = shares.in(index, mode).filter(({ task }) => tasks.includes(task));
            if (own.length <= atMost && generator.length === 0) return [];
            const steps = own.map(({ variable }): Term => [1, variable]);
            return mode === 'generator'
              ? [{ terms: [...steps, ...scaled(generator, -atMost)], is: '<=', value: 0 }]
              : [{ terms: [...steps, ...scaled(generator, atMost)], is: '<=', value: atMost * length }];
          });
    return [...rowsOf('connected', bucket.connected), ...rowsOf('generator', bucket.ifNeeded)];
  });
}

const scaled = (terms: readonly Term[], by: number): readonly Term[] =>
  terms.map(([weight, variable]): Term => [weight * by, variable]);

const chargeVariable = (bucket: number): string => `e${bucket}`;
const into = (bucket: number): string => `c${bucket}`;
const outOf = (bucket: number): string => `d${bucket}`;

/** The charge at the end of each bucket is at most what it was and what came of it. */
function chargeRows(
  system: DaySystem,
  buckets: readonly Bucket[],
  shares: Shares,
  isForecast: boolean,
): readonly Row[] {
  const least = new LeastDrawn(system, isForecast);
  const { kept } = system.store;
  const holds = isForecast || system.edge !== 'pessimistic' ? 1 : system.store.holds.lo;
  return buckets.flatMap((bucket, index): readonly Row[] => {
    const net = netEnergy(system, bucket, index, shares, least);
    const before: readonly Term[] = index === 0 ? [] : [[-1, chargeVariable(index - 1)]];
    const startWh = index === 0 ? system.startWh : 0;
    return [
      // In less out is no more than the sun, the chargers and what is drawn leave.
      { terms: [[1, into(index)], [-1, outOf(index)], ...net.terms], is: '<=', value: net.value },
      {
        terms: [
          [1, chargeVariable(index)],
          ...before,
          [-kept / holds, into(index)],
          [1 / holds, outOf(index)],
        ],
        is: '<=',
        value: startWh,
      },
      {
        terms: [
          [1, LOWEST],
          [-1, chargeVariable(index)],
        ],
        is: '<=',
        value: 0,
      },
    ];
  });
}

/** What is drawn at the least, brought to one side, and what comes in at the most, Wh. */
function netEnergy(
  system: DaySystem,
  bucket: Bucket,
  index: number,
  shares: Shares,
  least: LeastDrawn,
): { readonly terms: readonly Term[]; readonly value: number } {
  const length = bucket.until - bucket.from;
  let solarWh = 0;
  for (let slot = bucket.from; slot < bucket.until; slot += 1)
    solarWh += ((system.sky.asEntered[slot] ?? 0) + (system.drivesW[slot] ?? 0)) * HOURS_OF_A_SLOT;
  const base = least.base(bucket.connected) * HOURS_OF_A_SLOT;
  const tasks = (mode: Mode, supply: string | undefined): readonly Term[] =>
    shares
      .in(index, mode)
      .map(({ task, variable }): Term => [least.added(supply, task) * HOURS_OF_A_SLOT, variable]);
  const generator: readonly Term[] =
    bucket.ifNeeded === undefined
      ? []
      : [[least.base(bucket.ifNeeded) * HOURS_OF_A_SLOT - base, generatorVariable(index)]];
  return {
    terms: [...tasks('connected', bucket.connected), ...tasks('generator', bucket.ifNeeded), ...generator],
    value: solarWh - base * length,
  };
}

/** The least that sets draw from the battery on a supply, less what chargers give at most, W. */
class LeastDrawn {
  private readonly known = new Map<string, number>();

  constructor(
    private readonly system: DaySystem,
    private readonly isForecast: boolean,
  ) {}

  /** With nothing on. */
  base(supply: string | undefined): number {
    const sets = this.setsOn(supply);
    if (!sets) return 0;
    const { drawn, charged } = sets.power(0);
    const isWorst = this.system.edge === 'pessimistic' && !this.isForecast;
    return (isWorst ? drawn.hi : drawn.stated) - charged;
  }

  /**
   * What a task adds to nothing, and takes from what chargers give: losses grow with the power, and what a source has left for
   * its charger shrinks until the battery has to help, so that it adds no less to others.
   */
  added(supply: string | undefined, taskIndex: number): number {
    const key = `${supply ?? ''} ${taskIndex}`;
    const known = this.known.get(key) ?? this.leastOf(supply, taskIndex);
    this.known.set(key, known);
    return known;
  }

  private leastOf(supply: string | undefined, taskIndex: number): number {
    const sets = this.setsOn(supply);
    const task = this.system.tasks[taskIndex];
    if (!sets || !task) return 0;
    const taken = (mask: number): number => {
      const { drawn, charged } = sets.power(mask);
      return drawn.stated - charged;
    };
    return Math.min(...task.stages.map(({ states }) => taken(states) - taken(0)));
  }

  private setsOn(supply: string | undefined): SetsOnSupply | undefined {
    return supply === undefined ? undefined : this.system.setsOn(supply);
  }
}

function chargeBounds(
  { store, startWh, targetWh }: DaySystem,
  buckets: readonly Bucket[],
  { without }: AskedOfDay,
): Programme['bounds'] {
  if (without === 'battery') return [];
  const reserve = Math.min(store.reserveWh, startWh);
  return [
    { variable: LOWEST, from: 0, to: startWh },
    ...buckets.flatMap(({ from, until }, index) => {
      const hours = (until - from) * HOURS_OF_A_SLOT;
      const isLast = index === buckets.length - 1;
      return [
        {
          variable: chargeVariable(index),
          from: isLast ? Math.max(reserve, targetWh) : reserve,
          to: store.fullWh,
        },
        { variable: into(index), from: 0, to: store.acceptsW(0) * hours },
        { variable: outOf(index), from: 0, to: MOST_OUT_W * hours },
      ];
    }),
  ];
}

/** More than any bank gives, W: only so that the variable has an end. */
const MOST_OUT_W = 1_000_000;
