import { flowsOf } from '../answers/power-flows.js';
import type { Consumer } from '../electrical/consumer.js';
import { lossCurveOf } from '../electrical/efficiency-curve.js';
import type { Interval } from '../quantity/quantity.js';
import { BATTERY_CHARGER_EFFICIENCY } from '../reference/conversion-defaults.js';
import type { System } from '../system/compile.js';
import { RunningSet } from '../system/running-set.js';

/** What loads ask of the batteries and give to them on a supply: means over their cycles, W on the DC side. */
export interface SetPower {
  /** Drawn by inverters, losses and idle included, and by DC loads, as stated and at the edges. */
  readonly drawn: Interval;
  /** What chargers give while the battery takes it. */
  readonly charged: number;
  /** What the source gives. */
  readonly fromSource: number;
}

/**
 * The mean power of a set of loads. A load that cycles counts with its share of the time: losses are nearly straight over
 * the power of one load, so that what it adds to the others is scaled.
 *
 * @returns Source: energy balance (physics), loss curve by methods.md 6.
 */
export function powerOfSet(system: System, consumers: readonly Consumer[]): SetPower {
  const charging = system.charging.flatMap(({ id }) => system.consumerOf(id) ?? []);
  const steady = consumers.filter((consumer) => dutyOf(consumer) === 1);
  const of = (running: readonly Consumer[]): SetPower => powerOf(system, [...running, ...charging]);
  const base = of(steady);
  return consumers
    .filter((consumer) => dutyOf(consumer) < 1)
    .reduce((sum, cycling) => plusShare(sum, base, of([...steady, cycling]), dutyOf(cycling)), base);
}

/** Share of the time that a load runs while it is on; 1 where it does not cycle. */
export function dutyOf({ load: { cycling } }: Pick<Consumer, 'load'>): number {
  return cycling ? cycling.onMinutes / (cycling.onMinutes + cycling.offMinutes) : 1;
}

function powerOf(system: System, running: readonly Consumer[]): SetPower {
  const { fromBatteryW, fromSourceW, toChargeW } = flowsOf(system.elements, new RunningSet(running));
  const idleW = fromBatteryW.hi === 0 && system.supply.sources.length === 0 ? idleOf(system) : 0;
  return {
    drawn: {
      lo: fromBatteryW.lo + idleW,
      stated: fromBatteryW.stated + idleW,
      hi: fromBatteryW.hi + idleW,
    },
    charged: toChargeW * BATTERY_CHARGER_EFFICIENCY.usual,
    fromSource: fromSourceW,
  };
}

/** What inverters draw that are on with nothing to feed. */
function idleOf({ rig }: System): number {
  return rig.converters
    .filter(({ kind }) => kind === 'inverter' || kind === 'inverter-charger')
    .reduce(
      (sum, converter) => sum + lossCurveOf(converter).idleW * Math.max(1, converter.unitsInParallel ?? 1),
      0,
    );
}

function plusShare(sum: SetPower, without: SetPower, having: SetPower, share: number): SetPower {
  const add = (of: (power: SetPower) => number): number => of(sum) + share * (of(having) - of(without));
  return {
    drawn: {
      lo: add(({ drawn }) => drawn.lo),
      stated: add(({ drawn }) => drawn.stated),
      hi: add(({ drawn }) => drawn.hi),
    },
    charged: add(({ charged }) => charged),
    fromSource: add(({ fromSource }) => fromSource),
  };
}
