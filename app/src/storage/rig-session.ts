import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { validateRig, type Rig } from '@heliarch/core/rig';
import { catchError, EMPTY, map, switchMap } from 'rxjs';
import { putUnloadDraft, takeUnloadDraft } from './unload-draft';
import { DemoRigs } from './demo-rigs';
import { isForTheUser, saveStatusAfter, type SaveStatus } from './save-status';
import { OpenRig } from './open-rig';
import { withOwnId } from './own-id';
import { refusedEdit, type RefusedEdit } from './refused-edit';
import type { StoredRig } from './rig-database';
import { RigRepository, type Work } from './rig-repository';
import { IdTaken, NewerStorage, whyNotKept } from './storage-errors';
import { StorageQueue } from './storage-queue';
import { nameOf, type FoundRig, type KeptRig, type UnreadableRig } from './stored-rig';
import { NO_HISTORY, stepBack, stepForward, withStep, type Change, type UndoHistory } from './undo-history';

export type SessionState =
  | { readonly state: 'loading'; readonly what: string }
  | { readonly state: 'empty' }
  | { readonly state: 'open'; readonly rig: Rig; readonly history: UndoHistory }
  | { readonly state: 'unreadable'; readonly found: UnreadableRig }
  /** The storage is there and may not be touched, or does not answer. */
  | { readonly state: 'unavailable'; readonly because: string };

/** The rig that is open, and its way into the storage: every change is kept as it is made. */
@Injectable({ providedIn: 'root' })
export class RigSession {
  private readonly repository = inject(RigRepository);
  private readonly queue = inject(StorageQueue);
  private readonly demoRigs = inject(DemoRigs);
  private readonly current = signal<SessionState>({ state: 'loading', what: 'opening your rigs' });
  private readonly keeping = signal<SaveStatus>({ state: 'saving' });
  private readonly refusal = signal<RefusedEdit | undefined>(undefined);
  private readonly lostHistory = signal(false);
  private open: OpenRig | undefined;
  private hasAskedToStay = false;

