import { isWithin } from './bits.js';

/**
 * What is known of a property that every subset has of a set that has it: the sets that were found to have it answer for
 * all within them, those that were found to fail for all around them. Only the largest and the smallest are kept.
 */
export class MonotoneCache {
  private passing: number[] = [];
  private failing: number[] = [];

  /** Undefined where nothing that was found decides. */
  of(mask: number): boolean | undefined {
    for (const part of this.failing) if (isWithin(part, mask)) return false;
    // The newest first: a search asks about sets near the one it found last.
    for (let index = this.passing.length - 1; index >= 0; index -= 1)
      if (isWithin(mask, this.passing[index]!)) return true;
    return undefined;
  }

  learn(mask: number, passes: boolean): void {
    if (passes) {
      this.passing = this.passing.filter((part) => !isWithin(part, mask));
      this.passing.push(mask);
    } else {
      this.failing = this.failing.filter((whole) => !isWithin(mask, whole));
      this.failing.push(mask);
    }
  }
}
