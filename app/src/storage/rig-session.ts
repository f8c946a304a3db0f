import { computed, inject, Injectable } from '@angular/core';
import { validateRig, type Rig } from '@heliarch/core/rig';
import { OpenRigState } from './open-rig-state';
import { refusedEdit } from './refused-edit';
import { RigSaver } from './rig-saver';
import { StorageQueue } from './storage-queue';
import { NO_HISTORY, stepBack, stepForward, withStep, type Change } from './undo-history';

/** The rig that is open: what it is, every change of it, and the steps back and forward. */
@Injectable({ providedIn: 'root' })
export class RigSession {
  private readonly open = inject(OpenRigState);
  private readonly saver = inject(RigSaver);

  readonly state = this.open.current.asReadonly();
  readonly kept = this.open.saveStatus.asReadonly();
  readonly refused = this.open.refused.asReadonly();
  readonly isHistoryLost = this.open.isHistoryLost.asReadonly();
  /** What the storage has not answered for two seconds. */
  readonly slow = inject(StorageQueue).slow;
  readonly rig = this.open.rig;
  /** What the next step back or forward would change; undefined where there is none. */
  readonly undoLabel = computed(() => this.open.opened()?.history.past.at(-1)?.label);
  readonly redoLabel = computed(() => this.open.opened()?.history.future.at(-1)?.label);

  /** Changes the open rig and keeps the result; what would not be a rig stands beside it with its reason. */
  change(edit: (rig: Rig) => Rig, change: Change): void {
    const before = this.open.opened();
    if (!before || !this.open.open) return;
    const rig = edit(before.rig);
    const valid = validateRig(rig, before.rig);
    if (valid.ok)
      this.saver.work(this.open.open, { rig, history: withStep(before.history, before.rig, rig, change) });
    else this.saver.refuse(refusedEdit(change.label, rig, valid.problems));
  }

  /** Forgets the edit that the rig could not take. */
  forgetRefused(): void {
    this.saver.refuse(undefined);
  }

  undo(): void {
    this.step(stepBack);
  }

  redo(): void {
    this.step(stepForward);
  }

  /** Tries once more to keep what is not kept. */
  tryAgain(): void {
    const opened = this.open.opened();
    if (opened && this.open.open) this.saver.work(this.open.open, opened);
  }

  /** Whether the page holds work that the browser does not. */
  hasUnkeptWork(): boolean {
    return this.open.hasUnkeptWork();
  }

  private step(take: typeof stepBack): void {
    const before = this.open.opened();
    const stepped = before && take(before.history, before.rig);
    if (!stepped || !this.open.open) return;
    if (stepped === 'damaged') {
      this.open.isHistoryLost.set(true);
      this.saver.work(this.open.open, { rig: before.rig, history: NO_HISTORY });
    } else this.saver.work(this.open.open, stepped);
  }
}
