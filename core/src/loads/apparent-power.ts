import {
  addGrouped,
  closedDoubt,
  closeSum,
  doubtOf,
  groupByCause,
  openSum,
  type DoubtfulSum,
  type DoubtfulTerm,
  type OpenSum,
  type Spread,
} from '../units/combine-doubts.js';
import type { Interval } from '../units/quantity.js';
import { magnitude } from '../units/magnitude.js';

/** One consumer as seen by an AC sum: active power and what is orthogonal to it. */
export interface AcTerm {
  /** Active power P, W. */
  readonly watts: DoubtfulTerm;
  /** N = sqrt(S² - P²), reactive and distortion together, var. */
  readonly nonActive: DoubtfulTerm;
  /** Its current certainly lags, so N may be counted in the user's favour. */
  readonly surelyLags: boolean;
  /** It is between two legs of a 208 V service, so its current is turned against theirs. */
  readonly isBetweenPhases?: boolean;
}

/** A sum at both edges, with the spread kept so that a doubtful limit can join the same root. */
export interface Demand extends Interval {
  readonly up: Spread;
  readonly down: Spread;
}

export interface AcSum {
  /** Active power, W. */
  readonly watts: Demand;
  /** Apparent power, VA. */
  readonly va: Demand;
  /** What is orthogonal to the active power, var; at the optimistic edge the lagging part only. */
  readonly nonActive: Demand;
}

/**
 * N of a consumer from its watts and its power factor.
 *
 * @param watts Active power, W, at least 0.
 * @param powerFactor Above 0, at most 1.
 * @returns N in var. Source: physics, S = P/pf and N = sqrt(S² - P²).
 *
 * @example
 * nonActivePower(1200, 0.8); // 900
 */
export function nonActivePower(watts: number, powerFactor: number): number {
  return watts * Math.sqrt(Math.max(0, 1 / (powerFactor * powerFactor) - 1));
}

/**
 * Sums consumers on a common voltage.
 *
 * At the pessimistic edge S = sqrt((sum P)² + (sum N)²) with every number at Hi: an upper bound for
 * any phase angles and any harmonics, since each current is (P/V²)v plus a part orthogonal to v. At
 * the optimistic edge the same at Lo, with the N of surely lagging consumers only: the N of the
 * others is neither added nor subtracted. The stated value is the no-cancelling sum as entered.
 *
 * Source: physics; definitions of IEEE 1459; methods.md, rule 5.
 *
 * @example
 * // 1000 W at pf 1, 1200 W at 0.8 and 600 W at 0.6, without doubt: 2800 W, 3276 VA
 */
export function addAc(terms: readonly AcTerm[]): AcSum {
  const watts = terms.map((term) => term.watts);
  const groups = groupByCause(watts);
  const nonActive = addGrouped(terms.map(nonActiveOf), groupsOfNonActive(terms, groups));
  const lagging = terms.filter((term) => term.surelyLags);
  return acSumOf(
    addGrouped(watts, groups),
    nonActive,
    lagging.length === terms.length
      ? nonActive
      : addGrouped(lagging.map(nonActiveOf), groupByCause(lagging.map(nonActiveOf))),
  );
}

/** What is orthogonal depends on power factors as well: grouped anew only where that makes a difference. */
const groupsOfNonActive = (terms: readonly AcTerm[], groups: Int32Array): Int32Array =>
  terms.every(({ watts, nonActive }) => watts.causes === nonActive.causes)
    ? groups
    : groupByCause(terms.map(nonActiveOf));

/** A sum that waits for its last consumer, which is tried at several power factors. */
export interface OpenAcSum {
  readonly watts: OpenSum;
  readonly nonActive: OpenSum;
  /** Of the surely lagging ones: undefined where all are, closed where the last is not. */
  readonly lagging: OpenSum | undefined;
  readonly laggingWithoutLast: DoubtfulSum | undefined;
}

/**
 * The sum of consumers that one more joins; of that one only its causes and whether it lags count.
 *
 * @returns W and var, to be closed with `closeAc`. Source: as `addAc`.
 */
