import { addStart } from '../electrical/start-sum.js';
import { startBand } from '../electrical/breaker.js';
import type { Consumer, StartOfPart } from '../electrical/consumer.js';
import { straddlesTier, surgeCeiling, wattsPerVA, type Ceiling } from '../electrical/surge-tiers.js';
import type { AcTerm } from '../electrical/apparent-power.js';
import { addAc } from '../electrical/apparent-power.js';
import { widestDoubts, type StartingPart } from './doubts.js';
import { exactCapacity, judge, type CapacityWithDoubt, type Limit, type StartTested } from './limit.js';
import {
  throughElement,
  type BreakerElement,
  type InverterElement,
  type SeriesElement,
} from './series-elements.js';
import { inAmps } from './steady-limits.js';

/** One start on top of what runs. */
interface StartCase extends StartingPart {
  readonly start: StartOfPart;
  /** What runs through the element, the running power of the starting part left out. */
  readonly rest: readonly AcTerm[];
  readonly restConsumers: readonly Consumer[];
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
          ? startsThrough(element, { consumer, part, start: part.start, ...restOf(others, consumer, part) })
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
  const restConsumers = [...others, consumer];
  const rest = restConsumers.flatMap((each) =>
    each.parts.filter((part) => part !== starting).map((part) => part.running),
  );
  return { rest, restConsumers };
}

function startsThrough(element: SeriesElement, startCase: StartCase): readonly Limit[] {
  return element.kind === 'inverter' ? onInverter(element, startCase) : [onBreaker(element, startCase)];
}

function onInverter(element: InverterElement, startCase: StartCase): readonly Limit[] {
  const { converter } = element;
  const { rest, restConsumers, start } = startCase;
  const demand = addStart(rest, start);
  const before = addAc(rest);
  const ceilings = {
    pessimistic: surgeCeiling(converter, start.seconds.hi),
    stated: surgeCeiling(converter, start.seconds.stated),
    optimistic: surgeCeiling(converter, start.seconds.lo),
  };
  const shared = {
    element,
    start: testedStart(startCase, ceilings.pessimistic.seconds, straddlesTier(converter, start.seconds)),
    doubts: widestDoubts(restConsumers, startCase),
  };
  const id = `${element.id}:start:${startCase.consumer.load.id}:${startCase.part.part.id}`;
  return [
    judge({
      ...shared,
      id: `${id}:va`,
      kind: 'inverter-start-va',
      unit: 'VA',
      running: before.va,
      demand: demand.va,
      capacity: surgeCapacity(ceilings, 1),
    }),
    judge({
      ...shared,
      id: `${id}:watts`,
      kind: 'inverter-start-watts',
      unit: 'W',
      running: before.watts,
      demand: demand.watts,
      capacity: surgeCapacity(ceilings, wattsPerVA(converter)),
    }),
  ];
}

function surgeCapacity(
  ceilings: Record<'pessimistic' | 'stated' | 'optimistic', Ceiling>,
  factor: number,
): CapacityWithDoubt {
  return {
    pessimistic: { value: ceilings.pessimistic.value * factor, minus: ceilings.pessimistic.minus * factor },
    stated: ceilings.stated.value * factor,
    optimistic: { value: ceilings.optimistic.value * factor, plus: ceilings.optimistic.plus * factor },
  };
}

function onBreaker(element: BreakerElement, startCase: StartCase): Limit {
  const { rest, restConsumers, start } = startCase;
  const before = inAmps(addAc(rest).va, element.volts);
  const demand = inAmps(addStart(rest, start).va, element.volts);
  const { lo, stated, hi } = start.seconds;
  const bandFor = (preloadA: number, seconds: number) =>
    startBand(
      element.protection,
      { pessimistic: preloadA, optimistic: before.lo },
      { pessimistic: seconds, optimistic: lo },
    );
  const band = bandFor(before.hi, hi);
  return judge({
    id: `${element.id}:start:${startCase.consumer.load.id}:${startCase.part.part.id}`,
    kind: 'breaker-start',
    element,
    unit: 'A',
    start: testedStart(startCase, hi, false),
    running: before,
    demand,
    capacity: exactCapacity(band.pessimistic, bandFor(before.stated, stated).pessimistic, band.optimistic),
    doubts: widestDoubts(restConsumers, startCase, 1 / element.volts),
  });
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
