import type { AcSum, Demand } from '../../loads/apparent-power.js';
import { addShares, inverterShare, plainDemand, sourceShare } from '../../supply/assist.js';
import { addOnLeg, addStartOnLeg } from '../../supply/between-phases.js';
import { startBand, type BreakerBand } from '../../protection/breaker.js';
import type { Consumer, ConsumerPart, StartOfPart } from '../../loads/consumer.js';
import { fallingStarts } from '../../loads/start/falling-start.js';
import { hasStart, joinedStart, quietParts } from '../../loads/start/joined-start.js';
import type { Edge, Interval } from '../../units/quantity.js';
import { TRANSFORMER_PEAK_FACTOR } from '../../reference/breaker-curves.js';
import { kindOfPart } from '../../reference/kinds-of-parts.js';
import {
  straddlesTier,
  surgeCeiling,
  usualCeiling,
  wattsPerVA,
  type Ceiling,
} from '../../supply/surge-tiers.js';
import { dcLimits } from './dc-limits.js';
import { loadVoltsLimit } from './load-volts.js';
import { ampsThrough, batteryWatts, inAmps, runningThrough } from '../wiring/flow.js';
import { among, onMembers, RunningSet, runningSum, runningTerms } from '../wiring/running-set.js';
import {
  demandAt,
  exactCapacity,
  judge,
  type AtEdges,
  type CapacityWithDoubt,
  type Limit,
  type StartingPart,
  type StartTested,
  type Weighed,
} from './limit.js';
import type {
  Assist,
  BatteryElement,
  BehindLimit,
  BreakerElement,
  GeneratorElement,
  InverterElement,
  Members,
  RatedBreaker,
  RelayElement,
  SeriesElement,
} from '../wiring/series-elements.js';

/** One start on top of what runs. */
interface StartCase extends StartingPart {
  readonly start: StartOfPart;
  /** What runs through the element, the starting part left out. */
  readonly restConsumers: readonly Consumer[];
  /** Everything that runs, whatever it passes through. */
  readonly running: readonly Consumer[];
  /** All that has a start in this moment and that the element sees, whatever it passes through. */
  readonly group: readonly Consumer[];
  /** What its conductors see, added up when first asked for. */
  readonly sums: () => Sums;
  /** The same start as other conductors see it. */
  readonly on: CaseOn;
}

/** A start as the conductors with some members see it; undefined where it does not pass through them. */
type CaseOn = (members: Members) => StartCase | undefined;

/** What an element sees while the part starts, and what it saw before. */
interface Sums {
  readonly before: AcSum;
  readonly during: AcSum;
}

/**
 * Every limit that a load must pass to start while others run.
 *
 * Parts of one load that hang on one switch start together, but a fan beside its compressor: that starts apart, each tested
 * with the other one running, the careful reading (methods.md, rule 42).
 *
 * @param elements The series elements of the supply.
 * @param running What runs already; the load itself may be among it and is left out.
 * @param consumer The load that starts.
 * @param isEnough Where given, testing stops behind the element with a limit it says yes to.
 */
export function startLimits(
  elements: readonly SeriesElement[],
  running: readonly Consumer[],
  consumer: Consumer,
  isEnough: (limit: Limit) => boolean = () => false,
): readonly Limit[] {
  const others = running.filter((other) => other.load.id !== consumer.load.id);
  const starts = startsOfLoad(consumer).map((group) => startOf(consumer, group, others));
  const limits: Limit[] = [];
  for (const element of elements) {
    for (const caseOn of starts) {
      const startCase = caseOn(element.members);
      if (startCase) limits.push(...startsThrough(element, startCase));
    }
    if (limits.some(isEnough)) break;
  }
  return limits;
}

/** What of a load starts at once: as many starts as have to be tested. */
function startsOfLoad({ parts }: Consumer): readonly StartingParts[] {
  const starting = parts.filter((part) => part.start);
  const hasCompressor = starting.some(isCompressor);
  const apart = hasCompressor ? starting.filter(isFan) : [];
  const together = starting.filter((part) => !apart.includes(part));
  return [together, ...apart.map((fan) => [fan])]
    .filter((group) => group.length > 0)
    .flatMap((group) => fallingStarts(group).map((starts) => ({ group, starts })));
}

/** Parts that start at once, and the start of each as it is tested. */
interface StartingParts {
  readonly group: readonly ConsumerPart[];
  readonly starts: readonly ConsumerPart[];
}

