import { applyPatch, compare, deepClone, type Operation } from 'fast-json-patch';
import type { Rig } from '@heliarch/core';

/** What was changed, in a few words, and what belongs together: typing one number is one step. */
export interface Change {
  readonly label: string;
  readonly key?: string;
}

/** One step of work, as patches in both directions. */
export interface Step extends Change {
  readonly undo: Operation[];
  readonly redo: Operation[];
}

/** The way back and, after going back, the way forward; nearest step last. */
export interface History {
  readonly past: readonly Step[];
  readonly future: readonly Step[];
}

export const NO_HISTORY: History = { past: [], future: [] };

const LONGEST = 200;

/** The history with one more step; steps of one key join, and there is no way forward any more. */
export function withStep(history: History, before: Rig, after: Rig, change: Change): History {
  const last = history.past.at(-1);
  const joins = last !== undefined && change.key !== undefined && last.key === change.key;
  const undo = compare(after, before);
  const step: Step = joins
    ? { ...change, undo: [...undo, ...last.undo], redo: [...last.redo, ...compare(before, after)] }
    : { ...change, undo, redo: compare(before, after) };
  const past = joins ? history.past.slice(0, -1) : history.past;
  return { past: [...past, step].slice(-LONGEST), future: [] };
}

/** The rig and history after one step back; undefined where there is none. */
export function stepBack(
  history: History,
  rig: Rig,
): { readonly rig: Rig; readonly history: History } | undefined {
  const step = history.past.at(-1);
  if (!step) return undefined;
  return {
    rig: patched(rig, step.undo),
    history: { past: history.past.slice(0, -1), future: [...history.future, step] },
  };
}

/** The rig and history after one step forward again; undefined where there is none. */
export function stepForward(
  history: History,
  rig: Rig,
): { readonly rig: Rig; readonly history: History } | undefined {
  const step = history.future.at(-1);
  if (!step) return undefined;
  return {
    rig: patched(rig, step.redo),
    history: { past: [...history.past, step], future: history.future.slice(0, -1) },
  };
}

function patched(rig: Rig, operations: Operation[]): Rig {
  return applyPatch(deepClone(rig) as Rig, deepClone(operations) as Operation[]).newDocument;
}
