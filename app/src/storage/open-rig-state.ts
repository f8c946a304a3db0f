import { computed, Injectable, signal } from '@angular/core';
import type { Rig } from '@heliarch/core/rig';
import type { OpenRig } from './open-rig';
import type { RefusedEdit } from './refused-edit';
import type { SaveStatus } from './save-status';
import type { UnreadableRig } from './stored-rig';
import type { UndoHistory } from './undo-history';

export type SessionState =
  | { readonly state: 'loading'; readonly what: string }
  | { readonly state: 'empty' }
  | { readonly state: 'open'; readonly rig: Rig; readonly history: UndoHistory }
  | { readonly state: 'unreadable'; readonly found: UnreadableRig }
  /** The storage is there and may not be touched, or does not answer. */
  | { readonly state: 'unavailable'; readonly because: string };

/** What is open in this tab, and how it stands with the storage: known to those who edit, save and open. */
@Injectable({ providedIn: 'root' })
export class OpenRigState {
  readonly current = signal<SessionState>({ state: 'loading', what: 'opening your rigs' });
  readonly saveStatus = signal<SaveStatus>({ state: 'saving' });
  /** The last edit that the rig could not take. */
  readonly refused = signal<RefusedEdit | undefined>(undefined);
  /** The steps of the open rig were damaged, and are gone. */
  readonly isHistoryLost = signal(false);
  readonly opened = computed(() => {
    const session = this.current();
    return session.state === 'open' ? session : undefined;
  });
  readonly rig = computed(() => this.opened()?.rig);
  open: OpenRig | undefined;

  /** Whether the page holds work that the browser does not. */
  hasUnkeptWork(): boolean {
    return this.opened() !== undefined && this.saveStatus().state === 'not-kept';
  }

  /** Nothing of the open rig is on its way into the storage, and the user has nothing to decide. */
  isSettled(open: OpenRig): boolean {
    return open === this.open && !open.isDeleted && !open.unsaved && this.saveStatus().state === 'saved';
  }
}
