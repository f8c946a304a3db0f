import { addAc, type AcSum, type Demand } from '../electrical/apparent-power.js';
import { steadyBand } from '../electrical/breaker.js';
import type { Consumer } from '../electrical/consumer.js';
import type { Quantity } from '../quantity/quantity.js';
import { CONTINUOUS_MINUTES, CONTINUOUS_SHARE } from '../reference/breaker-curves.js';
import { halfWidthsOf } from '../rig/half-widths.js';
import { widestDoubts } from './doubts.js';
import { asPlanningRule, exactCapacity, judge, type CapacityWithDoubt, type Limit } from './limit.js';
import {
  throughElement,
  type BreakerElement,
  type InverterElement,
  type SeriesElement,
} from './series-elements.js';

const SECONDS_PER_MINUTE = 60;

/** Everything that must be carried for as long as the set runs. */
export function steadyLimits(element: SeriesElement, running: readonly Consumer[]): readonly Limit[] {
  const through = throughElement(element, running);
  if (element.kind === 'inverter') return inverterLimits(element, through);
  return [breakerLimit(element, through), ...continuousRule(element, through)];
}

/** The running sum of consumers. */
export function runningSum(consumers: readonly Consumer[]): AcSum {
  return addAc(consumers.flatMap((consumer) => consumer.parts.map((part) => part.running)));
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

function inverterLimits(element: InverterElement, through: readonly Consumer[]): readonly Limit[] {
  const { watts, va } = runningSum(through);
  const doubts = widestDoubts(through);
  const { continuousW, continuousVA } = element.converter;
  return [
    judge({
      id: `${element.id}:watts`,
      kind: 'inverter-watts',
      element,
      unit: 'W',
      running: watts,
      demand: watts,
      capacity: ratingCapacity(continuousW),
      doubts,
    }),
    judge({
      id: `${element.id}:va`,
      kind: 'inverter-va',
      element,
      unit: 'VA',
      running: va,
      demand: va,
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
function breakerLimit(element: BreakerElement, through: readonly Consumer[]): Limit {
  const hardest = [...new Set(through.map(secondsOf))]
    .map((overloadS) => {
      const lasting = through.filter((consumer) => secondsOf(consumer) >= overloadS);
      const { lo } = inAmps(runningSum(lasting).va, element.volts);
      return { lo, carries: steadyBand(element.protection, overloadS).optimistic };
    })
    .reduce((worst, each) => (each.lo / each.carries > worst.lo / worst.carries ? each : worst));
  const all = inAmps(runningSum(through).va, element.volts);
  const { amps } = element.protection;
  return judge({
    id: `${element.id}:amps`,
    kind: 'breaker',
    element,
    unit: 'A',
    running: all,
    demand: { ...all, lo: hardest.lo },
    capacity: exactCapacity(amps, amps, hardest.carries),
    doubts: widestDoubts(through, undefined, 1 / element.volts),
  });
}

const secondsOf = ({ load }: Consumer): number =>
  load.runsMinutes === undefined ? Infinity : load.runsMinutes * SECONDS_PER_MINUTE;

/** Rule 8: what runs for three hours and more, against 80 % of the breaker. Kept or not kept. */
function continuousRule(element: BreakerElement, through: readonly Consumer[]): readonly Limit[] {
  const lasting = through.filter(({ load }) => (load.runsMinutes ?? 0) >= CONTINUOUS_MINUTES);
  if (lasting.length === 0) return [];
  const demand = inAmps(runningSum(lasting).va, element.volts);
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
        doubts: widestDoubts(lasting, undefined, 1 / element.volts),
      }),
    ),
  ];
}
