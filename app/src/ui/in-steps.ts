import { Observable } from 'rxjs';

/** Enough for what the user did meanwhile. */
const PAUSE_MS = 1;

/** Half a frame: what is touched meanwhile is answered in the next one. */
const AT_A_TIME_MS = 8;

/**
 * Runs long work some steps at a time, with the page free in between; given up when nobody waits any more.
 *
 * @param atATimeMs How long it goes on without a pause, once a step is begun.
 */
export function inSteps<T>(
  begin: () => Generator<undefined, T>,
  atATimeMs: number = AT_A_TIME_MS,
): Observable<T> {
  return new Observable((subscriber) => {
    const steps = begin();
    let timer = setTimeout(next, PAUSE_MS);
    function next(): void {
      const began = performance.now();
      try {
        let step = steps.next();
        while (!step.done && performance.now() - began < atATimeMs) step = steps.next();
        if (step.done) {
          subscriber.next(step.value);
          subscriber.complete();
        } else timer = setTimeout(next, PAUSE_MS);
      } catch (error) {
        subscriber.error(error);
      }
    }
    return () => clearTimeout(timer);
  });
}
