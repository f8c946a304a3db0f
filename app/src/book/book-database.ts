import { Dexie, type EntityTable } from 'dexie';

/** One rig as it lies in the browser: the whole document, and how often it was saved. */
export interface StoredRig {
  id: string;
  name: string;
  revision: number;
  savedAt: Date;
  document: unknown;
}

/** The rig book of this browser. */
export class BookDatabase extends Dexie {
  declare readonly rigs: EntityTable<StoredRig, 'id'>;

  constructor(name = 'heliarch') {
    super(name);
    this.version(1).stores({ rigs: 'id, savedAt' });
  }
}
