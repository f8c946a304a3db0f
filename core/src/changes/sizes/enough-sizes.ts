import { noProgress, type Progress } from '../../units/progress.js';
import type { Rig } from '../../rig-file/schema.js';
import { compile, type CompiledRig } from '../../check/wiring/compile.js';
import { check, type CheckResult } from '../../check/check.js';
import type { Limit } from '../../check/limits/limit.js';
import { fits } from '../../check/fits.js';
import { situationOf, type CheckScene } from '../../check/situation.js';
import { sizedRatings, STEPS, type RatingOf, type SizedRating } from './sized-ratings.js';

/** A rating, as it is and as it has to be. */
export interface EnoughSize extends RatingOf {
  readonly has: number | undefined;
  /** The least that is enough, the margin to grow with it; undefined above the largest that is made. */
  readonly needs: number | undefined;
}

export interface EnoughSizes {
  readonly sizes: readonly EnoughSize[];
  /** What no rating helps with: plugs, cables, volts, what is not entered. */
  readonly beyond: readonly Limit[];
  /** Loads of a wish that its supply does not feed. */
  readonly notFed: readonly string[];
}

/** More than any rating of the rigs that are planned here. */
const MORE_THAN_ENOUGH = 1e6;
const BISECTIONS = 22;

/**
 * Which ratings are enough for some wishes, each a set that must hold on its supply: beginning with more than enough of
 * everything, each rating in turn is made as small as the check allows. What is found holds; no single one of the ratings
 * can be smaller while the others are as they are.
 *
 * @param growth Share that must be left to grow, 0 or more: 0.25 for a quarter.
 * @param progress Told after each rating.
 * @throws RangeError where a wish names what the rig has not.
 * Source: the check; breakers by NEC 240.6(A) or IEC 60898-1, from memory. Sizes to plan with, not a design.
 */
export function enoughSizes(
  rig: Rig,
  wishes: readonly CheckScene[],
  growth: number,
  progress: Progress = noProgress,
): EnoughSizes {
  const now = wishes.map((wish) => check(compile(rig), wish));
  const ratings = sizedRatings(rig, now);
  const ample = ratings.reduce((each, rating) => rating.withSize(each, MORE_THAN_ENOUGH), rig);
  const beyond = failing(resultsOf(ample, wishes));
  const isBeyond = new Set(beyond.map(keyOf));
  const counts = (limit: Limit): boolean => !isBeyond.has(keyOf(limit));
  const holds = (each: Rig): boolean => {
    const compiled = compile(each);
    return wishes.every((wish) => passes(compiled, wish, counts));
  };
  const sizes: EnoughSize[] = [];
  // What is printed holds as it is printed, and so does what is left of it once the margin to grow is used up.
  let [printed, grownInto] = [ample, ample];
  for (const [index, rating] of ratings.entries()) {
    progress(index, ratings.length);
    const at = (value: number): readonly [Rig, Rig] => [
      rating.withSize(printed, value),
      rating.withSize(grownInto, value / (1 + growth)),
    ];
    const atLeast = rating.seconds === undefined ? 0 : (sizes.at(-1)?.needs ?? 0);
    const needs = leastSize(rating, atLeast, (value) => at(value).every(holds));
    [printed, grownInto] = at(needs ?? MORE_THAN_ENOUGH);
    sizes.push(...sizesOf(rating, needs));
  }
  const notFed = now.flatMap((result) => result.notFed.map(({ load }) => load.id));
  return { sizes, beyond, notFed: [...new Set(notFed)] };
}

function sizesOf(
  { part, id, name, unit, seconds, has, also }: SizedRating,
  needs: number | undefined,
): readonly EnoughSize[] {
  const own: EnoughSize = { part, id, name, unit, seconds, has, needs };
  return also ? [own, { ...own, unit: also.unit, has: also.has, needs: needs && also.with(needs) }] : [own];
}

function resultsOf(rig: Rig, wishes: readonly CheckScene[]): readonly CheckResult[] {
  const compiled = compile(rig);
  return wishes.map((wish) => check(compiled, wish));
}

/** What `check` says of a wish at the pessimistic edge, done at the first limit that fails. */
function passes(compiled: CompiledRig, wish: CheckScene, counts: (limit: Limit) => boolean): boolean {
  const situation = situationOf(compiled.on(wish.supply), wish);
  return fits(situation, situation.consumers, 'pessimistic', 'best', counts);
}

const failing = (results: readonly CheckResult[]): readonly Limit[] =>
  results.flatMap(({ limits }) => limits.filter(({ verdict }) => verdict !== 'holds'));

const keyOf = ({ kind, element }: Limit): string => `${kind} ${element.id}`;

/**
 * The least that is enough: of the standard sizes, or in round steps; undefined where no size that is made is.
 *
 * @param atLeast A short surge is never less than a longer one, nor than what is carried for hours.
 */
function leastSize(
  { standard, unit }: SizedRating,
  atLeast: number,
  isEnough: (value: number) => boolean,
): number | undefined {
  if (standard) return standard.find(isEnough);
  const step = STEPS[unit];
  let [tooFew, enough] = [Math.max(0, Math.ceil(atLeast / step) - 1), Math.ceil(MORE_THAN_ENOUGH / step)];
  for (let bisection = 0; bisection < BISECTIONS && enough - tooFew > 1; bisection += 1) {
    const middle = Math.floor((tooFew + enough) / 2);
    if (isEnough(middle * step)) enough = middle;
    else tooFew = middle;
  }
  return enough * step;
}
