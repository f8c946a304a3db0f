import fc from 'fast-check';

/** Expects a property to hold, with the counter-example in the message. */
export function always<T>(property: fc.IRawProperty<T>, parameters?: fc.Parameters<T>): void {
  expect(() => fc.assert(property, parameters)).not.toThrow();
}
