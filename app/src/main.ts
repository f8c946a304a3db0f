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

bootstrapApplication(Shell, {
  providers: [
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    { provide: ErrorHandler, useExisting: Defects },
    provideServiceWorker('ngsw-worker.js', {
      enabled: !isDevMode(),
      registrationStrategy: 'registerWhenStable:3000',
    }),
    provideRouter(ROOMS, withComponentInputBinding()),
    { provide: RigDatabase, useFactory: () => new RigDatabase() },
  ],
}).catch((error: unknown) => console.error(error));
