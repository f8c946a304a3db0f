import { inject, Injectable } from '@angular/core';
import { problemLines, readRigDocument, type Rig } from '@heliarch/core/rig';
import { liveQuery } from 'dexie';
import { from, type Observable } from 'rxjs';
import type { RefusedEdit } from './refused-edit';
import { RigDatabase, type StoredRig } from './rig-database';
import { DeletedElsewhere, IdTaken, NewerStorage, SavedElsewhere } from './storage-errors';
import { countOf, nameOf, rigIn, type FoundRig, type KeptRig } from './stored-rig';
import { NO_HISTORY, type UndoHistory } from './undo-history';

export interface RigTitle {
  readonly id: string;
  readonly name: string;
  /** Whether this build can read it. */
  readonly isReadable: boolean;
}

/** What is to be kept of a rig. */
export interface Work {
  readonly rig: Rig;
  readonly history: UndoHistory;
}

/** What is kept beside a rig in this browser, and in no file. */
export type Beside = 'atSwitch' | 'cards';

/** The only way to what this browser keeps. Nothing is ever stored that cannot be read again. */
@Injectable({ providedIn: 'root' })
export class RigRepository {
  private readonly database = inject(RigDatabase);
  /** Of each rig, the revision that was looked at last and whether it can be read. */
  private readonly looked = new Map<string, { readonly revision: number; readonly isReadable: boolean }>();

  /** All rigs that this browser keeps, the one that was open last first; follows every change. */
  readonly titles$: Observable<readonly RigTitle[]> = from(
    liveQuery(async () => {
      const stored = await this.rows();
      return stored.map((each): RigTitle => ({
        id: each.id,
        name: nameOf(each),
        isReadable: this.isReadable(each),
      }));
    }),
  );

  /** The rig that was open last; undefined where this browser keeps none. */
  async lastOpen(): Promise<FoundRig | undefined> {
    await this.opened();
    const [stored] = await this.rows();
    return stored && rigIn(stored);
  }

  async byId(id: string): Promise<FoundRig | undefined> {
    const stored = await this.row(id);
    return stored && rigIn(stored);
  }

  /** A rig as it lies in the storage, whether or not it can be read. */
  async row(id: string): Promise<StoredRig | undefined> {
    return this.database.rigs.get(id);
  }

  /**
   * All of them as they lie there, also in a storage that a newer build has changed; the one that was open
   * last first. Sorted here, for an index leaves out a damaged row.
   */
  async rows(): Promise<readonly StoredRig[]> {
    const rows = await this.database.rigs.toArray();
    return rows.sort((a, b) => countOf(b.sequence) - countOf(a.sequence));
  }

  /** The revision of a rig whenever it changes, in this tab or another; undefined where it is gone. */
  revision$(id: string): Observable<number | undefined> {
    return from(liveQuery(async () => (await this.database.rigs.get(id))?.revision));
  }

  /**
   * Keeps a rig that is new to this browser.
   *
   * @throws IdTaken where a rig of that id is there, readable or not: it stays as it is.
   */
  async add(work: Work): Promise<KeptRig> {
    return this.writing(work.rig, async () => {
      const before = await this.database.rigs.get(work.rig.id);
      if (before) throw new IdTaken(rigIn(before));
      return this.put(work, 1);
    });
  }

  /** The same, but only where this browser keeps no rig at all; else undefined. */
  async addToEmpty(work: Work): Promise<KeptRig | undefined> {
    return this.writing(work.rig, async () =>
      (await this.database.rigs.count()) > 0 ? undefined : this.put(work, 1),
    );
  }

  /**
   * Keeps the present state of a rig that is there.
   *
   * @param known The revision that it follows on.
   * @throws SavedElsewhere or DeletedElsewhere where another tab came first: its work stays as it is.
   */
  async save(work: Work, known: number): Promise<KeptRig> {
    return this.writing(work.rig, async () => {
      const before = await this.database.rigs.get(work.rig.id);
      if (!before) throw new DeletedElsewhere();
      if (countOf(before.revision) !== known) throw new SavedElsewhere(rigIn(before));
      return this.put(work, known + 1);
    });
  }

