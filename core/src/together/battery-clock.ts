import type { Scene } from '../rig/schema.js';
import type { CheckResult } from './check.js';
import { runningBatteryAmps } from './flow.js';
import type { Interval } from '../quantity/quantity.js';

const SECONDS_PER_HOUR = 3600;
const PERCENT = 100;

/** How fast the battery falls and how long until its reserve. */
export interface BatteryClock {
  /** What it gives, A. */
  readonly amps: Interval;
  readonly watts: number;
  /** Charge read by the user, %, and when; undefined where none was entered. */
  readonly charge: Scene['charge'];
  readonly reservePercent: number;
  /** Seconds from the reading until the reserve, at what is ticked now; undefined without a reading. */
  readonly reserveInS: number | undefined;
}

/** Reserve kept where the rig does not say: none. */
const NO_RESERVE = 0;

/**
 * The battery clock of a set: amps by the inverter's loss curve, and the time from the charge that
 * was read down to the reserve, at the power as stated.
 *
 * @returns Undefined where no battery gives anything. Source: physics; methods.md 10.
 */
export function batteryClockOf(scene: Pick<Scene, 'charge'>, result: CheckResult): BatteryClock | undefined {
  const element = result.elements.find((each) => each.kind === 'battery');
  if (element?.kind !== 'battery') return undefined;
  const { lo, stated, hi } = runningBatteryAmps(element, [...result.selfStarting, ...result.order]);
  if (hi === 0) return undefined;
  const ampHours = element.batteries.reduce((sum, battery) => sum + battery.ampHours.value, 0);
  const reservePercent = Math.max(
    ...element.batteries.map((battery) => battery.reservePercent ?? NO_RESERVE),
  );
  const { charge } = scene;
  const usable = charge && (Math.max(0, charge.percent - reservePercent) / PERCENT) * ampHours;
  return {
    amps: { lo, stated, hi },
    watts: stated * element.volts,
    charge,
    reservePercent,
    reserveInS: usable === undefined || stated <= 0 ? undefined : (usable / stated) * SECONDS_PER_HOUR,
  };
}
