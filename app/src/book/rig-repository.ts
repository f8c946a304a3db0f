import { inject, Injectable } from '@angular/core';
import { describeProblem, readRigDocument, type Rig } from '@heliarch/core';
import { liveQuery } from 'dexie';
import { from, type Observable } from 'rxjs';
import { BookDatabase, type StoredRig } from './book-database';
import { NO_HISTORY, type History } from './history';

/** A rig with everything the book keeps of it. */
export interface KeptRig {
  readonly rig: Rig;
  readonly history: History;
  readonly revision: number;
  readonly savedAt: Date;
}

export interface RigTitle {
  readonly id: string;
  readonly name: string;
}

export class UnreadableRig extends Error {}

/** Another tab saved the same rig in between: nothing was overwritten. */
export class SavedElsewhere extends Error {
  constructor(readonly theirs: KeptRig) {
    super('Another tab has saved this rig in between.');
  }
}

/** The only way to what this browser keeps. */
@Injectable({ providedIn: 'root' })
export class RigRepository {
  private readonly database = inject(BookDatabase);

  /** Names of all rigs in the book, last saved first; follows every change. */
  readonly titles$: Observable<readonly RigTitle[]> = from(
    liveQuery(() =>
      this.database.rigs
        .orderBy('savedAt')
        .reverse()
        .toArray((rigs) => rigs.map(({ id, name }): RigTitle => ({ id, name }))),
    ),
  );

  /** The rig that was saved last; undefined in an empty book. */
  async lastSaved(): Promise<KeptRig | undefined> {
    const stored = await this.database.rigs.orderBy('savedAt').last();
    return stored && readable(stored);
  }

  async byId(id: string): Promise<KeptRig | undefined> {
    const stored = await this.database.rigs.get(id);
    return stored && readable(stored);
  }

  /** Takes a rig out of the book; what was kept of it, to be put back. */
  async remove(id: string): Promise<KeptRig | undefined> {
    return this.database.transaction('rw', this.database.rigs, async () => {
      const stored = await this.database.rigs.get(id);
      await this.database.rigs.delete(id);
      return stored && readable(stored);
    });
  }

  /** The revision of a rig whenever it changes, in this tab or another. */
  revision$(id: string): Observable<number | undefined> {
    return from(liveQuery(async () => (await this.database.rigs.get(id))?.revision));
  }

  /**
   * Keeps the whole rig with its history.
   *
   * @param known The revision this tab last saw; undefined replaces whatever is there.
   * @throws SavedElsewhere where another tab has saved since.
   */
  async save(rig: Rig, history: History, known: number | undefined): Promise<KeptRig> {
    return this.database.transaction('rw', this.database.rigs, async () => {
      const before = await this.database.rigs.get(rig.id);
      if (before && known !== undefined && before.revision !== known)
        throw new SavedElsewhere(readable(before));
      const kept: KeptRig = { rig, history, revision: (before?.revision ?? 0) + 1, savedAt: new Date() };
      await this.database.rigs.put({
        id: rig.id,
        name: rig.name,
        revision: kept.revision,
        savedAt: kept.savedAt.getTime(),
        document: rig,
        history,
      });
      return kept;
    });
  }
}

function readable(stored: StoredRig): KeptRig {
  const read = readRigDocument(stored.document);
  if (!read.ok) {
    const first = read.problems[0];
    throw new UnreadableRig(
      `"${stored.name}" in this browser cannot be read. ${first ? describeProblem(first) : ''}`,
    );
  }
  const { revision, savedAt, history = NO_HISTORY } = stored;
  return { rig: read.value, history, revision, savedAt: new Date(savedAt) };
}
