import type { Rig, Supply } from '../../src/rig-file/schema.js';
import {
  FACTS,
  numberOf,
  power,
  scaled,
  softened,
  startPf,
  startSeconds,
  usualStart,
  bandOf,
  beside,
  plain,
  turnedSum,
  type Band,
  type Num,
  type Power,
  type Running,
  type Side,
} from './doubtful-numbers.js';
import { atAll, breakerCarries, dipOf, INVERTER_OHMS, mayLose, POST_OHMS } from './naive-check.js';
import { breakerFactor, celsiusAt, generatorFactor } from './places.js';
import { ampsOn, batteryRows, carries, perhaps } from './steady-rows.js';
import {
  AC,
  breakersOf,
  busOf,
  chargers,
  DC,
  drawOf,
  drawsOn,
  legsOf,
  ofDc,
  onBattery,
  onLeg,
  partOfCircuit,
  share,
  sourceOf,
  steadyInverter,
  WYE,
  type Leg,
  type On,
  type Rows,
} from './conductors.js';

/** One start, or several in the same moment, on top of what runs: for the naive check. */
interface Start {
  va: Num;
  pf: [low: number, usual: number, high: number];
  seconds: Record<Side, number>;
  lags: boolean;
  isTurned: boolean | 'in-part' | undefined;
}

export function startOf({ load, isTurned }: On): Start | undefined {
  const part = load.parts[0]!;
  const { start, kind } = part;
  if (!start && !FACTS[kind]!.multiple) return undefined;
  const known = start ? numberOf(load, part, start.va!, 'start') : usualStart(load, part);
  const slower = isTurned && FACTS[kind]!.motor && !start?.soft ? slowerAt208 : (seconds: number) => seconds;
  return {
    va: scaled(softened(known, part), isTurned ? WYE : 1),
    pf: startPf(part),
    seconds: {
      against: slower(startSeconds(load, 'against'), 15),
      stated: slower(startSeconds(load, 'stated'), 10),
      for: slower(startSeconds(load, 'for'), 3),
    },
    lags: FACTS[kind]!.lags,
    isTurned,
  };
}

const LOAD_TORQUE = 0.45;

/** Torque falls with the square of the volts, until the protector of the motor opens. */
function slowerAt208(seconds: number, most: number): number {
  return Math.min((seconds * (1 - LOAD_TORQUE)) / (WYE * WYE - LOAD_TORQUE), Math.max(seconds, most));
}

/** The start of a load on a DC bus: amps of the bus, no power factor. */
function dcStartOf(each: On): Start | undefined {
  const start = startOf(each);
  const { load } = each;
  const part = load.parts[0]!;
  if (!start) return undefined;
  const usual = { ...FACTS[part.kind]!, pf: [1, 1, 1] };
  const va = part.start ? start.va : usualStart(load, part, usual);
  return { ...start, va, pf: [1, 1, 1] };
}

function joined(starts: Start[]): Start {
  return starts.reduce((sum, each) => ({
    va: {
      value: sum.va.value + each.va.value,
      minus: sum.va.minus + each.va.minus,
      plus: sum.va.plus + each.va.plus,
      tags: [...sum.va.tags, ...each.va.tags],
    },
    pf: [
      Math.min(sum.pf[0], each.pf[0]),
      (sum.pf[1] * sum.va.value + each.pf[1] * each.va.value) / (sum.va.value + each.va.value),
      Math.max(sum.pf[2], each.pf[2]),
    ],
    seconds: sum.seconds.against >= each.seconds.against ? sum.seconds : each.seconds,
    lags: sum.lags && each.lags,
    isTurned: sum.isTurned === each.isTurned ? sum.isTurned : 'in-part',
  }));
}

const STEPS = 40;

/** A sum with a start in it: watts and VA may each be worst at a power factor of their own. */
interface Peak {
  readonly w: number;
  readonly va: number;
  readonly atW: Power;
  readonly atVA: Power;
  /** The most that is orthogonal to the watts: at the lowest power factor. */
  readonly n: number;
  readonly stated: Power['stated'];
}

