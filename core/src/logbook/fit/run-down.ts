import { SECONDS_PER_HOUR } from '../../units/conversion-factors.js';
import type { Interval } from '../../units/quantity.js';
import type { Rig } from '../../rig-file/schema.js';
import { endByEnergy } from './end-by-energy.js';
import { heldEnergy, type HeldEnergy } from './held-energy.js';
import type { LogTest } from '../log-test.js';
import { nextReading } from '../read/next-reading.js';
import { predictionOf, type Prediction } from './predicted-run-down.js';
import { readRunDown, type RunDownRead } from '../read/run-down-read.js';
import { chargeByLine, runOutOf, type RunOut } from './run-out.js';

/** Whether what was wanted lasts, by the same edges as everywhere. */
export type Lasting = 'lasts' | 'may-run-out' | 'runs-out';

/** What a run-down says so far. */
export interface RunDown extends RunDownRead {
  /** By the charge display. Undefined while the readings make no line. */
  readonly byCharge: RunOut | undefined;
  /** When the reserve is reached by the energy counted and what the battery should hold, seconds since 1970. */
  readonly byEnergyS: Interval | undefined;
  /** Both say different things: one of display, capacity and counter is off. */
  readonly disagree: boolean;
  readonly wanted: { readonly atS: number; readonly lasting: Lasting; readonly marginS: number } | undefined;
  readonly next:
    | { readonly atS: number; readonly widthNowS: number; readonly widthThenS: number }
    | undefined;
  readonly predicted: Prediction | undefined;
  /** Where it was run until it cut off. */
  readonly held: HeldEnergy | undefined;
}

/**
 * What a run-down says, at every moment of it.
 *
 * By the charge: a line through what the display showed, its segments joined. By energy: what the battery should hold by the
 * rig, less what was counted, at the power that is drawn. They know nothing of each other, so where they agree both are right.
 *
 * @param nowS Seconds since 1970: what is best read next follows from it.
 * Source: energy balance (physics); run-out.ts and next-reading.ts for the line.
 */
export function runDownOf(rig: Rig, test: LogTest, nowS: number): RunDown {
  const read = readRunDown(rig, test);
  const byCharge = read.charge && runOutOf(read.charge, read.reservePercent);
  const reached = byCharge?.reserveAtS;
  const byEnergyS = endByEnergy(rig, test, read);
  return {
    ...read,
    byCharge,
    byEnergyS,
    disagree: reached !== undefined && byEnergyS !== undefined && areApart(reached, byEnergyS),
    wanted: reached && wantedOf(test, reached),
    next: byCharge && test.endedAtS === undefined ? nextOf(byCharge, nowS, read) : undefined,
    predicted: predictionOf(rig, test, read),
    held: byCharge && heldEnergy(rig, test, read, chargeByLine(byCharge, test.endedAtS ?? nowS).stated),
  };
}

const areApart = (one: Interval, other: Interval): boolean => one.lo > other.hi || other.lo > one.hi;

function wantedOf(test: LogTest, { lo, stated, hi }: Interval): RunDown['wanted'] {
  const atS = test.wantedAtS;
  if (atS === undefined) return undefined;
  const lasting: Lasting = lo >= atS ? 'lasts' : hi < atS ? 'runs-out' : 'may-run-out';
  const edge = lasting === 'lasts' ? lo : lasting === 'runs-out' ? hi : stated;
  return { atS, lasting, marginS: edge - atS };
}

function nextOf(
  { fit, fromS }: RunOut,
  nowS: number,
  { charge, reservePercent }: RunDownRead,
): RunDown['next'] {
  const segment = charge?.shown.at(-1)?.segment ?? 0;
  const next = nextReading(fit, (nowS - fromS) / SECONDS_PER_HOUR, reservePercent, segment);
  return (
    next && {
      atS: fromS + next.at * SECONDS_PER_HOUR,
      widthNowS: next.widthNow * SECONDS_PER_HOUR,
      widthThenS: next.widthThen * SECONDS_PER_HOUR,
    }
  );
}
