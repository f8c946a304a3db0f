import type { Load, Rig, Supply } from '../../src/rig/schema.js';
import {
  FACTS,
  numberOf,
  power,
  running,
  scaled,
  softened,
  startPf,
  startSeconds,
  times,
  usualStart,
  type Num,
  type Running,
  type Side,
} from './doubtful-numbers.js';
import { breakerCarries } from './naive-check.js';

/**
 * A naive check of whole systems on one pole: locks, shedders, ties, levels, loads ahead of the inverter, DC loads,
 * plugs, the rule of three hours, breakers in series, other loads, generators, unknown ratings, chargers, and
 * unequal batteries. Written from docs/methods.md, sharing no code with core/src: every order and every choice of a
 * lock is tried.
 */
export interface On {
  readonly load: Load;
  readonly state?: string | undefined;
}

const AC = 120;
const DC = 12;
const HOURS = 180;
const CLOSE = 1e-6;

/** What a limit has to carry and what it carries, at one edge, in watts, VA or amps. */
type Row = readonly [demand: number, capacity: number];
type Rows = Generator<Row, void, undefined>;

/** Stops at the first that does not fit. */
function allFit(rows: Iterable<Row>): boolean {
  for (const [demand, capacity] of rows) if (demand > capacity + CLOSE) return false;
  return true;
}

export function naiveSystemVerdict(
  rig: Rig,
  supplyId: string,
  on: readonly On[],
): 'holds' | 'tight' | 'trips' {
  const supply = rig.supplies.find((each) => each.id === supplyId)!;
  const choices = (rig.locks ?? []).length > 0 ? orders(on) : [on];
  const sets = choices.map((order) => whatRuns(rig, supply, order));
  if (sets.some((set) => passes(rig, supply, set, 'against'))) return 'holds';
  return sets.some((set) => passes(rig, supply, set, 'for')) ? 'tight' : 'trips';
}

const circuitOf = (rig: Rig, { load }: On) => rig.circuits.find((each) => each.id === load.circuit)!;
const busOf = (rig: Rig, each: On) => circuitOf(rig, each).bus;

/** What is fed, less what locks and shedders keep off. */
function whatRuns(rig: Rig, supply: Supply, order: readonly On[]): On[] {
  const fed = order.filter((each) => busOf(rig, each) !== 'inlet' || supply.sources.length > 0);
  const free: On[] = [];
  for (const each of fed) {
    const locked = (rig.locks ?? []).some(
      ({ loads }) => loads.includes(each.load.id) && free.some(({ load }) => loads.includes(load.id)),
    );
    if (!locked) free.push(each);
  }
  const has = (id: string) => free.some(({ load }) => load.id === id);
  return free.filter(
    ({ load }) => !(rig.shedders ?? []).some(({ drops, watches }) => drops === load.id && has(watches)),
  );
}

/** Every order of a list. */
export function orders<T>(list: readonly T[]): T[][] {
  return list.length === 0
    ? [[]]
    : list.flatMap((each) => orders(list.filter((other) => other !== each)).map((rest) => [each, ...rest]));
}

// ---- a set at one edge

function passes(rig: Rig, supply: Supply, set: On[], side: Side): boolean {
  const direct = (leader: On): On[] =>
    (rig.ties ?? [])
      .filter((tie) => tie.leader === leader.load.id)
      .flatMap((tie) => set.filter(({ load }) => load.id === tie.follower));
  const followersOf = (leader: On): On[] =>
    direct(leader).flatMap((follower) => [follower, ...followersOf(follower)]);
  const led = new Set(set.flatMap(followersOf));
  const withFollowers = (list: On[]) => [...new Set([...list, ...list.flatMap(followersOf)])];
  const brings = (each: On) => [each, ...followersOf(each)].some(startOf);
  const bears = (before: On[], each: On): boolean => {
    const rest = withFollowers(before.filter((other) => other !== each));
    const tied = followersOf(each);
    const alone = !startOf(each) || allFit(startRows(rig, supply, rest, [each], side));
    return alone && (!tied.some(startOf) || allFit(startRows(rig, supply, rest, [each, ...tied], side)));
  };
  const itself = set.filter(({ load }) => load.usage === 'by-itself');
  const hand = set.filter((each) => !itself.includes(each) && !led.has(each) && brings(each));
  return (
    allFit(steadyRows(rig, supply, set, side)) &&
    itself.filter(brings).every((each) => bears(set, each)) &&
    orders(hand).some((order) =>
      order.every((each, index) => bears(withFollowers([...itself, ...order.slice(0, index)]), each)),
    )
  );
}

