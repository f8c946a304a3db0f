import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import type { Rig } from '@heliarch/core';
import { catchError, concatMap, EMPTY, Subject, switchMap } from 'rxjs';
import { DemoRigs } from './demo-rigs';
import { NO_HISTORY, stepBack, stepForward, withStep, type Change, type History } from './history';
import { whyNotKept } from './why-not-kept';
import { RigRepository, SavedElsewhere, type KeptRig } from './rig-repository';

/** Where the work stands with what the browser keeps. */
export type Keeping =
  | { readonly state: 'saved'; readonly at: Date }
  | { readonly state: 'saving' }
  | { readonly state: 'not-kept'; readonly because: string }
  /** Another tab changed the same rig at the same time; both versions are still there. */
  | { readonly state: 'two-versions'; readonly theirs: KeptRig };

export type SessionState =
  | { readonly state: 'loading' }
  | { readonly state: 'empty' }
  | { readonly state: 'open'; readonly rig: Rig; readonly history: History };

type OpenState = Extract<SessionState, { readonly state: 'open' }>;

/** The rig that is open, and its way into the book: every change is kept as it is made. */
@Injectable({ providedIn: 'root' })
export class RigSession {
  private readonly repository = inject(RigRepository);
  private readonly demoRigs = inject(DemoRigs);
  private readonly current = signal<SessionState>({ state: 'loading' });
  private readonly keeping = signal<Keeping>({ state: 'saving' });
  private readonly saves = new Subject<OpenState>();
  /** The revision of the book that the open rig is based on; undefined for one the book does not hold. */
  private revision: number | undefined;
  private unsaved = 0;
  private hasAskedToStay = false;

  readonly state = this.current.asReadonly();
  readonly kept = this.keeping.asReadonly();
  readonly rig = computed(() => this.opened()?.rig);
  /** What the next step back or forward would change; undefined where there is none. */
  readonly undoLabel = computed(() => this.opened()?.history.past.at(-1)?.label);
  readonly redoLabel = computed(() => this.opened()?.history.future.at(-1)?.label);
  private readonly opened = computed(() => {
    const session = this.current();
    return session.state === 'open' ? session : undefined;
  });
  private readonly openId = computed(() => this.rig()?.id);

  constructor() {
    this.saves
      .pipe(
        concatMap((open) => this.keep(open)),
        takeUntilDestroyed(),
      )
      .subscribe((kept) => {
        const hasMore = kept.state === 'saved' && this.unsaved > 0;
        this.keeping.set(hasMore ? { state: 'saving' } : kept);
      });
    toObservable(this.openId)
      .pipe(
        switchMap((id) =>
          id === undefined ? EMPTY : this.repository.revision$(id).pipe(catchError(() => EMPTY)),
        ),
        takeUntilDestroyed(),
      )
      .subscribe((revision) => void this.followOtherTab(revision));
  }

  /** Opens what was saved last; an empty book is offered the demo rig where the server says so. */
  async start(): Promise<void> {
    try {
      const last = await this.repository.lastSaved();
      if (last) {
        this.show(last);
        return;
      }
    } catch (error) {
      this.keeping.set({ state: 'not-kept', because: whyNotKept(error) });
    }
    const demo = await this.demoRigs.offered();
    if (demo) this.open(demo);
    else this.current.set({ state: 'empty' });
  }

  /** Opens a rig in place of whatever the book holds under its id, and keeps it. */
  open(rig: Rig): void {
    this.revision = undefined;
    this.put({ state: 'open', rig, history: NO_HISTORY });
  }

  /** A rig under an id that replaces nothing in the book. */
  asNew(rig: Rig): Rig {
    return { ...rig, id: `${rig.id}-${Date.now().toString(36)}` };
  }

  /** Opens another rig of the book. */
  async openById(id: string): Promise<void> {
    const kept = await this.repository.byId(id);
    if (!kept) return;
    this.show(kept);
    // Saved once more, so that the next visit begins with it.
    this.put({ state: 'open', rig: kept.rig, history: kept.history });
  }

