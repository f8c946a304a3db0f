import { addStartOnLeg } from '../supply/between-phases.js';
import type { Consumer } from '../loads/consumer.js';
import type { Interval } from '../units/quantity.js';
import type { CheckResult, StartInOrder } from '../check/check.js';
import { DEFAULT_RECOVERY_S } from '../reference/inverter-surge.js';
import { compareLimits } from '../check/limits/limit-order.js';
import { demandAt, type Limit } from '../check/limits/limit.js';
import { onMembers, runningSum } from '../check/wiring/running-set.js';
import type { GeneratorElement, InverterElement, SeriesElement } from '../check/wiring/series-elements.js';
import type { Verdict } from '../check/verdict.js';

/** The start staircase: what one inverter or source breaker sees as the set is switched on, in VA. */
export interface Staircase {
  readonly element: SeriesElement;
  readonly runningLimit: RunningLimit;
  /** What runs before any start by hand. */
  readonly floor: { readonly loads: readonly Consumer[]; readonly va: Interval };
  readonly steps: readonly Step[];
  /**
   * On the full running level: loads that start by themselves and, where the set holds, during-work
   * loads again.
   */
  readonly atAnyMoment: readonly MomentStart[];
  /** Everything running, VA. */
  readonly full: Interval;
  /** Seconds to wait between starts above the continuous rating, so that the surge clocks start anew (rule 6). */
  readonly waitS: number | undefined;
  /** Whether the running limit, rather than a start, decides the verdict. */
  readonly runningDecides: boolean;
}

/** The smaller of the VA rating and the watts rating at this set's power factor. */
interface RunningLimit {
  readonly va: number;
  /** Set where the watts rating is the smaller one. */
  readonly watts: { readonly rating: number; readonly powerFactor: number } | undefined;
  /** What a limited source adds while the inverter assists, VA. */
  readonly sourceVA: number;
  /** Its row of the ladder; none while an assisting inverter is idle. */
  readonly limit: Limit | undefined;
}

interface Step {
  readonly consumer: Consumer;
  /** Its place among all loads switched by hand, 1 first. */
  readonly place: number;
  /** Running once it has settled, VA. */
  readonly after: Interval;
  readonly start: DrawnStart | undefined;
}

export interface DrawnStart {
  /** What runs meanwhile, VA. */
  readonly base: number;
  /** The whole sum during the start, VA. */
  readonly va: Interval;
  readonly seconds: Interval;
  /** Its own ceiling, VA, at the edge that decides. */
  readonly ceiling: number;
  readonly limit: Limit;
  readonly verdict: Verdict;
  readonly decides: boolean;
}

interface MomentStart extends DrawnStart {
  readonly consumer: Consumer;
  readonly again: boolean;
}

/** What a staircase can be drawn of: each inverter or leg of one, else each generator, else each source breaker. */
export function staircaseHeads({ elements }: CheckResult): readonly SeriesElement[] {
  const kinds: readonly SeriesElement['kind'][] = ['inverter', 'generator', 'source-breaker'];
  const kind = kinds.find((each) => elements.some((element) => element.kind === each));
  return elements.filter((element) => element.kind === kind);
}

/**
 * The staircase of a result; undefined where nothing that is on is fed.
 *
 * @param headId The element it is drawn of, by its id; by default the one that decides or comes nearest to it.
 */
export function staircaseOf(result: CheckResult, headId?: string): Staircase | undefined {
  const heads = staircaseHeads(result);
  const nearest = result.limits.find((limit) => heads.includes(limit.element))?.element;
  const element = heads.find(({ id }) => id === headId) ?? nearest ?? heads[0];
  if (!element) return undefined;
  const order = onMembers(element.members, result.order);
  const floor = onMembers(element.members, result.selfStarting);
  const full = runningVA([...floor, ...order]);
  const runningLimit = runningLimitOf(result, element);
  if (!runningLimit) return undefined;
  const placeOf = ({ load }: Consumer): number =>
    result.order.findIndex((other) => other.load.id === load.id) + 1;
  return {
    element,
    runningLimit,
    floor: { loads: floor, va: runningVA(floor) },
    steps: order.map((consumer, index) => ({
      consumer,
      place: placeOf(consumer),
      after: runningVA([...floor, ...order.slice(0, index + 1)]),
      start: drawnStartOf(result, element, startOf(result, consumer, 'in-order')),
    })),
    atAnyMoment: [
      // What was held off until its turn starts by itself from then on.
      ...[...floor, ...order.filter(({ load }) => load.usage === 'by-itself')].flatMap((consumer) =>
        momentStart(drawnStartOf(result, element, startOf(result, consumer, 'any-moment')), consumer, false),
      ),
      ...result.restarts.flatMap(({ loadId }) => restartOf(result, element, loadId)),
    ],
    full,
    waitS: waitBetween(element, result.starts),
    runningDecides: runningLimit.limit !== undefined && result.decider === runningLimit.limit,
  };
}

function runningVA(consumers: readonly Consumer[]): Interval {
  const { lo, stated, hi } = runningSum(consumers).va;
  return { lo, stated, hi };
}

