import { consumerOf } from '../../src/loads/consumer.js';
import { systemOfLoad } from '../../src/loads/voltage-of-load.js';
import type { Trip, TripObservation } from '../../src/now/live-state.js';
import type { Load, Rig } from '../../src/rig-file/schema.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check, type CheckResult } from '../../src/check/check.js';
import type { SeriesElement } from '../../src/check/wiring/series-elements.js';
import type { Limit } from '../../src/check/limits/limit.js';
import type { CheckScene } from '../../src/check/situation.js';

/** A trip whose device is known, with what a person would tell of it. */
export interface SimulatedTrip {
  readonly rig: Rig;
  readonly supply: string;
  readonly on: Trip['on'];
  readonly started: string;
  readonly deviceId: string;
  readonly observation: TripObservation;
}

type Random = () => number;

const between = (random: Random, low: number, high: number): number => low + (high - low) * random();
const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)]!;

/** The rig as it truly is: every number somewhere within its doubt, and known without one. */
function truth(rig: Rig, random: Random): Rig {
  const exact = (value: number) => ({ value, basis: 'measured' as const, minus: 0, plus: 0 });
  const drawn = (load: Load): Load => ({
    ...load,
    parts: consumerOf(load, systemOfLoad(rig, load)).parts.map(({ part, power, start }) => {
      const { watts } = power;
      const spread = (each: { value: number; minus?: number; plus?: number }): number =>
        between(random, each.value - (each.minus ?? 0), each.value + (each.plus ?? 0));
      return {
        id: part.id,
        kind: part.kind,
        runningW: exact(spread(watts)),
        start: start
          ? {
              va: exact(spread(start.va)),
              seconds: exact(between(random, start.seconds.lo, start.seconds.hi)),
              ...(part.start?.soft && { soft: part.start.soft, softStarter: 'yes' as const }),
            }
          : { none: 'yes' as const },
        ...(part.bogs && { bogs: part.bogs }),
      };
    }),
  });
  return { ...rig, loads: rig.loads.map(drawn) };
}

/** Seconds until a limit makes its device open, with the device as it happens to be; Infinity where it carries it. */
function opensAfter(
  limit: Limit,
  before: Limit | undefined,
  random: Random,
  strengthOf: (elementId: string) => number,
): number {
  const { worst, start, element, kind } = limit;
  if (!canOpen(limit)) return Infinity;
  const demand = worst.stated;
  // It carried what ran before: what has not grown does not open now.
  const carriedBefore = before?.worst.stated ?? 0;
  if (demand <= carriedBefore) return Infinity;
  const carries = truly(limit, strengthOf(element.id));
  if (start) {
    const delayS = delayOf(kind, random);
    return demand > carries && delayS <= start.seconds.stated ? delayS : Infinity;
  }
  if ('protection' in element)
    return breakerOpensAfter(element.protection.amps, demand, carriedBefore, random);
  if (demand <= carries || carriedBefore > carries) return Infinity;
  return element.kind === 'battery' ? between(random, 0.2, 20) : surgeLastsFor(limit, random);
}

const canOpen = ({ kind, capacity }: Limit): boolean =>
  kind !== 'unknown-rating' && kind !== 'continuous-rule' && Number.isFinite(capacity.pessimistic);

/** What a limit truly carries: one charge and one age of a battery decide all its limits. */
function truly({ capacity: { pessimistic, stated, optimistic } }: Limit, strength: number): number {
  const most = Number.isFinite(optimistic) ? optimistic : 2 * stated - pessimistic;
  return pessimistic + strength * (most - pessimistic);
}

/** A thermal element of its own, somewhere between the earliest and the latest of its kind. */
function breakerOpensAfter(ratedA: number, amps: number, ampsBefore: number, random: Random): number {
  const k = between(random, 1.03, 1.33);
  const x = amps / ratedA;
  if (x <= k || ampsBefore / ratedA > k) return Infinity;
  return between(random, 40, 200) * Math.log((x * x) / (x * x - k * k));
}

function surgeLastsFor({ element, worst, capacity, unit }: Limit, random: Random): number {
  if (element.kind !== 'inverter' && element.kind !== 'generator') return between(random, 0.2, 1);
  const { tiers, continuousVA } = element.rating;
  const perVA = unit === 'W' ? capacity.stated / continuousVA.value : 1;
  const carried = tiers
    .filter(({ limit }) => limit.value * perVA >= worst.stated)
    .map(({ seconds }) => seconds);
  return Math.max(between(random, 0.2, 1), ...carried);
}

/** Electronics act within a part of a second, a cut-off by volts rides through a dip, metal has to get hot (common practice). */
const DELAYS_S: readonly (readonly [RegExp, low: number, high: number])[] = [
  [/^inverter|^generator/, 0.02, 0.3],
  [/^battery/, 0.05, 0.5],
  [/^dc-volts/, 0.1, 2],
  [/^dc-fuse/, 0.5, 20],
  [/breaker/, 0.05, 2],
];

function delayOf(kind: Limit['kind'], random: Random): number {
  const [, low, high] = DELAYS_S.find(([kinds]) => kinds.test(kind))!;
  return between(random, low, high);
}

