import { addAc, type AcSum, type AcTerm, type Demand } from '../electrical/apparent-power.js';
import { addShares, inverterShare, plainDemand, sourceShare } from '../electrical/assist.js';
import type { Consumer } from '../electrical/consumer.js';
import { dcDemand, lossCurveOf } from '../electrical/inverter-losses.js';
import { intervalOf } from '../rig/half-widths.js';
import type { BatteryElement, BreakerElement, SeriesElement } from './series-elements.js';

/** The consumers of a set of loads. */
export function among(members: ReadonlySet<string>, consumers: readonly Consumer[]): readonly Consumer[] {
  return consumers.filter((consumer) => members.has(consumer.load.id));
}

/** The consumers whose current passes through an element. */
export function throughElement(element: SeriesElement, consumers: readonly Consumer[]): readonly Consumer[] {
  return among(element.members, consumers);
}

/** What consumers draw running, as terms of a sum. */
export function runningTerms(consumers: readonly Consumer[]): readonly AcTerm[] {
  return consumers.flatMap((consumer) => consumer.parts.map((part) => part.running));
}

/** The running sum of consumers. */
export function runningSum(consumers: readonly Consumer[]): AcSum {
  return addAc(runningTerms(consumers));
}

/** The running power that passes through an element, whoever else carries a part of it left out. */
export function runningThrough(element: SeriesElement, consumers: readonly Consumer[]): AcSum {
  const through = throughElement(element, consumers);
  if (element.kind === 'inverter') {
    const all = runningSum(through);
    return element.assists ? inverterShare(all, element.assists.limit.va) : all;
  }
  if (element.kind === 'battery' || !element.behindLimit) return runningSum(through);
  return onSource(element.behindLimit.behind, element.behindLimit.limit, through);
}

/** Loads ahead of an inverter/charger draw what they draw; those behind it what the limit lets through. */
function onSource(
  behind: ReadonlySet<string>,
  limit: Parameters<typeof sourceShare>[1],
  through: readonly Consumer[],
): AcSum {
  const ahead = through.filter((consumer) => !behind.has(consumer.load.id));
  const share = sourceShare(runningSum(among(behind, through)), limit);
  return ahead.length === 0 ? share : addShares(runningSum(ahead), share);
}

/** The current in a breaker, a relay or a cord, A; what others draw from the same breaker included. */
export function ampsThrough(element: Pick<BreakerElement, 'volts' | 'otherLoadsA'>, va: Demand): Demand {
  const own = inAmps(va, element.volts);
  if (!element.otherLoadsA) return own;
  const others = intervalOf(element.otherLoadsA, 'running');
  return plainDemand(own.lo + others.lo, own.stated + others.stated, own.hi + others.hi);
}

/** A demand in VA as amps at a voltage. */
export function inAmps(va: Demand, volts: number): Demand {
  const spread = ({ hard, expanded }: Demand['up']) => ({ hard: hard / volts, expanded: expanded / volts });
  return {
    lo: va.lo / volts,
    stated: va.stated / volts,
    hi: va.hi / volts,
    up: spread(va.up),
    down: spread(va.down),
  };
}

/**
 * What the batteries give, A: the inverter's draw by its loss curve, and the DC loads.
 *
 * @param inverterSum What the inverter carries, at its output; undefined where it is idle.
 * @param dcWatts What the DC loads draw.
 */
export function batteryAmps(
  element: BatteryElement,
  inverterSum: AcSum | undefined,
  dcWatts: Demand,
): Demand {
  const { inverter, volts } = element;
  const isOn = inverter && inverterSum && inverterSum.va.hi > 0;
  const inverting = isOn ? dcDemand(lossCurveOf(inverter.converter), inverterSum) : plainDemand(0, 0, 0);
  return inAmps(
    plainDemand(inverting.lo + dcWatts.lo, inverting.stated + dcWatts.stated, inverting.hi + dcWatts.hi),
    volts,
  );
}

/** What the batteries give while a set runs, A. */
export function runningBatteryAmps(element: BatteryElement, consumers: readonly Consumer[]): Demand {
  const inverterSum = element.inverter && runningThrough(element.inverter, consumers);
  return batteryAmps(element, inverterSum, runningSum(among(element.dcMembers, consumers)).watts);
}