/** Every power factor of the band in steps, then in steps of steps about the one that counts. */
function during(rest: Running[], start: Start, side: Side): Peak {
  const { va, lags, isTurned } = start;
  const others = rest.filter((each) => each.isTurned !== isTurned);
  if ((others.length > 0 || isTurned) && isTurned !== undefined)
    return besideOthers(rest, others, start, side);
  const at = (pf: number) =>
    power([...rest, { w: scaled(va, pf), n: scaled(va, Math.sqrt(1 - pf * pf)), lags }], side);
  if (side === 'stated') {
    const asEntered = at(start.pf[1]);
    return { ...asEntered, atW: asEntered, atVA: asEntered };
  }
  const worse = (unit: 'w' | 'va', one: Power, two: Power) =>
    (side === 'against' ? two[unit] > one[unit] : two[unit] < one[unit]) ? two : one;
  const [lowest, usual, highest] = start.pf;
  const ends: [Power, Power] = [at(lowest), at(highest)];
  let atVA = worse('va', ...ends);
  let [lo, hi] = [lowest, highest];
  for (let round = 0; round < 3; round += 1) {
    const width = (hi - lo) / STEPS;
    let [best, there] = [lo, at(lo)];
    for (let step = 1; step <= STEPS; step += 1) {
      const next = at(lo + step * width);
      if (worse('va', there, next) === next) [best, there] = [lo + step * width, next];
    }
    atVA = worse('va', atVA, there);
    [lo, hi] = [Math.max(lowest, best - width), Math.min(highest, best + width)];
  }
  const atW = worse('w', ...ends);
  return { w: atW.w, va: atVA.va, atW, atVA, n: ends[0].n, stated: at(usual).stated };
}

/** A start among what stands otherwise on a 208 V service: apart as far as their power factors and the turn allow. */
function besideOthers(rest: Running[], others: Running[], start: Start, side: Side): Peak {
  const own = rest.filter((each) => !others.includes(each)).map((each) => ({ ...each, isTurned: false }));
  const alone = { ...start, isTurned: undefined };
  const [against, best] = [during(own, alone, 'against'), during(own, alone, 'for')];
  const at = (pf: number, edge: Side) =>
    power(
      [...own, { w: scaled(start.va, pf), n: scaled(start.va, Math.sqrt(1 - pf * pf)), lags: start.lags }],
      edge,
    );
  const band: Band = {
    against: { w: against.w, va: against.va, n: at(start.pf[0], 'against').n },
    for: { w: best.w, va: best.va, n: at(start.pf[2], 'for').n },
    stated: against.stated,
  };
  const other = bandOf(
    start.isTurned === false ? others.map((each) => ({ ...each, isTurned: false })) : others,
  );
  const sum = start.isTurned === false ? turnedSum(band, other, side) : turnedSum(other, band, side);
  return { w: sum.w, va: sum.va, atW: sum, atVA: sum, n: sum.n, stated: sum.stated };
}

export function* startRows(rig: Rig, supply: Supply, before: On[], group: On[], side: Side): Rows {
  const rest = [...before.filter((each) => !group.includes(each)), ...group.filter((each) => !startOf(each))];
  const starting = group.filter(startOf);
  const circuits = new Set(starting.map(({ load }) => load.circuit));
  for (const id of circuits) yield* circuitStartRows(rig, id, rest, starting, side);
  for (const leg of legsOf(rig, supply)) {
    yield* legStartRows(rig, supply, rest, starting, side, leg);
    yield* sourceStartRows(rig, supply, leg, rest, starting, side);
  }
  yield* batteryStartRows(rig, supply, rest, starting, side);
  for (const each of starting) yield* voltsRows(rig, supply, rest, each, side);
}