export function openAc(others: readonly AcTerm[], last: AcTerm): OpenAcSum {
  const terms = [...others, last];
  const watts = terms.map((term) => term.watts);
  const groups = groupByCause(watts);
  const lagging = terms.filter((term) => term.surelyLags).map(nonActiveOf);
  return {
    watts: openSum(watts, groups),
    nonActive: openSum(terms.map(nonActiveOf), groupsOfNonActive(terms, groups)),
    lagging:
      last.surelyLags && lagging.length < terms.length ? openSum(lagging, groupByCause(lagging)) : undefined,
    laggingWithoutLast: last.surelyLags ? undefined : addGrouped(lagging, groupByCause(lagging)),
  };
}

/** An open sum with its last consumer: W, VA and var as `addAc` of all of them gives. */
export function closeAc({ watts, nonActive, lagging, laggingWithoutLast }: OpenAcSum, last: AcTerm): AcSum {
  const all = closeSum(nonActive, last.nonActive);
  return acSumOf(
    closeSum(watts, last.watts),
    all,
    laggingWithoutLast ?? (lagging ? closeSum(lagging, last.nonActive) : all),
  );
}

/** VA of an open sum with its last consumer known in VA at some power factor, read against or for the user. */
export function closedVa(
  { watts, nonActive, lagging, laggingWithoutLast }: OpenAcSum,
  last: DoubtfulTerm,
  powerFactor: number,
  edge: 'hi' | 'lo',
): number {
  const across = nonActivePower(powerFactor, powerFactor);
  if (edge === 'hi') return magnitude(most(watts, last, powerFactor), most(nonActive, last, across));
  const lags = laggingWithoutLast
    ? below(laggingWithoutLast, doubtOf(laggingWithoutLast.down))
    : least(lagging ?? nonActive, last, across);
  return magnitude(least(watts, last, powerFactor), lags);
}

const most = ({ stated, up }: OpenSum, { value, plus }: DoubtfulTerm, factor: number): number =>
  stated + value * factor + closedDoubt(up, plus * factor);

const least = ({ stated, down }: OpenSum, { value, minus }: DoubtfulTerm, factor: number): number =>
  Math.max(0, stated + value * factor - closedDoubt(down, minus * factor));

const nonActiveOf = (term: AcTerm): DoubtfulTerm => term.nonActive;

function acSumOf(watts: DoubtfulSum, nonActive: DoubtfulSum, lagging: DoubtfulSum): AcSum {
  return {
    watts: demandOf(watts),
    va: apparent(watts, nonActive, lagging),
    nonActive: demandOf(nonActive, lagging),
  };
}

/**
 * A sum read at both edges; nothing is drawn below zero.
 *
 * @param atBest What counts at the optimistic edge, where that is less than all of it.
 */
function demandOf(sum: DoubtfulSum, atBest: DoubtfulSum = sum): Demand {
  return {
    lo: Math.max(0, atBest.stated - doubtOf(atBest.down)),
    stated: sum.stated,
    hi: sum.stated + doubtOf(sum.up),
    up: sum.up,
    down: sum.down,
  };
}

function apparent(watts: DoubtfulSum, nonActive: DoubtfulSum, lagging: DoubtfulSum): Demand {
  const stated = magnitude(watts.stated, nonActive.stated);
  const hi = magnitude(watts.stated + doubtOf(watts.up), nonActive.stated + doubtOf(nonActive.up));
  const lo = magnitude(below(watts, doubtOf(watts.down)), below(lagging, doubtOf(lagging.down)));
  const up = (bound: keyof Spread): number =>
    magnitude(watts.stated + watts.up[bound], nonActive.stated + nonActive.up[bound]) - stated;
  const down = (bound: keyof Spread): number =>
    stated - magnitude(below(watts, watts.down[bound]), below(lagging, lagging.down[bound]));
  return {
    lo,
    stated,
    hi,
    up: { hard: up('hard'), expanded: up('expanded') },
    down: { hard: down('hard'), expanded: down('expanded') },
  };
}

const below = (sum: DoubtfulSum, doubt: number): number => Math.max(0, sum.stated - doubt);