// ---- what must be carried for ever

/** A level that lowers the power draws its share of it; one that pulses, or may, draws it whole. */
function drawOf(each: On, partOnLeg = 1): Running {
  const state = each.load.states?.find(({ id }) => id === each.state);
  const share = state?.works === 'lower' ? state.parts[0]!.share : 1;
  return running(each.load, share * partOnLeg);
}

/** A conductor of the inverter's output: what of a load's VA flows there, and what of its rating it has. */
interface Leg {
  readonly part: (each: On) => number;
  readonly rating: number;
}

/** One conductor, or two legs of half the rating each; a load between them has half of its VA on either. */
function legsOf(rig: Rig): Leg[] {
  if (rig.buses.find(({ id }) => id === 'out')!.poles !== 'split-180') return [{ part: () => 1, rating: 1 }];
  return (['l1', 'l2'] as const).map((leg) => ({
    part: (each) => {
      const { pole = 'l1' } = circuitOf(rig, each);
      return pole === 'both' ? 0.5 : pole === leg ? 1 : 0;
    },
    rating: 0.5,
  }));
}

/** Amps of a circuit between the legs are those of half of its VA at the volts of a leg. */
const partOfCircuit = (rig: Rig, each: On): number => (circuitOf(rig, each).pole === 'both' ? 0.5 : 1);

const onLeg = (rig: Rig, set: readonly On[], leg: Leg): Running[] =>
  set
    .filter((each) => busOf(rig, each) === 'out' && leg.part(each) > 0)
    .map((each) => drawOf(each, leg.part(each)));

const drawsOn = (rig: Rig, set: readonly On[], bus: string) =>
  set.filter((each) => busOf(rig, each) === bus).map((each) => drawOf(each));

/** On direct current watts are all there is. */
const ofDc = ({ w }: Running): Running => ({
  w,
  n: { value: 0, minus: 0, plus: 0, tags: w.tags },
  lags: true,
});

/** A stand-alone charger: amps x 13.5 V (14.4 at worst, none at best) over efficiency, power factor 0.70. */
function chargers(rig: Rig, supply: Supply): Running[] {
  if (supply.charging !== 'on' || supply.sources.length === 0) return [];
  return rig.converters
    .filter(({ kind }) => kind === 'charger')
    .map(({ id, chargeA }) => {
      const dc = chargeA! * 13.5;
      const out = { value: dc, minus: dc, plus: dc * (14.4 / 13.5 - 1), tags: [`load:${id}`] };
      const { tags, ...w } = times(out, 1 / 0.92, 1 / 0.85, 1 / 0.8, '');
      const across = (watts: number, pf: number) => watts * Math.sqrt(1 / pf ** 2 - 1);
      const value = across(w.value, 0.7);
      const own = tags.filter(Boolean);
      return {
        w: { ...w, tags: own },
        n: {
          value,
          plus: across(w.value + w.plus, 0.6) - value,
          minus: value - across(w.value - w.minus, 0.8),
          tags: [...own, 'pf:supply-without-correction'],
        },
        lags: false,
      };
    });
}

/**
 * What an inverter/charger lets through of what is behind it, and what it charges with. Its limit is one of current: at
 * best its watts are as few as the power factor of the loads allows.
 */
