import { Dexie, type EntityTable } from 'dexie';
import type { History } from './history';

/** One rig as it lies in the browser: the whole document, how often it was saved, and the way back. */
export interface StoredRig {
  id: string;
  name: string;
  revision: number;
  savedAt: Date;
  document: unknown;
  history?: History | undefined;
}

/** The rig book of this browser. */
export class BookDatabase extends Dexie {
  declare readonly rigs: EntityTable<StoredRig, 'id'>;

  constructor(name = 'heliarch') {
    super(name);
    this.version(1).stores({ rigs: 'id, savedAt' });
  }
}