/** Rule 40: volts at a motor as it starts, its own dip and what lies before it included. */
function* voltsRows(rig: Rig, supply: Supply, rest: On[], each: On, side: Side): Rows {
  const { load } = each;
  if (busOf(rig, each) === 'dc' || !FACTS[load.parts[0]!.kind]!.motor) return;
  const leg = legsOf(rig, supply).find(({ part }) => part(each) > 0)!;
  const volts = partOfCircuit(rig, each) === 1 ? AC : 2 * AC;
  const { z, isOwn } = beforeMotor(rig, supply, leg, each, volts, side);
  const poleOf = (other: On) => legsOf(rig, supply).findIndex(({ part: on }) => on(other) > 0);
  const pole = poleOf(each);
  const others = [
    ...rest
      .filter((other) => busOf(rig, other) !== 'dc' && poleOf(other) === pole)
      .map((other) => drawOf(other)),
    ...chargers(rig, supply, { ...leg, hasCharger: pole === 0 }),
  ];
  const share = each.isTurned ? WYE : 1;
  const dropped = (isOwn ? 0 : (z.r * power(others, side).va) / volts) + volts * (1 - share);
  const { va, pf } = startOf(each)!;
  const size = (va.value + { against: va.plus, stated: 0, for: -va.minus }[side]) / share;
  const lost = (side === 'stated' ? [pf[1]] : [pf[0], pf[2]]).map(
    (at) => volts - (volts - dropped) * (1 - dipOf(z, volts, size, at)),
  );
  yield [side === 'for' ? Math.min(...lost) : Math.max(...lost), volts * mayLose(side)];
}

/** What lies before a motor: the inverter alone, the source alone, or the source's part of what they give together. */
function beforeMotor(rig: Rig, supply: Supply, leg: Leg, each: On, volts: number, side: Side) {
  const { continuousVA } = rig.converters[0]!;
  const inverter = (INVERTER_OHMS[side] * volts ** 2) / (continuousVA.value * leg.rating);
  const isAssisted = busOf(rig, each) === 'out' && supply.assist === 'on';
  const who = supply.whoCarriesStart ?? 'unknown';
  if (onBattery(supply) || (isAssisted && who === 'inverter'))
    return { z: { r: inverter, x: 0 }, isOwn: true };
  const source = ownOfSource(rig, supply, leg, volts, side);
  const isAlone = !isAssisted || (side === 'against' && who === 'unknown');
  const both = Math.hypot(source.r, source.x) + inverter;
  const part = isAlone ? 1 : both > 0 ? inverter / both : 0;
  return { z: { r: source.r * part, x: source.x * part }, isOwn: false };
}

/** A post, or a generator of known rating by its reactance. */
function ownOfSource(rig: Rig, supply: Supply, leg: Leg, volts: number, side: Side) {
  const { kind, continuousVA } = sourceOf(rig, supply);
  if (kind !== 'generator' || !continuousVA) return { r: POST_OHMS[side], x: 0 };
  const rated = continuousVA.value * leg.rating * generatorFactor(rig);
  return { r: 0, x: ({ against: 0.25, stated: 0.2, for: 0.15 }[side] * volts ** 2) / rated };
}

function* circuitStartRows(rig: Rig, id: string, rest: On[], starting: On[], side: Side): Rows {
  const { protection, bus } = rig.circuits.find((each) => each.id === id)!;
  const here = starting.filter(({ load }) => load.circuit === id);
  const isDc = bus === 'dc';
  const whole = joined(here.map((each) => (isDc ? dcStartOf(each)! : startOf(each)!)));
  const start = { ...whole, va: scaled(whole.va, partOfCircuit(rig, here[0]!)) };
  const draws = rest
    .filter(({ load }) => load.circuit === id)
    .map((each) => (isDc ? ofDc(drawOf(each)) : drawOf(each, partOfCircuit(rig, each))));
  const amps = during(draws, start, side).va / (isDc ? DC : AC);
  yield [
    amps,
    breakerCarries(
      protection.amps,
      atAll((edge) => ampsOn(rig, id, rest, edge)),
      start.seconds,
      side,
      (edge) => breakerFactor(celsiusAt(rig, 'panelC', edge), edge),
    ),
  ];
}

const behindOf = (rig: Rig, set: readonly On[]) => set.filter((each) => busOf(rig, each) === 'out');

function tierOf(
  rating: {
    continuousVA: { value: number };
    tiers: readonly { limit: { value: number }; seconds: number }[];
  },
  seconds: number,
  side: Side,
) {
  const outlasting = rating.tiers.filter((tier) => tier.seconds >= seconds).map(({ limit }) => limit.value);
  const unknown = rating.tiers.length === 0 && side !== 'against' && seconds <= 1 ? 1.5 : 1;
  return unknown * Math.max(rating.continuousVA.value, ...outlasting);
}