  /** Puts a rig in the place of another of its id; what was there, to be put back. */
  async replace(rig: Rig): Promise<StoredRig | undefined> {
    return this.writing(rig, async () => {
      const before = await this.database.rigs.get(rig.id);
      await this.put({ rig, history: NO_HISTORY }, countOf(before?.revision) + 1);
      return before;
    });
  }

  /** Puts a row back as it was, over what is there now. */
  async putBack(row: StoredRig): Promise<void> {
    await this.writable(async () => {
      const now = await this.database.rigs.get(row.id);
      const revision = Math.max(countOf(now?.revision), countOf(row.revision)) + 1;
      await this.database.rigs.put({ ...row, revision, sequence: await this.nextSequence() });
    });
  }

  /** Takes a rig out of this browser; what was there, to be put back. */
  async remove(id: string): Promise<StoredRig | undefined> {
    return this.writable(async () => {
      const stored = await this.database.rigs.get(id);
      await this.database.rigs.delete(id);
      return stored;
    });
  }

  /** Notes that a rig is open now: the next visit begins with it. */
  async markOpen(id: string): Promise<void> {
    await this.writable(async () => {
      await this.database.rigs.update(id, { sequence: await this.nextSequence() });
    });
  }

  /** Keeps beside a rig the edit that it could not take; undefined forgets it. */
  async keepRefused(id: string, refused: RefusedEdit | undefined): Promise<void> {
    await this.writable(async () => {
      await this.database.rigs.update(id, { refused });
    });
  }

  /** What lies beside a rig, as it lies there, whenever it changes in this tab or another. */
  beside$(id: string, what: Beside): Observable<unknown> {
    return from(liveQuery(async () => (await this.database.rigs.get(id))?.[what]));
  }

  /** Keeps it beside the rig; of a rig that is not kept, nothing is. */
  async keepBeside(id: string, what: Beside, value: unknown): Promise<void> {
    await this.writable(async () => {
      await this.database.rigs.update(id, { [what]: value });
    });
  }

  private async opened(): Promise<void> {
    await this.database.open();
    if (this.database.isNewer()) throw new NewerStorage();
  }

  private async writable<T>(write: () => Promise<T>): Promise<T> {
    await this.opened();
    return this.database.transaction('rw', this.database.rigs, write);
  }

  private async writing<T>(rig: Rig, write: () => Promise<T>): Promise<T> {
    const read = readRigDocument(rig);
    if (!read.ok) throw new Error(`Not kept: ${problemLines(read.problems).join(' ')}`);
    return this.writable(write);
  }

  private async put({ rig, history }: Work, revision: number): Promise<KeptRig> {
    const savedAt = Date.now();
    const { refused, atSwitch, cards } = (await this.database.rigs.get(rig.id)) ?? {};
    const sequence = await this.nextSequence();
    await this.database.rigs.put({
      id: rig.id,
      name: rig.name,
      revision,
      sequence,
      savedAt,
      document: rig,
      history,
      ...(refused && { refused }),
      ...(atSwitch !== undefined && { atSwitch }),
      ...(cards !== undefined && { cards }),
    });
    this.looked.set(rig.id, { revision, isReadable: true });
    return {
      isReadable: true,
      rig,
      history,
      revision,
      savedAt: new Date(savedAt),
      refused,
      isHistoryLost: false,
    };
  }

  private async nextSequence(): Promise<number> {
    const last = await this.database.rigs.orderBy('sequence').last();
    return countOf(last?.sequence) + 1;
  }

  /** Reading a whole rig only to name it is done once for each of its revisions. */
  private isReadable(stored: StoredRig): boolean {
    const known = this.looked.get(stored.id);
    if (known?.revision === stored.revision) return known.isReadable;
    const { isReadable } = rigIn(stored);
    this.looked.set(stored.id, { revision: stored.revision, isReadable });
    return isReadable;
  }
}
