import { DOCUMENT, effect, inject, Injectable, signal } from '@angular/core';

export type Theme = 'day' | 'night';

const KEY = 'heliarch-theme';

/** Day or night: the device's wish until the user chooses. */
@Injectable({ providedIn: 'root' })
export class ThemeChoice {
  private readonly document = inject(DOCUMENT);
  private readonly chosen = signal<Theme>(this.initial());

  readonly theme = this.chosen.asReadonly();

  constructor() {
    effect(() => {
      this.document.documentElement.dataset['theme'] = this.chosen();
    });
  }

  toggle(): void {
    const next: Theme = this.chosen() === 'day' ? 'night' : 'day';
    this.chosen.set(next);
    try {
      localStorage.setItem(KEY, next);
    } catch {
      // A browser that keeps nothing still changes its theme.
    }
  }

  private initial(): Theme {
    const kept = readKept();
    if (kept === 'day' || kept === 'night') return kept;
    return matchMedia('(prefers-color-scheme: dark)').matches ? 'night' : 'day';
  }
}

function readKept(): string | null {
  try {
    return localStorage.getItem(KEY);
  } catch {
    return null;
  }
}
