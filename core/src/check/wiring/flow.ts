import type { AcSum, Demand } from '../../loads/apparent-power.js';
import { addShares, inverterShare, plainDemand, sourceShare } from '../../supply/assist.js';
import type { Consumer } from '../../loads/consumer.js';
import { dcWattsAtEdges, type LossCurve, lossCurveOf } from '../../supply/efficiency-curve.js';
import { intervalOf } from '../../rig-file/half-widths.js';
import type {
  BatteryElement,
  BehindLimit,
  BreakerElement,
  InverterElement,
  SeriesElement,
} from './series-elements.js';
import { among, runningSum, type RunningSet } from './running-set.js';

/** The running power that passes through an element, whoever else carries a part of it left out. */
export function runningThrough(element: SeriesElement, running: RunningSet): AcSum {
  const { members } = element;
  if (element.kind === 'inverter') {
    const all = running.sum(members);
    return element.assists ? inverterShare(all, element.assists.limit.va) : all;
  }
  return 'behindLimits' in element && element.behindLimits.length > 0
    ? onSource(element.behindLimits, running.through(members))
    : running.sum(members);
}

/** Loads ahead of an inverter/charger draw what they draw; those behind it what its limit lets through. */
function onSource(behindLimits: readonly BehindLimit[], through: readonly Consumer[]): AcSum {
  const ahead = through.filter(({ load }) => !behindLimits.some(({ behind }) => behind.has(load.id)));
  return behindLimits
    .map(({ behind, limit }) => sourceShare(runningSum(among(behind, through)), limit))
    .reduce((sum, share) => addShares(sum, share), runningSum(ahead));
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
 * What the batteries of a bus give, W: what its inverters draw by their loss curves, and the DC loads.
 *
 * @param sums What each inverter carries at its output, in the order of the element's inverters.
 * @param dcWatts What the DC loads draw.
 */
export function batteryWatts({ inverters }: BatteryElement, sums: readonly AcSum[], dcWatts: Demand): Demand {
  const counted = new Set<string>();
  return inverters.reduce((all, inverter, index) => {
    const sum = sums[index];
    if (!sum || sum.va.hi === 0) return all;
    const draw = dcWattsAtEdges(lossCurveOfLeg(inverter, counted.has(inverter.converter.id)), sum);
    counted.add(inverter.converter.id);
    return plainDemand(all.lo + draw.lo, all.stated + draw.stated, all.hi + draw.hi);
  }, dcWatts);
}

/** What the batteries give while a set runs, W. */
export function runningBatteryWatts(element: BatteryElement, running: RunningSet): Demand {
  const sums = element.inverters.map((inverter) => runningThrough(inverter, running));
  return batteryWatts(element, sums, running.sum(element.dcMembers).watts);
}

/** Each leg of a unit has its share of the resistance; the idle draw of the unit counts once. */
function lossCurveOfLeg({ converter, units }: InverterElement, isIdleCounted: boolean): LossCurve {
  const { idleW, a, b } = lossCurveOf(converter);
  return { idleW: isIdleCounted ? 0 : idleW * Math.max(1, units), a, b: b / units };
}
