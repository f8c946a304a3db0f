import { applyPatch, compare, deepClone, type Operation } from 'fast-json-patch';
import { validateRig, type Rig } from '@heliarch/core/rig';

/** What was changed, in a few words, and what belongs together: typing one number is one step. */
export interface Change {
  readonly label: string;
  readonly key?: string;
}

/** One step of work, as patches in both directions. */
interface Step extends Change {
  readonly undo: Operation[];
  readonly redo: Operation[];
}

/** The way back and, after going back, the way forward; nearest step last. */
export interface UndoHistory {
  readonly past: readonly Step[];
  readonly future: readonly Step[];
}

export const NO_HISTORY: UndoHistory = { past: [], future: [] };

const LONGEST = 200;

/** Whether what a storage gave back is a history at all. */
export function isUndoHistory(value: unknown): value is UndoHistory {
  if (typeof value !== 'object' || value === null) return false;
  const { past, future } = value as Partial<Record<keyof UndoHistory, unknown>>;
  return [past, future].every((steps) => Array.isArray(steps) && steps.every(isStep));
}

function isStep(value: unknown): value is Step {
  if (typeof value !== 'object' || value === null) return false;
  const { label, undo, redo } = value as Partial<Record<keyof Step, unknown>>;
  return (
    typeof label === 'string' && [undo, redo].every((each) => Array.isArray(each) && each.every(isOperation))
  );
}

function isOperation(value: unknown): value is Operation {
  if (typeof value !== 'object' || value === null) return false;
  const { op, path } = value as Partial<Record<keyof Operation, unknown>>;
  return typeof op === 'string' && typeof path === 'string';
}

/** The history with one more step; steps of one key join, and there is no way forward any more. */
export function withStep(history: UndoHistory, before: Rig, after: Rig, change: Change): UndoHistory {
  const last = history.past.at(-1);
  const joins = last !== undefined && change.key !== undefined && last.key === change.key;
  const undo = compare(after, before);
  const step: Step = joins
    ? { ...change, undo: [...undo, ...last.undo], redo: [...last.redo, ...compare(before, after)] }
    : { ...change, undo, redo: compare(before, after) };
  const past = joins ? history.past.slice(0, -1) : history.past;
  return { past: [...past, step].slice(-LONGEST), future: [] };
}

/** A rig and its history after one step. */
export interface Stepped {
  readonly rig: Rig;
  readonly history: UndoHistory;
}

/** One step back; undefined where there is none, `damaged` where the step does not lead to a rig. */
export function stepBack(history: UndoHistory, rig: Rig): Stepped | 'damaged' | undefined {
  const step = history.past.at(-1);
  if (!step) return undefined;
  const before = patched(rig, step.undo);
  return before
    ? { rig: before, history: { past: history.past.slice(0, -1), future: [...history.future, step] } }
    : 'damaged';
}

/** One step forward again; undefined where there is none, `damaged` where the step does not lead to a rig. */
export function stepForward(history: UndoHistory, rig: Rig): Stepped | 'damaged' | undefined {
  const step = history.future.at(-1);
  if (!step) return undefined;
  const after = patched(rig, step.redo);
  return after
    ? { rig: after, history: { past: [...history.past, step], future: history.future.slice(0, -1) } }
    : 'damaged';
}

/** The rig after some operations, where they fit it and leave a rig. */
function patched(rig: Rig, operations: readonly Operation[]): Rig | undefined {
  try {
    const { newDocument } = applyPatch(deepClone(rig) as Rig, deepClone(operations) as Operation[], true);
    return validateRig(newDocument).ok ? newDocument : undefined;
  } catch {
    // A patch that does not fit is refused by an exception; what was stored may be damaged.
    return undefined;
  }
}
