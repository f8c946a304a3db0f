import { PERCENT, SECONDS_PER_HOUR } from '../../units/conversion-factors.js';
import type { Interval } from '../../units/quantity.js';
import { shownCharge } from '../read/charge-segments.js';
import { pointsOfDisplay } from '../read/charge-points.js';
import { fitLine, lineAt } from './line-fit.js';
import { countingReadings, type LogTest } from '../log-test.js';
import { meanOfReadings, type MeanOfReadings } from '../read/readings-mean.js';
import { whenReached } from './when-reached.js';

/** Below this share of the most it took, a charge tapers. Common practice. */
const TAPERS_BELOW = 0.9;
/** A straight line is drawn through so many of the last readings: a charge bends at its end. */
const LAST_READINGS = 6;
/** Where it tapers, through so many: every one before them rose faster. */
const LAST_TAPERING = 3;

/** What a charge test says so far. */
export interface ChargeTest {
  /** The most that the battery took up over the first readings, W and A. */
  readonly watts: MeanOfReadings | undefined;
  readonly amps: MeanOfReadings | undefined;
  /** Charge from which it took up less, %; undefined while it has not. */
  readonly tapersAtPercent: number | undefined;
  /** Per cent an hour by the last readings. */
  readonly perHour: number | undefined;
  /** When it is full by the last readings, seconds since 1970: later where it tapers on. */
  readonly fullAtS: Interval | undefined;
}

/**
 * A charge: what the battery takes up, from where on it takes less, and when it is full.
 *
 * Amps and watts into a battery may be entered with either sign.
 *
 * Source: least squares over the last readings; that a charge tapers is common practice.
 */
export function chargeTestOf(test: LogTest): ChargeTest {
  const readings = countingReadings(test);
  const taken = readings.flatMap(({ atS, volts, amps, percent }) =>
    amps === undefined ? [] : [{ atS, amps: Math.abs(amps), volts, percent }],
  );
  const most = Math.max(0, ...taken.map(({ amps }) => amps));
  const full = taken.filter(({ amps }) => amps >= TAPERS_BELOW * most);
  const lastFull = taken.map(({ amps }) => amps >= TAPERS_BELOW * most).lastIndexOf(true);
  const lastAtFull = taken[lastFull]?.atS;
  const tapering = taken.slice(lastFull + 1).find(({ percent }) => percent !== undefined);
  return {
    watts: meanOfReadings(full.flatMap(({ amps, volts }) => (volts === undefined ? [] : [amps * volts]))),
    amps: meanOfReadings(full.map(({ amps }) => amps)),
    tapersAtPercent: tapering?.percent,
    ...(tapering
      ? fullBy(
          readings.filter(({ atS }) => atS >= (lastAtFull ?? 0)),
          LAST_TAPERING,
        )
      : fullBy(readings, LAST_READINGS)),
  };
}

function fullBy(
  readings: ReturnType<typeof countingReadings>,
  most: number,
): Pick<ChargeTest, 'perHour' | 'fullAtS'> {
  // Upside down it falls to 0, as what is missing from full.
  const missing = readings.map((each) =>
    each.percent === undefined ? each : { ...each, percent: PERCENT - each.percent },
  );
  const shown = shownCharge(missing);
  if (!shown) return { perHour: undefined, fullAtS: undefined };
  const segment = shown.shown.at(-1)?.segment ?? 0;
  const last = shown.shown.filter((each) => each.segment === segment).slice(-most);
  const { points, scatter } = pointsOfDisplay(last, shown.step);
  const fit = fitLine(points, segment, scatter);
  if (!fit || !(fit.degreesOfFreedom > 0) || lineAt(fit, last.at(-1)?.x ?? 0) < 0)
    return { perHour: undefined, fullAtS: undefined };
  const reached = whenReached(fit, 0);
  const at = (hours: number): number => shown.fromS + hours * SECONDS_PER_HOUR;
  return {
    perHour: -fit.slope,
    fullAtS: reached && { lo: at(reached.lo), stated: at(reached.stated), hi: at(reached.hi) },
  };
}
