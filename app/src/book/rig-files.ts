import { inject, Injectable } from '@angular/core';
import { LARGEST_FILE_BYTES, problemLines, readRigFile, writeRigFile, type Rig } from '@heliarch/core';
import { BUILD_NAME } from '../ui/build-info';
import { RigSession } from './rig-session';

export type Opened =
  { readonly ok: true; readonly name: string } | { readonly ok: false; readonly problems: readonly string[] };

/** Saves the open rig as a file, and opens one. */
@Injectable({ providedIn: 'root' })
export class RigFiles {
  private readonly session = inject(RigSession);

  /** Hands the file to the browser's download; returns its name. */
  save(rig: Rig): string {
    const name = `${rig.id}.heliarch.json`;
    saveTextFile(name, writeRigFile({ ...rig, savedBy: BUILD_NAME }));
    return name;
  }

  /** Opens a file; a bad one changes nothing and says why. */
  async open(file: File): Promise<Opened> {
    if (file.size > LARGEST_FILE_BYTES) {
      return { ok: false, problems: [`${file.name} is larger than 20 MB; a rig file is far smaller.`] };
    }
    return this.openText(await file.text());
  }

  /** Opens a rig file that came another way. */
  openText(text: string): Opened {
    const read = readRigFile(text);
    if (!read.ok) return { ok: false, problems: problemLines(read.problems) };
    this.session.open(read.value);
    return { ok: true, name: read.value.name };
  }
}

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
