import type { AcSum, AcTerm, Demand } from '../electrical/apparent-power.js';
import { steadyBand } from '../electrical/breaker.js';
import type { Consumer } from '../electrical/consumer.js';
import { plainDemand } from '../electrical/assist.js';
import { neutralBound, type LegCurrent } from '../electrical/legs.js';
import { ceilingsOf } from '../electrical/surge-tiers.js';
import { SECONDS_PER_MINUTE } from '../quantity/conversion-factors.js';
import { kindOfPart } from '../reference/kinds-of-parts.js';
import type { Interval, Quantity } from '../quantity/quantity.js';
import { CONTINUOUS_MINUTES, CONTINUOUS_SHARE } from '../reference/breaker-curves.js';
import { halfWidthsOf } from '../rig/half-widths.js';
import { ampsThrough, inAmps, runningBatteryWatts, runningThrough } from '../system/flow.js';
import { among, RunningSet, runningSum } from '../system/running-set.js';
import { dcLimits } from './dc-limits.js';
import { asPlanningRule, exactCapacity, judge, type CapacityWithDoubt, type Limit } from './limit.js';
import {
  charges,
  type BatteryElement,
  type BreakerElement,
  type CableElement,
  type CordElement,
  type GeneratorElement,
  type InverterElement,
  type NeutralElement,
  type RelayElement,
  type SeriesElement,
  type UnknownRatingElement,
} from '../system/series-elements.js';

/** Everything that must be carried for as long as the set runs. */
export function steadyLimits(element: SeriesElement, running: RunningSet): readonly Limit[] {
  if (running.through(element.members).length === 0 && !charges(element)) return [];
  switch (element.kind) {
    case 'inverter':
      return [...powerLimits(element, running), ...peakLimit(element, running)];
    case 'generator':
      return powerLimits(element, running);
    case 'battery':
      return batteryLimits(element, running);
    case 'neutral':
      return [neutralLimit(element, running)];
    case 'plug-and-cord':
      return [ratingLimit(element, running), ...continuousRule(element, running)];
    case 'relay':
    case 'cable':
      return [ratingLimit(element, running)];
    case 'unknown-rating':
      return unknownLimit(element, running);
    default:
      return [breakerLimit(element, running), ...continuousRule(element, running)];
  }
}

/** Watts and VA are limits of their own. An inverter that assists and is not needed has none. */
function powerLimits(element: InverterElement | GeneratorElement, running: RunningSet): readonly Limit[] {
  const sum = runningThrough(element, running);
  if (sum.va.hi === 0) return [];
  const weighed = { running: running.through(element.members), perWatt: 1 };
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
      weighed,
    }),
    judge({
      id: `${element.id}:va`,
      kind: isInverter ? 'inverter-va' : 'generator-va',
      element,
      unit: 'VA',
      running: sum.va,
      demand: sum.va,
      capacity: ratingCapacity(continuousVA),
      weighed,
    }),
  ];
}

/**
 * Electronics draw their current in peaks. The sum of crest factor x volt-amps, over that of a sine, is held
 * against the highest tier: its peak is what an inverter can give in a moment.
 */
function peakLimit(element: InverterElement, running: RunningSet): readonly Limit[] {
  const through = running.through(element.members);
  const parts = through.flatMap((consumer) => consumer.parts);
  if (!parts.some(({ part }) => kindOfPart(part.kind).crestFactor)) return [];
  // An inverter that assists and is not needed has no peaks to give.
  if (element.assists && runningThrough(element, running).va.hi === 0) return [];
  const peak = (edge: keyof Interval): number =>
    parts.reduce((sum, { part, running: term }) => {
      const { crestFactor = Math.SQRT2 } = kindOfPart(part.kind);
      // In the user's favour the peaks do not meet.
      const factor = edge === 'lo' ? Math.SQRT2 : crestFactor;
      return sum + (factor / Math.SQRT2) * apparentAt(term, edge);
    }, 0);
  const demand = plainDemand(peak('lo'), peak('stated'), peak('hi'));
  const highest = ceilingsOf(element.rating).reduce((top, each) => (each.value > top.value ? each : top));
  return [
    judge({
      id: `${element.id}:peak`,
      kind: 'inverter-peak',
      element,
      unit: 'VA',
      running: demand,
      demand,
      capacity: {
        pessimistic: { value: highest.value, minus: highest.minus },
        stated: highest.value,
        // A source that is assisted may take as much of the peaks as of the rest.
        optimistic: { value: highest.value + (element.assists?.limit.va ?? 0), plus: highest.plus },
      },
      weighed: { running: through, perWatt: 1 },
    }),
  ];
}

