/** Numbers from 0 to below 1, the same ones for the same seed (mulberry32). */
export function randomNumbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** One of several, by the next number. */
export function oneOf<T>(among: readonly T[], next: () => number): T {
  const chosen = among[Math.floor(next() * among.length)];
  if (chosen === undefined) throw new Error('There is nothing to choose from');
  return chosen;
}
