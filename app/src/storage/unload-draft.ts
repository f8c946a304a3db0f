const PREFIX = 'heliarch-at-hand:';

/** Keeps something at once, before the page is gone; a browser that keeps nothing goes on without. */
export function putUnloadDraft(place: string, value: unknown): void {
  quietly(() => {
    localStorage.setItem(PREFIX + place, JSON.stringify(value));
  });
}

/** What lies there; undefined where nothing does, or nothing that can be read. */
export function unloadDraft(place: string): unknown {
  return quietly((): unknown => JSON.parse(localStorage.getItem(PREFIX + place) ?? 'null')) ?? undefined;
}

/** The same, and it lies there no longer. */
export function takeUnloadDraft(place: string): unknown {
  const value = unloadDraft(place);
  quietly(() => localStorage.removeItem(PREFIX + place));
  return value;
}

/** A browser that refuses its storage says so by an exception. */
function quietly<T>(task: () => T): T | undefined {
  try {
    return task();
  } catch {
    return undefined;
  }
}
