import { computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { catchError, map, of, switchMap, type Observable } from 'rxjs';
import { unloadDraft, putUnloadDraft, takeUnloadDraft } from './unload-draft';
import { RigRepository, type Beside } from './rig-repository';
import { RigSession } from './rig-session';
import { StorageQueue } from './storage-queue';

/** With a number that grows with each change: of two tabs, the newer one counts. */
interface Numbered {
  readonly serial: number;
  readonly at: unknown;
}

interface OfRig extends Numbered {
  readonly rigId: string;
}

/**
 * What is kept beside the open rig in this browser and in no file. The database answers a moment later; till
 * then it lies at hand, so that a page that is closed at once loses nothing. Made where things are injected.
 */
export class KeptBeside {
  private readonly session = inject(RigSession);
  private readonly repository = inject(RigRepository);
  private readonly queue = inject(StorageQueue);

  private readonly rigId = computed(() => this.session.rig()?.id);
  private readonly stored = toSignal(
    toObservable(this.rigId).pipe(switchMap((id) => (id === undefined ? of(undefined) : this.storedOf(id)))),
  );
  private readonly mine = signal<OfRig | undefined>(undefined);

  /** As it was kept, of whatever build; undefined until the storage has said what it keeps. */
  readonly newest = computed((): { readonly at: unknown } | undefined => this.newestOf(this.rigId()));

  /** @param told What is waited for, such as "keeping your ticks". */
  constructor(
    private readonly what: Beside,
    private readonly told: string,
  ) {}

  keep(at: unknown): void {
    const rigId = this.rigId();
    if (rigId === undefined) return;
    const numbered: Numbered = { serial: (this.newestOf(rigId)?.serial ?? 0) + 1, at };
    this.mine.set({ ...numbered, rigId });
    const place = this.placeOf(rigId);
    putUnloadDraft(place, numbered);
    // A browser that keeps nothing has said so; the work goes on for as long as the page is open.
    this.queue
      .run(this.told, () => this.repository.keepBeside(rigId, this.what, numbered))
      .then(() => {
        const left = unloadDraft(place);
        if (isNumbered(left) && left.serial <= numbered.serial) takeUnloadDraft(place);
      })
      .catch(() => undefined);
  }

  private newestOf(rigId: string | undefined): OfRig | undefined {
    const both = [this.stored(), this.mine()].flatMap((each) => (each?.rigId === rigId ? (each ?? []) : []));
    return both.reduce<OfRig | undefined>(
      (newest, each) => (newest && newest.serial >= each.serial ? newest : each),
      undefined,
    );
  }

  private storedOf(rigId: string): Observable<OfRig> {
    return this.repository.beside$(rigId, this.what).pipe(
      catchError(() => of(undefined)),
      map((kept) => {
        const left = unloadDraft(this.placeOf(rigId));
        const stored = isNumbered(kept) ? kept : { serial: 0, at: kept };
        return { rigId, ...(isNumbered(left) && left.serial > stored.serial ? left : stored) };
      }),
    );
  }

  private placeOf(rigId: string): string {
    return `${this.what}:${rigId}`;
  }
}

function isNumbered(kept: unknown): kept is Numbered {
  return typeof kept === 'object' && kept !== null && 'serial' in kept && typeof kept.serial === 'number';
}