  /**
   * Takes the open rig out of the book and opens the one saved before it, or none.
   *
   * @returns What puts it back, with its whole history.
   */
  async remove(): Promise<(() => void) | undefined> {
    const open = this.opened();
    if (!open) return undefined;
    this.current.set({ state: 'loading' });
    this.revision = undefined;
    await this.repository.remove(open.rig.id);
    const next = await this.repository.lastSaved();
    if (next) this.show(next);
    else this.current.set({ state: 'empty' });
    return () => {
      this.revision = undefined;
      this.put({ state: 'open', rig: open.rig, history: open.history });
    };
  }

  /** Changes the open rig and keeps the result. */
  change(edit: (rig: Rig) => Rig, change: Change): void {
    const open = this.opened();
    if (!open) return;
    const rig = edit(open.rig);
    this.put({ state: 'open', rig, history: withStep(open.history, open.rig, rig, change) });
  }

  undo(): void {
    this.step(stepBack);
  }

  redo(): void {
    this.step(stepForward);
  }

  /** Two versions: goes on with the other tab's. */
  takeTheirs(): void {
    const kept = this.keeping();
    if (kept.state === 'two-versions') this.show(kept.theirs);
  }

  /** Two versions: goes on with this tab's as a rig of its own. */
  keepMineAsCopy(): void {
    this.duplicate();
  }

  /** Goes on with a copy of the open rig, under an id and a name of its own. */
  duplicate(): void {
    const open = this.opened();
    if (!open) return;
    this.open(this.asNew({ ...open.rig, name: `${open.rig.name}, copy` }));
  }

  private step(take: typeof stepBack): void {
    const open = this.opened();
    const stepped = open && take(open.history, open.rig);
    if (stepped) this.put({ state: 'open', ...stepped });
  }

  private put(open: OpenState): void {
    this.current.set(open);
    this.unsaved += 1;
    this.keeping.update((kept) => (kept.state === 'saved' ? { state: 'saving' } : kept));
    this.saves.next(open);
  }

  private show(kept: KeptRig): void {
    this.revision = kept.revision;
    this.current.set({ state: 'open', rig: kept.rig, history: kept.history });
    this.keeping.set({ state: 'saved', at: kept.savedAt });
  }

  private async keep(open: OpenState): Promise<Keeping> {
    const before = this.keeping();
    try {
      if (before.state === 'two-versions' && open.rig.id === before.theirs.rig.id) return before;
      const kept = await this.repository.save(open.rig, open.history, this.revision);
      this.revision = kept.revision;
      this.askToStay();
      return { state: 'saved', at: kept.savedAt };
    } catch (error) {
      if (error instanceof SavedElsewhere) return { state: 'two-versions', theirs: error.theirs };
      return { state: 'not-kept', because: whyNotKept(error) };
    } finally {
      this.unsaved -= 1;
    }
  }

  /** Asks the browser once not to clear the book when space runs short; it may say no. */
  private askToStay(): void {
    if (this.hasAskedToStay) return;
    this.hasAskedToStay = true;
    navigator.storage.persist().catch(() => undefined);
  }

  /** What another tab saved is shown here too, as long as nothing here waits to be saved or decided. */
  private async followOtherTab(revision: number | undefined): Promise<void> {
    const id = this.openId();
    const isNews = revision !== undefined && this.revision !== undefined && revision > this.revision;
    if (id === undefined || !isNews || !this.isSettled()) return;
    const kept = await this.repository.byId(id);
    const isStillNews = kept !== undefined && this.openId() === id && kept.revision > (this.revision ?? 0);
    if (isStillNews && this.isSettled()) this.show(kept);
  }

  /** Nothing is on its way into the book, and the user has no two versions to choose between. */
  private isSettled(): boolean {
    return this.unsaved === 0 && this.keeping().state !== 'two-versions';
  }
}
