import { inject, Injectable } from '@angular/core';
import { LARGEST_FILE_BYTES, readRigFile, writeRigFile, type Rig, type Validation } from '@heliarch/core/rig';
import { BUILD_NAME } from '../ui/build-info';
import { LogDatabase, type StoredTest } from './rig-database';

const LONGEST_WAIT_MS = 2000;

/** Saves rigs as files, and reads them. */
@Injectable({ providedIn: 'root' })
export class RigFiles {
  private readonly tests = inject(LogDatabase);

  /** Hands the file to the browser's download, its tests with it; returns its name. */
  save(rig: Rig): string {
    const name = fileName(rig.name);
    void this.testsOf(rig).then((tests) => {
      const logbook = tests.length > 0 ? tests : undefined;
      saveTextFile(name, writeRigFile({ ...rig, logbook, savedBy: BUILD_NAME }));
    });
    return name;
  }

  /** The tests of its file, as they were changed here; where the storage does not answer, as they came. */
  async testsOf({ id, logbook }: Rig): Promise<NonNullable<Rig['logbook']>> {
    const kept = this.tests.tests.where({ rigId: id }).toArray();
    // A storage that does not answer is no reason to keep a rig from its file.
    const nothing = new Promise<[]>((resolve) => setTimeout(resolve, LONGEST_WAIT_MS, []));
    const rows = await Promise.race([kept, nothing]).catch(() => []);
    return joinedTests(logbook, rows) as NonNullable<Rig['logbook']>;
  }

  /** Saves rows of the storage just as they lie there, for what this build cannot read; returns the name. */
  saveAsItIs(name: string, content: unknown): string {
    const file = fileName(name);
    saveTextFile(file, `${JSON.stringify(content, null, 2)}\n`);
    return file;
  }

  /** Reads a file; a bad one says why. */
  async read(file: File): Promise<Validation<Rig>> {
    if (file.size > LARGEST_FILE_BYTES)
      return unreadable('is larger than 20 MB; a rig file is far smaller, so choose another', file.name);
    const bytes = await file.arrayBuffer();
    try {
      return readRigFile(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
    } catch {
      // The decoder refuses by an exception.
      return unreadable(
        'is not text in UTF-8, so it is not a rig file; choose one that Heliarch saved',
        file.name,
      );
    }
  }
}

/**
 * Tests of a file with those that were changed here, or taken out, in their place: of each the newer, for a file may come from
 * another machine that went on with it.
 */
export function joinedTests(
  filed: readonly { readonly id: string; readonly changedAtMs?: number }[] = [],
  rows: readonly Pick<StoredTest, 'id' | 'test' | 'savedAt'>[],
): readonly unknown[] {
  const savedAt = new Map(rows.map((row) => [row.id, row.savedAt]));
  const newer = filed.filter(({ id, changedAtMs = 0 }) => !(changedAtMs <= (savedAt.get(id) ?? -1)));
  const ids = new Set(newer.map(({ id }) => id));
  return [...newer, ...rows.flatMap(({ id, test }) => (ids.has(id) ? [] : (test ?? [])))];
}

function unreadable(message: string, field: string): Validation<Rig> {
  return { ok: false, problems: [{ path: '', field, message }] };
}

/** The file of a rig, named as a person would look for it. */
function fileName(name: string): string {
  const plain = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
  return `${plain.slice(0, LONGEST_NAME) || 'rig'}.heliarch.json`;
}

const LONGEST_NAME = 60;

/** Hands a text to the browser's download. */
export function saveTextFile(name: string, text: string): void {
  saveBlob(name, new Blob([text], { type: 'application/json' }));
}

/** Hands any file to the browser's download. */
export function saveBlob(name: string, blob: Blob): void {
  const address = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}
