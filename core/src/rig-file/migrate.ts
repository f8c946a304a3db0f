import { RIG_VERSION } from './schema.js';

/** What turns a document of one version into the next; the index is the version it starts from. */
const STEPS: readonly ((document: Readonly<Record<string, unknown>>) => Record<string, unknown>)[] = [
  // Version 1 only adds optional fields to version 0.
  (document) => ({ ...document, version: 1 }),
  // Version 2 lets running power and starts follow from other figures; what version 1 says stays true.
  (document) => ({ ...document, version: 2 }),
];

/** Brings an older document to the version this build works with; anything else is left as it is. */
export function migrate(document: unknown): unknown {
  if (typeof document !== 'object' || document === null) return document;
  let current = document as Record<string, unknown>;
  for (let version = current['version']; version !== RIG_VERSION; version = current['version']) {
    const step = typeof version === 'number' ? STEPS[version] : undefined;
    if (!step) return current;
    current = step(current);
  }
  return current;
}
