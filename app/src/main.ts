import {
  ErrorHandler,
  isDevMode,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
} from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { RigDatabase } from './storage/rig-database';
import { Defects } from './shell/defects';
import { ROOMS } from './shell/rooms';
import { Shell } from './shell/shell';

/** Text that is drawn in another type first shifts when its own comes; a slow line is not waited for. */
const LONGEST_WAIT_FOR_TYPE_MS = 1000;
/** On a slow machine a worker that fetches the whole build beside the first room would be in its way. */
const LONGEST_WAIT_FOR_THE_FIRST_ROOM_MS = 30_000;

await Promise.race([
  Promise.allSettled([...document.fonts].map((face) => face.load())),
  new Promise((resolve) => setTimeout(resolve, LONGEST_WAIT_FOR_TYPE_MS)),
]);
bootstrapApplication(Shell, {
  providers: [
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    { provide: ErrorHandler, useExisting: Defects },
    provideServiceWorker('ngsw-worker.js', {
      enabled: !isDevMode(),
      registrationStrategy: `registerWhenStable:${LONGEST_WAIT_FOR_THE_FIRST_ROOM_MS}`,
    }),
    provideRouter(ROOMS, withComponentInputBinding()),
    { provide: RigDatabase, useFactory: () => new RigDatabase() },
  ],
}).catch((error: unknown) => console.error(error));