/** The starts on a leg, each with what of it flows there. */
const startsOn = (starting: readonly On[], leg: Leg): Start[] =>
  starting
    .filter((each) => leg.part(each) > 0)
    .map((each) => {
      const start = startOf(each)!;
      return { ...start, va: scaled(start.va, leg.part(each)) };
    });

function* legStartRows(rig: Rig, supply: Supply, rest: On[], starting: On[], side: Side, leg: Leg): Rows {
  const own = startsOn(behindOf(rig, starting), leg);
  if (own.length === 0 || (!onBattery(supply) && supply.assist !== 'on')) return;
  const inverter = rig.converters[0]!;
  const start = joined(own);
  const { atW, atVA, stated } = during(onLeg(rig, rest, leg), start, side);
  const tier = leg.rating * tierOf(inverter, start.seconds[side], side);
  const perVA = inverter.continuousW.value / inverter.continuousVA.value;
  const help = onBattery(supply) ? 0 : helpOf(rig, supply, leg, rest, start, side);
  yield [atVA.va, carries(rig, atVA, 'va', tier, { side, stated }) + help];
  yield [atW.w, carries(rig, atW, 'w', tier * perVA, { side, stated }) + help];
}

/** What the source adds to a start behind the inverter, by who carries it. */
function helpOf(rig: Rig, supply: Supply, leg: Leg, rest: On[], start: Start, side: Side): number {
  const who = supply.whoCarriesStart ?? 'unknown';
  const limit = supply.inputLimitA! * AC;
  if (who === 'inverter') return 0;
  if (side === 'against') return who === 'shared' ? limit : 0;
  const ahead = (edge: Side) =>
    power([...onLeg(rig, rest, leg, 'inlet'), ...chargers(rig, supply, leg)], edge).va / AC;
  const preload = atAll((edge) => ahead(edge) + share(rig, supply, leg, onLeg(rig, rest, leg), edge).va / AC);
  const carried = breakersOf(rig, supply).map(
    ({ amps, heat }) => breakerCarries(amps, preload, start.seconds, side, heat) - ahead(side),
  );
  return carried.length > 0 ? Math.max(limit, Math.min(...carried) * AC) : limit;
}

/** A start behind the inverter is carried by the source too, unless it is known, or at best, that it is not. */
function reachesSource(rig: Rig, supply: Supply, each: On, side: Side): boolean {
  if (busOf(rig, each) === 'inlet') return true;
  const isUnknown = (supply.whoCarriesStart ?? 'unknown') === 'unknown';
  return supply.assist !== 'on' || (isUnknown && side === 'against');
}

function* sourceStartRows(rig: Rig, supply: Supply, leg: Leg, rest: On[], group: On[], side: Side): Rows {
  if (onBattery(supply)) return;
  const onAc = group.filter((each) => busOf(rig, each) !== 'dc' && leg.part(each) > 0);
  const starting = onAc.filter((each) => reachesSource(rig, supply, each, side));
  yield* seenBySource(rig, supply, leg, rest, onAc, starting, side);
  // Whoever takes those behind, those ahead start on the source.
  const surely = onAc.filter((each) => reachesSource(rig, supply, each, 'for'));
  if (surely.length < starting.length) yield* seenBySource(rig, supply, leg, rest, onAc, surely, side);
}

function* seenBySource(
  rig: Rig,
  supply: Supply,
  leg: Leg,
  rest: On[],
  onAc: On[],
  starting: On[],
  side: Side,
): Rows {
  if (starting.length === 0) return;
  const start = joined(startsOn(starting, leg));
  const running = [...rest, ...onAc.filter((each) => !starting.includes(each))];
  // Beside a start ahead stands what is let through, charging with it, whatever else starts behind.
  const isBehind = starting.every((each) => busOf(rig, each) === 'out');
  const seen = seenAtStart(rig, supply, leg, running, isBehind, side);
  const sum = during(seen.draws, start, side);
  if (sourceOf(rig, supply).kind === 'generator') {
    const asEntered = seenAtStart(rig, supply, leg, running, isBehind, 'stated').beside;
    const others = plain(seen.beside, asEntered);
    const asked = { w: beside(sum.atW, others), va: beside(sum.atVA, others) };
    const stated = beside({ ...others, stated: sum.stated }, others).stated;
    yield* generatorStartRows(rig, supply, leg, { ...asked, stated }, start.seconds[side], side);
    return;
  }
  const before = (edge: Side) => {
    const at = seenAtStart(rig, supply, leg, running, isBehind, edge);
    return (power(at.draws, edge).va + at.beside.va) / AC;
  };
  for (const { amps, others, heat } of breakersOf(rig, supply)) {
    const preload = atAll((edge) => before(edge) + others);
    const asked = (sum.va + seen.beside.va) / AC;
    yield [asked + others, breakerCarries(amps, preload, start.seconds, side, heat)];
  }
}

