import { inject, Injectable } from '@angular/core';
import type { LogTest } from '@heliarch/core/logbook';
import { LogRepository } from './log-repository';
import { RigSession } from './rig-session';
import { StorageQueue } from './storage-queue';

/** Entries of the logbook that other rooms write: what was read or seen there, of the rig that is open. */
@Injectable({ providedIn: 'root' })
export class LogEntries {
  private readonly session = inject(RigSession);
  private readonly repository = inject(LogRepository);
  private readonly queue = inject(StorageQueue);

  /** @param serial Grows where an entry is written several times. */
  put(test: LogTest, serial = 1, rigId = this.session.rig()?.id): void {
    if (rigId === undefined) return;
    const savedAt = Date.now();
    const row = { rigId, id: test.id, serial, savedAt, test: { ...test, changedAtMs: savedAt } };
    // A browser that keeps nothing has said so.
    this.queue.run('keeping a test', () => this.repository.keep(row)).catch(() => undefined);
  }
}
