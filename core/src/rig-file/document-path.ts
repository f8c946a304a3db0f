import { stepsOf, type PathStep } from './field-names.js';

/** What stands at a place of a document, such as `loads[3].parts[0].runningW`; undefined where nothing does. */
export function valueAt(document: unknown, path: string): unknown {
  return stepsOf(path).reduce<unknown>(childOf, document);
}

/**
 * The document with another value at a place; what is on the way there is made where it is missing. An
 * undefined value takes the field away, and the group that it leaves empty; an entry of a list is
 * taken out of it.
 */
export function withValueAt<T>(document: T, path: string, value: unknown): T {
  if (value === undefined && valueAt(document, path) === undefined) return document;
  return replaced(document, stepsOf(path), value) as T;
}

function childOf(value: unknown, step: PathStep): unknown {
  return typeof value === 'object' && value !== null ? (value as Record<PathStep, unknown>)[step] : undefined;
}

function replaced(value: unknown, steps: readonly PathStep[], put: unknown): unknown {
  const [step, ...rest] = steps;
  if (step === undefined) return put;
  const child = replaced(childOf(value, step), rest, put);
  return typeof step === 'number' ? inList(value, step, child) : inObject(value, step, child);
}

function inList(list: unknown, index: number, child: unknown): unknown {
  const before: readonly unknown[] = Array.isArray(list) ? list : [];
  if (child === undefined) return before.filter((_, i) => i !== index);
  return index < before.length ? before.map((each, i) => (i === index ? child : each)) : [...before, child];
}

function inObject(object: unknown, key: string, child: unknown): unknown {
  const before = typeof object === 'object' && object !== null ? object : {};
  if (child !== undefined) return { ...before, [key]: child };
  const rest = Object.entries(before).filter(([each]) => each !== key);
  return rest.length === 0 ? undefined : Object.fromEntries(rest);
}
