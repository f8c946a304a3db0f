import type { Rig } from '../rig/schema.js';
import type { LoadOn } from './situation.js';

/** Beyond so many ways the order as given stands for all. */
const MOST_CHOICES = 64;

/**
 * A set in every order that its locks tell apart: of loads locked against each other the first one runs, and the best
 * order may begin with any of them.
 *
 * @returns At least one, the order as given first.
 */
export function choicesOfLocks(
  rig: Rig,
  on: readonly LoadOn[],
): readonly [readonly LoadOn[], ...(readonly LoadOn[])[]] {
  const rivals = (rig.locks ?? [])
    .map(({ loads }) => on.filter(({ load }) => loads.includes(load)))
    .filter((group) => group.length > 1);
  const ways = rivals.reduce<readonly (readonly LoadOn[])[]>(
    (choices, group) => choices.flatMap((chosen) => group.map((first) => [...chosen, first])),
    [[]],
  );
  const [, ...others] = ways.length > MOST_CHOICES ? [] : ways;
  return [on, ...others.map((first) => [...new Set([...first, ...on])])];
}
