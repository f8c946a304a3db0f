import { Injectable, signal } from '@angular/core';

/** Something that happened, said once and kept until it is put away. */
export interface Notice {
  readonly text: string;
  readonly details?: readonly string[];
  readonly action?: { readonly label: string; readonly run: () => void };
}

/** More than these would push the work off the page: the oldest goes. */
const MOST_SHOWN = 4;

@Injectable({ providedIn: 'root' })
export class Notices {
  private readonly told = signal<readonly Notice[]>([]);
  /** The newest last. One that offers something stays beside it; one that only tells makes room. */
  readonly shown = this.told.asReadonly();

  tell(notice: Notice): void {
    this.told.update((before) => [
      ...before.filter(({ text, action }) => action && text !== notice.text).slice(1 - MOST_SHOWN),
      notice,
    ]);
  }

  putAway(notice: Notice): void {
    this.told.update((before) => before.filter((each) => each !== notice));
  }
}