function apparentAt({ watts, nonActive }: AcTerm, edge: keyof Interval): number {
  const at = ({ value, minus, plus }: AcTerm['watts']): number =>
    edge === 'hi' ? value + plus : edge === 'lo' ? Math.max(0, value - minus) : value;
  return Math.hypot(at(watts), at(nonActive));
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
function breakerLimit(element: BreakerElement, running: RunningSet): Limit {
  const through = running.through(element.members);
  const amps = (sum: AcSum): Demand => ampsThrough(element, sum.va);
  const hardest = [...new Set([...through.map(secondsOf), ...(charges(element) ? [Infinity] : [])])]
    .map((overloadS) => {
      const { lo } = amps(runningThrough(element, lastingAmong(running, overloadS)));
      return { lo, carries: steadyBand(element, overloadS).optimistic };
    })
    .reduce((worst, each) => (each.lo / each.carries > worst.lo / worst.carries ? each : worst));
  const all = amps(runningThrough(element, running));
  const rated = steadyBand(element).pessimistic;
  return judge({
    id: `${element.id}:amps`,
    kind: 'breaker',
    element,
    unit: 'A',
    running: all,
    demand: { ...all, lo: hardest.lo },
    capacity: exactCapacity(rated, rated, hardest.carries),
    weighed: { running: through, perWatt: 1 / element.volts },
  });
}

function lastingAmong(running: RunningSet, overloadS: number): RunningSet {
  const { consumers } = running;
  const lasting = consumers.filter((consumer) => secondsOf(consumer) >= overloadS);
  return lasting.length < consumers.length ? new RunningSet(lasting) : running;
}

const secondsOf = ({ load }: Consumer): number =>
  load.runsMinutes === undefined ? Infinity : load.runsMinutes * SECONDS_PER_MINUTE;

/**
 * What runs for three hours and more, charging with it, against 80 % of the breaker or the plug; what others draw from the same
 * breaker is taken to last. Kept or not kept.
 */
function continuousRule(element: BreakerElement | CordElement, running: RunningSet): readonly Limit[] {
  if (!element.hasContinuousRule) return [];
  const lasting = new RunningSet(
    running.consumers.filter(({ load }) => (load.runsMinutes ?? 0) >= CONTINUOUS_MINUTES),
  );
  const through = lasting.through(element.members);
  if (through.length === 0 && !charges(element)) return [];
  const demand = ampsThrough(element, runningThrough(element, lasting).va);
  const rated = element.kind === 'plug-and-cord' ? element.amps : element.protection.amps;
  const planned = rated * CONTINUOUS_SHARE;
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
        weighed: { running: through, perWatt: 1 / element.volts },
      }),
    ),
  ];
}

/** Plugs, cords, cables and relays have one rating; nothing opens to protect them. */
function ratingLimit(element: RelayElement | CordElement | CableElement, running: RunningSet): Limit {
  const demand = inAmps(runningThrough(element, running).va, element.volts);
  return judge({
    id: `${element.id}:amps`,
    kind: element.kind,
    element,
    unit: 'A',
    running: demand,
    demand,
    capacity: exactCapacity(element.amps, element.amps, element.amps),
    weighed: { running: running.through(element.members), perWatt: 1 / element.volts },
  });
}

/** A rating that is not entered could be anything: it holds at best and fails at worst, so it is Tight. */
function unknownLimit(element: UnknownRatingElement, running: RunningSet): readonly Limit[] {
  const { va } = runningThrough(element, running);
  if (va.hi === 0) return [];
  const limit = judge({
    id: `${element.id}:unknown`,
    kind: 'unknown-rating',
    element,
    unit: 'VA',
    running: va,
    demand: va,
    capacity: exactCapacity(0, 0, Infinity),
    weighed: { running: [], perWatt: 1 },
  });
  // Behind what is known to be over, before what is known to hold.
  return [{ ...limit, loading: 1 }];
}

/** A neutral that two circuits share carries more than either of them where their legs do not oppose. */
function neutralLimit(element: NeutralElement, running: RunningSet): Limit {
  const through = running.through(element.members);
  const [one, two] = element.sides;
  const leg = (side: ReadonlySet<string>): LegCurrent =>
    legCurrent(runningSum(among(side, through)), element.volts);
  const { lo, stated, hi } = neutralBound(element.legs, leg(one), leg(two));
  const demand = plainDemand(lo, stated, hi);
  return judge({
    id: `${element.id}:amps`,
    kind: 'neutral',
    element,
    unit: 'A',
    running: demand,
    demand,
    capacity: exactCapacity(element.amps, element.amps, element.amps),
    weighed: { running: through, perWatt: 1 / element.volts },
  });
}

/** What lags may lag by more or less, as power factors allow; what is not known to lag counts as lagging. */
function legCurrent({ watts, va, nonActive }: AcSum, volts: number): LegCurrent {
  const { lo, stated, hi } = inAmps(va, volts);
  return {
    amps: { lo, stated, hi },
    angle: {
      lo: Math.atan2(nonActive.lo, watts.hi),
      stated: Math.atan2(nonActive.stated, watts.stated),
      hi: Math.atan2(nonActive.hi, watts.lo),
    },
  };
}

function batteryLimits(element: BatteryElement, running: RunningSet): readonly Limit[] {
  const demand = runningBatteryWatts(element, running);
  return dcLimits(element, {
    running: demand,
    demand,
    inverters: element.inverters.filter((inverter) => runningThrough(inverter, running).va.hi > 0),
    weighed: { running: running.through(element.members), perWatt: 1 / element.volts },
    idSuffix: '',
  });
}