function share(rig: Rig, supply: Supply, behind: Running[], side: Side) {
  const limit = (supply.inputLimitA ?? Infinity) * AC;
  const inverter = rig.converters[0]!;
  const { w, va } = power(behind, side);
  const charge =
    side === 'against' && supply.charging === 'on' ? ((inverter.chargeA ?? 0) * 14.4) / 0.8 / 0.95 : 0;
  const capped = (value: number) => {
    const own = supply.assist === 'on' ? Math.min(value, limit) : value;
    return Math.max(own, Math.min(limit, own + charge));
  };
  const most = Math.hypot(w, power(behind, 'against').n);
  const isLimited = side === 'for' && supply.assist === 'on' && most > limit;
  const fewest = (limit * w) / most;
  return { w: isLimited ? fewest : capped(w), va: capped(va), added: Math.max(0, capped(va) - va) };
}

/** What the source gives: loads ahead and chargers, and what goes through the inverter/charger. */
function fromSource(rig: Rig, supply: Supply, set: readonly On[], side: Side) {
  const ahead = power([...drawsOn(rig, set, 'inlet'), ...chargers(rig, supply)], side);
  const through = share(rig, supply, drawsOn(rig, set, 'out'), side);
  return { w: ahead.w + through.w, va: ahead.va + through.va };
}

export function* steadyRows(rig: Rig, supply: Supply, set: On[], side: Side): Rows {
  const lasting = set.filter(({ load }) => (load.runsMinutes ?? 0) >= HOURS);
  for (const circuit of rig.circuits) yield* circuitRows(rig, circuit.id, set, lasting, side);
  for (const each of set) yield* cordRows(rig, each, side);
  yield* sourceRows(rig, supply, set, lasting, side);
  const legs = legsOf(rig);
  for (const leg of legs) yield* inverterRows(rig, supply, set, side, leg);
  const given = legs.map((leg) => steadyInverter(rig, supply, set, side, leg));
  yield* batteryRows(rig, given, dcWatts(rig, set, side), side);
}

function ampsOn(rig: Rig, circuitId: string, set: readonly On[], side: Side): number {
  const circuit = rig.circuits.find(({ id }) => id === circuitId)!;
  const draws = set
    .filter(({ load }) => load.circuit === circuitId)
    .map((each) => drawOf(each, partOfCircuit(rig, each)));
  return circuit.bus === 'dc' ? power(draws.map(ofDc), side).va / DC : power(draws, side).va / AC;
}

function* circuitRows(rig: Rig, circuitId: string, set: On[], lasting: On[], side: Side): Rows {
  const { protection, receptacleA = Infinity, bus } = rig.circuits.find(({ id }) => id === circuitId)!;
  const amps = ampsOn(rig, circuitId, set, side);
  const hours = bus === 'dc' ? 0 : ampsOn(rig, circuitId, lasting, side);
  yield [amps, protection.amps * (side === 'against' ? 1 : 1.35)];
  yield [amps, receptacleA];
  if (side === 'against') yield* [protection.amps, receptacleA].map((amps): Row => [hours, 0.8 * amps]);
}

function* cordRows(rig: Rig, each: On, side: Side): Rows {
  const plug = each.load.cord?.plugA ?? Infinity;
  const isDc = busOf(rig, each) === 'dc';
  const amps = isDc
    ? power([ofDc(drawOf(each))], side).va / DC
    : power([drawOf(each, partOfCircuit(rig, each))], side).va / AC;
  yield [amps, plug];
  const isLong = !isDc && (each.load.runsMinutes ?? 0) >= HOURS;
  if (isLong && side === 'against') yield [amps, 0.8 * plug];
}

const isOnSource = (rig: Rig, supply: Supply, set: readonly On[]) =>
  supply.sources.length > 0 &&
  (chargers(rig, supply).length > 0 || set.some((each) => busOf(rig, each) !== 'dc'));

const sourceOf = (rig: Rig, supply: Supply) => rig.sources.find(({ id }) => supply.sources.includes(id))!;

/** No more than Tight, whatever is asked of it. */
const unknownRating = (va: number, side: Side): Row => [va, side === 'for' ? Infinity : 0];

