import { provideZonelessChangeDetection } from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { BookDatabase } from './book/book-database';
import { ROOMS } from './shell/rooms';
import { Shell } from './shell/shell';

bootstrapApplication(Shell, {
  providers: [
    provideZonelessChangeDetection(),
    provideRouter(ROOMS, withComponentInputBinding()),
    { provide: BookDatabase, useFactory: () => new BookDatabase() },
  ],
}).catch((error: unknown) => console.error(error));
