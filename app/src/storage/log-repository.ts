import { inject, Injectable } from '@angular/core';
import { liveQuery } from 'dexie';
import { readLogTest, withReadingsOf, type LogTest } from '@heliarch/core/logbook';
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

  /**
   * Keeps a test; undefined notes that it was taken out. Where another tab came first, what both have read is kept: a reading is
   * never lost to a second one.
   */
  async keep(change: Omit<StoredTest, 'missedAt'>): Promise<void> {
    await this.database.transaction('rw', this.database.tests, async () => {
      const before = await this.database.tests.get([change.rigId, change.id]);
      const isFirst = !before || before.serial < change.serial;
      await this.database.tests.put(isFirst ? change : merged(before, change));
    });
  }

  /**
   * Lets go of the tests of rigs that are gone. A rig that was deleted may be put back: its tests are only noted as missed at
   * first, and go a day later.
   */
  async tidy(nowMs = Date.now()): Promise<void> {
    const kept = new Set((await this.rigs.rows()).map(({ id }) => id));
    const isGone = ({ rigId }: StoredTest): boolean => !kept.has(rigId);
    await this.database.transaction('rw', this.database.tests, async () => {
      await this.database.tests
        .filter((row) => isGone(row) && (row.missedAt ?? nowMs) < nowMs - MS_OF_A_DAY)
        .delete();
      await this.database.tests.toCollection().modify((row) => {
        row.missedAt = isGone(row) ? (row.missedAt ?? nowMs) : undefined;
      });
    });
  }
}

/** Two changes of one test at once: the newer one with what the other one has read besides. */
function merged(before: StoredTest, change: StoredTest): StoredTest {
  const [ours, theirs] = [readLogTest(change.test), readLogTest(before.test)];
  const serial = Math.max(before.serial, change.serial) + 1;
  return { ...change, serial, test: ours && theirs ? withReadingsOf(ours, theirs) : (ours ?? before.test) };
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
