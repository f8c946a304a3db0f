import { Observable } from 'rxjs';

/** Enough for what the user did meanwhile. */
const PAUSE_MS = 1;

/** Runs long work a step at a time, with the page free in between; given up when nobody waits any more. */
export function inSteps<T>(begin: () => Generator<undefined, T>): Observable<T> {
  return new Observable((subscriber) => {
    const steps = begin();
    let timer = setTimeout(next, PAUSE_MS);
    function next(): void {
      try {
        const { done, value } = steps.next();
        if (done) {
          subscriber.next(value);
          subscriber.complete();
        } else timer = setTimeout(next, PAUSE_MS);
      } catch (error) {
        subscriber.error(error);
      }
    }
    return () => clearTimeout(timer);
  });
}
