import { problemLines, readRigDocument, type Rig } from '@heliarch/core/rig';
import type { RefusedEdit } from './refused-edit';
import type { StoredRig } from './rig-database';
import { isUndoHistory, NO_HISTORY, type UndoHistory } from './undo-history';

/** A rig with everything the browser keeps of it. */
export interface KeptRig {
  readonly isReadable: true;
  readonly rig: Rig;
  readonly history: UndoHistory;
  readonly revision: number;
  readonly savedAt: Date;
  readonly refused: RefusedEdit | undefined;
  /** Its way back was damaged and is left out. */
  readonly isHistoryLost: boolean;
}

/** A stored rig that this build cannot read: it stays as it is. */
export interface UnreadableRig {
  readonly isReadable: false;
  readonly id: string;
  readonly name: string;
  readonly because: readonly string[];
  /** The same with ids of their own for entries that share one, where that is all that is wrong. */
  readonly mended?: Rig | undefined;
}

export type FoundRig = KeptRig | UnreadableRig;

/** What a row of the storage holds, whatever it is. */
export function rigIn(stored: StoredRig): FoundRig {
  const { id, revision, savedAt, history, refused } = stored;
  const name = nameOf(stored);
  const read = readRigDocument(stored.document);
  if (!read.ok)
    return { isReadable: false, id, name, because: problemLines(read.problems), mended: read.mended };
  if (read.value.id !== id) {
    const because = [`The rig stands under the id "${id}" and calls itself "${read.value.id}".`];
    return { isReadable: false, id, name, because };
  }
  const isSound = history === undefined || isUndoHistory(history);
  return {
    isReadable: true,
    rig: read.value,
    history: isSound ? (history ?? NO_HISTORY) : NO_HISTORY,
    revision: countOf(revision),
    savedAt: new Date(countOf(savedAt)),
    refused,
    isHistoryLost: !isSound,
  };
}

/** A damaged row may have no name. */
export function nameOf({ name, id }: StoredRig): string {
  return typeof name === 'string' && name.trim() !== '' ? name : id;
}

/** A damaged row may have no number where one belongs. */
export function countOf(value: unknown): number {
  return typeof value === 'number' && Number.isFinite(value) ? value : 0;
}
