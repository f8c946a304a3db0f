import { ampHoursAt, usualPeukert } from '../electrical/battery-bank.js';
import type { Battery, Scene } from '../rig/schema.js';
import { runningSetOf, type CheckResult } from '../verdict/check.js';
import { bankAmps, dcPathOf } from '../verdict/dc-path.js';
import { runningBatteryWatts } from '../system/flow.js';
import type { Interval } from '../quantity/quantity.js';
import type { BatteryElement } from '../system/series-elements.js';

const SECONDS_PER_HOUR = 3600;
const PERCENT = 100;

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
  const ampHoursNow = element.batteries.reduce(
    (sum, battery) => sum + heldAt(battery, (stated * battery.ampHours.value) / ampHours),
    0,
  );
  const { charge } = scene;
  const usable = charge && (Math.max(0, charge.percent - reservePercent) / PERCENT) * ampHoursNow;
  return {
    element,
    helpsBeyondA: helpsBeyond(element),
    amps: { lo, stated, hi },
    watts: drawn.stated,
    charge,
    reservePercent,
    ampHours,
    ampHoursNow,
    reserveInS: usable === undefined || stated <= 0 ? undefined : (usable / stated) * SECONDS_PER_HOUR,
  };
}

function helpsBeyond({ inverters }: BatteryElement): number | undefined {
  const limits = inverters.flatMap(({ assists }) =>
    assists && Number.isFinite(assists.limit.va) ? assists.limit.va / assists.volts : [],
  );
  return limits.length > 0 ? Math.min(...limits) : undefined;
}

const heldAt = ({ ampHours, ratedHours, chemistry }: Battery, amps: number): number =>
  ampHoursAt({ ampHours: ampHours.value, ratedHours, amps, exponent: usualPeukert(chemistry) });
