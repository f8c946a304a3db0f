import { Injectable } from '@angular/core';
import { MS_PER_SECOND } from '@heliarch/core/units';
import { readRigFile, type Rig } from '@heliarch/core/rig';

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

/** The charge readings of a demo date from the moment it is taken, and of its tests one is under way. */
function asReadNow(rig: Rig): Rig {
  const readAt = new Date().toISOString();
  return {
    ...rig,
    logbook: movedBy(rig.logbook, Math.round(Date.now() / MS_PER_SECOND) - DEMO_NOW_S) as Rig['logbook'],
    scenes: rig.scenes.map((scene) =>
      scene.charge ? { ...scene, charge: { ...scene.charge, readAt } } : scene,
    ),
  };
}

/** The present of the tests that the demos make up, seconds since 1970. */
const DEMO_NOW_S = Date.UTC(2026, 5, 11, 12, 5) / MS_PER_SECOND;

/** All moments in a document so many seconds later. */
function movedBy(value: unknown, seconds: number, key = ''): unknown {
  if (typeof value === 'number') return /atS$/i.test(key) ? value + seconds : value;
  if (Array.isArray(value)) return value.map((each) => movedBy(each, seconds, key));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([name, each]) => [name, movedBy(each, seconds, name)]),
  );
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