/** A start behind reaches the source whole, beside charging; one ahead stands beside what is let through. */
function seenAtStart(rig: Rig, supply: Supply, leg: Leg, rest: On[], isBehind: boolean, side: Side) {
  const ahead = [...onLeg(rig, rest, leg, 'inlet'), ...chargers(rig, supply, leg)];
  const behind = onLeg(rig, rest, leg);
  const sum = power(behind, side);
  const through = share(rig, supply, leg, behind, side);
  if (!isBehind) return { draws: ahead, beside: { w: through.w, va: through.va } };
  const charging = { w: Math.max(0, through.w - sum.w), va: through.added };
  const beside = supply.assist === 'on' ? { w: 0, va: 0 } : charging;
  return { draws: [...ahead, ...behind], beside };
}

function* generatorStartRows(
  rig: Rig,
  supply: Supply,
  leg: Leg,
  asked: { w: Power; va: Power; stated: Power['stated'] },
  seconds: number,
  side: Side,
): Rows {
  const { continuousW, continuousVA, tiers = [] } = sourceOf(rig, supply);
  if (!continuousW || !continuousVA) return;
  const factor = leg.rating * generatorFactor(rig);
  const value = tierOf({ continuousVA, tiers }, seconds, side);
  // tiers are of a data sheet: without them it is the rating that carries the start
  const rating = { value, basis: tiers.length > 0 ? 'data-sheet' : continuousVA.basis };
  const perVA = continuousW.value / continuousVA.value;
  yield [asked.va.va, perhaps(rating, factor, asked.va, 'va', side, asked.stated)];
  yield [asked.w.w, perhaps(rating, factor * perVA, asked.w, 'w', side, asked.stated)];
}

function* batteryStartRows(rig: Rig, supply: Supply, rest: On[], starting: On[], side: Side): Rows {
  const behind = behindOf(rig, starting).map((each) => startOf(each)!);
  const direct = starting.filter((each) => busOf(rig, each) === 'dc').map((each) => dcStartOf(each)!);
  const isOnInverter = behind.length > 0 && (onBattery(supply) || supply.assist === 'on');
  if (!isOnInverter && direct.length === 0) return;
  const isShared = isOnInverter && !onBattery(supply) && (supply.whoCarriesStart ?? 'unknown') !== 'inverter';
  if (isShared && side !== 'against') return;
  const legs = legsOf(rig, supply).map((leg) => {
    const own = isOnInverter ? startsOn(behindOf(rig, starting), leg) : [];
    if (own.length === 0) return steadyInverter(rig, supply, rest, side, leg);
    const whole = during(onLeg(rig, rest, leg), joined(own), side);
    if (!isShared || supply.whoCarriesStart !== 'shared') return { ...whole, isOn: true };
    // The source is known to take its limit of it.
    const limit = supply.inputLimitA! * AC;
    const isOver = whole.va > limit;
    return {
      w: isOver ? whole.w - (whole.w / whole.va) * limit : 0,
      va: isOver ? Math.hypot(Math.max(0, whole.w - limit), whole.n) : 0,
      isOn: isOver,
    };
  });
  const draws = drawsOn(rig, rest, 'dc').map(ofDc);
  const dc = direct.length > 0 ? during(draws, joined(direct), side).w : power(draws, side).w;
  const all = [...(isOnInverter ? behind : []), ...direct];
  const longest = all.reduce((most, each) => (each.seconds.against > most.seconds.against ? each : most));
  yield* batteryRows(rig, legs, dc, side, longest.seconds.against, longest.seconds[side]);
}
