import {
  addGrouped,
  doubtOf,
  groupByCause,
  type DoubtfulSum,
  type DoubtfulTerm,
  type Spread,
} from '../quantity/combine-doubts.js';
import type { Interval } from '../quantity/quantity.js';

/** One consumer as seen by an AC sum: active power and what is orthogonal to it. */
export interface AcTerm {
  /** Active power P, W. */
  readonly watts: DoubtfulTerm;
  /** N = sqrt(S² - P²), reactive and distortion together, var. */
  readonly nonActive: DoubtfulTerm;
  /** Its current certainly lags, so N may be counted in the user's favour. */
  readonly surelyLags: boolean;
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
export function addAc(terms: readonly AcTerm[], groups: AcGroups = groupAc(terms)): AcSum {
  const watts = addGrouped(
    terms.map((term) => term.watts),
    groups.all,
  );
  const nonActive = addGrouped(
    terms.map((term) => term.nonActive),
    groups.all,
  );
  const lagging = groups.lagging
    ? addGrouped(
        terms.filter((term) => term.surelyLags).map((term) => term.nonActive),
        groups.lagging,
      )
    : nonActive;
  return {
    watts: demandOf(watts),
    va: apparent(watts, nonActive, lagging),
    nonActive: { ...demandOf(nonActive), lo: demandOf(lagging).lo },
  };
}

/** Which consumers are wrong together: the same for every sum over them. */
export interface AcGroups {
  readonly all: Int32Array;
  /** Of the surely lagging ones only; undefined where all are. */
  readonly lagging: Int32Array | undefined;
}

/** The groups of consumers; both numbers of a consumer depend on the same causes. */
export function groupAc(terms: readonly AcTerm[]): AcGroups {
  const lagging = terms.filter((term) => term.surelyLags);
  return {
    all: groupByCause(terms.map((term) => term.watts)),
    lagging: lagging.length === terms.length ? undefined : groupByCause(lagging.map((term) => term.watts)),
  };
}

/** A sum read at both edges; nothing is drawn below zero. */
export function demandOf(sum: DoubtfulSum): Demand {
  return {
    lo: Math.max(0, sum.stated - doubtOf(sum.down)),
    stated: sum.stated,
    hi: sum.stated + doubtOf(sum.up),
    up: sum.up,
    down: sum.down,
  };
}

function apparent(watts: DoubtfulSum, nonActive: DoubtfulSum, lagging: DoubtfulSum): Demand {
  const stated = Math.hypot(watts.stated, nonActive.stated);
  const hi = Math.hypot(watts.stated + doubtOf(watts.up), nonActive.stated + doubtOf(nonActive.up));
  const lo = Math.hypot(below(watts, doubtOf(watts.down)), below(lagging, doubtOf(lagging.down)));
  const up = (bound: keyof Spread): number =>
    Math.hypot(watts.stated + watts.up[bound], nonActive.stated + nonActive.up[bound]) - stated;
  const down = (bound: keyof Spread): number =>
    stated - Math.hypot(below(watts, watts.down[bound]), below(lagging, lagging.down[bound]));
  return {
    lo,
    stated,
    hi,
    up: { hard: up('hard'), expanded: up('expanded') },
    down: { hard: down('hard'), expanded: down('expanded') },
  };
}

const below = (sum: DoubtfulSum, doubt: number): number => Math.max(0, sum.stated - doubt);
