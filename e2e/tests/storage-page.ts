import { expect, type Page } from '@playwright/test';

/** What this browser keeps, looked at and spoilt from outside the application. */
export class StoragePage {
  constructor(readonly page: Page) {}

  /** A page of the same origin without the application. */
  async outside(): Promise<void> {
    await this.page.goto('/mode.json');
  }

  /** Makes a database of a version of the browser's own count, with rows in it. */
  async make(version: number, rows: readonly object[]): Promise<void> {
    await this.page.evaluate(
      ([version, rows]) =>
        new Promise<void>((resolve, reject) => {
          const opening = indexedDB.open('heliarch', version);
          opening.onupgradeneeded = () => {
            const store = opening.result.createObjectStore('rigs', { keyPath: 'id' });
            store.createIndex('savedAt', 'savedAt');
            store.createIndex('sequence', 'sequence');
          };
          opening.onerror = () => reject(opening.error ?? new Error('not opened'));
          opening.onsuccess = () => {
            const database = opening.result;
            const writing = database.transaction('rigs', 'readwrite');
            for (const row of rows) writing.objectStore('rigs').put(row);
            writing.oncomplete = () => {
              database.close();
              resolve();
            };
          };
        }),
      [version, rows] as const,
    );
  }

  /** All rows as they lie there. */
  async rows(): Promise<readonly StoredRow[]> {
    return this.page.evaluate(
      () =>
        new Promise<StoredRow[]>((resolve, reject) => {
          const opening = indexedDB.open('heliarch');
          opening.onerror = () => reject(opening.error ?? new Error('not opened'));
          opening.onsuccess = () => {
            const reading = opening.result.transaction('rigs').objectStore('rigs').getAll();
            reading.onsuccess = () => {
              opening.result.close();
              resolve(reading.result as StoredRow[]);
            };
          };
        }),
    );
  }

  async openApplication(): Promise<void> {
    await this.page.goto('/');
    await expect(this.page.getByRole('button', { name: /^Rig:/ })).toBeVisible();
  }
}

export interface StoredRow {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly document: {
    readonly name: string;
    readonly scenes: readonly { readonly on: readonly object[] }[];
  };
}
