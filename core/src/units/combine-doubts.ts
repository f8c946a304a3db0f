import type { HalfWidths } from './quantity.js';
import { magnitude } from './magnitude.js';

/** One number in a sum, with its doubt and with what that doubt depends on. */
export interface DoubtfulTerm extends HalfWidths {
  readonly value: number;
  /** Two terms that name the same cause are wrong together. A term without a cause stands alone. */
  readonly causes: readonly string[];
}

/** The doubt of a sum on one side, by its two bounds. */
export interface Spread {
  /** Every number at its edge at once: nothing can lie beyond it. */
  readonly hard: number;
  /** Rectangular distributions combined and expanded with k = 2. */
  readonly expanded: number;
}

/** A sum with the doubts of its terms combined. */
export interface DoubtfulSum {
  readonly stated: number;
  readonly down: Spread;
  readonly up: Spread;
}

/**
 * Expanded uncertainty of one rectangular distribution of half-width 1: its standard uncertainty
 * 1/sqrt(3) times the coverage factor k = 2 (JCGM 100:2008, 4.3.7 and 6.2).
 */
export const EXPANSION = 2 / Math.sqrt(3);

/**
 * Adds numbers and combines their doubts.
 *
 * Inside a group of common cause half-widths add linearly; between groups they add as the root of
 * the sum of squares, expanded with k = 2. Stated values are not re-centred where the half-widths
 * differ, a documented deviation from 4.3.8 on the careful side.
 *
 * @param terms Numbers of one unit; half-widths at least 0. An empty list sums to 0 without doubt.
 * @returns Stated sum and the spread to both sides, in the unit of the terms.
 * Source: JCGM 100:2008 (GUM), 4.3.7, 5.1.2, 5.2.2 and 6.2.
 *
 * @example
 * // two independent terms of +-3 and +-4: 1.1547 x 5 = 5.77, below the hard bound of 7
 * addDoubtful([
 *   { value: 100, minus: 3, plus: 3, causes: [] },
 *   { value: 100, minus: 4, plus: 4, causes: [] },
 * ]).up; // { hard: 7, expanded: 5.7735 }
 */
export function addDoubtful(terms: readonly DoubtfulTerm[]): DoubtfulSum {
  return addGrouped(terms, groupByCause(terms));
}

/**
 * As `addDoubtful`, for terms whose groups are known: several sums over the same consumers (watts
 * and what is orthogonal to them) have the same groups.
 *
 * @param groups The group of each term, from `groupByCause`.
 */
export function addGrouped(terms: readonly DoubtfulTerm[], groups: Int32Array): DoubtfulSum {
  const count = terms.length;
  const minusOfGroup = new Float64Array(count);
  const plusOfGroup = new Float64Array(count);
  let stated = 0;
  for (let index = 0; index < count; index += 1) {
    const term = terms[index]!;
    const group = groups[index]!;
    stated += term.value;
    minusOfGroup[group]! += term.minus;
    plusOfGroup[group]! += term.plus;
  }
  return { stated, down: spreadOf(minusOfGroup), up: spreadOf(plusOfGroup) };
}

/** A sum that waits for its last term: what the others come to, and what is wrong together with that term. */
export interface OpenSum {
  readonly stated: number;
  readonly down: OpenSpread;
  readonly up: OpenSpread;
}

interface OpenSpread {
  /** Half-widths of all terms but the last. */
  readonly hard: number;
  /** Squares of the half-widths of the groups without the last term. */
  readonly squares: number;
  /** Half-width of the group of the last term, itself left out. */
  readonly ownGroup: number;
}

/**
 * The sum of all terms but the last, for trying that one at several sizes without adding the others again.
 *
 * @param terms At least one; of the last only its group counts.
 * @param groups The group of each term, from `groupByCause`.
 * @returns In the unit of the terms, to be closed with `closeSum`. Source: JCGM 100:2008, 5.1.2 and 5.2.2.
 * @example
 * closeSum(openSum(terms, groups), terms.at(-1)); // as addGrouped(terms, groups)
 */
export function openSum(terms: readonly DoubtfulTerm[], groups: Int32Array): OpenSum {
  const last = terms.length - 1;
  const ownGroup = groups[last]!;
  const minusOfGroup = new Float64Array(terms.length);
  const plusOfGroup = new Float64Array(terms.length);
  let stated = 0;
  for (let index = 0; index < last; index += 1) {
    const term = terms[index]!;
    const group = groups[index]!;
    stated += term.value;
    minusOfGroup[group]! += term.minus;
    plusOfGroup[group]! += term.plus;
  }
  return { stated, down: openSpreadOf(minusOfGroup, ownGroup), up: openSpreadOf(plusOfGroup, ownGroup) };
}

