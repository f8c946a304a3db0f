import type { AcSum, Demand } from '../electrical/apparent-power.js';
import { steadyBand } from '../electrical/breaker.js';
import type { Consumer } from '../electrical/consumer.js';
import type { Quantity } from '../quantity/quantity.js';
import { CONTINUOUS_MINUTES, CONTINUOUS_SHARE } from '../reference/breaker-curves.js';
import { halfWidthsOf } from '../rig/half-widths.js';
import { widestDoubts } from './doubts.js';
import { ampsThrough, inAmps, runningBatteryAmps, runningThrough, throughElement } from './flow.js';
import { asPlanningRule, exactCapacity, judge, type CapacityWithDoubt, type Limit } from './limit.js';
import type {
  BatteryElement,
  BreakerElement,
  CordElement,
  GeneratorElement,
  InverterElement,
  RelayElement,
  SeriesElement,
} from './series-elements.js';

const SECONDS_PER_MINUTE = 60;

/** Everything that must be carried for as long as the set runs. */
export function steadyLimits(element: SeriesElement, running: readonly Consumer[]): readonly Limit[] {
  if (throughElement(element, running).length === 0) return [];
  switch (element.kind) {
    case 'inverter':
    case 'generator':
      return powerLimits(element, running);
    case 'battery':
      return batteryLimits(element, running);
    case 'relay':
    case 'plug-and-cord':
      return [ratingLimit(element, running)];
    default:
      return [breakerLimit(element, running), ...continuousRule(element, running)];
  }
}

/** Watts and VA are limits of their own. An inverter that assists and is not needed has none. */
function powerLimits(
  element: InverterElement | GeneratorElement,
  running: readonly Consumer[],
): readonly Limit[] {
  const sum = runningThrough(element, running);
  if (sum.va.hi === 0) return [];
  const doubts = () => widestDoubts(throughElement(element, running));
  const { continuousW, continuousVA } = element.rating;
  const isInverter = element.kind === 'inverter';
  return [
    judge({
      id: `${element.id}:watts`,
      kind: isInverter ? 'inverter-watts' : 'generator-watts',
      element,
      unit: 'W',
      running: sum.watts,
      demand: sum.watts,
      capacity: ratingCapacity(continuousW),
      doubts,
    }),
    judge({
      id: `${element.id}:va`,
      kind: isInverter ? 'inverter-va' : 'generator-va',
      element,
      unit: 'VA',
      running: sum.va,
      demand: sum.va,
      capacity: ratingCapacity(continuousVA),
      doubts,
    }),
  ];
}

function ratingCapacity(rating: Quantity): CapacityWithDoubt {
  const { minus, plus } = halfWidthsOf(rating, 'rating');
  return {
    pessimistic: { value: rating.value, minus },
    stated: rating.value,
    optimistic: { value: rating.value, plus },
  };
}

/**
 * A breaker carries more for a while than for ever. Where loads are known to end, the optimistic
 * edge is tested for each length of overload: what still runs after so long must be carried so long.
 */
function breakerLimit(element: BreakerElement, running: readonly Consumer[]): Limit {
  const through = throughElement(element, running);
  const amps = (sum: AcSum): Demand => ampsThrough(element, sum.va);
  const hardest = [...new Set(through.map(secondsOf))]
    .map((overloadS) => {
      const lasting = through.filter((consumer) => secondsOf(consumer) >= overloadS);
      const { lo } = amps(runningThrough(element, lasting));
      return { lo, carries: steadyBand(element.protection, overloadS).optimistic };
    })
    .reduce((worst, each) => (each.lo / each.carries > worst.lo / worst.carries ? each : worst));
  const all = amps(runningThrough(element, running));
  const rated = element.protection.amps;
  return judge({
    id: `${element.id}:amps`,
    kind: 'breaker',
    element,
    unit: 'A',
    running: all,
    demand: { ...all, lo: hardest.lo },
    capacity: exactCapacity(rated, rated, hardest.carries),
    doubts: () => widestDoubts(through, undefined, 1 / element.volts),
  });
}

const secondsOf = ({ load }: Consumer): number =>
  load.runsMinutes === undefined ? Infinity : load.runsMinutes * SECONDS_PER_MINUTE;

/** Rule 8: what runs for three hours and more, against 80 % of the breaker. Kept or not kept. */
function continuousRule(element: BreakerElement, running: readonly Consumer[]): readonly Limit[] {
  const through = throughElement(element, running);
  const lasting = through.filter(({ load }) => (load.runsMinutes ?? 0) >= CONTINUOUS_MINUTES);
  if (lasting.length === 0) return [];
  const demand = inAmps(runningThrough(element, lasting).va, element.volts);
  const planned = element.protection.amps * CONTINUOUS_SHARE;
  return [
    asPlanningRule(
      judge({
        id: `${element.id}:continuous`,
        kind: 'continuous-rule',
        element,
        unit: 'A',
        running: demand,
        demand,
        capacity: exactCapacity(planned, planned, planned),
        doubts: () => widestDoubts(lasting, undefined, 1 / element.volts),
      }),
    ),
  ];
}

/** Plugs, cords and relays have one rating, and nothing opens to protect them. */
function ratingLimit(element: RelayElement | CordElement, running: readonly Consumer[]): Limit {
  const demand = inAmps(runningThrough(element, running).va, element.volts);
  return judge({
    id: `${element.id}:amps`,
    kind: element.kind === 'relay' ? 'relay' : 'plug-and-cord',
    element,
    unit: 'A',
    running: demand,
    demand,
    capacity: exactCapacity(element.amps, element.amps, element.amps),
    doubts: () => widestDoubts(throughElement(element, running), undefined, 1 / element.volts),
  });
}

function batteryLimits(element: BatteryElement, running: readonly Consumer[]): readonly Limit[] {
  const continuousA = continuousDischargeA(element);
  if (continuousA === undefined) return [];
  const demand = runningBatteryAmps(element, running);
  if (demand.hi === 0) return [];
  return [
    judge({
      id: `${element.id}:amps`,
      kind: 'battery',
      element,
      unit: 'A',
      running: demand,
      demand,
      capacity: exactCapacity(continuousA, continuousA, continuousA),
      doubts: () => widestDoubts(throughElement(element, running), undefined, 1 / element.volts),
    }),
  ];
}

/** What the batteries of a bus may give for hours, A; undefined where one of them does not say. */
export function continuousDischargeA({ batteries }: BatteryElement): number | undefined {
  return batteries.reduce<number | undefined>(
    (sum, { dischargeA }) => (sum === undefined || dischargeA === undefined ? undefined : sum + dischargeA),
    0,
  );
}
