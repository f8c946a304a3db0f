import type { Interval } from '../../units/quantity.js';
import type { LineFit } from './line-fit.js';
import { studentT } from './student-t.js';

/**
 * When a falling line reaches a level, with the interval that holds the truth in 95 of 100 cases.
 *
 * @returns In the unit of x; `hi` is infinite while it is not sure that the line falls at all. Undefined where it does
 *   not fall by the points, or where nothing tells the scatter.
 * Source: Fieller's theorem (1954) for the ratio of two normal estimates; Draper and Smith, Applied Regression Analysis,
 *   3.2 (inverse regression). Exact for normal scatter, where the usual error propagation is not.
 */
export function whenReached(fit: LineFit, level: number): Interval | undefined {
  const { slope, meanX, meanY, weight, sumXX, scatter, degreesOfFreedom } = fit;
  if (!(slope < 0) || degreesOfFreedom <= 0) return undefined;
  const rate = -slope;
  const height = meanY - level;
  const q = (studentT(degreesOfFreedom) * scatter) ** 2;
  // (height - rate d)² = q (1/weight + d²/sumXX), as a d² - 2 b d + c = 0.
  const a = rate * rate - q / sumXX;
  const b = rate * height;
  const c = height * height - q / weight;
  const root = Math.sqrt(Math.max(0, b * b - a * c));
  return {
    lo: meanX + c / (b + root),
    stated: meanX + height / rate,
    hi: a > 0 ? meanX + (b + root) / a : Infinity,
  };
}
