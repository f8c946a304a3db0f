/**
 * The same function, that works out its answer once for each object: what is asked of a test is asked of tens of thousands of
 * lines. Objects are never changed, so that an answer stands; it goes with its object.
 */
export function remembered<Key extends object, Value>(of: (key: Key) => Value): (key: Key) => Value {
  const known = new WeakMap<Key, { readonly value: Value }>();
  return (key) => {
    const before = known.get(key);
    if (before) return before.value;
    const value = of(key);
    known.set(key, { value });
    return value;
  };
}
