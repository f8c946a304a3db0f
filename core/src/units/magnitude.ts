/**
 * The length of two numbers at right angles: watts and what is orthogonal to them.
 *
 * @returns The root of the sum of squares, in the unit of both. Source: Pythagoras. `Math.hypot` also guards against overflow,
 * which no number of a rig comes near, and takes many times as long.
 *
 * @example
 * magnitude(3, 4); // 5
 */
export function magnitude(along: number, across: number): number {
  return Math.sqrt(along * along + across * across);
}
