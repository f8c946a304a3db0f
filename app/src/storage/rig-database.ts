import { Injectable } from '@angular/core';
import { Dexie, type EntityTable, type Table } from 'dexie';
import type { RefusedEdit } from './refused-edit';
import type { UndoHistory } from './undo-history';

/** One rig as it lies in the browser. */
export interface StoredRig {
  id: string;
  name: string;
  revision: number;
  /** Grows with every save and every opening, whatever the clock says: the highest was open last. */
  sequence: number;
  /** Milliseconds since 1970. */
  savedAt: number;
  document: unknown;
  history?: UndoHistory | undefined;
  /** The last edit that the rig could not take. */
  refused?: RefusedEdit | undefined;
  /** What is on by one's own ticks: of this browser, in no file. */
  atSwitch?: unknown;
  /** Its cards: what was changed on them by hand, and what was printed. */
  cards?: unknown;
}

/** As version 1 kept it: a date compares badly as a key once it has been cloned. */
type StoredRigVersion1 = Omit<StoredRig, 'savedAt'> & { savedAt: Date | number };

const VERSION = 3;
/** Dexie counts the versions of the browser's database in tens. */
const BROWSER_VERSIONS = 10;

/** The rigs that this browser keeps. */
export class RigDatabase extends Dexie {
  declare readonly rigs: EntityTable<StoredRig, 'id'>;

  constructor(name = 'heliarch') {
    super(name);
    this.version(1).stores({ rigs: 'id, savedAt' });
    this.version(2)
      .stores({ rigs: 'id, savedAt' })
      .upgrade((database) =>
        database
          .table<StoredRigVersion1>('rigs')
          .toCollection()
          .modify((stored) => {
            stored.savedAt = stored.savedAt.valueOf();
          }),
      );
    this.version(VERSION)
      .stores({ rigs: 'id, sequence' })
      .upgrade(async (database) => {
        const rigs = database.table<StoredRig>('rigs');
        const stored = await rigs.toArray();
        const inOrder = [...stored].sort((a, b) => a.savedAt - b.savedAt);
        await rigs.bulkPut(inOrder.map((rig, index) => ({ ...rig, sequence: index + 1 })));
      });
  }

  /** Whether a newer build has changed how rigs are kept: then nothing here may write. */
  isNewer(): boolean {
    return this.backendDB().version > VERSION * BROWSER_VERSIONS;
  }
}

/** A test as it lies in the browser; one that was taken out has none. */
export interface StoredTest {
  rigId: string;
  id: string;
  /** Grows with each change: of two tabs, the newer one counts. */
  serial: number;
  /** Milliseconds since 1970. */
  savedAt: number;
  test: unknown;
  /** When its rig was first missed, milliseconds since 1970: it may still be put back. */
  missedAt?: number | undefined;
}

/** The tests that this browser keeps, apart from the rigs: a reading is kept without a rig being written. */
@Injectable({ providedIn: 'root', useFactory: () => new LogDatabase() })
export class LogDatabase extends Dexie {
  declare readonly tests: Table<StoredTest, [string, string]>;

  constructor(name = 'heliarch-logbook') {
    super(name);
    this.version(1).stores({ tests: '[rigId+id], rigId' });
  }
}