function* sourceRows(rig: Rig, supply: Supply, set: On[], lasting: On[], side: Side): Rows {
  if (!isOnSource(rig, supply, set)) return;
  const { w, va } = fromSource(rig, supply, set, side);
  const source = sourceOf(rig, supply);
  if (source.kind === 'generator') {
    const { continuousW, continuousVA } = source;
    if (!continuousW || !continuousVA) yield unknownRating(va, side);
    else
      yield* [
        [w, continuousW.value],
        [va, continuousVA.value],
      ] satisfies Row[];
    return;
  }
  if (!supply.breaker) yield unknownRating(va, side);
  const hours = isOnSource(rig, supply, lasting) ? fromSource(rig, supply, lasting, side).va / AC : 0;
  for (const { amps, others } of breakersOf(rig, supply)) {
    yield [va / AC + others, amps * (side === 'against' ? 1 : 1.35)];
    if (side === 'against' && hours > 0) yield [hours + others, 0.8 * amps];
  }
}

/** One behind the other; what others draw hangs on the first that is known. */
function breakersOf(rig: Rig, supply: Supply) {
  const own = sourceOf(rig, supply).breaker;
  const others = supply.otherLoadsA?.value ?? 0;
  return [
    ...(supply.breaker ? [{ amps: supply.breaker.amps, others }] : []),
    ...(own ? [{ amps: own.amps, others: supply.breaker ? 0 : others }] : []),
  ];
}

const onBattery = (supply: Supply) => supply.sources.length === 0;

/** What an inverter gives; one that is on draws its idle watts, whatever it gives. */
interface Inverter {
  readonly w: number;
  readonly va: number;
  readonly isOn: boolean;
}

/** What the inverter gives: all of it, what a limit leaves, or nothing. */
function steadyInverter(rig: Rig, supply: Supply, set: readonly On[], side: Side, leg: Leg): Inverter {
  const draws = onLeg(rig, set, leg);
  const { w, n, va } = power(draws, side);
  if (onBattery(supply)) return { w, va, isOn: va > 0 };
  const limit = (supply.inputLimitA ?? Infinity) * AC;
  const isOn = supply.assist === 'on' && power(draws, 'against').va > limit;
  if (!isOn || va <= limit) return { w: 0, va: 0, isOn };
  return side === 'against'
    ? { w: w - (w / va) * limit, va: Math.hypot(Math.max(0, w - limit), n), isOn }
    : { w: Math.max(0, w - limit), va: va - limit, isOn };
}

function* inverterRows(rig: Rig, supply: Supply, set: readonly On[], side: Side, leg: Leg): Rows {
  const { continuousW, continuousVA, tiers } = rig.converters[0]!;
  const { w, va, isOn } = steadyInverter(rig, supply, set, side, leg);
  const behind = set.filter((each) => busOf(rig, each) === 'out' && leg.part(each) > 0);
  if (!isOn) return;
  const crest = (each: On) => FACTS[each.load.parts[0]!.kind]!.crest;
  const peak = behind.reduce((sum, each) => {
    const draw = drawOf(each, leg.part(each));
    const at = (x: Num) => (side === 'against' ? x.value + x.plus : x.value - x.minus);
    return (
      sum +
      ((side === 'against' ? (crest(each) ?? Math.SQRT2) : Math.SQRT2) / Math.SQRT2) *
        Math.hypot(at(draw.w), at(draw.n))
    );
  }, 0);
  const help = side === 'for' && !onBattery(supply) ? supply.inputLimitA! * AC : 0;
  const top = leg.rating * Math.max(continuousVA.value, ...tiers.map(({ limit }) => limit.value)) + help;
  yield [w, leg.rating * continuousW.value];
  yield [va, leg.rating * continuousVA.value];
  if (behind.some(crest)) yield [peak, top];
}

const dcWatts = (rig: Rig, set: readonly On[], side: Side) =>
  power(drawsOn(rig, set, 'dc').map(ofDc), side).w;

