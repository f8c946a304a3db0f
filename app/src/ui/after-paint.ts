import { Observable } from 'rxjs';

/** Emits once, when the browser has painted what has changed so far. */
export function afterPaint(): Observable<void> {
  return new Observable((subscriber) => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => {
        subscriber.next();
        subscriber.complete();
      });
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  });
}