/** An open sum with its last term, in the unit of the terms: as `addGrouped` of all of them gives. */
export function closeSum({ stated, down, up }: OpenSum, last: DoubtfulTerm): DoubtfulSum {
  return {
    stated: stated + last.value,
    down: closeSpread(down, last.minus),
    up: closeSpread(up, last.plus),
  };
}

/** The doubt that counts of an open sum with a last term of some half-width: as closed, without the rest of it. */
export function closedDoubt({ hard, squares, ownGroup }: OpenSpread, halfWidth: number): number {
  return Math.min(hard + halfWidth, EXPANSION * Math.sqrt(squares + (ownGroup + halfWidth) ** 2));
}

/**
 * The doubt that counts: the expanded uncertainty, never beyond the hard bound.
 *
 * @example
 * doubtOf({ hard: 3, expanded: 3.46 }); // 3: one number cannot lie beyond its own edge
 */
export function doubtOf(spread: Spread): number {
  return Math.min(spread.hard, spread.expanded);
}

/**
 * By how much a doubtful limit shrinks when it is held against a doubtful demand: the limit enters
 * the same root with the opposite sign, so it costs less than its own half-width.
 *
 * @param demand Spread of the demand towards the limit.
 * @param demandDoubt The doubt that counts of the demand, on the same side.
 * @param limitHalfWidth Half-width of the limit towards the demand, at least 0, same unit.
 * @returns 0 to `limitHalfWidth`, in the same unit. Source: JCGM 100:2008, 5.1.2.
 *
 * @example
 * // a root of 40 and a limit doubtful by 30 / 1.1547: together 50, so the limit costs 10
 * limitShrinkage({ hard: 100, expanded: 40 }, 40, 25.98); // 10
 */
export function limitShrinkage(demand: Spread, demandDoubt: number, limitHalfWidth: number): number {
  const together = Math.min(
    demand.hard + limitHalfWidth,
    magnitude(demand.expanded, EXPANSION * limitHalfWidth),
  );
  return Math.min(limitHalfWidth, Math.max(0, together - demandDoubt));
}

function spreadOf(halfWidthOfGroups: Float64Array): Spread {
  let hard = 0;
  let squares = 0;
  for (const halfWidth of halfWidthOfGroups) {
    hard += halfWidth;
    squares += halfWidth * halfWidth;
  }
  return { hard, expanded: EXPANSION * Math.sqrt(squares) };
}

function openSpreadOf(halfWidthOfGroups: Float64Array, ownGroup: number): OpenSpread {
  let hard = 0;
  let squares = 0;
  halfWidthOfGroups.forEach((halfWidth, group) => {
    hard += halfWidth;
    if (group !== ownGroup) squares += halfWidth * halfWidth;
  });
  return { hard, squares, ownGroup: halfWidthOfGroups[ownGroup]! };
}

function closeSpread({ hard, squares, ownGroup }: OpenSpread, halfWidth: number): Spread {
  return {
    hard: hard + halfWidth,
    expanded: EXPANSION * Math.sqrt(squares + (ownGroup + halfWidth) ** 2),
  };
}

/**
 * The group of each number, by the index of one of its members. Causes that share a number merge: the
 * groups are the connected components of numbers and causes. Plain loops over flat arrays, since this
 * runs for every sum of every limit.
 */
export function groupByCause(terms: readonly Pick<DoubtfulTerm, 'causes'>[]): Int32Array {
  const parent = new Int32Array(terms.length);
  const firstWithCause = new Map<string, number>();
  for (let index = 0; index < terms.length; index += 1) {
    parent[index] = index;
    for (const cause of terms[index]!.causes) {
      const first = firstWithCause.get(cause);
      if (first === undefined) firstWithCause.set(cause, index);
      else parent[rootOf(parent, index)] = rootOf(parent, first);
    }
  }
  for (let index = 0; index < parent.length; index += 1) parent[index] = rootOf(parent, index);
  return parent;
}

function rootOf(parent: Int32Array, index: number): number {
  let at = index;
  while (parent[at] !== at) at = parent[at]!;
  return at;
}
