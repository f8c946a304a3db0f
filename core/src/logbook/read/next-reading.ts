import type { LineFit } from '../fit/line-fit.js';
import { whenReached } from '../fit/when-reached.js';

/** When another reading helps most, and how wide the answer is then. In hours, as the line. */
export interface NextReading {
  readonly at: number;
  readonly widthNow: number;
  readonly widthThen: number;
}

/** Moments that are tried until the end is near. */
const TRIED = 48;
/** The later, the more a reading tells, and the less time is left to act on it: the last part is not waited for. */
const LATEST_SHARE = 0.9;

/**
 * The moment at which one more reading helps most: what it takes off the width of the answer, times the hours that are then
 * left to make use of it.
 *
 * The reading is taken to lie on the line, of the usual scatter: what is expected, not what will be.
 *
 * @param now In hours, as the line.
 * @param level What is waited for, such as the reserve.
 * @param segment The one that it will be of: a display that has begun anew tells the rate, and not the height.
 * @returns Undefined where no reading would narrow it, or it is past.
 * Source: optimal design of a regression (Draper and Smith, 22), with a use of time of our own.
 */
export function nextReading(
  fit: LineFit,
  now: number,
  level: number,
  segment: number,
): NextReading | undefined {
  const reached = whenReached(fit, level);
  if (!reached || reached.stated <= now) return undefined;
  const widthNow = reached.hi - reached.lo;
  const left = reached.stated - now;
  const tried = Array.from({ length: TRIED }, (_, step) => now + (LATEST_SHARE * left * (step + 1)) / TRIED);
  const found = tried.map((at) => ({ at, widthThen: widthWith(fit, at, level, segment) }));
  const worth = ({ at, widthThen }: (typeof found)[number]): number =>
    (Math.min(widthNow, left) - Math.min(widthThen, left)) * (reached.stated - at);
  const best = found.reduce((most, each) => (worth(each) > worth(most) ? each : most));
  return worth(best) > 0 ? { at: best.at, widthNow, widthThen: best.widthThen } : undefined;
}

/** How wide the answer is once a reading on the line at x is added. */
function widthWith(fit: LineFit, x: number, level: number, segment: number): number {
  const { weight = 0, meanX = x } = fit.segments.get(segment) ?? {};
  const counts = fit.offsets.get(segment) === 0;
  const shift = (x - fit.meanX) / (fit.weight + 1);
  const withOne: LineFit = {
    ...fit,
    ...(counts && {
      weight: fit.weight + 1,
      meanX: fit.meanX + shift,
      meanY: fit.meanY + fit.slope * shift,
    }),
    sumXX: fit.sumXX + ((x - meanX) ** 2 * weight) / (weight + 1),
    degreesOfFreedom: fit.degreesOfFreedom + 1,
  };
  const then = whenReached(withOne, level);
  return then ? then.hi - then.lo : Infinity;
}