const isCompressor = ({ part }: ConsumerPart): boolean => kindOfPart(part.kind).family === 'Compressors';
const isFan = ({ part }: ConsumerPart): boolean =>
  part.kind === 'fan-motor' || part.kind === 'shaded-pole-motor';

/** The start of some parts of a load; the conductors of one path have the same members, and see the same. */
function startOf(
  consumer: Consumer,
  { group: parts, starts }: StartingParts,
  others: readonly Consumer[],
): CaseOn {
  const ids = new Set(parts.map(({ part }) => part));
  const group = [{ ...consumer, parts: starts }];
  const on: CaseOn = remembered((members) => {
    const [here] = onMembers(members, [consumer]);
    const [startingHere] = onMembers(members, group);
    const starting = startingHere && joinedStart([startingHere])?.parts[0];
    if (!here || !starting?.start) return undefined;
    const own = { ...here, parts: here.parts.filter(({ part }) => !ids.has(part)) };
    const restConsumers = [...onMembers(members, others), own];
    const sums = sumsOnce(restConsumers, starting.start);
    return {
      consumer: here,
      part: starting,
      start: starting.start,
      running: others,
      group,
      restConsumers,
      sums,
      on,
    };
  });
  return on;
}

function sumsOnce(rest: readonly Consumer[], start: StartOfPart): () => Sums {
  let known: Sums | undefined;
  return () => (known ??= sumsOf(rest, start));
}

function sumsOf(rest: readonly Consumer[], start: StartOfPart): Sums {
  const terms = runningTerms(rest);
  return { before: addOnLeg(terms), during: addStartOnLeg(terms, start) };
}

/** Asks once for each of the members. */
function remembered(ask: CaseOn): CaseOn {
  const known = new Map<Members, StartCase | undefined>();
  return (members) => {
    if (!known.has(members)) known.set(members, ask(members));
    return known.get(members);
  };
}

/**
 * Every limit that loads must pass to start in the same moment while others run: tied loads, and what
 * restarts together. Each element sees those of them that are on it.
 *
 * @param running What runs already; loads of the group among it are left out.
 * @param group The loads that start.
 */
export function startsTogether(
  elements: readonly SeriesElement[],
  running: readonly Consumer[],
  group: readonly Consumer[],
): readonly Limit[] {
  const others = running.filter((other) => !group.some(({ load }) => load.id === other.load.id));
  const caseOf = (members: Members, seen: readonly Consumer[]): StartCase | undefined => {
    const here = onMembers(members, seen);
    const joined = joinedStart(here);
    const part = joined?.parts[0];
    if (!joined || !part?.start) return undefined;
    const unseen = group.filter((consumer) => !seen.includes(consumer));
    const restConsumers = [...onMembers(members, [...others, ...unseen]), ...quietParts(here)];
    const sums = sumsOnce(restConsumers, part.start);
    return {
      consumer: joined,
      part,
      start: part.start,
      running: [...others, ...quietParts(group)],
      group: seen.filter(hasStart),
      restConsumers,
      sums,
      on: seenWhole,
    };
  };
  const seenWhole = remembered((members) => caseOf(members, group));
  return elements.flatMap((element) =>
    seenBy(element, group).flatMap((seen) => {
      const startCase = seen === group ? seenWhole(element.members) : caseOf(element.members, seen);
      return startCase ? startsThrough(element, startCase) : [];
    }),
  );
}

/**
 * A source sees the starts of what is ahead of the limits, and behind them those that no inverter takes. Where an
 * inverter may take some of them, those ahead are a case of their own: they trip the source whoever takes the others.
 */
function seenBy(element: SeriesElement, group: readonly Consumer[]): readonly (readonly Consumer[])[] {
  if (!('behindLimits' in element) || element.behindLimits.length === 0) return [group];
  const limitOf = ({ load }: Consumer) => element.behindLimits.find(({ behind }) => behind.has(load.id));
  const isSeen = (own: BehindLimit | undefined) => own && !takesStarts(own);
  const ahead = group.filter((consumer) => !limitOf(consumer));
  const behind = group.filter((consumer) => isSeen(limitOf(consumer)));
  const all = [...ahead, ...behind];
  const mayBeTaken = behind.filter(hasStart).some((consumer) => {
    const own = limitOf(consumer);
    return own && mayShare(own);
  });
  return mayBeTaken && ahead.some(hasStart) ? [all, ahead] : [all];
}

