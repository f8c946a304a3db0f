import { inject, Injectable } from '@angular/core';
import { liveQuery } from 'dexie';
import { readLogTest, type LogTest } from '@heliarch/core/logging';
import { from, type Observable } from 'rxjs';
import { LogDatabase, type StoredTest } from './rig-database';
import { RigRepository } from './rig-repository';

const MS_OF_A_DAY = 86_400_000;

/** The only way to the tests that this browser keeps. */
@Injectable({ providedIn: 'root' })
export class LogRepository {
  private readonly database = inject(LogDatabase);
  private readonly rigs = inject(RigRepository);

  /** The tests of a rig as they were changed here, whenever one changes in this tab or another. */
  changes$(rigId: string): Observable<readonly StoredTest[]> {
    return from(liveQuery(() => this.database.tests.where({ rigId }).toArray()));
  }

  /** Keeps a test; undefined notes that it was taken out. An older change never takes the place of a newer one. */
  async keep(rigId: string, id: string, test: LogTest | undefined, serial: number): Promise<void> {
    await this.database.transaction('rw', this.database.tests, async () => {
      const before = await this.database.tests.get([rigId, id]);
      if (before && before.serial >= serial) return;
      await this.database.tests.put({ rigId, id, serial, savedAt: Date.now(), test });
    });
  }

  /** Lets go of the tests of rigs that were deleted more than a day ago: until then they can be put back. */
  async tidy(): Promise<void> {
    const kept = new Set((await this.rigs.rows()).map(({ id }) => id));
    const before = Date.now() - MS_OF_A_DAY;
    await this.database.tests.filter(({ rigId, savedAt }) => !kept.has(rigId) && savedAt < before).delete();
  }
}

/** What can be read of them, and how many cannot. */
export function readable(tests: readonly unknown[]): {
  readonly tests: readonly LogTest[];
  readonly unread: number;
} {
  const read = tests.map(readLogTest);
  return {
    tests: read.flatMap((test) => test ?? []),
    unread: read.filter((test) => test === undefined).length,
  };
}