/** A sagging bank of unequal batteries: cut-off of the inverter, and the least of rating over share. */
function* batteryRows(rig: Rig, legs: readonly Inverter[], dc: number, side: Side): Rows {
  const { idleW, efficiencyPeak, efficiencyFull, continuousW, cutOffV } = rig.converters[0]!;
  const [idle, peak, full, rated] = [idleW!, efficiencyPeak!, efficiencyFull!, continuousW].map(
    (q) => q.value,
  );
  const b = ((Math.sqrt(idle! / rated!) + Math.sqrt(1 / full! - 1 / peak!)) / Math.sqrt(rated!)) ** 2;
  const a = 1 / peak! - 2 * Math.sqrt(idle! * b);
  const isOn = legs.some((leg) => leg.isOn);
  // each leg has its share of the resistance, so the whole of it where there is one
  const drawn = legs.map(({ w, va }) => w + (a - 1) * va + b * legs.length * va * va);
  const watts = dc + (isOn ? idle! + drawn.reduce((sum, each) => sum + each, 0) : 0);
  if (watts === 0) return;
  const volts = rig.batteries[0]!.restV!.value;
  const contacts = 6 * (side === 'against' ? 0.0002 : 0.0001);
  const ohms = 1 / rig.batteries.reduce((sum, each) => sum + 1 / (each.ohms! + contacts), 0);
  if (isOn) yield [watts, (cutOffV! * (volts - cutOffV!)) / ohms];
  const root = volts * volts - 4 * ohms * watts;
  const amps = root < 0 ? (2 * watts) / volts : (2 * watts) / (volts + Math.sqrt(root));
  const conductance = rig.batteries.map((each) => 1 / (each.ohms! + 6 * 0.00015));
  const whole = conductance.reduce((sum, each) => sum + each, 0);
  for (const [index, { dischargeA = Infinity }] of rig.batteries.entries())
    yield [(amps * conductance[index]!) / whole, dischargeA];
}

// ---- one start, or several in the same moment, on top of what runs

interface Start {
  va: Num;
  pf: [number, number];
  seconds: { against: number; for: number };
  lags: boolean;
}

export function startOf({ load }: On): Start | undefined {
  const part = load.parts[0]!;
  const { start, kind } = part;
  if (!start && !FACTS[kind]!.multiple) return undefined;
  const known = start ? numberOf(load, part, start.va!, 'start') : usualStart(load, part);
  return {
    va: softened(known, part),
    pf: startPf(part),
    seconds: { against: startSeconds(load, 'against'), for: startSeconds(load, 'for') },
    lags: FACTS[kind]!.lags,
  };
}

/** The start of a load on a DC bus: amps of the bus, no power factor. */
function dcStartOf(each: On): Start | undefined {
  const start = startOf(each);
  const { load } = each;
  const part = load.parts[0]!;
  if (!start) return undefined;
  const usual = { ...FACTS[part.kind]!, pf: [1, 1, 1] };
  const va = part.start ? start.va : usualStart(load, part, usual);
  return { ...start, va, pf: [1, 1] };
}

function joined(starts: Start[]): Start {
  return starts.reduce((sum, each) => ({
    va: {
      value: sum.va.value + each.va.value,
      minus: sum.va.minus + each.va.minus,
      plus: sum.va.plus + each.va.plus,
      tags: [...sum.va.tags, ...each.va.tags],
    },
    pf: [Math.min(sum.pf[0], each.pf[0]), Math.max(sum.pf[1], each.pf[1])],
    seconds: sum.seconds.against >= each.seconds.against ? sum.seconds : each.seconds,
    lags: sum.lags && each.lags,
  }));
}

const STEPS = 40;

/** Every power factor of the band in steps, then in steps of steps about the one that counts. */
function during(rest: Running[], start: Start, side: Side) {
  const { va, lags } = start;
  const at = (pf: number) =>
    power([...rest, { w: scaled(va, pf), n: scaled(va, Math.sqrt(1 - pf * pf)), lags }], side);
  const isBetter = (a: number, b: number) => (side === 'against' ? a > b : a < b);
  let [lo, hi] = start.pf;
  const ends = [at(lo), at(hi)];
  const pick = side === 'against' ? Math.max : Math.min;
  const found = { w: pick(ends[0]!.w, ends[1]!.w), va: pick(ends[0]!.va, ends[1]!.va) };
  for (let round = 0; round < 3; round += 1) {
    const width = (hi - lo) / STEPS;
    let [best, bestVA] = [lo, at(lo).va];
    for (let step = 1; step <= STEPS; step += 1) {
      const { va: there } = at(lo + step * width);
      if (isBetter(there, bestVA)) [best, bestVA] = [lo + step * width, there];
    }
    found.va = pick(found.va, bestVA);
    [lo, hi] = [Math.max(start.pf[0], best - width), Math.min(start.pf[1], best + width)];
  }
  return found;
}

