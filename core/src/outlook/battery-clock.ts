import { ampHoursAt, usualPeukert } from '../battery/battery-bank.js';
import { capacityOf } from '../battery/battery-capacity.js';
import { PERCENT, SECONDS_PER_HOUR } from '../units/conversion-factors.js';
import type { Battery, Scene } from '../rig-file/schema.js';
import { runningSetOf, type CheckResult } from '../check/check.js';
import { bankAmps, dcPathOf } from '../check/limits/dc-path.js';
import { runningBatteryWatts } from '../check/wiring/flow.js';
import type { Interval } from '../units/quantity.js';
import type { BatteryElement } from '../check/wiring/series-elements.js';

/** How fast the battery falls and how long until its reserve. */
export interface BatteryClock {
  readonly element: BatteryElement;
  /** Where it adds to a source: what the input limit lets the source give, A. */
  readonly helpsBeyondA: number | undefined;
  /** What it gives, A. */
  readonly amps: Interval;
  readonly watts: number;
  /** Charge read by the user, %, and when; undefined where none was entered. */
  readonly charge: Scene['charge'];
  readonly reservePercent: number;
  /** What the batteries hold from full to empty, Ah. */
  readonly ampHours: number;
  /** What of it they hold at these amps, by Peukert, Ah. */
  readonly ampHoursNow: number;
  /** Seconds from the reading until the reserve, at what is ticked now; undefined without a reading. */
  readonly reserveInS: number | undefined;
  /** The same with the doubts of what is drawn and of what the batteries hold, and on to empty; undefined without a reading. */
  readonly lastsS: { readonly toReserve: Interval; readonly toEmpty: Interval } | undefined;
}

/** Reserve kept where the rig does not say: none. */
const NO_RESERVE = 0;

/**
 * The battery clock of a set: amps by the inverter's loss curve, and the time from the charge that
 * was read down to the reserve, at the power as stated. Drawn on fast, a battery holds less (Peukert).
 *
 * @returns Undefined where no battery gives anything. Source: physics; methods.md 6.
 */
export function batteryClockOf(scene: Pick<Scene, 'charge'>, result: CheckResult): BatteryClock | undefined {
  const element = result.elements.find((each) => each.kind === 'battery');
  if (element?.kind !== 'battery') return undefined;
  const drawn = runningBatteryWatts(element, runningSetOf(result));
  const { lo, stated, hi } = bankAmps(dcPathOf(element), drawn);
  if (hi === 0) return undefined;
  const ampHours = element.batteries.reduce((sum, battery) => sum + battery.ampHours.value, 0);
  const reservePercent = Math.max(
    ...element.batteries.map((battery) => battery.reservePercent ?? NO_RESERVE),
  );
  const held = heldBy(element.batteries, ampHours, { lo, stated, hi });
  const ampHoursNow = held.stated;
  const { charge } = scene;
  const lasts = (downTo: number): Interval | undefined =>
    charge && stated > 0
      ? timeFrom((charge.percent - downTo) / PERCENT, held, { lo, stated, hi })
      : undefined;
  const [toReserve, toEmpty] = [lasts(reservePercent), lasts(0)];
  return {
    element,
    helpsBeyondA: helpsBeyond(element),
    amps: { lo, stated, hi },
    watts: drawn.stated,
    charge,
    reservePercent,
    ampHours,
    ampHoursNow,
    reserveInS: toReserve?.stated,
    lastsS: toReserve && toEmpty && { toReserve, toEmpty },
  };
}

function helpsBeyond({ inverters }: BatteryElement): number | undefined {
  const limits = inverters.flatMap(({ assists }) =>
    assists && Number.isFinite(assists.limit.va) ? assists.limit.va / assists.volts : [],
  );
  return limits.length > 0 ? Math.min(...limits) : undefined;
}

/** What batteries hold at a current by Peukert, Ah: the least of what they may hold at the most that may be drawn. */
function heldBy(batteries: readonly Battery[], ampHours: number, amps: Interval): Interval {
  const at = (edge: keyof Interval, drawn: number): number =>
    batteries.reduce((sum, battery) => {
      const share = battery.ampHours.value / ampHours;
      const doubt = capacityOf(battery)[edge] / battery.ampHours.value;
      return sum + heldAt(battery, drawn * share) * doubt;
    }, 0);
  return { lo: at('lo', amps.hi), stated: at('stated', amps.stated), hi: at('hi', amps.lo) };
}

/** Seconds that a share of the charge lasts. */
function timeFrom(share: number, held: Interval, amps: Interval): Interval {
  const seconds = (ampHours: number, drawn: number): number =>
    drawn > 0 ? ((Math.max(0, share) * ampHours) / drawn) * SECONDS_PER_HOUR : Infinity;
  return {
    lo: seconds(held.lo, amps.hi),
    stated: seconds(held.stated, amps.stated),
    hi: seconds(held.hi, amps.lo),
  };
}

const heldAt = ({ ampHours, ratedHours, chemistry }: Battery, amps: number): number =>
  ampHoursAt({ ampHours: ampHours.value, ratedHours, amps, exponent: usualPeukert(chemistry) });
