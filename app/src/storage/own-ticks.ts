import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Rig } from '@heliarch/core';
import { nothingOn, readAtSwitch, type AtSwitch } from '@heliarch/core/switching';
import { catchError, map, of, switchMap, type Observable } from 'rxjs';
import { RigRepository } from './rig-repository';
import { RigSession } from './rig-session';
import { StorageQueue } from './storage-queue';

/** Ticks with a number that grows with each change: of two tabs, the newer ones count. */
interface Numbered {
  readonly serial: number;
  readonly at: unknown;
}

interface OfRig extends Numbered {
  readonly rigId: string;
}

/** What is on by one's own ticks, kept beside the open rig in this browser and nowhere else. */
@Injectable({ providedIn: 'root' })
export class OwnTicks {
  private readonly session = inject(RigSession);
  private readonly repository = inject(RigRepository);
  private readonly queue = inject(StorageQueue);

  private readonly rigId = computed(() => this.session.rig()?.id);
  private readonly stored = toSignal(
    toObservable(this.rigId).pipe(switchMap((id) => (id === undefined ? of(undefined) : this.storedOf(id)))),
  );
  private readonly mine = signal<OfRig | undefined>(undefined);
  private readonly before = signal<{ readonly at: AtSwitch; readonly label: string } | undefined>(undefined);

  private readonly newest = computed(() => {
    const rigId = this.rigId();
    const both = [this.stored(), this.mine()].flatMap((each) => (each?.rigId === rigId ? (each ?? []) : []));
    return both.reduce<OfRig | undefined>(
      (newest, each) => (newest && newest.serial >= each.serial ? newest : each),
      undefined,
    );
  });

  /** Undefined until the storage has said what it keeps. */
  readonly at = computed((): AtSwitch | undefined => {
    const rig = this.session.rig();
    const newest = this.newest();
    if (!rig || !newest) return undefined;
    return readAtSwitch(newest.at, rig) ?? nothingOn(rig);
  });

  /** What was kept cannot be read: it is as if nothing were on. */
  readonly isUnreadable = computed(() => {
    const rig = this.session.rig();
    const kept = this.newest()?.at;
    return rig !== undefined && kept !== undefined && readAtSwitch(kept, rig) === undefined;
  });

  /** What the last change was, while it can be taken back. */
  readonly lastChange = computed(() => this.before()?.label);

  /** @param label What is done, where a wrong tap may be taken back. */
  change(edit: (at: AtSwitch, rig: Rig) => AtSwitch, label?: string): void {
    const rig = this.session.rig();
    const at = this.at();
    if (!rig || !at) return;
    this.before.set(label === undefined ? undefined : { at, label });
    this.keep(rig, edit(at, rig));
  }

  takeBack(): void {
    const rig = this.session.rig();
    const before = this.before();
    if (!rig || !before) return;
    this.before.set(undefined);
    this.keep(rig, before.at);
  }

  private keep(rig: Rig, at: AtSwitch): void {
    const numbered: Numbered = { serial: (this.newest()?.serial ?? 0) + 1, at };
    this.mine.set({ ...numbered, rigId: rig.id });
    // A browser that keeps nothing has said so; the ticks go on for as long as the page is open.
    this.queue
      .run('keeping your ticks', () => this.repository.keepBeside(rig.id, 'atSwitch', numbered))
      .catch(() => undefined);
  }

  private storedOf(rigId: string): Observable<OfRig> {
    return this.repository.beside$(rigId, 'atSwitch').pipe(
      catchError(() => of(undefined)),
      map((kept) => ({ rigId, ...(isNumbered(kept) ? kept : { serial: 0, at: kept }) })),
    );
  }
}

function isNumbered(kept: unknown): kept is Numbered {
  return typeof kept === 'object' && kept !== null && 'serial' in kept && typeof kept.serial === 'number';
}