export function* startRows(rig: Rig, supply: Supply, before: On[], group: On[], side: Side): Rows {
  const rest = [...before.filter((each) => !group.includes(each)), ...group.filter((each) => !startOf(each))];
  const starting = group.filter(startOf);
  const circuits = new Set(starting.map(({ load }) => load.circuit));
  for (const id of circuits) yield* circuitStartRows(rig, id, rest, starting, side);
  yield* inverterStartRows(rig, supply, rest, starting, side);
  yield* sourceStartRows(rig, supply, rest, starting, side);
  yield* batteryStartRows(rig, supply, rest, starting, side);
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
  yield [amps, breakerCarries(protection.amps, ampsOn(rig, id, rest, side), start.seconds[side], side)];
}

const behindOf = (rig: Rig, set: On[]) => set.filter((each) => busOf(rig, each) === 'out');

function tierOf(
  rating: {
    continuousVA: { value: number };
    tiers: readonly { limit: { value: number }; seconds: number }[];
  },
  seconds: number,
) {
  const outlasting = rating.tiers.filter((tier) => tier.seconds >= seconds).map(({ limit }) => limit.value);
  return Math.max(rating.continuousVA.value, ...outlasting);
}

function* inverterStartRows(rig: Rig, supply: Supply, rest: On[], starting: On[], side: Side): Rows {
  for (const leg of legsOf(rig)) yield* legStartRows(rig, supply, rest, starting, side, leg);
}

/** The starts on a leg, each with what of it flows there. */
const startsOn = (rig: Rig, starting: readonly On[], leg: Leg): Start[] =>
  starting
    .filter((each) => busOf(rig, each) === 'out' && leg.part(each) > 0)
    .map((each) => {
      const start = startOf(each)!;
      return { ...start, va: scaled(start.va, leg.part(each)) };
    });

function* legStartRows(rig: Rig, supply: Supply, rest: On[], starting: On[], side: Side, leg: Leg): Rows {
  const own = startsOn(rig, starting, leg);
  if (own.length === 0 || (!onBattery(supply) && supply.assist !== 'on')) return;
  const inverter = rig.converters[0]!;
  const start = joined(own);
  const { w, va } = during(onLeg(rig, rest, leg), start, side);
  const tier = leg.rating * tierOf(inverter, start.seconds[side]);
  const perVA = inverter.continuousW.value / inverter.continuousVA.value;
  const help = onBattery(supply) ? 0 : helpOf(rig, supply, rest, start, side);
  yield [va, tier + help];
  yield [w, tier * perVA + help];
}

/** What the source adds to a start behind the inverter, by who carries it. */
function helpOf(rig: Rig, supply: Supply, rest: On[], start: Start, side: Side): number {
  const who = supply.whoCarriesStart ?? 'unknown';
  const limit = supply.inputLimitA! * AC;
  if (who === 'inverter') return 0;
  if (side === 'against') return who === 'shared' ? limit : 0;
  const ahead = power([...drawsOn(rig, rest, 'inlet'), ...chargers(rig, supply)], side).va / AC;
  const behind = Math.min(power(drawsOn(rig, rest, 'out'), side).va, limit) / AC;
  const carried = breakersOf(rig, supply).map(
    ({ amps }) => breakerCarries(amps, ahead + behind, start.seconds.for, 'for') - ahead,
  );
  return carried.length > 0 ? Math.max(limit, Math.min(...carried) * AC) : limit;
}

/** A start behind the inverter is carried by the source too, unless it is known, or at best, that it is not. */
function reachesSource(rig: Rig, supply: Supply, each: On, side: Side): boolean {
  if (busOf(rig, each) === 'inlet') return true;
  const isUnknown = (supply.whoCarriesStart ?? 'unknown') === 'unknown';
  return supply.assist !== 'on' || (isUnknown && side === 'against');
}

