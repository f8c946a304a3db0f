/** Runs work that can pause to its end, for whoever can wait. */
export function atOnce<T>(steps: Generator<undefined, T>): T {
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}
