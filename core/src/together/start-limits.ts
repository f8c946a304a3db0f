import { addAc, type AcSum, type AcTerm, type Demand } from '../electrical/apparent-power.js';
import { addShares, plainDemand, sourceShare } from '../electrical/assist.js';
import { startBand, type BreakerBand } from '../electrical/breaker.js';
import type { Consumer, StartOfPart } from '../electrical/consumer.js';
import { addStart } from '../electrical/start-sum.js';
import { straddlesTier, surgeCeiling, wattsPerVA, type Ceiling } from '../electrical/surge-tiers.js';
import { widestDoubts, type StartingPart } from './doubts.js';
import { among, ampsThrough, batteryAmps, inAmps, runningSum, throughElement } from './flow.js';
import { exactCapacity, judge, type CapacityWithDoubt, type Limit, type StartTested } from './limit.js';
import type {
  Assist,
  BatteryElement,
  BreakerElement,
  GeneratorElement,
  InverterElement,
  RelayElement,
  SeriesElement,
} from './series-elements.js';
import { continuousDischargeA } from './steady-limits.js';

/** One start on top of what runs. */
interface StartCase extends StartingPart {
  readonly start: StartOfPart;
  /** What runs through the element, the running power of the starting part left out. */
  readonly rest: readonly AcTerm[];
  readonly restConsumers: readonly Consumer[];
  /** Everything that runs, whatever it passes through. */
  readonly running: readonly Consumer[];
}

/**
 * Every limit that a load must pass to start while others run.
 *
 * A load of several parts (a fan and a compressor) starts them one after the other: each start is
 * tested with its other parts running, the careful reading.
 *
 * @param elements The series elements of the supply.
 * @param running What runs already; the load itself may be among it and is left out.
 * @param consumer The load that starts.
 */
export function startLimits(
  elements: readonly SeriesElement[],
  running: readonly Consumer[],
  consumer: Consumer,
): readonly Limit[] {
  return elements
    .filter((element) => element.members.has(consumer.load.id))
    .flatMap((element) => {
      const others = throughElement(element, running).filter((other) => other.load.id !== consumer.load.id);
      return consumer.parts.flatMap((part) =>
        part.start
          ? startsThrough(element, {
              consumer,
              part,
              start: part.start,
              running,
              ...restOf(others, consumer, part),
            })
          : [],
      );
    });
}

/** Whether any part of it has a start. */
export function hasStart(consumer: Consumer): boolean {
  return consumer.parts.some((part) => part.start !== undefined);
}

function restOf(
  others: readonly Consumer[],
  consumer: Consumer,
  starting: Consumer['parts'][number],
): Pick<StartCase, 'rest' | 'restConsumers'> {
  const own = { ...consumer, parts: consumer.parts.filter((part) => part !== starting) };
  const restConsumers = [...others, own];
  return { restConsumers, rest: restConsumers.flatMap((each) => each.parts.map((part) => part.running)) };
}

function startsThrough(element: SeriesElement, startCase: StartCase): readonly Limit[] {
  switch (element.kind) {
    case 'inverter':
    case 'generator':
      return onSurgeRating(element, startCase);
    case 'battery':
      return onBattery(element, startCase);
    case 'relay':
      return onRelay(element, startCase);
    case 'plug-and-cord':
      return [];
    default:
      return onBreaker(element, startCase);
  }
}

/** What an element sees while the part starts, and what it saw before. */
interface Sums {
  readonly before: AcSum;
  readonly during: AcSum;
}

/** The sum of all its members: on an inverter that assists, as if it carried the start alone. */
function wholeSums({ rest, start }: StartCase): Sums {
  return { before: addAc(rest), during: addStart(rest, start) };
}

/**
 * On a source with an input limit the start of a load behind it reaches the source whole, unless the
 * inverter is known to take it; charging goes on meanwhile as far as the limit leaves room.
 */
function sourceSums(element: GeneratorElement | BreakerElement, startCase: StartCase): Sums | undefined {
  const { behindLimit } = element;
  if (!behindLimit) return wholeSums(startCase);
  const { behind, limit, startCarrier } = behindLimit;
  const isBehind = behind.has(startCase.consumer.load.id);
  const behindRunning = runningSum(among(behind, startCase.restConsumers));
  if (isBehind) {
    if (limit.assists && startCarrier !== 'unknown') return undefined;
    const { before, during } = wholeSums(startCase);
    const charging = limit.assists ? noSum : addedByCharging(behindRunning, limit);
    return { before: addShares(before, charging), during: addShares(during, charging) };
  }
  const ahead = startCase.restConsumers.filter((consumer) => !behind.has(consumer.load.id));
  const share = sourceShare(behindRunning, limit);
  const aheadRest = ahead.flatMap((consumer) => consumer.parts.map((part) => part.running));
  return {
    before: addShares(addAc(aheadRest), share),
    during: addShares(addStart(aheadRest, startCase.start), share),
  };
}

