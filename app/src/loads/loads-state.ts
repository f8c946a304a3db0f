import { computed, inject, Injectable, signal } from '@angular/core';
import {
  withKnown,
  type Load,
  type Rig,
  changedLoads,
  freeId,
  freeName,
  withCopy,
  withEntry,
  withLoadsOn,
  withoutEntry,
  withoutPart,
} from '@heliarch/core/rig';
import { loadOfKind, plainLoad } from '@heliarch/core/describe';
import { RigSession } from '../storage/rig-session';
import type { KindPicked } from './kind-picker';
import { filtered, loadRows, sorted, type Column, type Sorting } from './load-rows';

const FIRST_STAGE_MINUTES = 60;

/** The list of the room: what is shown, what is ticked, and which load's plate is open. */
@Injectable()
export class LoadsState {
  private readonly session = inject(RigSession);

  readonly rig = computed((): Rig => {
    const rig = this.session.rig();
    if (!rig) throw new Error('The room was opened without a rig');
    return rig;
  });

  readonly words = signal('');
  readonly sorting = signal<Sorting>({ column: 'kind', isDown: false });
  private readonly chosen = signal<string | undefined>(undefined);
  private readonly marked = signal<ReadonlySet<string>>(new Set());

  readonly rows = computed(() => loadRows(this.rig()));
  readonly groups = computed(() => sorted(filtered(this.rows(), this.words()), this.sorting()));
  readonly shownCount = computed(() => this.groups().reduce((sum, group) => sum + group.rows.length, 0));
  /** The load whose plate is shown: the chosen one, else the first of the list. */
  readonly open = computed((): Load | undefined => {
    const { loads } = this.rig();
    return loads.find(({ id }) => id === this.chosen()) ?? this.groups()[0]?.rows[0]?.load ?? loads[0];
  });
  /** Ticked loads, in the order of the rig. */
  readonly ticked = computed(() => this.rig().loads.filter(({ id }) => this.marked().has(id)));

  choose(loadId: string): void {
    this.chosen.set(loadId);
  }

  sortBy(column: Column): void {
    this.sorting.update((before) => ({
      column,
      isDown: before.column === column ? !before.isDown : false,
    }));
  }

  tick(loadId: string, isOn: boolean): void {
    this.marked.update((before) => {
      const after = new Set(before);
      if (isOn) after.add(loadId);
      else after.delete(loadId);
      return after;
    });
  }

  selectAll(isOn: boolean): void {
    const shown = this.groups().flatMap(({ rows }) => rows.map(({ load }) => load.id));
    this.marked.set(new Set(isOn ? shown : []));
  }

  /** Where its kind usually hangs; what was read off its plate counts. */
  addKind({ kind, stated }: KindPicked): void {
    this.add(loadOfKind(this.rig(), kind, stated));
  }

  addNamed(name: string): void {
    this.add(plainLoad(this.rig(), name, this.usualCircuit()));
  }

  duplicate(loads: readonly Load[]): void {
    let last: string | undefined;
    this.session.change(
      (rig) =>
        loads.reduce((before, { id }) => {
          const copied = withCopy(before, 'loads', id);
          last = copied.id;
          return copied.rig;
        }, rig),
      { label: `copy ${named(loads)}` },
    );
    if (last !== undefined) this.choose(last);
    this.selectAll(false);
  }

  remove(loads: readonly Load[]): void {
    this.session.change(
      (rig) =>
        loads.reduce((before, { id }) => {
          const removal = withoutEntry(before, 'loads', id);
          return removal.ok ? removal.rig : before;
        }, rig),
      { label: `remove ${named(loads)}` },
    );
    this.selectAll(false);
  }

  move(loads: readonly Load[], circuitId: string): void {
    const ids = loads.map(({ id }) => id);
    this.session.change((rig) => withLoadsOn(rig, ids, circuitId), { label: `move ${named(loads)}` });
  }

  use(loads: readonly Load[], usage: Load['usage']): void {
    const ids = loads.map(({ id }) => id);
    this.session.change((rig) => changedLoads(rig, ids, (load) => ({ ...load, usage })), {
      label: `change the use of ${named(loads)}`,
    });
  }

  addPart(load: Load): void {
    const ids = load.parts.map(({ id }) => id);
    const id = freeId('part', ids);
    this.session.change(
      (rig) =>
        changedLoads(rig, [load.id], (each) => ({
          ...each,
          parts: [
            ...each.parts,
            { id, name: 'Fan', kind: 'fan-motor', runningW: { value: 100, basis: 'guess' }, start: {} },
          ],
        })),
      { label: `add a part to ${load.name}` },
    );
  }

  removePart(load: Load, partId: string): void {
    this.session.change((rig) => withoutPart(rig, load.id, partId), {
      label: `remove a part of ${load.name}`,
    });
  }

  addState(load: Load): void {
    const states = load.states ?? [];
    const name = freeName(
      'State',
      states.map((state) => state.name),
    );
    const id = freeId(
      name,
      states.map((state) => state.id),
    );
    const parts = load.parts.map((part) => ({ part: part.id, share: 1 }));
    this.session.change(
      (rig) =>
        changedLoads(rig, [load.id], (each) => ({ ...each, states: [...states, { id, name, parts }] })),
      { label: `add a state to ${load.name}` },
    );
  }

  addProgramme(load: Load): void {
    const stages = (load.states ?? []).map(({ id }) => ({ state: id, minutes: FIRST_STAGE_MINUTES }));
    this.session.change(
      (rig) => changedLoads(rig, [load.id], (each) => ({ ...each, programme: { stages } })),
      { label: `make ${load.name} a programme` },
    );
  }

  /** The user knows better than a warning about the data. */
  know(contradictionId: string): void {
    this.session.change((rig) => withKnown(rig, contradictionId), { label: 'set a warning aside' });
  }

  private add(load: Load): void {
    this.session.change((rig) => withEntry(rig, 'loads', load), { label: `add ${load.name}` });
    this.words.set('');
    this.choose(load.id);
  }

  /** Where the load that is open hangs, or the circuit that most loads are on. */
  private usualCircuit(): string {
    const { circuits, loads } = this.rig();
    const count = (id: string): number => loads.filter(({ circuit }) => circuit === id).length;
    const [most] = [...circuits].sort((a, b) => count(b.id) - count(a.id));
    return most?.id ?? '';
  }
}

function named(loads: readonly Load[]): string {
  const [only] = loads;
  return loads.length === 1 && only ? only.name : `${loads.length} loads`;
}
