import { computed, signal, type Signal } from '@angular/core';

export interface WayChoice {
  /** The way that is open: the one a number is known by, until another one is chosen. */
  readonly way: Signal<string>;
  choose(way: string): void;
  /** Back to the way the number is known by. */
  settle(): void;
}

/**
 * Which way of knowing a number is looked at.
 *
 * @param of The part it is about: another part begins with the way its own number is known by.
 */
export function wayChoice(of: () => string, known: () => string): WayChoice {
  const chosen = signal<{ readonly of: string; readonly way: string } | undefined>(undefined);
  return {
    way: computed(() => {
      const choice = chosen();
      return choice?.of === of() ? choice.way : known();
    }),
    choose: (way) => chosen.set({ of: of(), way }),
    settle: () => chosen.set(undefined),
  };
}
