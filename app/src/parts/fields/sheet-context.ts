import { computed, inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormRecord, type FormControl } from '@angular/forms';
import type { Part, Rig } from '@heliarch/core/rig';
import { fieldAt, topFields, typicalAt, withoutIndexes, type Field } from '@heliarch/core/describe';
import { map } from 'rxjs';
import { fieldValue, placeOf, RigEdits, type Target } from '../../storage/rig-edits';
import { RigSession } from '../../storage/rig-session';
import type { Known } from '../quantity/quantity-control';

/** What a field of the rig file may hold. */
export type FieldValue = Known | string | readonly string[];

/** What the fields of one sheet share: whose they are, their values as typed, and which is asked about. */
@Injectable()
export class SheetContext {
  private readonly edits = inject(RigEdits);
  private readonly session = inject(RigSession);
  readonly target = signal<Target>({ list: 'rig', id: '' });
  /** The field whose help is shown, by its place in the document. */
  readonly asked = signal<string | undefined>(undefined);

  /** The fields that are on the screen, by their paths; what cannot be read yet waits in them. */
  private readonly form = new FormRecord<FormControl<FieldValue>>({});
  /** The names of the fields whose text cannot be read. */
  readonly unread = toSignal(this.form.statusChanges.pipe(map(() => this.namesOfUnread())), {
    initialValue: [],
  });

  /** The rig as typed. */
  readonly rig = computed((): Rig => {
    const rig = this.edits.shown();
    if (!rig) throw new Error('A sheet was opened without a rig');
    return rig;
  });

  /** The rig as typed where it is complete, else as it is kept: what can be computed with. */
  readonly sound = computed((): Rig => {
    const kept = this.session.rig();
    return kept && this.edits.problems().length > 0 ? kept : this.rig();
  });

  readonly waits = computed(() => this.edits.waitsAt(this.target()));
  /** Why the rig does not take what was typed here, in whole sentences. */
  readonly obstacles = computed(() => {
    const problems = this.edits.problems();
    const entry = (placeOf(this.rig(), { ...this.target(), path: '' }) ?? '').slice(0, -1);
    const own = problems.filter(({ path }) => path.startsWith(entry));
    // A state that is taken away is missed elsewhere: by a tick, or by another load.
    return own.length > 0 ? own : problems;
  });

  /** A part of a load as the rig keeps it. */
  partOf(loadId: string, partId: string): Part | undefined {
    const load = this.session.rig()?.loads.find(({ id }) => id === loadId);
    return load?.parts.find(({ id }) => id === partId);
  }

  join(path: string, control: FormControl<FieldValue>): void {
    this.form.setControl(path, control);
  }

  leave(path: string, control: FormControl<FieldValue>): void {
    // Another row may have taken its place before it went.
    if (this.form.controls[path] === control) this.form.removeControl(path);
  }

  private namesOfUnread(): readonly string[] {
    return Object.entries(this.form.controls)
      .filter(([, control]) => control.hasError('unreadable'))
      .map(([path]) => this.field(path).label);
  }

  /** The place of a field of this sheet in the whole document; its bare path once the entry is gone. */
  place(path: string): string {
    return placeOf(this.rig(), { ...this.target(), path }) ?? path;
  }

  /** A field of this sheet in the field table, whether or not its entry is still there. */
  field(path: string): Field {
    return fieldAt(this.tablePath(path));
  }

  /** The fields of a group or of an entry of a list; an empty path is the entry itself. */
  fields(path: string): readonly Field[] {
    const place = withoutIndexes(this.tablePath(path)).replace(/(\[\])?\.?$/, '');
    return place === '' ? topFields() : fieldAt(place).fields;
  }

  private tablePath(path: string): string {
    const { list } = this.target();
    return list === 'rig' ? path : `${list}[].${path}`;
  }

  value(path: string): unknown {
    return fieldValue(this.rig(), this.target(), path);
  }

  /** @param typedInto The field whose typing it follows from, to be undone with it. */
  set(path: string, value: unknown, typedInto?: string): void {
    this.edits.set(this.target(), path, value, typedInto);
  }

  discard(): void {
    this.edits.discard(this.target());
  }

  /** What is wrong at a field, a number's value included. */
  faultAt(path: string): string | undefined {
    const place = this.place(path);
    return this.edits
      .problems()
      .find((problem) => problem.path === place || problem.path === `${place}.value`)?.message;
  }

  /** What is usual here; undefined where nothing is, or where the rig has no such place yet. */
  typical(path: string): ReturnType<typeof typicalAt> {
    const rig = this.session.rig();
    return rig && typicalAt(rig, this.place(path));
  }
}
