import { Injectable, signal } from '@angular/core';

/** Something that happened, said once and kept until it is put away. */
export interface Notice {
  readonly text: string;
  readonly details?: readonly string[];
  readonly action?: { readonly label: string; readonly run: () => void };
}

@Injectable({ providedIn: 'root' })
export class Notices {
  private readonly shown = signal<Notice | undefined>(undefined);
  readonly notice = this.shown.asReadonly();

  tell(notice: Notice): void {
    this.shown.set(notice);
  }

  putAway(): void {
    this.shown.set(undefined);
  }
}
