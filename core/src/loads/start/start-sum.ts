import type { DoubtfulTerm } from '../../units/combine-doubts.js';
import {
  closeAc,
  closedVa,
  nonActivePower,
  openAc,
  type AcSum,
  type AcTerm,
  type Demand,
} from '../apparent-power.js';
import type { StartOfPart } from '../consumer.js';

/**
 * What a supply sees while one part starts and the rest of the set runs.
 *
 * The start is known in VA, so its power factor decides how it adds up, and lower is not always
 * worse: beside resistive loads a high one gives the larger sum. Doubts shift with it as well, so the
 * band is searched for the largest VA, and for the least: neither need be at an end. Watts only rise with it.
 *
 * @param rest What runs already, the running power of the starting part left out.
 * @param start The start; its own causes tie its doubt to the rest of its load.
 * @returns Watts and VA at both edges. Source: physics; methods.md, rules 5, 6 and 31.
 *
 * @example
 * // 2,000 W resistive and a start of 4,150 VA: 5,510 VA at pf 0.55, 5,944 VA at 0.85
 */
export function addStart(rest: readonly AcTerm[], start: StartOfPart): AcSum {
  const { lo, stated, hi } = start.powerFactor;
  const open = openAc(rest, startTerm(start, stated));
  const at = (powerFactor: number): AcSum => closeAc(open, startTerm(start, powerFactor));
  const asStated = at(stated);
  if (lo === hi) return asStated;
  const [lowest, highest] = [at(lo), at(hi)];
  const vaAt = (edge: 'hi' | 'lo') => (powerFactor: number) => closedVa(open, start.va, powerFactor, edge);
  const largest = at(largestAt(vaAt('hi'), lo, hi));
  const least = at(largestAt((powerFactor) => -vaAt('lo')(powerFactor), lo, hi));
  const of = (read: (sum: AcSum) => Demand, top: AcSum, bottom: AcSum) =>
    between(read(asStated), read(top), read(bottom));
  return {
    watts: of((sum) => sum.watts, highest, lowest),
    va: of((sum) => sum.va, largest, least),
    nonActive: of((sum) => sum.nonActive, lowest, highest),
  };
}

const SAMPLES = 8;
const SECTIONS = 12;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** Where a smooth function is largest within a band: the best of some samples, then golden sections about it. */
function largestAt(of: (at: number) => number, lo: number, hi: number): number {
  const step = (hi - lo) / SAMPLES;
  let best = 0;
  let bestValue = of(lo);
  for (let index = 1; index <= SAMPLES; index += 1) {
    const value = of(index === SAMPLES ? hi : lo + index * step);
    if (value > bestValue) [best, bestValue] = [index, value];
  }
  let [from, to] = [Math.max(lo, lo + (best - 1) * step), Math.min(hi, lo + (best + 1) * step)];
  for (let section = 0; section < SECTIONS; section += 1) {
    const [left, right] = [to - (to - from) * GOLDEN, from + (to - from) * GOLDEN];
    if (of(left) > of(right)) to = right;
    else from = left;
  }
  const middle = (from + to) / 2;
  return [lo, hi, middle].reduce((top, each) => (of(each) > of(top) ? each : top));
}

function startTerm(start: StartOfPart, powerFactor: number): AcTerm {
  const scaled = (factor: number): DoubtfulTerm => ({
    value: start.va.value * factor,
    minus: start.va.minus * factor,
    plus: start.va.plus * factor,
    causes: start.va.causes,
  });
  return {
    watts: scaled(powerFactor),
    nonActive: scaled(nonActivePower(powerFactor, powerFactor)),
    surelyLags: start.surelyLags,
  };
}

function between(stated: Demand, top: Demand, bottom: Demand): Demand {
  return {
    lo: bottom.lo,
    stated: stated.stated,
    hi: top.hi,
    up: {
      hard: top.stated + top.up.hard - stated.stated,
      expanded: top.stated + top.up.expanded - stated.stated,
    },
    down: {
      hard: stated.stated - bottom.stated + bottom.down.hard,
      expanded: stated.stated - bottom.stated + bottom.down.expanded,
    },
  };
}
