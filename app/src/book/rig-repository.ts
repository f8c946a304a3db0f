import { inject, Injectable } from '@angular/core';
import { describeProblem, readRigDocument, type Rig } from '@heliarch/core';
import { liveQuery } from 'dexie';
import { from } from 'rxjs';
import { BookDatabase, type StoredRig } from './book-database';

export interface KeptRig {
  readonly rig: Rig;
  readonly savedAt: Date;
}

export interface RigTitle {
  readonly id: string;
  readonly name: string;
}

export class UnreadableRig extends Error {}

/** The only way to what this browser keeps. */
@Injectable({ providedIn: 'root' })
export class RigRepository {
  private readonly database = inject(BookDatabase);

  /** The rig that was saved last; undefined in an empty book. */
  async lastSaved(): Promise<KeptRig | undefined> {
    const stored = await this.database.rigs.orderBy('savedAt').last();
    return stored && { rig: readable(stored), savedAt: stored.savedAt };
  }

  async byId(id: string): Promise<Rig | undefined> {
    const stored = await this.database.rigs.get(id);
    return stored && readable(stored);
  }

  /** Names of all rigs in the book, last saved first; follows every change. */
  readonly titles$ = from(
    liveQuery(() =>
      this.database.rigs
        .orderBy('savedAt')
        .reverse()
        .toArray((rigs) => rigs.map(({ id, name }): RigTitle => ({ id, name }))),
    ),
  );

  /** Keeps the whole rig; a rig of the same id is replaced. */
  async save(rig: Rig): Promise<Date> {
    return this.database.transaction('rw', this.database.rigs, async () => {
      const before = await this.database.rigs.get(rig.id);
      const savedAt = new Date();
      const revision = (before?.revision ?? 0) + 1;
      await this.database.rigs.put({ id: rig.id, name: rig.name, revision, savedAt, document: rig });
      return savedAt;
    });
  }
}

function readable(stored: StoredRig): Rig {
  const read = readRigDocument(stored.document);
  if (read.ok) return read.value;
  const first = read.problems[0];
  throw new UnreadableRig(
    `"${stored.name}" in this browser cannot be read. ${first ? describeProblem(first) : ''}`,
  );
}