/** Whether the source is known not to see a whole start behind an input limit. */
const takesStarts = ({ limit, startCarrier }: BehindLimit): boolean =>
  limit.assists && startCarrier !== 'unknown';

function startsThrough(element: SeriesElement, startCase: StartCase): readonly Limit[] {
  switch (element.kind) {
    case 'inverter':
    case 'generator':
      return onSurgeRating(element, startCase);
    case 'battery':
      return onBattery(element, startCase);
    case 'relay':
      return onRelay(element, startCase);
    case 'load-volts':
      return loadVoltsLimit(element, startCase, startCase.running);
    case 'plug-and-cord':
    case 'cable':
    case 'neutral':
    case 'unknown-rating':
      return [];
    default:
      return onBreaker(element, startCase);
  }
}

/**
 * On a source with input limits the start of a load behind one reaches the source whole, unless the
 * inverter is known to take it; charging goes on meanwhile as far as the limit leaves room. What stands
 * behind the other limits draws what they let through.
 */
function sourceSums(element: GeneratorElement | BreakerElement, startCase: StartCase): Sums | undefined {
  const { behindLimits } = element;
  if (behindLimits.length === 0) return startCase.sums();
  const { consumer, restConsumers, start } = startCase;
  const own = behindLimits.find(({ behind }) => behind.has(consumer.load.id));
  if (own && takesStarts(own)) return undefined;
  const others = behindLimits.filter((each) => each !== own);
  const isElsewhere = (id: string): boolean => others.some(({ behind }) => behind.has(id));
  const { before, during } = sumsOf(
    restConsumers.filter(({ load }) => !isElsewhere(load.id)),
    start,
  );
  const shares = others.map(({ behind, limit }) =>
    sourceShare(runningSum(among(behind, restConsumers)), limit),
  );
  const charging =
    own && !own.limit.assists
      ? [addedByCharging(runningSum(among(own.behind, restConsumers)), own.limit)]
      : [];
  const withShares = (sum: AcSum): AcSum => [...shares, ...charging].reduce(addShares, sum);
  return { before: withShares(before), during: withShares(during) };
}

const nothing: Demand = plainDemand(0, 0, 0);

function addedByCharging(loads: AcSum, limit: Parameters<typeof sourceShare>[1]): AcSum {
  const share = sourceShare(loads, limit);
  // The more the loads draw, the less is left for charging: it may be less at worst than as entered.
  const added = (all: Demand, own: Demand): Demand => {
    const hi = Math.max(0, all.hi - own.hi);
    return { ...plainDemand(0, all.stated - own.stated, hi), hi };
  };
  return { watts: added(share.watts, loads.watts), va: added(share.va, loads.va), nonActive: nothing };
}

function onSurgeRating(element: InverterElement | GeneratorElement, startCase: StartCase): readonly Limit[] {
  // An inverter that assists may have to carry the start alone.
  const sums = element.kind === 'inverter' ? startCase.sums() : sourceSums(element, startCase);
  if (!sums) return [];
  const { rating } = element;
  const { seconds } = startCase.start;
  const ceilings: Ceilings = {
    pessimistic: surgeCeiling(rating, seconds.hi),
    stated: usualCeiling(rating, seconds.stated),
    optimistic: usualCeiling(rating, seconds.lo),
  };
  const helped =
    element.kind === 'inverter'
      ? helpFromSource(element.assists, startCase, sums.before)
      : { ...NO_HELP, ...whereShared(assistingCeilingA(element, startCase)) };
  const foldback = foldbackFactor(element, startCase);
  const start = testedStart(
    startCase,
    {
      pessimistic: ceilings.pessimistic.seconds,
      stated: ceilings.stated.seconds,
      optimistic: ceilings.optimistic.seconds,
    },
    straddlesTier(rating, seconds),
  );
  const limitIn = (unit: 'va' | 'watts', perVA: number): Limit =>
    judge({
      id: `${element.id}:start:${startCase.consumer.load.id}:${startCase.part.part.id}:${unit}`,
      kind: `${element.kind}-start-${unit}`,
      element,
      unit: unit === 'va' ? 'VA' : 'W',
      start,
      running: sums.before[unit],
      demand: sums.during[unit],
      capacity: surgeCapacity(ceilings, { watts: perVA, optimistic: foldback }, helped),
      weighed: weighedAt(startCase, 1),
    });
  return [limitIn('va', 1), limitIn('watts', wattsPerVA(rating))];
}

type Ceilings = Record<Edge, Ceiling>;

/** What a source adds to an inverter's ceiling during a start, VA at each edge. */
type Help = AtEdges;

