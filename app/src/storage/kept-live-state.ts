import { computed, inject, Injectable, signal } from '@angular/core';
import type { Rig } from '@heliarch/core/rig';
import { nothingOn, readLiveState, type LiveState } from '@heliarch/core/now';
import { KeptBeside } from './kept-beside';
import { RigSession } from './rig-session';

interface BeforeChange {
  readonly rigId: string;
  readonly at: LiveState;
  readonly label: string;
}

/** What is on by one's own ticks, kept beside the open rig in this browser and nowhere else. */
@Injectable({ providedIn: 'root' })
export class KeptLiveState {
  private readonly session = inject(RigSession);
  private readonly kept = new KeptBeside('atSwitch', 'keeping your ticks');
  private readonly before = signal<BeforeChange | undefined>(undefined);

  /** Undefined until the storage has said what it keeps. */
  readonly at = computed((): LiveState | undefined => {
    const rig = this.session.rig();
    const newest = this.kept.newest();
    if (!rig || !newest) return undefined;
    return readLiveState(newest.at, rig) ?? nothingOn(rig);
  });

  /** What was kept cannot be read: it is as if nothing were on. */
  readonly isUnreadable = computed(() => {
    const rig = this.session.rig();
    const kept = this.kept.newest()?.at;
    return rig !== undefined && kept !== undefined && readLiveState(kept, rig) === undefined;
  });

  /** What the last change was, while it can be taken back. */
  readonly lastChange = computed(() => this.beforeOfRig()?.label);
  private readonly beforeOfRig = computed(() => {
    const before = this.before();
    return before?.rigId === this.session.rig()?.id ? before : undefined;
  });

  /** @param label What is done, where a wrong tap may be taken back. */
  change(edit: (at: LiveState, rig: Rig) => LiveState, label?: string): void {
    const rig = this.session.rig();
    const at = this.at();
    if (!rig || !at) return;
    this.before.set(label === undefined ? undefined : { rigId: rig.id, at, label });
    this.kept.keep(edit(at, rig));
  }

  takeBack(): void {
    const before = this.beforeOfRig();
    if (!before) return;
    this.before.set(undefined);
    this.kept.keep(before.at);
  }
}
