import type { AcSum, AcTerm, Demand } from '../../loads/apparent-power.js';
import { steadyBand } from '../../protection/breaker.js';
import type { Consumer } from '../../loads/consumer.js';
import { plainDemand } from '../../supply/assist.js';
import { neutralBound, type LegCurrent } from '../../supply/legs.js';
import { ceilingsOf } from '../../supply/surge-tiers.js';
import { SECONDS_PER_MINUTE } from '../../units/conversion-factors.js';
import { kindOfPart } from '../../reference/kinds-of-parts.js';
import type { Interval, Quantity } from '../../units/quantity.js';
import { CONTINUOUS_MINUTES, CONTINUOUS_SHARE } from '../../reference/breaker-curves.js';
import { halfWidthsOf } from '../../rig-file/half-widths.js';
import { ampsThrough, inAmps, runningBatteryWatts, runningThrough } from '../wiring/flow.js';
import { among, RunningSet, runningSum } from '../wiring/running-set.js';
import { PLUG_MM2 } from '../../reference/conductor-heating.js';
import { dcLimits } from './dc-limits.js';
import { heatedConductor, lengthsOfHeat, secondsOfHeat } from './heated-conductor.js';
import { compareVerdicts } from '../verdict.js';
import { atMostTight, demandAt, exactCapacity, judge, type CapacityWithDoubt, type Limit } from './limit.js';
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
} from '../wiring/series-elements.js';
import { magnitude } from '../../units/magnitude.js';

/**
 * Everything that must be carried for as long as the set runs; what the supply fails by itself, and the set adds nothing to,
 * is said once of the supply.
 */
export function steadyLimits(element: SeriesElement, running: RunningSet): readonly Limit[] {
  const limits = allSteadyLimits(element, running);
  const ofSupply = limitsOfSupply(element);
  if (ofSupply.length === 0) return limits;
  return limits.filter((limit) => {
    const alone = ofSupply.find(({ id }) => id === limit.id);
    return !alone || isWorsened(limit, alone);
  });
}

const OF_SUPPLY = new WeakMap<SeriesElement, readonly Limit[]>();

/**
 * The limits that charging alone, beside what others draw, does not keep: what makes every set of a supply Tight by itself
 * is one notice of that supply (methods.md, rule 49).
 */
export function limitsOfSupply(element: SeriesElement): readonly Limit[] {
  const { chargingAlone } = element;
  if (!chargingAlone) return [];
  const known =
    OF_SUPPLY.get(element) ??
    allSteadyLimits(element, new RunningSet(chargingAlone)).filter(({ verdict }) => verdict !== 'holds');
  OF_SUPPLY.set(element, known);
  return known;
}

/** Sums of the same numbers in another order may differ by so much of a limit. */
const SAME_SHARE = 1e-6;

/** Whether a set asks more of a limit at worst than what was there without it, or does worse. */
function isWorsened(limit: Limit, before: Limit): boolean {
  const asksMore = limit.worst.hi > before.worst.hi * (1 + SAME_SHARE);
  return asksMore || compareVerdicts(limit.verdict, before.verdict) > 0;
}

/** The same with what is said of the supply. */
export function allSteadyLimits(element: SeriesElement, running: RunningSet): readonly Limit[] {
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
      return [conductorLimit(element, running), ...continuousRule(element, running)];
    case 'relay':
      return [ratingLimit(element, running)];
    case 'cable':
      return [conductorLimit(element, running)];
    case 'unknown-rating':
      return unknownLimit(element, running);
    case 'load-volts':
      return [];
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
  const helped = element.assists?.limit.va ?? 0;
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
        // A source that is assisted may take as much of the peaks as of the rest.
        stated: highest.value + helped,
        optimistic: { value: highest.value + helped, plus: highest.plus },
      },
      weighed: { running: through, perWatt: 1 },
    }),
  ];
}

