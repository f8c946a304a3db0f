import { DestroyRef, inject, signal, type Signal } from '@angular/core';

/** Whether the window is as a media query says, now and after every change. */
export function mediaQuery(query: string): Signal<boolean> {
  const list = matchMedia(query);
  const answer = signal(list.matches);
  const follow = (): void => answer.set(list.matches);
  list.addEventListener('change', follow);
  inject(DestroyRef).onDestroy(() => list.removeEventListener('change', follow));
  return answer.asReadonly();
}
