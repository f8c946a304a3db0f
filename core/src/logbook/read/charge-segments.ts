import { SECONDS_PER_HOUR } from '../../units/conversion-factors.js';
import type { LogReading } from '../log-test.js';
import { stepOfDisplay, type Shown } from './charge-points.js';
import { hiddenLeap } from './hidden-leap.js';

/** A rise of more than so much is none of a battery that is run down: neither the last step to and fro nor a fine display's jitter. */
const LEAP_STEPS = 1.5;
const LEAP_PERCENT = 1.2;
/** A display of so coarse steps does not go to and fro: any rise is a leap. */
const COARSE_STEP = 2;

/** What a display showed, cut where its count leapt. */
export interface ShownCharge {
  /** x in hours since `fromS`; segments from 0 on. */
  readonly shown: readonly Shown[];
  readonly fromS: number;
  readonly step: number;
  /** The segment whose height is true: the first, or the first after the battery was charged. */
  readonly counts: number;
  /** When each later segment begins, and what the leap before it was. */
  readonly leaps: readonly { readonly atS: number; readonly was: 'display' | 'charged' | 'unseen' }[];
}

/**
 * The charge that a display showed while a battery was run down, in segments: where it rises by more than its last step it has begun
 * anew (a display that lost its power starts at 100 %), unless the reading says otherwise.
 *
 * @param readings What counts, in the order of time.
 * @returns Undefined where no charge was read.
 */
export function shownCharge(readings: readonly LogReading[]): ShownCharge | undefined {
  const read = readings.flatMap(({ atS, percent, leap }) =>
    percent === undefined ? [] : [{ atS, percent, leap }],
  );
  const [first] = read;
  if (!first) return undefined;
  const step = stepOfDisplay(read.map(({ percent }) => percent));
  let [segment, counts] = [0, 0];
  const leaps: { atS: number; was: 'display' | 'charged' }[] = [];
  const shown = read.map(({ atS, percent, leap }, index): Shown => {
    const before = read[index - 1];
    const was = before && leapOf(percent - before.percent, step, leap);
    if (was) {
      segment += 1;
      leaps.push({ atS, was });
      if (was === 'charged') counts = segment;
    }
    return { x: (atS - first.atS) / SECONDS_PER_HOUR, y: percent, segment };
  });
  return withHiddenLeaps({ shown, fromS: first.atS, step, counts, leaps });
}

/** Leaps that no rise has shown; in a log that goes through every minute each of them is seen. */
function withHiddenLeaps(charge: ShownCharge, left = MOST_HIDDEN): ShownCharge {
  const { shown, step, counts, fromS, leaps } = charge;
  if (left === 0 || shown.length > FEW_READINGS) return charge;
  const from = hiddenLeap(shown, step, counts);
  const first = from === undefined ? undefined : shown[from];
  if (from === undefined || !first) return charge;
  const atS = fromS + first.x * SECONDS_PER_HOUR;
  const isBefore = first.segment < counts;
  const cut: ShownCharge = {
    ...charge,
    shown: shown.map((each, index) => (index < from ? each : { ...each, segment: each.segment + 1 })),
    counts: isBefore ? counts + 1 : counts,
    leaps: [...leaps, { atS, was: 'unseen' as const }].sort((a, b) => a.atS - b.atS),
  };
  return withHiddenLeaps(cut, left - 1);
}

const MOST_HIDDEN = 3;
const FEW_READINGS = 60;

function leapOf(rise: number, step: number, told: LogReading['leap']): 'display' | 'charged' | undefined {
  if (told !== undefined) return told === 'none' ? undefined : told;
  const least = step >= COARSE_STEP ? 0 : Math.max(LEAP_STEPS * step, LEAP_PERCENT);
  return rise > least ? 'display' : undefined;
}