function apparentAt({ watts, nonActive }: AcTerm, edge: keyof Interval): number {
  const at = ({ value, minus, plus }: AcTerm['watts']): number =>
    edge === 'hi' ? value + plus : edge === 'lo' ? Math.max(0, value - minus) : value;
  return magnitude(at(watts), at(nonActive));
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
 * A breaker carries more for a while than for ever. Where loads are known to end, the optimistic edge and the reading as
 * entered are tested for each length of overload: what still runs after so long must be carried so long.
 */
function breakerLimit(element: BreakerElement, running: RunningSet): Limit {
  const through = running.through(element.members);
  const amps = (sum: AcSum): Demand => ampsThrough(element, sum.va);
  const overloads = [...new Set([...through.map(secondsOf), ...(charges(element) ? [Infinity] : [])])].map(
    (overloadS) => ({
      drawn: amps(runningThrough(element, lastingAmong(running, overloadS))),
      carries: steadyBand(element, overloadS),
    }),
  );
  const fullest = (edge: 'stated' | 'optimistic'): (typeof overloads)[number] =>
    overloads.reduce((worst, each) =>
      demandAt(each.drawn, edge) / each.carries[edge] > demandAt(worst.drawn, edge) / worst.carries[edge]
        ? each
        : worst,
    );
  const all = amps(runningThrough(element, running));
  const [stated, best] = [fullest('stated'), fullest('optimistic')];
  return judge({
    id: `${element.id}:amps`,
    kind: 'breaker',
    element,
    unit: 'A',
    running: all,
    demand: { ...all, stated: stated.drawn.stated, lo: best.drawn.lo },
    capacity: exactCapacity(steadyBand(element).pessimistic, stated.carries.stated, best.carries.optimistic),
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
function continuousRule(
  element: BreakerElement | CordElement,
  running: RunningSet,
  minutesUnknown = 0,
): readonly Limit[] {
  if (!element.hasContinuousRule) return [];
  const lasting = new RunningSet(
    running.consumers.filter(({ load }) => (load.runsMinutes ?? minutesUnknown) >= CONTINUOUS_MINUTES),
  );
  const through = lasting.through(element.members);
  if (through.length === 0 && !charges(element)) return [];
  const demand = ampsThrough(element, runningThrough(element, lasting).va);
  const rated = element.kind === 'plug-and-cord' ? element.amps : element.protection.amps;
  const planned = rated * CONTINUOUS_SHARE;
  return [
    atMostTight(
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

/** A relay has one rating; nothing opens to protect it. */
function ratingLimit(element: RelayElement, running: RunningSet): Limit {
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

/**
 * The rule of three hours with everything counted of which the minutes are not entered: what it breaks then holds for up to
 * three hours.
 */
export function continuousRuleIfLasting(element: SeriesElement, running: RunningSet): readonly Limit[] {
  if (!('hasContinuousRule' in element)) return [];
  return continuousRule(element, running, Infinity).filter(({ verdict }) => verdict !== 'holds');
}

/** Plugs, cords and cables, which nothing protects, heat in their time. */
function conductorLimit(element: CordElement | CableElement, running: RunningSet): Limit {
  const through = running.through(element.members);
  const lasting = lengthsOfHeat(through).map((seconds) => ({
    seconds,
    amps: inAmps(runningThrough(element, heatingAmong(running, seconds)).va, element.volts),
  }));
  const { demand, capacity } = heatedConductor(element.amps, element.mm2 ?? PLUG_MM2, lasting);
  return judge({
    id: `${element.id}:amps`,
    kind: element.kind,
    element,
    unit: 'A',
    running: demand,
    demand,
    capacity,
    weighed: { running: through, perWatt: 1 / element.volts },
  });
}

function heatingAmong(running: RunningSet, seconds: number): RunningSet {
  const { consumers } = running;
  const lasting = consumers.filter((consumer) => secondsOfHeat(consumer) >= seconds);
  return lasting.length < consumers.length ? new RunningSet(lasting) : running;
}

/** A rating that is not entered could be anything: it holds as entered and fails at worst, so it is Tight. */
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
    capacity: exactCapacity(0, Infinity, Infinity),
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
    lasting: lengthsOfHeat(running.consumers).map((seconds) => ({
      seconds,
      demand: runningBatteryWatts(element, heatingAmong(running, seconds)),
    })),
    inverters: element.inverters.filter((inverter) => runningThrough(inverter, running).va.hi > 0),
    weighed: { running: running.through(element.members), perWatt: 1 / element.volts },
    idSuffix: '',
  });
}
