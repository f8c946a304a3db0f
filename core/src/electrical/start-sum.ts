import type { DoubtfulTerm } from '../quantity/combine-doubts.js';
import {
  addAc,
  closeAc,
  nonActivePower,
  openAc,
  type AcSum,
  type AcTerm,
  type Demand,
} from './apparent-power.js';
import type { StartOfPart } from './consumer.js';

/**
 * What a supply sees while one part starts and the rest of the set runs.
 *
 * The start is known in VA, so its power factor decides how it adds up, and lower is not always
 * worse: beside resistive loads a high one gives the larger sum. The sum is taken at both ends of
 * the band and, at the pessimistic edge, also where the start lines up with the rest, if that lies
 * within the band: between the ends nothing is larger.
 *
 * @param rest What runs already, the running power of the starting part left out.
 * @param start The start; its own causes tie its doubt to the rest of its load.
 * @param before The sum of the rest, where it is known already.
 * @returns Watts and VA at both edges. Source: physics; methods.md, rules 5 and 6.
 *
 * @example
 * // 2,000 W resistive and a start of 4,150 VA: 5,510 VA at pf 0.55, 5,944 VA at 0.85
 */
export function addStart(rest: readonly AcTerm[], start: StartOfPart, before: AcSum = addAc(rest)): AcSum {
  const { lo, stated, hi } = start.powerFactor;
  const open = openAc(rest, startTerm(start, stated));
  const at = (powerFactor: number): AcSum => closeAc(open, startTerm(start, powerFactor));
  const ends = [at(lo), at(hi)];
  const asStated = at(stated);
  const aligned = alignedPowerFactor(before);
  const candidates = aligned > lo && aligned < hi ? [...ends, at(aligned)] : ends;
  const of = (read: (sum: AcSum) => Demand) => widest(read(asStated), candidates.map(read), ends.map(read));
  return { watts: of((sum) => sum.watts), va: of((sum) => sum.va), nonActive: of((sum) => sum.nonActive) };
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

/** The power factor of what runs, read against the user. */
function alignedPowerFactor({ watts, va }: AcSum): number {
  return va.hi > 0 ? watts.hi / va.hi : 1;
}

function widest(stated: Demand, upper: readonly Demand[], lower: readonly Demand[]): Demand {
  const top = upper.reduce((worst, demand) => (demand.hi > worst.hi ? demand : worst));
  const bottom = lower.reduce((best, demand) => (demand.lo < best.lo ? demand : best));
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
