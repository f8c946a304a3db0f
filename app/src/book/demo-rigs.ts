import { Injectable } from '@angular/core';
import { readRigFile, type Rig } from '@heliarch/core';

/** The fictitious rigs that the build carries. */
@Injectable({ providedIn: 'root' })
export class DemoRigs {
  /** The demo rig that this server puts into an empty book; undefined on an ordinary one. */
  async offered(): Promise<Rig | undefined> {
    const mode = await fetchText('mode.json');
    const name: unknown =
      mode === undefined ? undefined : (JSON.parse(mode) as { demoRig?: unknown }).demoRig;
    const rig = typeof name === 'string' ? await this.named(name) : undefined;
    return rig && asReadNow(rig);
  }

  async named(name: string): Promise<Rig | undefined> {
    const text = await fetchText(`demo/${encodeURIComponent(name)}.json`);
    const read = text === undefined ? undefined : readRigFile(text);
    return read?.ok ? read.value : undefined;
  }
}

/** The charge readings of a demo date from the moment it is put into the book. */
function asReadNow(rig: Rig): Rig {
  const readAt = new Date().toISOString();
  return {
    ...rig,
    scenes: rig.scenes.map((scene) =>
      scene.charge ? { ...scene, charge: { ...scene.charge, readAt } } : scene,
    ),
  };
}

/** The text of a file of the build; undefined where the server cannot be reached. */
async function fetchText(path: string): Promise<string | undefined> {
  try {
    const response = await fetch(path);
    return response.ok ? await response.text() : undefined;
  } catch {
    return undefined;
  }
}