const nothing: Demand = plainDemand(0, 0, 0);
const noSum: AcSum = { watts: nothing, va: nothing, nonActive: nothing };

function addedByCharging(loads: AcSum, limit: Parameters<typeof sourceShare>[1]): AcSum {
  const share = sourceShare(loads, limit);
  const added = (all: Demand, own: Demand): Demand =>
    plainDemand(0, all.stated - own.stated, Math.max(0, all.hi - own.hi));
  return { watts: added(share.watts, loads.watts), va: added(share.va, loads.va), nonActive: nothing };
}

function onSurgeRating(element: InverterElement | GeneratorElement, startCase: StartCase): readonly Limit[] {
  const sums = element.kind === 'inverter' ? wholeSums(startCase) : sourceSums(element, startCase);
  if (!sums) return [];
  const { rating } = element;
  const { seconds } = startCase.start;
  const ceilings: Ceilings = {
    pessimistic: surgeCeiling(rating, seconds.hi),
    stated: surgeCeiling(rating, seconds.stated),
    optimistic: surgeCeiling(rating, seconds.lo),
  };
  const helped =
    element.kind === 'inverter' ? helpFromSource(element.assists, startCase, sums.before) : NO_HELP;
  const shared = {
    element,
    start: testedStart(startCase, ceilings.pessimistic.seconds, straddlesTier(rating, seconds)),
    doubts: () => widestDoubts(startCase.restConsumers, startCase),
  };
  const id = `${element.id}:start:${startCase.consumer.load.id}:${startCase.part.part.id}`;
  return [
    judge({
      ...shared,
      id: `${id}:va`,
      kind: element.kind === 'inverter' ? 'inverter-start-va' : 'generator-start-va',
      unit: 'VA',
      running: sums.before.va,
      demand: sums.during.va,
      capacity: surgeCapacity(ceilings, 1, helped),
    }),
    judge({
      ...shared,
      id: `${id}:watts`,
      kind: element.kind === 'inverter' ? 'inverter-start-watts' : 'generator-start-watts',
      unit: 'W',
      running: sums.before.watts,
      demand: sums.during.watts,
      capacity: surgeCapacity(ceilings, wattsPerVA(rating), helped),
    }),
  ];
}

type Ceilings = Record<'pessimistic' | 'stated' | 'optimistic', Ceiling>;

/** What a source adds to an inverter's ceiling during a start, VA at each edge. */
interface Help {
  readonly pessimistic: number;
  readonly optimistic: number;
}

const NO_HELP: Help = { pessimistic: 0, optimistic: 0 };

/**
 * Who carries a start under assist (methods.md, rule 11). Unknown: at worst the inverter alone, at
 * best both together, the source with what its breaker's will edge carries for that time. Shared: at
 * least the input limit. Inverter: nothing.
 */
function helpFromSource(assists: Assist | undefined, startCase: StartCase, before: AcSum): Help {
  if (!assists || assists.startCarrier === 'inverter') return NO_HELP;
  const { volts, limit, sourceBreaker, relayA, startCarrier } = assists;
  const ahead = inAmps(runningSum(among(assists.ahead, startCase.running)).va, volts);
  const behind = inAmps(sourceShare(before, limit).va, volts);
  const preload = plainDemand(ahead.lo + behind.lo, ahead.stated + behind.stated, ahead.hi + behind.hi);
  const carriesA = sourceBreaker
    ? startBandFor(sourceBreaker, startCase, preload).optimistic - ahead.lo
    : limit.va / volts;
  return {
    pessimistic: startCarrier === 'shared' ? limit.va : 0,
    optimistic: Math.max(limit.va, Math.min(carriesA, relayA) * volts),
  };
}

function surgeCapacity(ceilings: Ceilings, factor: number, help: Help): CapacityWithDoubt {
  const { pessimistic, stated, optimistic } = ceilings;
  return {
    pessimistic: {
      value: pessimistic.value * factor + help.pessimistic,
      minus: pessimistic.minus * factor,
    },
    stated: stated.value * factor + help.pessimistic,
    optimistic: { value: optimistic.value * factor + help.optimistic, plus: optimistic.plus * factor },
  };
}

