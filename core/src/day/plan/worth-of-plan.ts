import { HOURS_OF_A_SLOT } from '../clock.js';
import type { DaySystem } from '../day-system.js';
import type { Task } from '../tasks.js';
import { startsOf, type Outcome, type Timetable } from './timetable.js';

/** What a plan is worth, the weightiest first; more is better in each. */
export type PlanWorth = readonly number[];

const WORTH = { must: 0, should: 10, may: 1 } as const;
/** Charge and sun are told apart by so much; what differs less is alike. */
const STEP_OF_CHARGE = 0.002;
const WH_OF_SUN = 20;

/**
 * Musts that are placed, the weighted rest, how little of it is cut down, generator time, the lowest charge, sun that is used as it comes, and starts, in
 * this order.
 */
export function worthOfPlan(timetable: Timetable): PlanWorth {
  const { system, supplies } = timetable;
  const placed = system.tasks.filter((_, task) => isPlaced(timetable, task));
  const musts = placed.filter(({ job }) => job.importance === 'must').length;
  const rest = placed.reduce((sum, task) => sum + worthOfTask(task), 0);
  const { lowestWh, endWh } = timetable.charge();
  const generator = supplies.filter((supply, slot) => supply !== system.supplies.connected[slot]).length;
  return [
    musts,
    rest,
    -cutSlots(timetable),
    -generator,
    Math.floor(Math.min(lowestWh, endWh) / (system.store.fullWh * STEP_OF_CHARGE)),
    Math.floor(directSunWh(timetable) / WH_OF_SUN),
    -startsOf(timetable),
  ];
}

/** What a task counts among the rest; musts are counted apart. */
export const worthOfTask = (task: Task | undefined): number =>
  task ? WORTH[task.job.importance ?? 'should'] : 0;

/** What of a worth is about how much is done, cut or whole. */
export const amountDone = (worth: PlanWorth): PlanWorth => worth.slice(0, PARTS_OF_AMOUNT);
const PARTS_OF_AMOUNT = 3;

/** Whether the first of two plans is worth more. */
export function isWorthMore(a: PlanWorth, b: PlanWorth): boolean {
  const differs = a.findIndex((value, index) => value !== b[index]);
  return differs >= 0 && (a[differs] ?? 0) > (b[differs] ?? 0);
}

/** Whether a task is in a plan: all of it, or as much as it may be cut down to. */
export function isPlaced(timetable: Timetable, task: number): boolean {
  return slotsPlaced(timetable, task) >= (timetable.system.tasks[task]?.leastSlots ?? Infinity);
}

export function slotsPlaced(timetable: Timetable, task: number): number {
  return timetable.piecesOf(task).reduce((sum, { slots }) => sum + slots, 0);
}

/** Whether everything is in a plan, and nothing was cut down. */
export const isAllDone = (timetable: Timetable): boolean =>
  timetable.system.tasks.every(({ slots }, task) => slotsPlaced(timetable, task) >= slots);

/** By how many steps what is placed was cut down. */
function cutSlots(timetable: Timetable): number {
  return timetable.system.tasks.reduce((sum, { slots, leastSlots }, task) => {
    const isCut = leastSlots < slots && isPlaced(timetable, task);
    return isCut ? sum + Math.max(0, slots - slotsPlaced(timetable, task)) : sum;
  }, 0);
}

/** Whether the charge never falls below the reserve, and ends as it should. */
export function lasts({ store, targetWh, startWh }: DaySystem, charge: Outcome): boolean {
  return charge.lowestWh >= Math.min(store.reserveWh, startWh) && charge.endWh >= targetWh;
}

/** Sun that feeds loads as it comes, Wh. */
export function directSunWh(timetable: Timetable): number {
  const { system } = timetable;
  return system.sky.asEntered.reduce((sum, solar, slot) => {
    const { drawn } = timetable.powerAt(slot, 'stated', system.sky.asEntered);
    return sum + Math.min(solar, drawn) * HOURS_OF_A_SLOT;
  }, 0);
}
