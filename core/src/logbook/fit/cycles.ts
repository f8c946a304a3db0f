import { SECONDS_PER_HOUR } from '../../units/conversion-factors.js';
import type { LogReading } from '../log-test.js';
import { powerLevels, type PowerLevel } from './power-levels.js';
import { remembered } from '../remembered.js';

/** So many whole cycles, and it counts as measured. Common practice, no published source. */
export const CYCLES_WANTED = 3;
/** A pause between two readings of so many times the usual one is a gap: what happened in it is not known. */
const GAP_TIMES = 6;
/** Stays shorter than this share of the usual one are slips of the trace. */
const SLIP_SHARE = 0.1;

/** One whole cycle: from a start to the next. */
export interface Cycle {
  readonly beginsS: number;
  readonly onS: number;
  readonly offS: number;
}

/** What a trace of a load that switches itself says. */
export interface Cycling {
  /** The powers it keeps to; all above the lowest are on. */
  readonly levels: readonly PowerLevel[];
  /** Whole cycles only; one with a gap in it is none. */
  readonly cycles: readonly Cycle[];
  /** Over whole cycles: share of the time it is on, 0 to 1, with the spread from cycle to cycle. */
  readonly duty: number;
  readonly dutySpread: number;
  readonly onS: number;
  readonly offS: number;
  readonly startsPerHour: number;
  /** The mean over whole cycles, and while it is on, W. */
  readonly meanW: number;
  readonly onW: number;
  /** Pauses of the trace in which nothing is known. */
  readonly gaps: number;
  readonly isMeasured: boolean;
}

interface Sample {
  readonly atS: number;
  readonly watts: number;
}

/** A time in one state, from the middle between two readings to the next such middle. */
interface Stay {
  readonly fromS: number;
  readonly toS: number;
  readonly isOn: boolean;
  /** It began or ended in a gap, or at an end of the trace. */
  readonly isWhole: boolean;
}

/**
 * The cycles in a trace of watts: on, off, how often, at which powers.
 *
 * @param readings What counts, in the order of time.
 * @returns Undefined where the trace keeps to one power: then it never switched.
 * Source: two-means of the powers (power-levels.ts); counting of whole cycles is common practice.
 */
export const cyclesOf = remembered((readings: readonly LogReading[]): Cycling | undefined => {
  const samples = readings.flatMap(({ atS, watts }) => (watts === undefined ? [] : [{ atS, watts }]));
  const [, on] = powerLevels(samples.map(({ watts }) => watts));
  if (!on) return undefined;
  const gapS = GAP_TIMES * usualPause(samples);
  const stays = withoutSlips(staysOf(samples, on.fromW, gapS));
  const settled = withoutStarts(samples, on.fromW);
  const found = {
    levels: powerLevels(settled.map(({ watts }) => watts)),
    gaps: gapsIn(samples, gapS),
  };
  const cycles = stays.flatMap((stay, index): readonly Cycle[] => {
    const rest = stays[index + 1];
    return stay.isOn && stay.isWhole && rest?.isWhole && rest.fromS === stay.toS
      ? [{ beginsS: stay.fromS, onS: stay.toS - stay.fromS, offS: rest.toS - rest.fromS }]
      : [];
  });
  if (cycles.length === 0) return { ...NOTHING_WHOLE, ...found };
  const [onS, offS] = [meanOf(cycles, (cycle) => cycle.onS), meanOf(cycles, (cycle) => cycle.offS)];
  const duty = onS / (onS + offS);
  const dutyOfOne = (cycle: Cycle): number => cycle.onS / (cycle.onS + cycle.offS);
  const wattsWhere = (isOn: boolean): number =>
    meanOf(
      settled.filter(({ watts }) => watts >= on.fromW === isOn),
      ({ watts }) => watts,
    );
  const onW = wattsWhere(true);
  return {
    ...found,
    cycles,
    duty,
    dutySpread: Math.sqrt(meanOf(cycles, (cycle) => (dutyOfOne(cycle) - duty) ** 2)),
    onS,
    offS,
    startsPerHour: SECONDS_PER_HOUR / (onS + offS),
    meanW: duty * onW + (1 - duty) * wattsWhere(false),
    onW,
    isMeasured: cycles.length >= CYCLES_WANTED,
  };
});

/** The first reading of each time it is on may be its start. */
function withoutStarts(samples: readonly Sample[], onFromW: number): readonly Sample[] {
  return samples.filter(({ watts }, index) => {
    const before = samples[index - 1];
    return watts < onFromW || (before !== undefined && before.watts >= onFromW);
  });
}

const NOTHING_WHOLE = {
  cycles: [],
  duty: NaN,
  dutySpread: NaN,
  onS: NaN,
  offS: NaN,
  startsPerHour: NaN,
  meanW: NaN,
  onW: NaN,
  isMeasured: false,
} as const;

function staysOf(samples: readonly Sample[], onFromW: number, gapS: number): readonly Stay[] {
  const stays: Stay[] = [];
  let [fromS, isWhole] = [samples[0]?.atS ?? 0, false];
  samples.forEach((sample, index) => {
    const next = samples[index + 1];
    const isOn = sample.watts >= onFromW;
    const isGap = next !== undefined && next.atS - sample.atS > gapS;
    if (next && !isGap && isOn === next.watts >= onFromW) return;
    const toS = !next || isGap ? sample.atS : (sample.atS + next.atS) / 2;
    const endsWhole = next !== undefined && !isGap;
    stays.push({ fromS, toS, isOn, isWhole: isWhole && endsWhole });
    [fromS, isWhole] = isGap ? [next.atS, false] : [toS, true];
  });
  return stays;
}

/** A very short stay between two of the other state is a slip: a start seen, a reading lost. */
function withoutSlips(stays: readonly Stay[]): readonly Stay[] {
  const [leastOnS, leastOffS] = [SLIP_SHARE * usualStay(stays, true), SLIP_SHARE * usualStay(stays, false)];
  const kept: Stay[] = [];
  for (const stay of stays) {
    const before = kept.at(-1);
    const isShort = stay.isWhole && stay.toS - stay.fromS < (stay.isOn ? leastOnS : leastOffS);
    if (before && (isShort || before.isOn === stay.isOn) && before.toS === stay.fromS)
      kept[kept.length - 1] = { ...before, toS: stay.toS, isWhole: before.isWhole && stay.isWhole };
    else kept.push(stay);
  }
  return kept;
}

/** How long a stay of a state usually is, as one meets it: long ones count by their length, so that slips count little. */
function usualStay(stays: readonly Stay[], isOn: boolean): number {
  const lasted = stays
    .filter((stay) => stay.isWhole && stay.isOn === isOn)
    .map(({ fromS, toS }) => toS - fromS);
  const sum = lasted.reduce((all, each) => all + each, 0);
  return sum > 0 ? lasted.reduce((all, each) => all + each * each, 0) / sum : 0;
}

function usualPause(samples: readonly Sample[]): number {
  const pauses = samples.slice(1).map(({ atS }, index) => atS - (samples[index]?.atS ?? atS));
  return pauses.sort((a, b) => a - b)[Math.floor(pauses.length / 2)] ?? 0;
}

const gapsIn = (samples: readonly Sample[], gapS: number): number =>
  samples.filter(({ atS }, index) => atS - (samples[index - 1]?.atS ?? atS) > gapS).length;

function meanOf<T>(list: readonly T[], of: (each: T) => number): number {
  return list.reduce((sum, each) => sum + of(each), 0) / list.length;
}
