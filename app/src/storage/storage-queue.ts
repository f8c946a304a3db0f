import { Injectable, signal } from '@angular/core';

/** From then on a person wants to know what is waited for. */
const SLOW_AFTER_MS = 2000;

/**
 * Everything that is asked of the storage, one after the other in the order it was asked: a save never
 * overtakes the deletion before it. Says what is waited for when an answer does not come.
 */
@Injectable({ providedIn: 'root' })
export class StorageQueue {
  private last: Promise<unknown> = Promise.resolve();
  private readonly waitedFor = signal<string | undefined>(undefined);

  /** What has not been answered for two seconds, such as "saving Tern"; undefined where nothing is. */
  readonly slow = this.waitedFor.asReadonly();

  run<T>(what: string, task: () => Promise<T>): Promise<T> {
    const result = this.last.then(() => this.watched(what, task));
    this.last = result.catch(() => undefined);
    return result;
  }

  private async watched<T>(what: string, task: () => Promise<T>): Promise<T> {
    const timer = setTimeout(() => this.waitedFor.set(what), SLOW_AFTER_MS);
    try {
      return await task();
    } finally {
      clearTimeout(timer);
      this.waitedFor.set(undefined);
    }
  }
}
