import { Dexie, type EntityTable } from 'dexie';
import type { History } from './history';

/** One rig as it lies in the browser: the whole document, how often it was saved, and the way back. */
export interface StoredRig {
  id: string;
  name: string;
  revision: number;
  /** Milliseconds since 1970. */
  savedAt: number;
  document: unknown;
  history?: History | undefined;
}

/** As version 1 kept it. */
type StoredRigVersion1 = Omit<StoredRig, 'savedAt'> & { savedAt: Date | number };

/** The rig book of this browser. */
export class BookDatabase extends Dexie {
  declare readonly rigs: EntityTable<StoredRig, 'id'>;

  constructor(name = 'heliarch') {
    super(name);
    this.version(1).stores({ rigs: 'id, savedAt' });
    // A Date compares badly as a key once it has been cloned; a number does not.
    this.version(2)
      .stores({ rigs: 'id, savedAt' })
      .upgrade((books) =>
        books
          .table<StoredRigVersion1>('rigs')
          .toCollection()
          .modify((stored) => {
            stored.savedAt = stored.savedAt.valueOf();
          }),
      );
  }
}
