import { scan, switchMap, map, merge, takeWhile, type Observable } from 'rxjs';
import type { Answer } from './answers';

/** The answer that was given last and what it is about, and how the newest question stands. */
export interface Latest<Asked, T> {
  readonly given: { readonly about: Asked; readonly value: T } | undefined;
  readonly newest: Answer<T>;
}

/** Asks each question as it comes and drops the one before it; what was given stands until there is something newer. */
export function latest<Asked, T>(
  asked$: Observable<Asked>,
  ask: (asked: Asked) => Observable<Answer<T>>,
): Observable<Latest<Asked, T>> {
  return asked$.pipe(
    switchMap((about) => ask(about).pipe(map((newest) => ({ about, newest })))),
    scan(
      (before: Latest<Asked, T>, { about, newest }) => ({
        newest,
        given:
          newest.status === 'given' || newest.status === 'so-far'
            ? { about, value: newest.value }
            : before.given,
      }),
      { given: undefined, newest: { status: 'asked', done: 0, of: 0 } },
    ),
  );
}

/** A question that a hand can stop: nobody waits for it then, and it says that it was stopped. */
export function stoppable<T>(answer$: Observable<Answer<T>>, stop$: Observable<void>): Observable<Answer<T>> {
  return merge(answer$, stop$.pipe(map((): Answer<T> => ({ status: 'stopped' })))).pipe(
    takeWhile(({ status }) => status === 'asked' || status === 'so-far', true),
  );
}
