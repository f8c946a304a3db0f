import jStat from 'jstat';

/** Share of cases in which an interval of the logbook holds the truth. */
const CONFIDENCE = 0.95;

/**
 * Half-width of an interval in standard errors.
 *
 * @param degreesOfFreedom Above 0; need not be whole.
 * Source: Student's t, two-sided; the values of NIST/SEMATECH e-Handbook 1.3.6.7.2 are checked in its spec.
 *
 * @example
 * studentT(10); // 2.228
 */
export function studentT(degreesOfFreedom: number, confidence: number = CONFIDENCE): number {
  return jStat.studentt.inv((1 + confidence) / 2, degreesOfFreedom);
}

/** The value below which chi-square lies with a probability. Source: NIST/SEMATECH e-Handbook 1.3.6.7.4. */
export function chiSquare(degreesOfFreedom: number, probability: number): number {
  return jStat.chisquare.inv(probability, degreesOfFreedom);
}
