import type { Change } from './change.js';
import type { Trial, Trials } from './trials.js';

/** A unit of four times the rating is no bigger inverter but another system. */
const MOST_TIMES = 4;
/** Ratings are sold in steps of a hundred watts. */
const STEP_W = 100;

/**
 * For each inverter the least larger rating with which a set holds, all its tiers in proportion, if any is enough.
 *
 * @returns The trials of those that are. Source: bisection by the check itself; a larger rating never fails more.
 */
export function enoughInverters(trials: Trials): readonly Trial[] {
  return trials.asked.rig.converters
    .filter(({ kind }) => kind.startsWith('inverter'))
    .flatMap(({ id, continuousW }) => {
      const steps = Math.ceil((continuousW.value * (MOST_TIMES - 1)) / STEP_W);
      const after = (step: number): readonly Change[] => [
        { by: 'bigger-inverter', converterId: id, factor: factorAfter(continuousW.value, step) },
      ];
      if (!trials.holds(after(steps))) return [];
      let [tooFew, enough] = [0, steps];
      while (enough - tooFew > 1) {
        const middle = Math.floor((tooFew + enough) / 2);
        if (trials.holds(after(middle))) enough = middle;
        else tooFew = middle;
      }
      const trial = trials.try(after(enough));
      return trial.isWhole && trial.result.verdict === 'holds' ? [trial] : [];
    });
}

/** The rating is a round figure after so many steps. */
const factorAfter = (watts: number, step: number): number =>
  ((Math.floor(watts / STEP_W) + step) * STEP_W) / watts;