const NO_HELP: Help = { pessimistic: 0, stated: 0, optimistic: 0 };

/** What is taken in the user's favour as entered: a fact that is either so or not so and is not known (rule 35). */
const whereShared = (amount: number): Pick<Help, 'stated' | 'optimistic'> => ({
  stated: amount,
  optimistic: amount,
});

/**
 * Who carries a start under assist (methods.md, rules 11 and 35). Unknown: at worst the inverter alone, as entered and at
 * best both together, the source with what its breaker carries for that time. Shared: at least the input limit.
 * Inverter: nothing.
 */
function helpFromSource(assists: Assist | undefined, startCase: StartCase, before: AcSum): Help {
  if (!assists || assists.startCarrier === 'inverter') return NO_HELP;
  const { volts, limit, sourceBreakers, relayA, startCarrier } = assists;
  const ahead = inAmps(runningSum(onMembers(assists.ahead, startCase.running)).va, volts);
  const behind = inAmps(sourceShare(before, limit).va, volts);
  const preload = plainDemand(ahead.lo + behind.lo, ahead.stated + behind.stated, ahead.hi + behind.hi);
  const bands = sourceBreakers.map((each) => startBandFor(each, startCase, preload));
  const fromSource = (edge: 'stated' | 'optimistic'): number => {
    const carriesA = bands.map((band) => band[edge] - demandAt(ahead, edge));
    return bands.length > 0 ? Math.max(limit.va, Math.min(...carriesA, relayA) * volts) : limit.va;
  };
  return {
    pessimistic: startCarrier === 'shared' ? limit.va : 0,
    stated: fromSource('stated'),
    optimistic: fromSource('optimistic'),
  };
}

/** What turns ceilings in VA into those of a limit. */
interface Factors {
  /** Watts per VA, or 1. */
  readonly watts: number;
  /** What an inverter that lowers its voltage may be asked for beyond its ceiling. */
  readonly optimistic: number;
}

/**
 * An inverter known to fold back lowers its voltage when asked for more: the start takes longer and fails once
 * the torque, with the square of the voltage, falls to that of the load. Unknown behaviour counts as a trip.
 *
 * Source: methods.md 3 (foldback or trip), from 1/m² > share; medium.
 */
function foldbackFactor(element: InverterElement | GeneratorElement, { part }: StartCase): number {
  const { startTorqueShare } = kindOfPart(part.part.kind);
  const foldsBack = element.kind === 'inverter' && element.converter.aboveTopTier === 'folds-back';
  return foldsBack && startTorqueShare !== undefined ? 1 / Math.sqrt(startTorqueShare) : 1;
}

function surgeCapacity(ceilings: Ceilings, { watts, optimistic }: Factors, help: Help): CapacityWithDoubt {
  const { pessimistic, stated, optimistic: best } = ceilings;
  return {
    pessimistic: {
      value: pessimistic.value * watts + help.pessimistic,
      minus: pessimistic.minus * watts,
    },
    stated: stated.value * watts + help.stated,
    optimistic: {
      value: best.value * watts * optimistic + help.optimistic,
      plus: best.plus * watts * optimistic,
    },
  };
}

function onBreaker(element: BreakerElement, startCase: StartCase): readonly Limit[] {
  const sums = sourceSums(element, startCase);
  if (!sums) return [];
  const before = ampsThrough(element, sums.before.va);
  const demand = ampsThrough(element, sums.during.va);
  const band = startBandFor(element, startCase, before);
  const inverterAdds = assistingCeilingA(element, startCase);
  return [
    judge({
      id: `${element.id}:start:${startCase.consumer.load.id}:${startCase.part.part.id}`,
      kind: 'breaker-start',
      element,
      unit: 'A',
      start: testedStart(startCase, untilItsEnd(startCase), false),
      running: before,
      demand,
      capacity: exactCapacity(band.pessimistic, band.stated + inverterAdds, band.optimistic + inverterAdds),
      weighed: weighedAt(startCase, 1 / element.volts),
    }),
  ];
}

/**
 * While the inverter may share a start behind it, what stands on the source alone cannot make it trip for certain.
 * A start ahead of the inverter is the source's alone.
 */
function assistingCeilingA(
  { behindLimits }: GeneratorElement | BreakerElement,
  { group }: StartCase,
): number {
  const isShared = ({ load }: Consumer): boolean =>
    behindLimits.some((each) => mayShare(each) && each.behind.has(load.id));
  return group.some(isShared) ? Infinity : 0;
}

