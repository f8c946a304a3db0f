import { type ErrorHandler, inject, Injectable, signal } from '@angular/core';
import { RigSession } from '../storage/rig-session';
import { saveTextFile } from '../storage/rig-files';
import { BUILD_NAME } from '../ui/build-info';

const MOST_KEPT = 20;

interface Defect {
  readonly at: string;
  readonly message: string;
  readonly stack: string | undefined;
}

/** Defects met in this page. Nothing is sent anywhere: the user may save them as a file. */
@Injectable({ providedIn: 'root' })
export class Defects implements ErrorHandler {
  private readonly found = signal<readonly Defect[]>([]);
  readonly met = this.found.asReadonly();

  handleError(error: unknown): void {
    console.error(error);
    const { message, stack } = error instanceof Error ? error : new Error(String(error));
    const defect: Defect = { at: new Date().toISOString(), message, stack };
    this.found.update((defects) => [...defects, defect].slice(-MOST_KEPT));
  }

  putAway(): void {
    this.found.set([]);
  }
}

/** What helps to find a defect, as a file; the rig is in it only by its size. */
@Injectable({ providedIn: 'root' })
export class Diagnostics {
  private readonly defects = inject(Defects);
  private readonly session = inject(RigSession);

  save(): string {
    const name = 'heliarch-diagnostics.json';
    const rig = this.session.rig();
    const content = {
      build: BUILD_NAME,
      browser: navigator.userAgent,
      page: location.pathname,
      rig: rig && { loads: rig.loads.length, circuits: rig.circuits.length, supplies: rig.supplies.length },
      defects: this.defects.met(),
    };
    saveTextFile(name, JSON.stringify(content, null, 2));
    return name;
  }
}
