import { bitAt, bitsOf, common, isWithin, minus } from './bits.js';

/** A limit as a sum of watts: no set passes in which these loads come to so many. */
export interface WattsBudget {
  /** The loads that count, as a mask. */
  readonly loads: number;
  /** What each load draws at least, by its place. */
  readonly watts: readonly number[];
  /** Watts at which every set fails. */
  readonly failsAt: number;
  /** It counts only where these are in the set, as a mask. */
  readonly whileOn: number;
}

/** An upper bound for what a set is worth that has some loads and may have others, both as masks. */
export type MostWorth = (included: number, possible: number) => number;

/** What every load is worth where they are only counted. */
export const countingLoads = (loads: readonly unknown[]): readonly number[] => loads.map(() => 1);

const ROUNDING = 1e-9;

/**
 * The most that a set can be worth by budgets of watts: each is filled with what is worth most for its watts, the last load
 * in part.
 *
 * @param worths Whole numbers by place.
 * Source: relaxation of the knapsack problem by Dantzig (1957), from memory.
 */
export function mostWorth(worths: readonly number[], budgets: readonly WattsBudget[]): MostWorth {
  const worthOf = (mask: number): number => bitsOf(mask).reduce((sum, place) => sum + worths[place]!, 0);
  const filled = budgets.map((budget) => fillOf(worths, budget));
  return (included, possible) => {
    let most = worthOf(possible);
    for (const [index, { loads, whileOn }] of budgets.entries())
      if (isWithin(whileOn, included))
        most = Math.min(most, worthOf(minus(possible, loads)) + filled[index]!(included, possible));
    return Math.floor(most + ROUNDING);
  };
}

function fillOf(worths: readonly number[], { loads, watts, failsAt }: WattsBudget): MostWorth {
  const byDensity = [...bitsOf(loads)].sort((a, b) => worths[b]! * watts[a]! - worths[a]! * watts[b]!);
  return (included, possible) => {
    const free = minus(common(loads, possible), included);
    let [room, worth] = [failsAt, 0];
    for (const place of bitsOf(common(loads, included))) {
      room -= watts[place]!;
      worth += worths[place]!;
    }
    for (const place of byDensity) {
      if (!isWithin(bitAt(place), free)) continue;
      const each = watts[place]!;
      if (each >= room) return worth + (each > 0 ? (worths[place]! * Math.max(0, room)) / each : 0);
      room -= each;
      worth += worths[place]!;
    }
    return worth;
  };
}