const mayShare = ({ limit, startCarrier }: BehindLimit): boolean =>
  limit.assists && startCarrier === 'unknown';

function startBandFor(breaker: RatedBreaker, { start }: StartCase, before: Demand): BreakerBand {
  const { low, usual, high } = TRANSFORMER_PEAK_FACTOR;
  return startBand(
    breaker,
    atEdges(before),
    atEdges(start.seconds),
    start.isTransformer ? { pessimistic: high, stated: usual, optimistic: low } : undefined,
  );
}

/** A start lasts as long as it lasts: what has no tiers carries it to its end. */
const untilItsEnd = ({ start }: StartCase): AtEdges => atEdges(start.seconds);

const atEdges = ({ lo, stated, hi }: Interval): AtEdges => ({ pessimistic: hi, stated, optimistic: lo });

/** Who carries a start being unknown, the relay may see all of it: beyond its rating is Tight, it does not open. */
function onRelay(element: RelayElement, startCase: StartCase): readonly Limit[] {
  if (!element.behindLimits.some(mayShare)) return [];
  const { before, during } = startCase.sums();
  return [
    judge({
      id: `${element.id}:start:${startCase.consumer.load.id}:${startCase.part.part.id}`,
      kind: 'relay-start',
      element,
      unit: 'A',
      start: testedStart(startCase, untilItsEnd(startCase), false),
      running: inAmps(before.va, element.volts),
      demand: inAmps(during.va, element.volts),
      capacity: exactCapacity(element.amps, Infinity, Infinity),
      weighed: weighedAt(startCase, 1 / element.volts),
    }),
  ];
}

/**
 * A start dips the DC side too, for as long as it lasts: one behind an inverter with its losses, one of a DC
 * load as it is.
 */
function onBattery(element: BatteryElement, startCase: StartCase): readonly Limit[] {
  const { inverters, dcMembers } = element;
  const { consumer, group, restConsumers, part } = startCase;
  const carriers = inverters.filter(({ members }) => group.some(({ load }) => members.has(load.id)));
  const direct = startCase.on(dcMembers)?.sums();
  if (carriers.length === 0 && !direct) return [];
  const atRest = runningSum(among(dcMembers, restConsumers)).watts;
  const dc = { before: direct?.before.watts ?? atRest, during: direct?.during.watts ?? atRest };
  const sums = inverters.map((inverter) => whileStarting(inverter, startCase));
  const at = (moment: keyof Sums): Demand =>
    batteryWatts(
      element,
      sums.map((each) => each[moment]),
      dc[moment],
    );
  return dcLimits(element, {
    running: at('before'),
    demand: at('during'),
    lasting: [],
    start: testedStart(startCase, untilItsEnd(startCase), false),
    inverters: inverters.filter((_, index) => (sums[index]?.during.va.hi ?? 0) > 0),
    isShared: carriers.some(({ assists }) => assists && assists.startCarrier !== 'inverter'),
    weighed: weighedAt(startCase, 1 / element.volts),
    idSuffix: `:start:${consumer.load.id}:${part.part.id}`,
  });
}

/**
 * What one inverter carries before or during a start: while it assists it may have to carry it alone, but where the source is
 * known to share it, which gives at least its input limit.
 */
function whileStarting(inverter: InverterElement, { on, group, restConsumers }: StartCase): Sums {
  const own = on(inverter.members);
  const { assists } = inverter;
  if (own && assists?.startCarrier === 'shared') {
    const { before, during } = own.sums();
    return {
      before: inverterShare(before, assists.limit.va),
      during: inverterShare(during, assists.limit.va),
    };
  }
  if (own) return own.sums();
  const isOfGroup = group.some(({ load }) => inverter.members.has(load.id));
  const rest = new RunningSet(restConsumers);
  const running = isOfGroup ? rest.sum(inverter.members) : runningThrough(inverter, rest);
  return { before: running, during: running };
}

const weighedAt = ({ restConsumers, consumer, part }: StartCase, perWatt: number): Weighed => ({
  running: restConsumers,
  starting: { consumer, part },
  perWatt,
});

function testedStart(
  { consumer, part, start }: StartCase,
  ceilingSeconds: AtEdges,
  straddles: boolean,
): StartTested {
  return {
    loadId: consumer.load.id,
    partId: part.part.id,
    seconds: start.seconds,
    ceilingSeconds,
    again: false,
    cause: 'start',
    straddles,
  };
}
