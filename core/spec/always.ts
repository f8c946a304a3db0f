import fc from 'fast-check';

/** The same cases in every run, so that a failure is about the change at hand; another seed tries others. */
export const SEED = Number(process.env['HELIARCH_SEED'] ?? 20261128);

/** The mutation run asks the same of every change, so it takes a share of the cases. */
const SHARE_OF_RUNS = Number(process.env['HELIARCH_SHARE_OF_RUNS'] ?? 1);

/** So many random cases, or the share of them that this run takes. */
export function cases(count: number): number {
  return Math.ceil(count * SHARE_OF_RUNS);
}

/** A change to be noticed needs no smallest counter-example. */
export const endOnFailure = SHARE_OF_RUNS < 1;

/** fast-check's own number of cases. */
const USUAL_RUNS = 100;

/** Expects a property to hold, with the counter-example in the message. */
export function always<T>(property: fc.IRawProperty<T>, parameters?: fc.Parameters<T>): void {
  const numRuns = cases(parameters?.numRuns ?? USUAL_RUNS);
  expect(() => fc.assert(property, { seed: SEED, endOnFailure, ...parameters, numRuns })).not.toThrow();
}