function* sourceStartRows(rig: Rig, supply: Supply, rest: On[], group: On[], side: Side): Rows {
  if (onBattery(supply)) return;
  const onAc = group.filter((each) => busOf(rig, each) !== 'dc');
  const starting = onAc.filter((each) => reachesSource(rig, supply, each, side));
  yield* seenBySource(rig, supply, rest, onAc, starting, side);
  // Whoever takes those behind, those ahead start on the source.
  const surely = onAc.filter((each) => reachesSource(rig, supply, each, 'for'));
  if (surely.length < starting.length) yield* seenBySource(rig, supply, rest, onAc, surely, side);
}

function* seenBySource(rig: Rig, supply: Supply, rest: On[], onAc: On[], starting: On[], side: Side): Rows {
  if (starting.length === 0) return;
  const start = joined(starting.map((each) => startOf(each)!));
  const running = [...rest, ...onAc.filter((each) => !starting.includes(each))];
  // Beside a start ahead stands what is let through, charging with it, whatever else starts behind.
  const isBehind = starting.every((each) => busOf(rig, each) === 'out');
  const seen = seenAtStart(rig, supply, running, isBehind, side);
  const sum = during(seen.draws, start, side);
  const at = { w: sum.w + seen.beside.w, va: sum.va + seen.beside.va };
  if (sourceOf(rig, supply).kind === 'generator') {
    yield* generatorStartRows(rig, supply, at, start.seconds[side]);
    return;
  }
  const before = (power(seen.draws, side).va + seen.beside.va) / AC;
  for (const { amps, others } of breakersOf(rig, supply))
    yield [at.va / AC + others, breakerCarries(amps, before + others, start.seconds[side], side)];
}

/** A start behind reaches the source whole, beside charging; one ahead stands beside what is let through. */
function seenAtStart(rig: Rig, supply: Supply, rest: On[], isBehind: boolean, side: Side) {
  const ahead = [...drawsOn(rig, rest, 'inlet'), ...chargers(rig, supply)];
  const behind = drawsOn(rig, rest, 'out');
  const sum = power(behind, side);
  const through = share(rig, supply, behind, side);
  if (!isBehind) return { draws: ahead, beside: { w: through.w, va: through.va } };
  const charging = { w: Math.max(0, through.w - sum.w), va: through.added };
  const beside = supply.assist === 'on' ? { w: 0, va: 0 } : charging;
  return { draws: [...ahead, ...behind], beside };
}

function* generatorStartRows(rig: Rig, supply: Supply, at: { w: number; va: number }, seconds: number): Rows {
  const { continuousW, continuousVA, tiers = [] } = sourceOf(rig, supply);
  if (!continuousW || !continuousVA) return;
  const tier = tierOf({ continuousVA, tiers }, seconds);
  yield [at.va, tier];
  yield [at.w, (tier * continuousW.value) / continuousVA.value];
}

function* batteryStartRows(rig: Rig, supply: Supply, rest: On[], starting: On[], side: Side): Rows {
  const behind = behindOf(rig, starting).map((each) => startOf(each)!);
  const direct = starting.filter((each) => busOf(rig, each) === 'dc').map((each) => dcStartOf(each)!);
  const isOnInverter = behind.length > 0 && (onBattery(supply) || supply.assist === 'on');
  if (!isOnInverter && direct.length === 0) return;
  const isShared = isOnInverter && !onBattery(supply) && (supply.whoCarriesStart ?? 'unknown') !== 'inverter';
  if (isShared && side === 'for') return;
  const legs = legsOf(rig).map((leg) => {
    const own = isOnInverter ? startsOn(rig, starting, leg) : [];
    if (own.length === 0) return steadyInverter(rig, supply, rest, side, leg);
    return { ...during(onLeg(rig, rest, leg), joined(own), side), isOn: true };
  });
  const draws = drawsOn(rig, rest, 'dc').map(ofDc);
  const dc = direct.length > 0 ? during(draws, joined(direct), side).w : power(draws, side).w;
  yield* batteryRows(rig, legs, dc, side);
}
