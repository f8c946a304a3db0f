import { computed, inject, Injectable } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import type { Rig } from '@heliarch/core/rig';
import { catchError, EMPTY, map, switchMap } from 'rxjs';
import { DemoRigs } from './demo-rigs';
import { OpenRig } from './open-rig';
import { OpenRigState } from './open-rig-state';
import { withOwnId } from './own-id';
import type { StoredRig } from './rig-database';
import { RigRepository } from './rig-repository';
import { copyOf, RigSaver } from './rig-saver';
import { NewerStorage, whyNotKept } from './storage-errors';
import { StorageQueue } from './storage-queue';
import { nameOf, type FoundRig } from './stored-rig';
import { NO_HISTORY } from './undo-history';

/** The rigs of this browser: opens one, takes new ones in, deletes, and follows what other tabs do. */
@Injectable({ providedIn: 'root' })
export class RigShelf {
  private readonly state = inject(OpenRigState);
  private readonly saver = inject(RigSaver);
  private readonly repository = inject(RigRepository);
  private readonly queue = inject(StorageQueue);
  private readonly demoRigs = inject(DemoRigs);
  private readonly openId = computed(() => this.state.rig()?.id);

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
  }

  /** Opens what was open last; where nothing is kept, the demo rig is offered if the server says so. */
  async start(): Promise<void> {
    try {
      const last = await this.queue.run('opening your rigs', () => this.repository.lastOpen());
      if (this.state.current().state !== 'loading') return;
      if (last) {
        this.show(last);
        this.saver.takeDraft();
      } else await this.begin();
    } catch (error) {
      const because = whyNotKept(error);
      this.state.saveStatus.set({ state: 'not-kept', because });
      if (error instanceof NewerStorage) this.state.current.set({ state: 'unavailable', because });
      else await this.begin();
    }
  }

  /** Goes on without what the storage holds, which stays as it is. */
  async goOnWithoutStorage(): Promise<void> {
    this.state.saveStatus.set({ state: 'not-kept', because: 'Its storage does not answer.' });
    await this.begin();
  }

  /** Opens a rig that is new to this browser, under an id of its own, and keeps it. */
  openNew(rig: Rig): void {
    const own = withOwnId(rig);
    this.saver.work(new OpenRig(own.id), { rig: own, history: NO_HISTORY });
  }

  /**
   * Opens a rig of a file and keeps it, unless this browser keeps one of its id.
   *
   * @returns The one that is there: then nothing has happened yet, and the user is to be asked.
   */
  async bringIn(rig: Rig): Promise<{ readonly found: FoundRig | undefined }> {
    const found = await this.saver.asked('looking for the rig', () => this.repository.byId(rig.id));
    if (!found) this.saver.work(new OpenRig(rig.id), { rig, history: NO_HISTORY });
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
    const wasUnkept = this.state.hasUnkeptWork();
    const found = await this.saver.asked('opening the other rig', () => this.repository.byId(id));
    // A save that was on its way may have failed meanwhile: what it held is not left behind.
    if (!found || (!wasUnkept && this.state.hasUnkeptWork())) return;
    this.saver.rescue();
    this.show(found);
    await this.saver.asked('opening the other rig', () => this.repository.markOpen(id));
  }

  /**
   * Takes the open rig out of this browser and opens the one that was open before it, or none.
   *
   * @returns What puts it back, with its whole history.
   */
  async remove(): Promise<(() => void) | undefined> {
    const state = this.state.current();
    if (state.state === 'open') {
      this.state.current.set({ state: 'loading', what: `deleting ${state.rig.name}` });
      const removed = await this.removeRow(state.rig.id);
      if (!removed) {
        this.state.current.set(state);
        return undefined;
      }
      return removed.putBack ?? (() => this.saver.work(new OpenRig(state.rig.id), state));
    }
    return state.state === 'unreadable' ? (await this.removeRow(state.found.id))?.putBack : undefined;
  }

  /** Two versions: goes on with the other tab's. */
  takeTheirs(): void {
    const kept = this.state.saveStatus();
    if (kept.state === 'two-versions') this.show(kept.theirs);
  }

  /** Two versions, or one that was deleted: goes on with this tab's as a rig of its own. */
  keepMineAsCopy(): void {
    const open = this.state.opened();
    if (!open) return;
    const rig = withOwnId(copyOf(open.rig));
    // It is decided: nothing is left to be rescued.
    this.state.saveStatus.set({ state: 'saving' });
    this.saver.work(new OpenRig(rig.id), { rig, history: open.history });
  }

  /** Deleted in another tab: it is let go here too. */
  async letGo(): Promise<void> {
    if (this.state.open) this.state.open.isDeleted = true;
    await this.openLast();
  }

  /** Goes on with a copy of the open rig, under an id and a name of its own, and with tests of its own. */
  duplicate(logbook: Rig['logbook']): void {
    const open = this.state.opened();
    if (open) this.openNew({ ...copyOf(open.rig), logbook });
  }

  private async begin(): Promise<void> {
    const demo = await this.demoRigs.offered();
    if (!demo) {
      this.state.current.set({ state: 'empty' });
      return;
    }
    const rig = withOwnId(demo);
    const work = { rig, history: NO_HISTORY };
    const canKeep = this.state.saveStatus().state !== 'not-kept';
    const kept = canKeep
      ? await this.saver.asked('keeping the demo rig', () => this.repository.addToEmpty(work))
      : undefined;
    if (kept) this.show(kept);
    else if (canKeep && this.state.saveStatus().state !== 'not-kept') await this.openLast();
    else this.saver.work(new OpenRig(rig.id), work);
  }

  private async openLast(): Promise<void> {
    const last = await this.saver.asked('opening your rigs', () => this.repository.lastOpen());
    if (last) this.show(last);
    else this.state.current.set({ state: 'empty' });
  }

  /** Undefined where the storage refuses: then nothing has happened. */
  private async removeRow(id: string): Promise<{ readonly putBack: (() => void) | undefined } | undefined> {
    const { open } = this.state;
    const removed = await this.saver.asked('deleting the rig', async () => {
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
    await this.saver.asked(`putting ${nameOf(row)} back`, () => this.repository.putBack(row));
    await this.openById(row.id);
  }

  private show(found: FoundRig): void {
    if (!found.isReadable) {
      this.state.open = undefined;
      this.state.current.set({ state: 'unreadable', found });
      return;
    }
    this.state.open = new OpenRig(found.rig.id, found.revision);
    this.state.current.set({ state: 'open', rig: found.rig, history: found.history });
    this.state.saveStatus.set({ state: 'saved', at: found.savedAt });
    this.state.refused.set(found.refused);
    this.state.isHistoryLost.set(found.isHistoryLost);
  }

  /** What another tab saved is shown here too, as long as nothing here waits to be saved or decided. */
  private async followOtherTab(id: string, revision: number | undefined): Promise<void> {
    const { open } = this.state;
    if (open?.id !== id || open.revision === undefined || !this.state.isSettled(open)) return;
    if (revision !== undefined && revision <= open.revision) return;
    const found = await this.repository.byId(id).catch(() => null);
    if (found === null || !this.state.isSettled(open)) return;
    if (!found) this.state.saveStatus.set({ state: 'deleted-elsewhere' });
    else if (!found.isReadable || found.revision > open.revision) this.show(found);
  }
}
