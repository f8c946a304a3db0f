import { bitsOf } from './bits.js';

/**
 * Remembers what is known of a property that every subset has of a set that has it. What was found to fail is remembered
 * by its smallest failing part, which fails every set that has it within, untested.
 */
export class MonotoneMemory {
  private readonly failing: number[] = [];
  private readonly passing: number[] = [];
  /** How many sets were tested in earnest. */
  tests = 0;

  constructor(private readonly test: (mask: number) => boolean) {}

  has(mask: number): boolean {
    return this.known(mask) ?? this.learn(mask);
  }

  private known(mask: number): boolean | undefined {
    for (const part of this.failing) if ((part & mask) === part) return false;
    // The newest first: a search asks about sets near the one it found last.
    for (let index = this.passing.length - 1; index >= 0; index -= 1)
      if (((this.passing[index] ?? 0) & mask) === mask) return true;
    return undefined;
  }

  private learn(mask: number): boolean {
    const passes = this.tested(mask);
    if (passes) this.passing.push(mask);
    else this.failing.push(this.smallestFailing(mask));
    return passes;
  }

  private smallestFailing(mask: number): number {
    let part = mask;
    for (const bit of bitsOf(mask)) {
      const without = part & ~(1 << bit);
      const passes = this.known(without) ?? this.tested(without);
      if (!passes) part = without;
    }
    return part;
  }

  private tested(mask: number): boolean {
    this.tests += 1;
    return this.test(mask);
  }
}
