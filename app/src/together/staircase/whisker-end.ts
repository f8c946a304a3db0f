import type { Verdict } from '@heliarch/core/check';

/**
 * Where the whisker of a doubt ends: at the worst where that decides or is still kept, at the best where it fails as
 * entered.
 */
export function whiskerEnd(
  verdict: Verdict,
  { lo, hi }: { readonly lo: number; readonly hi: number },
): number {
  return verdict === 'trips' || verdict === 'likely-trips' ? lo : hi;
}
