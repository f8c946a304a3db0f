import { Injectable } from '@angular/core';
import { readRigFile, type Rig } from '@heliarch/core';

/** The fictitious rigs that the build carries, each under the name of its file. */
export const DEMO_RIGS = [
  { id: 'tern', name: 'Tern', about: 'a workshop in a van, 120 V, with shore assist' },
  { id: 'marram', name: 'Marram', about: 'a large motorhome on two legs, 120/240 V, two air conditioners' },
  { id: 'puffin', name: 'Puffin', about: 'a 230 V camper on pitches of 6, 10 and 16 A' },
  { id: 'lathe-house', name: 'Lathe House', about: 'an off-grid workshop of motors with a generator' },
] as const;

@Injectable({ providedIn: 'root' })
export class DemoRigs {
  /** The demo rig that this server copies into a browser that keeps none; undefined on an ordinary one. */
  async offered(): Promise<Rig | undefined> {
    const mode = await fetchText('mode.json');
    const name: unknown =
      mode === undefined ? undefined : (JSON.parse(mode) as { demoRig?: unknown }).demoRig;
    return typeof name === 'string' ? this.named(name) : undefined;
  }

  /** A demo rig with its charge read just now; undefined where the build cannot be reached. */
  async named(name: string): Promise<Rig | undefined> {
    const text = await fetchText(`demo/${encodeURIComponent(name)}.json`);
    const read = text === undefined ? undefined : readRigFile(text);
    return read?.ok ? asReadNow(read.value) : undefined;
  }
}

/** The charge readings of a demo date from the moment it is taken. */
function asReadNow(rig: Rig): Rig {
  const readAt = new Date().toISOString();
  return {
    ...rig,
    scenes: rig.scenes.map((scene) =>
      scene.charge ? { ...scene, charge: { ...scene.charge, readAt } } : scene,
    ),
  };
}

/** The build is on this machine or in the browser, and the machine may be busy: a longer wait is no answer. */
const LONGEST_WAIT_MS = 15_000;

/** The text of a file of the build; undefined where the server cannot be reached. */
async function fetchText(path: string): Promise<string | undefined> {
  try {
    const response = await fetch(path, { signal: AbortSignal.timeout(LONGEST_WAIT_MS) });
    return response.ok ? await response.text() : undefined;
  } catch {
    return undefined;
  }
}
