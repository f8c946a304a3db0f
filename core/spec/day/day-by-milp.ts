import { clashesOn } from '../../src/day/bound/clashes.js';
import { HOURS_OF_A_SLOT, SLOT_MINUTES } from '../../src/day/clock.js';
import type { DaySystem } from '../../src/day/day-system.js';
import type { Placement } from '../../src/rig-file/schema.js';
import { worthOfTask } from '../../src/day/plan/worth-of-plan.js';

/** Musts count before all the rest. */
const MUST = 1000;

/**
 * A day as a time-indexed mixed-integer programme: a variable for every step in which a job may begin. It knows pairs and
 * threes that do not run at once and the charge with every draw at its worst, each added to the others; not the order of
 * starts, nor rests, nor larger sets. So what it finds has to be judged by the check.
 */
export function timeIndexed(system: DaySystem): string {
  const tasks = [...system.tasks.keys()];
  const begins = tasks.map((task) => {
    const { windows, slots } = system.tasks[task]!;
    return windows.flatMap(({ from, until }) =>
      Array.from({ length: Math.max(0, until - slots - from + 1) }, (_, index) => from + index),
    );
  });
  const running = tasks.map((task) => {
    const bySlot = Array.from({ length: system.slots }, (): string[] => []);
    for (const begin of begins[task]!)
      for (let slot = begin; slot < begin + system.tasks[task]!.slots; slot += 1)
        bySlot[slot]!.push(`s${task}_${begin}`);
    return bySlot;
  });
  const rows = [
    ...tasks
      .filter((task) => begins[task]!.length > 0)
      .map((task) => `${begins[task]!.map((begin) => `s${task}_${begin}`).join(' + ')} <= 1`),
    ...limits(system, tasks, running),
    ...charge(system, tasks, running),
  ];
  const aim = tasks.flatMap((task) => {
    const weight =
      (system.tasks[task]!.job.importance === 'must' ? MUST : 0) + worthOfTask(system.tasks[task]);
    return begins[task]!.map((begin) => `${weight} s${task}_${begin}`);
  });
  const full = system.store.fullWh;
  const reserve = Math.min(system.store.reserveWh, system.startWh);
  const bounds = Array.from({ length: system.slots }, (_, slot) => ` ${reserve} <= e${slot} <= ${full}`);
  const binaries = tasks.flatMap((task) => begins[task]!.map((begin) => `s${task}_${begin}`));
  return [
    'Maximize',
    ` aim: ${aim.length > 0 ? aim.join(' + ') : '0 e0'}`,
    'Subject To',
    ...rows.map((row, index) => ` r${index}: ${row}`),
    'Bounds',
    ...bounds,
    'Binary',
    ...binaries.map((name) => ` ${name}`),
    'End',
  ].join('\n');
}

/** The plan in a solution. */
export function placementsIn(
  system: DaySystem,
  columns: Readonly<Record<string, { readonly Primal?: number }>>,
): Placement[] {
  return Object.entries(columns).flatMap(([name, { Primal = 0 }]) => {
    const [, task, begin] = /^s(\d+)_(\d+)$/.exec(name) ?? [];
    const asked = system.tasks[Number(task)];
    if (!asked || Primal < 0.5) return [];
    return [{ job: asked.job.id, begin: Number(begin) * SLOT_MINUTES, minutes: asked.slots * SLOT_MINUTES }];
  });
}

/** What a plan comes to by the same sum. */
export const worthOfPlaced = (system: DaySystem, placed: readonly number[]): number =>
  placed.reduce(
    (sum, task) =>
      sum + (system.tasks[task]!.job.importance === 'must' ? MUST : 0) + worthOfTask(system.tasks[task]),
    0,
  );

function limits(system: DaySystem, tasks: readonly number[], running: readonly string[][][]): string[] {
  const known = new Map<string, ReturnType<typeof clashesOn>>();
  return system.supplies.connected.flatMap((supply, slot) => {
    if (supply === undefined) return [];
    const sets = system.setsOn(supply);
    const clashes = known.get(supply) ?? clashesOn(system, supply, tasks);
    known.set(supply, clashes);
    const apart = clashes.flatMap(({ tasks: those, atMost }) => {
      const own = those.flatMap((task) => running[task]![slot]!);
      return own.length > 0 ? [`${own.join(' + ')} <= ${atMost}`] : [];
    });
    const never = tasks
      .filter((task) => !system.tasks[task]!.stages.some(({ states }) => sets.holds(states)))
      .flatMap((task) => running[task]![slot]!.map((name) => `${name} = 0`));
    return [...apart, ...never];
  });
}

function charge(system: DaySystem, tasks: readonly number[], running: readonly string[][][]): string[] {
  return system.supplies.connected.flatMap((supply, slot) => {
    const sets = supply === undefined ? undefined : system.setsOn(supply);
    const taken = (mask: number): number => {
      const power = sets?.power(mask);
      return power ? power.drawn.hi - power.charged : 0;
    };
    const drawn = tasks.flatMap((task) => {
      const added = (taken(system.tasks[task]!.stages[0]!.states) - taken(0)) * HOURS_OF_A_SLOT;
      return running[task]![slot]!.map((name) => `+ ${added.toFixed(4)} ${name}`.replace('+ -', '- '));
    });
    const net = ((system.sky.asEntered[slot] ?? 0) - taken(0)) * HOURS_OF_A_SLOT;
    const before = slot === 0 ? '' : ` - e${slot - 1}`;
    return [
      `c${slot} - d${slot} ${drawn.join(' ')} <= ${net.toFixed(4)}`,
      `e${slot}${before} - ${system.store.kept} c${slot} + d${slot} <= ${slot === 0 ? system.startWh : 0}`,
    ];
  });
}
