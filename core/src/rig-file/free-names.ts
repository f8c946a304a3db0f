const LONGEST_ID = 60;

/**
 * An id made from a name that is not taken yet.
 *
 * @example
 * freeId('Dust extractor', ['dust-extractor']); // 'dust-extractor-2'
 */
export function freeId(name: string, taken: readonly string[]): string {
  const plain = name
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, LONGEST_ID);
  const id = plain || 'part';
  return firstFree((n) => (n === 1 ? id : `${id}-${n}`), taken);
}

/** A name that is not taken yet: the name itself, or with a number after it. */
export function freeName(name: string, taken: readonly string[]): string {
  return firstFree((n) => (n === 1 ? name : `${name} ${n}`), taken);
}

function firstFree(candidate: (n: number) => string, taken: readonly string[], n = 1): string {
  return taken.includes(candidate(n)) ? firstFree(candidate, taken, n + 1) : candidate(n);
}
