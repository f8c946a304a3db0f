import { UnitChoice } from '../parts/unit-choice';
import { computed, inject, Injectable, signal } from '@angular/core';
import { capitalised } from '@heliarch/core/units';
import {
  withArrivalTest,
  type Rig,
  type SourceTest,
  entriesOf,
  withCopy,
  withEntry,
  withLoadsOn,
  withoutEntry,
  type Entry,
  type EntryList,
} from '@heliarch/core/rig';
import { newEntry, rigChecksOf } from '@heliarch/core/describe';
import type { Target } from '../storage/rig-edits';
import { RigSession } from '../storage/rig-session';

/** The system that is described, and which part of it is looked at. */
@Injectable()
export class RigState {
  protected readonly numberStyle = inject(UnitChoice).numbers;
  private readonly session = inject(RigSession);

  readonly rig = computed((): Rig => {
    const rig = this.session.rig();
    if (!rig) throw new Error('The room was opened without a rig');
    return rig;
  });

  /** Whether the parts fit each other, the worst first. */
  readonly checks = computed(() => rigChecksOf(this.numberStyle, this.rig()));

  private readonly chosen = signal<Target | undefined>(undefined);
  /** Why something was not removed. */
  readonly refused = signal<string | undefined>(undefined);

  /** The part whose sheet is open; its inverter at first. */
  readonly selected = computed((): Target => {
    const rig = this.rig();
    const chosen = this.chosen();
    const isThere =
      chosen && chosen.list !== 'rig' && entriesOf(rig, chosen.list).some(({ id }) => id === chosen.id);
    if (isThere) return chosen;
    const [converter] = rig.converters;
    return converter
      ? { list: 'converters', id: converter.id }
      : { list: 'circuits', id: rig.circuits[0]?.id ?? '' };
  });

  readonly entry = computed((): Entry | undefined => {
    const { list, id } = this.selected();
    return list === 'rig' ? undefined : entriesOf(this.rig(), list).find((entry) => entry.id === id);
  });

  select(list: EntryList, id: string): void {
    this.refused.set(undefined);
    this.chosen.set({ list, id });
  }

  add(list: Exclude<EntryList, 'loads' | 'days'>): void {
    const entry = newEntry(this.rig(), list);
    this.session.change((rig) => withEntry(rig, list, entry), { label: `add ${entry.name}` });
    this.select(list, entry.id);
  }

  duplicate(): void {
    const { list, id } = this.selected();
    if (list === 'rig') return;
    const copied = withCopy(this.rig(), list, id);
    this.session.change(() => copied.rig, { label: `copy ${this.entry()?.name ?? ''}` });
    this.select(list, copied.id);
  }

  keepArrivalTest(supplyId: string, test: SourceTest): void {
    this.session.change((rig) => withArrivalTest(rig, supplyId, test), { label: 'keep the arrival test' });
  }

  remove(): void {
    const { list, id } = this.selected();
    if (list === 'rig') return;
    const name = this.entry()?.name ?? '';
    const removal = withoutEntry(this.rig(), list, id);
    if (!removal.ok) {
      this.refused.set(`${capitalised(removal.because)}.`);
      return;
    }
    this.session.change(() => removal.rig, { label: `remove ${name}` });
    this.chosen.set(undefined);
  }

  move(loadId: string, circuitId: string): void {
    const load = this.rig().loads.find(({ id }) => id === loadId);
    if (!load || load.circuit === circuitId) return;
    this.session.change((rig) => withLoadsOn(rig, [loadId], circuitId), { label: `move ${load.name}` });
  }

  /** To the circuit before or after its own, in the order of the drawing. */
  moveBy(loadId: string, step: 1 | -1, order: readonly string[]): void {
    const load = this.rig().loads.find(({ id }) => id === loadId);
    const next = load && order[order.indexOf(load.circuit) + step];
    if (next !== undefined) this.move(loadId, next);
  }
}
