import { MEASURED } from '../../reference/default-doubts.js';
import type { Interval } from '../../units/quantity.js';
import { fitLine, standardErrorOfSlope } from './line-fit.js';
import { studentT } from './student-t.js';

const SECONDS_PER_MONTH = 30 * 24 * 3600;

/** What one test says of a number. */
export interface Tested {
  readonly test: string;
  readonly atS: number;
  readonly value: number;
  /** Half-width, where the readings say it. */
  readonly half: number | undefined;
}

/** A number by several tests. */
export interface Combined {
  readonly value: number;
  readonly half: number;
  /** Those that count, and those that stand apart from the others: named, and left out. */
  readonly counted: readonly string[];
  readonly apart: readonly string[];
  /** Change a month by those that count, with its interval; undefined below three. */
  readonly driftPerMonth: Interval | undefined;
  /** The interval of the drift does not reach 0. */
  readonly drifts: boolean;
}

/** A test stands apart where it is so many spreads from the median of all. Common practice: Iglewicz and Hoaglin's 3.5. */
const APART_SPREADS = 3.5;
/** Turns a median of absolute deviations into a standard deviation, for normal scatter. */
const MAD_TO_SIGMA = 1.4826;
const LEAST_FOR_APART = 3;

/**
 * One number by several tests of it: the mean, each test weighted by its own half-width, with what stands apart left out by name.
 *
 * The half-width is that of the weighted mean, and never less than half of what the tests lie apart: they were made on
 * different days.
 *
 * @returns Undefined where there is no test.
 * Source: weighted mean and its standard error (GUM, JCGM 100:2008, 4.2); what stands apart by the median of absolute deviations
 *   (NIST/SEMATECH e-Handbook 1.3.5.17).
 */
export function combineTests(tests: readonly Tested[]): Combined | undefined {
  if (tests.length === 0) return undefined;
  const middle = median(tests.map(({ value }) => value));
  const sigma = MAD_TO_SIGMA * median(tests.map(({ value }) => Math.abs(value - middle)));
  const isApart = (each: Tested): boolean =>
    tests.length >= LEAST_FOR_APART &&
    Math.abs(each.value - middle) > APART_SPREADS * Math.max(sigma, halfOf(each) / 2);
  const counted = tests.filter((each) => !isApart(each));
  const weights = counted.map((each) => 1 / halfOf(each) ** 2);
  const weight = weights.reduce((sum, each) => sum + each, 0);
  const values = counted.map(({ value }) => value);
  const spread = (Math.max(...values) - Math.min(...values)) / 2;
  const drift = driftOf(counted);
  return {
    value: values.reduce((sum, value, index) => sum + value * (weights[index] ?? 0), 0) / weight,
    half: Math.max(Math.sqrt(1 / weight), spread),
    counted: counted.map(({ test }) => test),
    apart: tests.filter(isApart).map(({ test }) => test),
    driftPerMonth: drift,
    drifts: drift !== undefined && (drift.lo > 0 || drift.hi < 0),
  };
}

const halfOf = ({ value, half }: Tested): number => half ?? MEASURED.plus * Math.abs(value);

function driftOf(tests: readonly Tested[]): Interval | undefined {
  const [first] = tests;
  if (!first || tests.length < LEAST_FOR_APART) return undefined;
  const fit = fitLine(
    tests.map(({ atS, value }) => ({ x: (atS - first.atS) / SECONDS_PER_MONTH, y: value, segment: 0 })),
    0,
  );
  if (!fit || fit.degreesOfFreedom <= 0) return undefined;
  const half = studentT(fit.degreesOfFreedom) * standardErrorOfSlope(fit);
  return { lo: fit.slope - half, stated: fit.slope, hi: fit.slope + half };
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1
    ? (sorted[middle] ?? 0)
    : ((sorted[middle - 1] ?? 0) + (sorted[middle] ?? 0)) / 2;
}
