import { DeletedElsewhere, SavedElsewhere, whyNotKept } from './storage-errors';
import type { FoundRig } from './stored-rig';

/** Where the work stands with what the browser keeps. */
export type SaveStatus =
  | { readonly state: 'saved'; readonly at: Date }
  | { readonly state: 'saving' }
  | { readonly state: 'not-kept'; readonly because: string }
  /** Another tab changed the same rig at the same time; both versions are still there. */
  | { readonly state: 'two-versions'; readonly theirs: FoundRig }
  /** Another tab deleted the rig; here it still is. */
  | { readonly state: 'deleted-elsewhere' };

/** Whether only the user can say how it goes on. */
export function isForTheUser({ state }: SaveStatus): boolean {
  return state === 'two-versions' || state === 'deleted-elsewhere';
}

/** Where the work stands after a save that failed. */
export function saveStatusAfter(error: unknown): SaveStatus {
  if (error instanceof SavedElsewhere) return { state: 'two-versions', theirs: error.theirs };
  if (error instanceof DeletedElsewhere) return { state: 'deleted-elsewhere' };
  return { state: 'not-kept', because: whyNotKept(error) };
}