const OPENS = /^(inverter|generator|breaker|battery|dc-volts|dc-fuse)/;

/** Both legs of an inverter, a generator or a two-pole breaker open together. */
function deviceIdOf(limit: Limit): string {
  return deviceOnLeg(limit).replace(/:l[12]$/, '');
}

function deviceOnLeg({ element, kind, id }: Limit): string {
  if (kind.startsWith('dc-fuse')) return `${element.id}:fuse`;
  return kind.startsWith('dc-volts') && !id.includes(':battery-volts') ? `${element.id}:volts` : element.id;
}

function limitsThen(result: CheckResult, startedId: string): readonly Limit[] {
  const starts = result.starts.filter(
    ({ consumer, moment }) => consumer.load.id === startedId || moment === 'any-moment',
  );
  return [...result.limits.filter(({ start }) => !start), ...starts.flatMap(({ limits }) => limits)];
}

const SOUNDS: readonly (readonly [RegExp, TripObservation['noticed'][number], number])[] = [
  [/inverter|volts$/, 'beep', 0.5],
  [/breaker/, 'click', 0.5],
  [/volts$/, 'dim', 0.4],
];

/** What goes dark: what an element carries, or, with a source gone, what no inverter takes over. */
function darkBy(
  rig: Rig,
  scene: CheckScene,
  element: SeriesElement,
  all: readonly SeriesElement[],
): ReadonlySet<string> {
  if (element.kind === 'battery')
    return new Set([
      ...element.inverters.flatMap(({ members }) => [...members.keys()]),
      ...element.dcMembers.keys(),
    ]);
  if (!['source-breaker', 'inlet-breaker', 'generator'].includes(element.kind))
    return new Set(
      all
        .filter(({ id }) => id.replace(/:l[12]$/, '') === element.id.replace(/:l[12]$/, ''))
        .flatMap(({ members }) => [...members.keys()]),
    );
  const gone = { ...rig, supplies: rig.supplies.map((supply) => ({ ...supply, sources: [] })) };
  const left = check(compile(gone), scene);
  const landing = [...left.selfStarting, ...left.order].map(({ load }) => load.id);
  return new Set([...left.notFed.map(({ load }) => load.id), ...(left.verdict === 'trips' ? landing : [])]);
}

/** One trip of a rig, if what is switched on last makes one. */
export function simulatedTrip(rig: Rig, random: Random): SimulatedTrip | undefined {
  const supply = pick(random, rig.supplies);
  const loads = [...rig.loads].sort(() => random() - 0.5).slice(0, 3 + Math.floor(random() * 6));
  const [started, ...others] = loads;
  if (!started) return undefined;
  const ids = [...others, started].map(({ id }) => id);
  const scene = { supply: supply.id, on: ids.map((load) => ({ load })) };
  const real = compile(truth(rig, random));
  const before = check(real, { ...scene, on: scene.on.slice(0, -1) });
  // What trips before anything is started is no trip by that start.
  if (before.limits.some(({ verdict }) => verdict === 'trips')) return undefined;
  const result = check(real, scene, 'given');
  if (!result.order.concat(result.selfStarting).some(({ load }) => load.id === started.id)) return undefined;
  const strengths = new Map<string, number>();
  const strengthOf = (id: string): number => {
    const strength = strengths.get(id) ?? random();
    strengths.set(id, strength);
    return strength;
  };
  const opened = limitsThen(result, started.id)
    .filter(({ kind }) => OPENS.test(kind))
    .map((limit) => {
      const ranBefore = limit.start ? undefined : before.limits.find(({ id }) => id === limit.id);
      return { limit, afterS: opensAfter(limit, ranBefore, random, strengthOf) };
    })
    .sort((a, b) => a.afterS - b.afterS)[0];
  if (!opened || opened.afterS > 3600) return undefined;
  const { element } = opened.limit;
  const stillOn = ids.filter(
    (id) =>
      result.notFed.every(({ load }) => load.id !== id) &&
      !darkBy(real.rig, scene, element, result.elements).has(id),
  );
  // Where an inverter takes over at once, nobody sees that anything went dark.
  if (stillOn.length === ids.length) return undefined;
  const seen = `${element.kind} ${deviceIdOf(opened.limit)}`;
  return {
    rig,
    supply: supply.id,
    on: ids.map((load) => ({ load, sinceS: 0 })),
    started: started.id,
    deviceId: deviceIdOf(opened.limit),
    observation: {
      went: stillOn.length === 0 ? 'all' : 'some',
      stillOn,
      pace: paceOf(opened.afterS, random),
      noticed: SOUNDS.flatMap(([kind, sound, chance]) =>
        kind.test(seen) && random() < chance ? [sound] : [],
      ),
      looked: [],
    },
  };
}

/** People tell the class of a time right nine times in ten. */
function paceOf(afterS: number, random: Random): NonNullable<TripObservation['pace']> {
  const told = random() < 0.9 ? afterS : afterS * between(random, 0.1, 10);
  if (told <= 2) return 'at-once';
  return told <= 100 ? 'seconds' : 'minutes';
}
