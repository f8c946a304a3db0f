import { flowsOf } from '../outlook/supply/power-flows.js';
import type { Consumer } from '../loads/consumer.js';
import { lossCurveOf } from '../supply/efficiency-curve.js';
import type { Interval } from '../units/quantity.js';
import { BATTERY_CHARGER_EFFICIENCY } from '../reference/conversion-defaults.js';
import type { System } from '../check/wiring/compile.js';
import { runningThrough } from '../check/wiring/flow.js';
import { RunningSet } from '../check/wiring/running-set.js';

/** What loads ask of the batteries and give to them on a supply: means over their cycles, W on the DC side. */
export interface SetPower {
  /** Drawn by inverters, losses and idle included, and by DC loads, as stated and at the edges. */
  readonly drawn: Interval;
  /** What chargers give while the battery takes it. */
  readonly charged: number;
  /** What the source gives, to its charger too while the battery takes it. */
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

/** Share of its power that a load draws on the mean while it is on: where it cycles, and where a level pulses. */
export function dutyOf(consumer: Consumer): number {
  const { cycling } = consumer.load;
  const running = cycling ? cycling.onMinutes / (cycling.onMinutes + cycling.offMinutes) : 1;
  return running * levelOf(consumer);
}

/** What pulses, or may, is counted in full where limits are concerned; on the mean it draws its level (methods.md, rule 32). */
function levelOf({ load, stateId, parts }: Consumer): number {
  const state = load.states?.find(({ id }) => id === stateId);
  if (!state || state.works === 'lower') return 1;
  const shareOf = (partId: string): number => state.parts.find(({ part }) => part === partId)?.share ?? 1;
  const all = parts.reduce((sum, { running }) => sum + running.watts.value, 0);
  const level = parts.reduce((sum, { part, running }) => sum + shareOf(part.id) * running.watts.value, 0);
  return all > 0 ? level / all : 1;
}

function powerOf(system: System, consumers: readonly Consumer[]): SetPower {
  const running = new RunningSet(consumers);
  const { fromBatteryW, fromSourceW, toChargeW } = flowsOf(system.elements, running);
  const idleW = system.supply.sources.length === 0 ? idleOf(system, running) : 0;
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

/** What inverters draw that are on with nothing to feed: one that feeds something has it in its losses. */
function idleOf({ rig, elements }: System, running: RunningSet): number {
  const feeding = new Set(
    elements.flatMap((element) =>
      element.kind === 'inverter' && runningThrough(element, running).va.hi > 0 ? [element.converter.id] : [],
    ),
  );
  return rig.converters
    .filter(({ id, kind }) => (kind === 'inverter' || kind === 'inverter-charger') && !feeding.has(id))
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
