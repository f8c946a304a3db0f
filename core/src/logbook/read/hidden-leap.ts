import { pointsOfDisplay, type Shown } from './charge-points.js';
import { fitLine } from '../fit/line-fit.js';
import { studentT } from '../fit/student-t.js';

/** A leap is taken for one where so much speaks for it: by chance alone one in a thousand. */
const SURE = 0.999;
const LEAST_STEPS = 3;

/**
 * The place before which a display has leapt unseen: it began anew at full and had fallen below the last reading before the next
 * one was taken, so that it only seems to have fallen too little.
 *
 * Tried between any two readings of a segment: the leap by which the line through all fits best, if it goes up and is beyond
 * chance.
 *
 * @param shown In the order of time, cut into segments where a leap was seen.
 * @returns The index of the first reading after it; undefined where there is none.
 * Source: the t test of a shift in a regression (Draper and Smith, 14: dummy variables).
 */
export function hiddenLeap(shown: readonly Shown[], step: number, counts: number): number | undefined {
  const fitOf = (cut: readonly Shown[]) => {
    const { points, scatter } = pointsOfDisplay(cut, step);
    return fitLine(points, counts, scatter);
  };
  const before = fitOf(shown);
  if (!before || before.degreesOfFreedom <= 1) return undefined;
  const squares = (fit: NonNullable<typeof before>): number => fit.scatter ** 2 * fit.degreesOfFreedom;
  let [best, most]: [number | undefined, number] = [undefined, 0];
  shown.forEach(({ segment }, index) => {
    if (index === 0 || shown[index - 1]?.segment !== segment) return;
    const cut = shown.map((each, at) =>
      at >= index && each.segment === segment ? { ...each, segment: NEW_SEGMENT } : each,
    );
    const fit = fitOf(cut);
    const up = fit && (fit.offsets.get(NEW_SEGMENT) ?? 0) - (fit.offsets.get(segment) ?? 0);
    if (!fit || up === undefined || up < LEAST_STEPS * step) return;
    const t = Math.sqrt(Math.max(0, squares(before) - squares(fit)) / fit.scatter ** 2);
    if (t > studentT(fit.degreesOfFreedom, SURE) && t > most) [best, most] = [index, t];
  });
  return best;
}

const NEW_SEGMENT = -1;
