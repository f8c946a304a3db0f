import fc from 'fast-check';

/** The same cases in every run, so that a failure is about the change at hand; another seed tries others. */
const SEED = Number(process.env['HELIARCH_SEED'] ?? 20261128);

/** Expects a property to hold, with the counter-example in the message. */
export function always<T>(property: fc.IRawProperty<T>, parameters?: fc.Parameters<T>): void {
  expect(() => fc.assert(property, { seed: SEED, ...parameters })).not.toThrow();
}
