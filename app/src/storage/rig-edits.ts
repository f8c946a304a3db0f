import { computed, inject, Injectable, signal } from '@angular/core';
import {
  fieldName,
  validateRig,
  valueAt,
  withValueAt,
  type Rig,
  type RigProblem,
  entriesOf,
  type EntryList,
} from '@heliarch/core/rig';
import { RigSession } from './rig-session';

/** One entry of the rig, or the rig itself. */
export interface Target {
  readonly list: EntryList | 'rig';
  readonly id: string;
}

/** A change that the rig cannot take yet, since something else is still missing. */
interface PendingEdit extends Target {
  readonly rigId: string;
  readonly path: string;
  readonly value: unknown;
  /** The field whose typing it follows from. */
  readonly typedInto: string | undefined;
}

/**
 * Edits of single fields. What is typed is always shown; the rig takes it as soon as it is valid, and what
 * it cannot take yet waits here with the reason, instead of being refused or lost.
 */
@Injectable({ providedIn: 'root' })
export class RigEdits {
  private readonly session = inject(RigSession);
  private readonly waiting = signal<readonly PendingEdit[]>([]);

  private readonly pending = computed(() => {
    const id = this.session.rig()?.id;
    return this.waiting().filter((edit) => edit.rigId === id);
  });

  /** The rig as typed, with what it cannot take yet. */
  readonly shown = computed(() => {
    const rig = this.session.rig();
    return rig && applied(rig, this.pending());
  });

  /** Why the rig cannot take what waits. */
  readonly problems = computed((): readonly RigProblem[] => {
    const shown = this.shown();
    if (!shown || this.pending().length === 0) return [];
    const read = validateRig(shown, this.session.rig());
    return read.ok ? [] : read.problems;
  });

  /** The entry of which something waits longest. */
  readonly waitsFirst = computed((): Target | undefined => this.pending()[0]);

  /** Whether something of an entry waits. */
  waitsAt({ list, id }: Target): boolean {
    return this.pending().some((edit) => edit.list === list && edit.id === id);
  }

  /**
   * Puts a value at a place of an entry; undefined takes it away.
   *
   * @param typedInto The field whose typing it follows from: one step back undoes both.
   */
  set(target: Target, path: string, value: unknown, typedInto?: string): void {
    const rig = this.session.rig();
    if (!rig) return;
    const edit: PendingEdit = { ...target, rigId: rig.id, path, value, typedInto };
    const others = this.pending().flatMap((each) => besides(each, edit));
    // What waits counts its entries as they are once this one is gone.
    const together = removedEntry(edit) ? [edit, ...others] : [...others, edit];
    const [all, alone] = [applied(rig, together), applied(rig, [edit])];
    if (validateRig(all, rig).ok) this.take(all, edit, []);
    else if (alone === rig || validateRig(alone, rig).ok) this.take(alone, edit, others);
    else this.waiting.set(together);
  }

  /** Forgets what waits of an entry. */
  discard({ list, id }: Target): void {
    this.waiting.update((edits) => edits.filter((edit) => edit.list !== list || edit.id !== id));
  }

  private take(rig: Rig, edit: PendingEdit, left: readonly PendingEdit[]): void {
    this.waiting.set(left);
    if (rig === this.session.rig()) return;
    const { list, id, value, typedInto } = edit;
    const path = typedInto ?? edit.path;
    const at = placeOf(rig, { list, id, path }) ?? path;
    // What is typed into one field is one step back; what is added or taken away is a step each.
    const key = typedInto !== undefined || isTyped(value) ? { key: `${list} ${id} ${path}` } : {};
    this.session.change(() => rig, { label: `change ${fieldName(at, rig)}`, ...key });
  }
}

/** The place of an edit in the whole document; undefined where its entry is gone. */
export function placeOf(
  rig: Rig,
  { list, id, path }: Target & { readonly path: string },
): string | undefined {
  if (list === 'rig') return path;
  const index = entriesOf(rig, list).findIndex((entry) => entry.id === id);
  return index < 0 ? undefined : `${list}[${index}].${path}`;
}

function applied(rig: Rig, edits: readonly PendingEdit[]): Rig {
  return edits.reduce((before, edit) => {
    const place = placeOf(before, edit);
    return place === undefined ? before : withValueAt(before, place, edit.value);
  }, rig);
}

/** A number, a text or a quantity, not an empty group and not nothing. */
function isTyped(value: unknown): boolean {
  return typeof value === 'object' ? value !== null && 'value' in value : value !== undefined;
}

/**
 * What waits besides a new edit: not what it replaces or takes away, and entries of a list move up when one
 * before them goes.
 */
function besides(waits: PendingEdit, edit: PendingEdit): readonly PendingEdit[] {
  if (waits.list !== edit.list || waits.id !== edit.id) return [waits];
  if (waits.path === edit.path || /^[.[]/.test(rest(waits.path, edit.path))) return [];
  const removed = removedEntry(edit);
  return [removed ? { ...waits, path: movedUp(waits.path, removed) } : waits];
}

/** One entry of a list. */
interface ListEntry {
  readonly list: string;
  readonly index: number;
}

/** The entry that an edit takes out of its list. */
function removedEntry({ path, value }: PendingEdit): ListEntry | undefined {
  const [, list, index] = (value === undefined ? /^(.*)\[(\d+)\]$/.exec(path) : null) ?? [];
  return list === undefined ? undefined : { list, index: Number(index) };
}

/** A place in a list after an entry is gone. */
function movedUp(path: string, { list, index }: ListEntry): string {
  const [, at, inside] = /^\[(\d+)\](.*)$/.exec(rest(path, list)) ?? [];
  return Number(at) > index ? `${list}[${Number(at) - 1}]${inside}` : path;
}

/** What follows the start of a path; nothing where it begins otherwise. */
function rest(path: string, start: string): string {
  return path.startsWith(start) ? path.slice(start.length) : '';
}

/** What stands at a place of an entry, as typed. */
export function fieldValue(rig: Rig, target: Target, path: string): unknown {
  const place = placeOf(rig, { ...target, path });
  return place === undefined ? undefined : valueAt(rig, place);
}
