import { computed, signal, type Signal } from '@angular/core';

export interface WayChoice {
  /** The way that is open: the one a number is known by, until another one is chosen. */
  readonly way: Signal<string>;
  /** Whether a figure of the chosen way was typed since: to look at a way changes nothing. */
  readonly isAnswered: Signal<boolean>;
  choose(way: string): void;
  /** Back to the way the number is known by. */
  settle(): void;
}

interface Choice {
  readonly of: string;
  readonly way: string;
  readonly figures: string;
}

/**
 * Which way of knowing a number is looked at.
 *
 * @param of The part it is about: another part begins with the way its own number is known by.
 * @param figuresOf What is entered for a way.
 */
export function wayChoice(
  of: () => string,
  known: () => string,
  figuresOf: (way: string) => unknown,
): WayChoice {
  const chosen = signal<Choice | undefined>(undefined);
  const current = computed(() => (chosen()?.of === of() ? chosen() : undefined));
  const figures = (way: string): string => JSON.stringify(figuresOf(way));
  return {
    way: computed(() => current()?.way ?? known()),
    isAnswered: computed(() => {
      const choice = current();
      return choice !== undefined && figures(choice.way) !== choice.figures;
    }),
    choose: (way) => chosen.set({ of: of(), way, figures: figures(way) }),
    settle: () => chosen.set(undefined),
  };
}