function onBreaker(element: BreakerElement, startCase: StartCase): readonly Limit[] {
  const sums = sourceSums(element, startCase);
  if (!sums) return [];
  const before = ampsThrough(element, sums.before.va);
  const demand = ampsThrough(element, sums.during.va);
  const { hi, stated } = startCase.start.seconds;
  const band = startBandFor(element.protection, startCase, before);
  const asStated = startBandFor(element.protection, startCase, { ...before, hi: before.stated }, stated);
  const inverterAdds = assistingCeilingA(element);
  return [
    judge({
      id: `${element.id}:start:${startCase.consumer.load.id}:${startCase.part.part.id}`,
      kind: 'breaker-start',
      element,
      unit: 'A',
      start: testedStart(startCase, hi, false),
      running: before,
      demand,
      capacity: exactCapacity(band.pessimistic, asStated.pessimistic, band.optimistic + inverterAdds),
      doubts: () => widestDoubts(startCase.restConsumers, startCase, 1 / element.volts),
    }),
  ];
}

/** While the inverter may share a start, a source breaker alone cannot make it trip for certain. */
function assistingCeilingA({ behindLimit }: BreakerElement): number {
  return behindLimit?.limit.assists && behindLimit.startCarrier === 'unknown' ? Infinity : 0;
}

function startBandFor(
  protection: BreakerElement['protection'],
  { start }: StartCase,
  before: Demand,
  pessimisticS = start.seconds.hi,
): BreakerBand {
  return startBand(
    protection,
    { pessimistic: before.hi, optimistic: before.lo },
    { pessimistic: pessimisticS, optimistic: start.seconds.lo },
  );
}

/** Who carries a start being unknown, the relay may see all of it: beyond its rating is Tight, it does not open. */
function onRelay(element: RelayElement, startCase: StartCase): readonly Limit[] {
  const { behindLimit } = element;
  if (!behindLimit?.limit.assists || behindLimit.startCarrier !== 'unknown') return [];
  const { before, during } = wholeSums(startCase);
  return [
    judge({
      id: `${element.id}:start:${startCase.consumer.load.id}:${startCase.part.part.id}`,
      kind: 'relay-start',
      element,
      unit: 'A',
      start: testedStart(startCase, startCase.start.seconds.hi, false),
      running: inAmps(before.va, element.volts),
      demand: inAmps(during.va, element.volts),
      capacity: exactCapacity(element.amps, element.amps, Infinity),
      doubts: () => widestDoubts(startCase.restConsumers, startCase, 1 / element.volts),
    }),
  ];
}

/** A start dips the DC side too: the inverter carries it, with its losses, for as long as it lasts. */
function onBattery(element: BatteryElement, startCase: StartCase): readonly Limit[] {
  const { inverter, dcMembers } = element;
  const continuousA = continuousDischargeA(element);
  if (continuousA === undefined || dcMembers.has(startCase.consumer.load.id) || !inverter) return [];
  const dc = runningSum(among(dcMembers, startCase.restConsumers)).watts;
  const acConsumers = among(inverter.members, startCase.restConsumers);
  const rest = acConsumers.flatMap((consumer) => consumer.parts.map((part) => part.running));
  const { seconds } = startCase.start;
  const carries = (time: number): number => dischargeCeilingA(element, continuousA, time);
  const isShared = inverter.assists !== undefined && inverter.assists.startCarrier !== 'inverter';
  return [
    judge({
      id: `${element.id}:start:${startCase.consumer.load.id}:${startCase.part.part.id}`,
      kind: 'battery-start',
      element,
      unit: 'A',
      start: testedStart(startCase, seconds.hi, false),
      running: batteryAmps(element, addAc(rest), dc),
      demand: batteryAmps(element, addStart(rest, startCase.start), dc),
      capacity: exactCapacity(
        carries(seconds.hi),
        carries(seconds.stated),
        isShared ? Infinity : carries(seconds.lo),
      ),
      doubts: () => widestDoubts(startCase.restConsumers, startCase, 1 / element.volts),
    }),
  ];
}

/** The highest discharge tier that outlasts the start, of all batteries together, A. */
function dischargeCeilingA({ batteries }: BatteryElement, continuousA: number, seconds: number): number {
  const ofOne = (battery: BatteryElement['batteries'][number]): number =>
    Math.max(
      battery.dischargeA ?? 0,
      ...(battery.tiers ?? []).filter((tier) => tier.seconds >= seconds).map((tier) => tier.amps),
    );
  return Math.max(
    continuousA,
    batteries.reduce((sum, battery) => sum + ofOne(battery), 0),
  );
}

function testedStart(
  { consumer, part, start }: StartCase,
  ceilingSeconds: number,
  straddles: boolean,
): StartTested {
  return {
    loadId: consumer.load.id,
    partId: part.part.id,
    seconds: start.seconds,
    ceilingSeconds,
    again: false,
    straddles,
  };
}
