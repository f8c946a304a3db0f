import { bitAt, bitsOf, minus } from './bits.js';
import { MonotoneCache } from './monotone-cache.js';

/** Tells whether a set has a property: undefined where it has, else a part of it that has not either, the smaller the better. */
export type FailingPart = (mask: number) => number | undefined;

/**
 * Remembers what is known of a property that every subset has of a set that has it. What was found to fail is remembered
 * by the failing part it comes down to, which fails every set that has it within, untested.
 */
export class MonotoneMemory {
  private readonly known = new MonotoneCache();
  /** How many sets were tested in earnest. */
  tests = 0;

  constructor(private readonly failingPart: FailingPart) {}

  has(mask: number): boolean {
    return this.known.of(mask) ?? this.learn(mask);
  }

  private learn(mask: number): boolean {
    this.tests += 1;
    const part = this.failingPart(mask);
    this.known.learn(part ?? mask, part === undefined);
    return part === undefined;
  }
}

/**
 * The smallest failing part of a set by a test of it: each load in turn is left out where the rest still fails. The
 * last of the loads go first, so that the largest stay: a few of those fail more sets than many small ones.
 */
export function byTest(passes: (mask: number) => boolean): FailingPart {
  return (mask) => (passes(mask) ? undefined : shrunk(mask, passes));
}

/** A failing set without all that it fails without. */
export function shrunk(failing: number, passes: (mask: number) => boolean): number {
  return bitsOf(failing).reduceRight((part, bit) => {
    const without = minus(part, bitAt(bit));
    return passes(without) ? part : without;
  }, failing);
}