/** Every verdict assumes this wait; it matters from the second start on that uses a surge tier. */
function waitBetween(element: SeriesElement, starts: readonly StartInOrder[]): number | undefined {
  if (element.kind !== 'inverter') return undefined;
  const { continuousVA, recoveryS = DEFAULT_RECOVERY_S } = element.converter;
  const surges = starts.filter(({ limits }) =>
    limits.some((limit) => limit.kind === 'inverter-start-va' && limit.worst.hi > continuousVA.value),
  );
  return surges.length > 1 ? recoveryS : undefined;
}

function runningLimitOf(result: CheckResult, element: SeriesElement): RunningLimit | undefined {
  const own = result.limits.filter((limit) => limit.element === element && !limit.start);
  if (element.kind === 'source-breaker') {
    const amps = own.find((limit) => limit.kind === 'breaker');
    return amps && { va: amps.capacity.stated * element.volts, watts: undefined, sourceVA: 0, limit: amps };
  }
  return element.kind === 'inverter' || element.kind === 'generator'
    ? surgeRunningLimit(result, element, own)
    : undefined;
}

function surgeRunningLimit(
  { selfStarting, order }: CheckResult,
  element: InverterElement | GeneratorElement,
  own: readonly Limit[],
): RunningLimit {
  const sourceVA = element.kind === 'inverter' ? (element.assists?.limit.va ?? 0) : 0;
  const { continuousW, continuousVA } = element.rating;
  const { watts, va } = runningSum(onMembers(element.members, [...selfStarting, ...order]));
  const powerFactor = va.stated > 0 ? watts.stated / va.stated : 1;
  const isWatts = continuousW.value / powerFactor < continuousVA.value;
  const limit = own.find((each) => each.unit === (isWatts ? 'W' : 'VA'));
  const rating = limit?.capacity[limit.edge] ?? (isWatts ? continuousW.value : continuousVA.value);
  return {
    va: sourceVA + (isWatts ? rating / powerFactor : rating),
    watts: isWatts ? { rating, powerFactor } : undefined,
    sourceVA,
    limit,
  };
}

function startOf(
  result: CheckResult,
  consumer: Consumer,
  moment: StartInOrder['moment'],
): StartInOrder | undefined {
  return result.starts.find(
    (start) => start.consumer.load.id === consumer.load.id && start.moment === moment,
  );
}

function drawnStartOf(
  result: CheckResult,
  element: SeriesElement,
  start: StartInOrder | undefined,
): DrawnStart | undefined {
  return start && startFrom(result, element, start.limits, start.running, start.consumer);
}

function startFrom(
  result: CheckResult,
  element: SeriesElement,
  limits: readonly Limit[],
  running: readonly Consumer[],
  consumer: Consumer,
): DrawnStart | undefined {
  const limit = limits.filter((each) => each.element === element).sort(compareLimits)[0];
  const [here] = onMembers(element.members, [consumer]);
  const part = here?.parts.find((each) => each.part.id === limit?.start?.partId);
  if (!limit?.start || !here || !part?.start) return undefined;
  const others = onMembers(element.members, running).filter(({ load }) => load.id !== consumer.load.id);
  const rest = [...others, here].flatMap((each) =>
    each.parts.filter((other) => other !== part).map((other) => other.running),
  );
  const sum = addStartOnLeg(rest, part.start);
  const wattsToVA = limit.unit === 'W' ? demandAt(sum.va, limit.edge) / demandAt(sum.watts, limit.edge) : 1;
  const ampsToVA = limit.unit === 'A' && 'volts' in element ? element.volts : 1;
  // What starts with it is in the limit, and not in the sum.
  const drawn = (edge: keyof Interval): number =>
    limit.unit === 'A'
      ? sum.va[edge]
      : limit.worst[edge] * (limit.unit === 'W' ? sum.va[edge] / sum.watts[edge] : 1);
  return {
    base: runningVA(others).stated,
    va: { lo: drawn('lo'), stated: drawn('stated'), hi: drawn('hi') },
    seconds: part.start.seconds,
    ceiling: limit.capacity[limit.edge] * wattsToVA * ampsToVA,
    limit,
    verdict: limit.verdict,
    decides: result.decider?.id === limit.id && result.decider.worst.hi === limit.worst.hi,
  };
}

function momentStart(
  start: DrawnStart | undefined,
  consumer: Consumer,
  again: boolean,
): readonly MomentStart[] {
  return start ? [{ ...start, consumer, again }] : [];
}

function restartOf(result: CheckResult, element: SeriesElement, loadId: string): readonly MomentStart[] {
  const consumer = result.order.find((each) => each.load.id === loadId);
  const restart = result.restarts.find((each) => each.loadId === loadId);
  if (!consumer || restart?.limit.element !== element) return [];
  const running = [...result.selfStarting, ...result.order].filter((other) => other !== consumer);
  return momentStart(startFrom(result, element, [restart.limit], running, consumer), consumer, true);
}