  readonly state = this.current.asReadonly();
  readonly kept = this.keeping.asReadonly();
  /** The last edit that the rig could not take. */
  readonly refused = this.refusal.asReadonly();
  /** The steps of the open rig were damaged, and are gone. */
  readonly isHistoryLost = this.lostHistory.asReadonly();
  /** What the storage has not answered for two seconds. */
  readonly slow = this.queue.slow;
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
    toObservable(this.openId)
      .pipe(
        switchMap((id) =>
          id === undefined
            ? EMPTY
            : this.repository.revision$(id).pipe(
                map((revision) => ({ id, revision })),
                catchError(() => EMPTY),
              ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe(({ id, revision }) => void this.followOtherTab(id, revision));
    addEventListener('pagehide', () => this.putUnloadDraft());
  }

  /** Opens what was open last; where nothing is kept, the demo rig is offered if the server says so. */
  async start(): Promise<void> {
    try {
      const last = await this.queue.run('opening your rigs', () => this.repository.lastOpen());
      if (this.current().state !== 'loading') return;
      if (last) {
        this.show(last);
        this.takeUnloadDraft();
      } else await this.begin();
    } catch (error) {
      const because = whyNotKept(error);
      this.keeping.set({ state: 'not-kept', because });
      if (error instanceof NewerStorage) this.current.set({ state: 'unavailable', because });
      else await this.begin();
    }
  }

  /** Goes on without what the storage holds, which stays as it is. */
  async goOnWithoutStorage(): Promise<void> {
    this.keeping.set({ state: 'not-kept', because: 'Its storage does not answer.' });
    await this.begin();
  }

  /** Opens a rig that is new to this browser, under an id of its own, and keeps it. */
  openNew(rig: Rig): void {
    const own = withOwnId(rig);
    this.work(new OpenRig(own.id), { rig: own, history: NO_HISTORY });
  }

  /**
   * Opens a rig of a file and keeps it, unless this browser keeps one of its id.
   *
   * @returns The one that is there: then nothing has happened yet, and the user is to be asked.
   */
  async bringIn(rig: Rig): Promise<{ readonly found: FoundRig | undefined }> {
    const found = await this.asked('looking for the rig', () => this.repository.byId(rig.id));
    if (!found) this.work(new OpenRig(rig.id), { rig, history: NO_HISTORY });
    return { found };
  }

  /**
   * Puts a rig in the place of the one of its id, and opens it.
   *
   * @returns What puts the other one back, with its whole history.
   */
  async replace(rig: Rig): Promise<() => void> {
    const before = await this.queue.run(`opening ${rig.name}`, () => this.repository.replace(rig));
    await this.openById(rig.id);
    return () => void (before && this.putBack(before));
  }

  /** Opens another rig of this browser. */
  async openById(id: string): Promise<void> {
    const wasUnkept = this.hasUnkeptWork();
    const found = await this.asked('opening the other rig', () => this.repository.byId(id));
    // A save that was on its way may have failed meanwhile: what it held is not left behind.
    if (!found || (!wasUnkept && this.hasUnkeptWork())) return;
    this.rescue();
    this.show(found);
    await this.asked('opening the other rig', () => this.repository.markOpen(id));
  }

  /**
   * Takes the open rig out of this browser and opens the one that was open before it, or none.
   *
   * @returns What puts it back, with its whole history.
   */
  async remove(): Promise<(() => void) | undefined> {
    const state = this.current();
    if (state.state === 'open') {
      this.current.set({ state: 'loading', what: `deleting ${state.rig.name}` });
      const removed = await this.removeRow(state.rig.id);
      if (!removed) {
        this.current.set(state);
        return undefined;
      }
      return removed.putBack ?? (() => this.work(new OpenRig(state.rig.id), state));
    }
    return state.state === 'unreadable' ? (await this.removeRow(state.found.id))?.putBack : undefined;
  }

  /** Changes the open rig and keeps the result; what would not be a rig stands beside it with its reason. */
  change(edit: (rig: Rig) => Rig, change: Change): void {
    const before = this.opened();
    if (!before || !this.open) return;
    const rig = edit(before.rig);
    const valid = validateRig(rig, before.rig);
    if (valid.ok) this.work(this.open, { rig, history: withStep(before.history, before.rig, rig, change) });
    else this.refuse(refusedEdit(change.label, rig, valid.problems));
  }

  /** Forgets the edit that the rig could not take. */
  forgetRefused(): void {
    this.refuse(undefined);
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

  /** Two versions, or one that was deleted: goes on with this tab's as a rig of its own. */
  keepMineAsCopy(): void {
    const open = this.opened();
    if (!open) return;
    const rig = withOwnId(copyOf(open.rig));
    // It is decided: nothing is left to be rescued.
    this.keeping.set({ state: 'saving' });
    this.work(new OpenRig(rig.id), { rig, history: open.history });
  }

  /** Deleted in another tab: it is let go here too. */
  async letGo(): Promise<void> {
    if (this.open) this.open.isDeleted = true;
    await this.openLast();
  }

  /** Goes on with a copy of the open rig, under an id and a name of its own, and with tests of its own. */
  duplicate(logbook: Rig['logbook']): void {
    const open = this.opened();
    if (open) this.openNew({ ...copyOf(open.rig), logbook });
  }

  /** Tries once more to keep what is not kept. */
  tryAgain(): void {
    const open = this.opened();
    if (open && this.open) this.work(this.open, open);
  }

  /** Whether the page holds work that the browser does not. */
  hasUnkeptWork(): boolean {
    return this.opened() !== undefined && this.keeping().state === 'not-kept';
  }

  private async begin(): Promise<void> {
    const demo = await this.demoRigs.offered();
    if (!demo) {
      this.current.set({ state: 'empty' });
      return;
    }
    const rig = withOwnId(demo);
    const work = { rig, history: NO_HISTORY };
    const canKeep = this.keeping().state !== 'not-kept';
    const kept = canKeep
      ? await this.asked('keeping the demo rig', () => this.repository.addToEmpty(work))
      : undefined;
    if (kept) this.show(kept);
    else if (canKeep && this.keeping().state !== 'not-kept') await this.openLast();
    else this.work(new OpenRig(rig.id), work);
  }

  private async openLast(): Promise<void> {
    const last = await this.asked('opening your rigs', () => this.repository.lastOpen());
    if (last) this.show(last);
    else this.current.set({ state: 'empty' });
  }

  /** Undefined where the storage refuses: then nothing has happened. */
  private async removeRow(id: string): Promise<{ readonly putBack: (() => void) | undefined } | undefined> {
    const { open } = this;
    const removed = await this.asked('deleting the rig', async () => {
      const row = await this.repository.remove(id);
      // From here on, nothing that waits to be saved brings it back.
      if (open?.id === id) open.isDeleted = true;
      return { row };
    });
    if (!removed) return undefined;
    await this.openLast();
    const { row } = removed;
    return { putBack: row && (() => void this.putBack(row)) };
  }

  private async putBack(row: StoredRig): Promise<void> {
    await this.asked(`putting ${nameOf(row)} back`, () => this.repository.putBack(row));
    await this.openById(row.id);
  }

  private step(take: typeof stepBack): void {
    const before = this.opened();
    const stepped = before && take(before.history, before.rig);
    if (!stepped || !this.open) return;
    if (stepped === 'damaged') {
      this.lostHistory.set(true);
      this.work(this.open, { rig: before.rig, history: NO_HISTORY });
    } else this.work(this.open, stepped);
  }

  /** Shows a state of a rig and keeps it. */
  private work(open: OpenRig, work: Work): void {
    if (open !== this.open) {
      this.rescue();
      this.refusal.set(undefined);
      this.lostHistory.set(false);
      this.keeping.set({ state: 'saving' });
    }
    this.open = open;
    open.unsaved = work;
    this.current.set({ state: 'open', rig: work.rig, history: work.history });
    this.keeping.update((kept) => (kept.state === 'saved' ? { state: 'saving' } : kept));
    void this.queue.run(`saving ${work.rig.name}`, () => this.keep(open));
  }

  private show(found: FoundRig): void {
    if (!found.isReadable) {
      this.open = undefined;
      this.current.set({ state: 'unreadable', found });
      return;
    }
    this.open = new OpenRig(found.rig.id, found.revision);
    this.current.set({ state: 'open', rig: found.rig, history: found.history });
    this.keeping.set({ state: 'saved', at: found.savedAt });
    this.refusal.set(found.refused);
    this.lostHistory.set(found.isHistoryLost);
  }

  /** Saves what is unsaved of a rig, whatever is open by now. */
  private async keep(open: OpenRig): Promise<void> {
    const work = open.unsaved;
    const waitsForUser = open === this.open && isForTheUser(this.keeping());
    if (!work || open.isDeleted || waitsForUser) return;
    open.unsaved = undefined;
    open.saving = work;
    try {
      const kept = await this.save(open, work);
      open.revision = kept.revision;
      this.tell(open, { state: 'saved', at: kept.savedAt });
      this.askToStay();
    } catch (error) {
      open.unsaved ??= work;
      this.tell(open, saveStatusAfter(error));
    }
    open.saving = undefined;
  }

  /** A page that is closed before the storage has its last work leaves it at hand for the next one. */
  private putUnloadDraft(): void {
    const { open } = this;
    const work = open?.unsaved ?? open?.saving;
    if (work && open?.revision !== undefined && !open.isDeleted && !isForTheUser(this.keeping()))
      putUnloadDraft(open.id, { work, revision: open.revision } satisfies LeftAtHand);
  }

  /** What the page before left, unless the storage has it or a later one. */
  private takeUnloadDraft(): void {
    const { open } = this;
    const left = open && (takeUnloadDraft(open.id) as LeftAtHand | undefined);
    if (left && open.revision === left.revision && validateRig(left.work.rig).ok) this.work(open, left.work);
  }

  private async save(open: OpenRig, work: Work): Promise<KeptRig> {
    if (open.revision !== undefined) return this.repository.save(work, open.revision);
    try {
      return await this.repository.add(work);
    } catch (error) {
      if (!(error instanceof IdTaken)) throw error;
      // A file of that id came in through another tab at the same moment: both are kept.
      const rig = withOwnId(work.rig);
      open.rename(rig.id);
      const shown = this.opened();
      if (open === this.open && shown) this.current.set({ ...shown, rig: { ...shown.rig, id: rig.id } });
      return this.repository.add({ ...work, rig });
    }
  }

  private tell(open: OpenRig, keeping: SaveStatus): void {
    if (open === this.open)
      this.keeping.set(keeping.state === 'saved' && open.unsaved ? { state: 'saving' } : keeping);
  }

  /** What the open rig has and the storage has not, since another tab came first, is kept as a copy. */
  private rescue(): void {
    const work = this.opened();
    if (!work || !isForTheUser(this.keeping())) return;
    const rig = withOwnId(copyOf(work.rig));
    void this.asked(`saving ${rig.name}`, () => this.repository.add({ rig, history: work.history }));
  }

  private refuse(refused: RefusedEdit | undefined): void {
    this.refusal.set(refused);
    const { open } = this;
    if (open)
      void this.asked('keeping an edit', async () => {
        if (!open.isDeleted) await this.repository.keepRefused(open.id, refused);
      });
  }

  /** Asks the storage; what it refuses is said, and the answer is then undefined. */
  private async asked<T>(what: string, task: () => Promise<T>): Promise<T | undefined> {
    try {
      return await this.queue.run(what, task);
    } catch (error) {
      this.keeping.set({ state: 'not-kept', because: whyNotKept(error) });
      return undefined;
    }
  }

  /** Asks the browser once not to clear the storage when space runs short; it may say no. */
  private askToStay(): void {
    if (this.hasAskedToStay) return;
    this.hasAskedToStay = true;
    navigator.storage.persist().catch(() => undefined);
  }

  /** What another tab saved is shown here too, as long as nothing here waits to be saved or decided. */
  private async followOtherTab(id: string, revision: number | undefined): Promise<void> {
    const { open } = this;
    if (open?.id !== id || open.revision === undefined || !this.isSettled(open)) return;
    if (revision !== undefined && revision <= open.revision) return;
    const found = await this.repository.byId(id).catch(() => null);
    if (found === null || !this.isSettled(open)) return;
    if (!found) this.keeping.set({ state: 'deleted-elsewhere' });
    else if (!found.isReadable || found.revision > open.revision) this.show(found);
  }

  /** Nothing of the open rig is on its way into the storage, and the user has nothing to decide. */
  private isSettled(open: OpenRig): boolean {
    return open === this.open && !open.isDeleted && !open.unsaved && this.keeping().state === 'saved';
  }
}

/** Work that was not kept yet, with the revision that it follows on. */
interface LeftAtHand {
  readonly work: Work;
  readonly revision: number;
}

const copyOf = (rig: Rig): Rig => ({ ...rig, name: `${rig.name}, copy` });
