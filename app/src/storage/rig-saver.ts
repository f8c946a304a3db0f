import { inject, Injectable } from '@angular/core';
import { validateRig, type Rig } from '@heliarch/core/rig';
import type { OpenRig } from './open-rig';
import { OpenRigState } from './open-rig-state';
import { withOwnId } from './own-id';
import type { RefusedEdit } from './refused-edit';
import { RigRepository, type Work } from './rig-repository';
import { isForTheUser, saveStatusAfter, type SaveStatus } from './save-status';
import { IdTaken, whyNotKept } from './storage-errors';
import { StorageQueue } from './storage-queue';
import type { KeptRig } from './stored-rig';
import { putUnloadDraft, takeUnloadDraft } from './unload-draft';

/** Work that was not kept yet, with the revision that it follows on. */
interface LeftBehind {
  readonly work: Work;
  readonly revision: number;
}

export const copyOf = (rig: Rig): Rig => ({ ...rig, name: `${rig.name}, copy` });

/** The way of the open rig into the storage: every change is kept as it is made, and says how it stands. */
@Injectable({ providedIn: 'root' })
export class RigSaver {
  private readonly state = inject(OpenRigState);
  private readonly repository = inject(RigRepository);
  private readonly queue = inject(StorageQueue);
  private hasAskedToStay = false;

  constructor() {
    addEventListener('pagehide', () => this.leaveDraft());
  }

  /** Shows a state of a rig and keeps it. */
  work(open: OpenRig, work: Work): void {
    const { state } = this;
    if (open !== state.open) {
      this.rescue();
      state.refused.set(undefined);
      state.isHistoryLost.set(false);
      state.saveStatus.set({ state: 'saving' });
    }
    state.open = open;
    open.unsaved = work;
    state.current.set({ state: 'open', rig: work.rig, history: work.history });
    state.saveStatus.update((kept) => (kept.state === 'saved' ? { state: 'saving' } : kept));
    void this.queue.run(`saving ${work.rig.name}`, () => this.keep(open));
  }

  /** What the open rig has and the storage has not, since another tab came first, is kept as a copy. */
  rescue(): void {
    const work = this.state.opened();
    if (!work || !isForTheUser(this.state.saveStatus())) return;
    const rig = withOwnId(copyOf(work.rig));
    void this.asked(`saving ${rig.name}`, () => this.repository.add({ rig, history: work.history }));
  }

  /** An edit that the rig could not take stands beside it, also after a reload. */
  refuse(refused: RefusedEdit | undefined): void {
    this.state.refused.set(refused);
    const { open } = this.state;
    if (open)
      void this.asked('keeping an edit', async () => {
        if (!open.isDeleted) await this.repository.keepRefused(open.id, refused);
      });
  }

  /** Asks the storage; what it refuses is said, and the answer is then undefined. */
  async asked<T>(what: string, task: () => Promise<T>): Promise<T | undefined> {
    try {
      return await this.queue.run(what, task);
    } catch (error) {
      this.state.saveStatus.set({ state: 'not-kept', because: whyNotKept(error) });
      return undefined;
    }
  }

  /** What the page before left, unless the storage has it or a later one. */
  takeDraft(): void {
    const { open } = this.state;
    const left = open && (takeUnloadDraft(open.id) as LeftBehind | undefined);
    if (left && open.revision === left.revision && validateRig(left.work.rig).ok) this.work(open, left.work);
  }

  /** A page that is closed before the storage has its last work leaves it for the next one. */
  private leaveDraft(): void {
    const { open, saveStatus } = this.state;
    const work = open?.unsaved ?? open?.saving;
    if (work && open?.revision !== undefined && !open.isDeleted && !isForTheUser(saveStatus()))
      putUnloadDraft(open.id, { work, revision: open.revision } satisfies LeftBehind);
  }

  /** Saves what is unsaved of a rig, whatever is open by now. */
  private async keep(open: OpenRig): Promise<void> {
    const work = open.unsaved;
    const waitsForUser = open === this.state.open && isForTheUser(this.state.saveStatus());
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

  private async save(open: OpenRig, work: Work): Promise<KeptRig> {
    if (open.revision !== undefined) return this.repository.save(work, open.revision);
    try {
      return await this.repository.add(work);
    } catch (error) {
      if (!(error instanceof IdTaken)) throw error;
      // A file of that id came in through another tab at the same moment: both are kept.
      const rig = withOwnId(work.rig);
      open.rename(rig.id);
      const shown = this.state.opened();
      if (open === this.state.open && shown)
        this.state.current.set({ ...shown, rig: { ...shown.rig, id: rig.id } });
      return this.repository.add({ ...work, rig });
    }
  }

  private tell(open: OpenRig, status: SaveStatus): void {
    if (open === this.state.open)
      this.state.saveStatus.set(status.state === 'saved' && open.unsaved ? { state: 'saving' } : status);
  }

  /** Asks the browser once not to clear the storage when space runs short; it may say no. */
  private askToStay(): void {
    if (this.hasAskedToStay) return;
    this.hasAskedToStay = true;
    navigator.storage.persist().catch(() => undefined);
  }
}
