/**
 * Where a table or a value comes from. Everything here was written from memory, without the printed
 * standard at hand; `confidence` says how far to trust the digits.
 */
export interface Provenance {
  /** Standard and table or clause, or "common practice, no published source". */
  readonly source: string;
  readonly confidence: 'high' | 'medium' | 'low';
}

export const COMMON_PRACTICE = 'common practice, no published source';

/**
 * A source as a reader sees it.
 *
 * @example
 * sourceWords({ source: 'NEC Table 430.248', confidence: 'high' }); // 'NEC Table 430.248, from memory'
 */
export function sourceWords({ source, confidence }: Provenance): string {
  if (source === COMMON_PRACTICE) return source;
  return confidence === 'high'
    ? `${source}, from memory`
    : `${source}, from memory, check the printed standard`;
}
