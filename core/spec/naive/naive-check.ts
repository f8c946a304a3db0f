import type { Load, Rig } from '../../src/rig-file/schema.js';
import {
  FACTS,
  numberOf,
  power,
  running,
  scaled,
  softened,
  startPf,
  startSeconds,
  usualStart,
  verdictOf,
  type Edge,
  type NaiveVerdict,
  type Num,
  type Running,
  type Side,
} from './doubtful-numbers.js';

/**
 * A second check, written for clearness by reading methods.md and sharing no code with core/src: plain
 * loops, every order tried, every power factor of a band scanned. It covers one inverter/charger on
 * one pole or on two legs: watts, VA, surge tiers, branch and source breakers (UL 489 up to 30 A), shore
 * with or without assist, soft starters, and on battery the DC side. The fuzz beside it compares verdicts.
 */
const VOLTS = 120;

export function naiveVerdict(rig: Rig, supplyId: string, on: readonly string[]): NaiveVerdict {
  return verdictOf((side) => passes(rig, supplyId, on, side));
}

function passes(rig: Rig, supplyId: string, on: readonly string[], side: Side): boolean {
  const loads = rig.loads.filter((load) => on.includes(load.id));
  const itself = loads.filter(startsByItself);
  const spiky = loads.filter((load) => !startsByItself(load) && hasStart(load));
  if (!runs(rig, supplyId, loads, side)) return false;
  const anyMoment = loads.filter((load) => startsByItself(load) || load.usage === 'during-work');
  if (anyMoment.some((load) => hasStart(load) && !starts(rig, supplyId, without(loads, load), load, side)))
    return false;
  return orders(spiky).some((order) =>
    order.every((load, i) => starts(rig, supplyId, [...itself, ...order.slice(0, i)], load, side)),
  );
}

/** Rule 44: nobody switches a hermetic compressor by hand. */
export const startsByItself = ({ usage, parts: [part] }: Load) =>
  usage === 'by-itself' || part!.kind === 'hermetic-rotary';

/** A motor starts whether or not anything is entered. */
const hasStart = ({ parts: [part] }: Load) => part!.start ?? FACTS[part!.kind]!.multiple;

const without = (loads: Load[], load: Load) => loads.filter((other) => other !== load);

function orders(loads: Load[]): Load[][] {
  return loads.length === 0
    ? [[]]
    : loads.flatMap((load) => orders(without(loads, load)).map((rest) => [load, ...rest]));
}

/** A conductor: what part of a load's current it carries, and of the unit's rating. */
interface Leg {
  part: (load: Load) => number;
  rating: number;
}

function legsOf(rig: Rig): Leg[] {
  if (rig.buses.find((bus) => bus.id === 'out')!.poles !== 'split-180') return [{ part: () => 1, rating: 1 }];
  const poleOf = (load: Load) => rig.circuits.find((circuit) => circuit.id === load.circuit)!.pole;
  return ['l1', 'l2'].map((pole) => ({
    part: (load: Load) => (poleOf(load) === 'both' ? 0.5 : poleOf(load) === pole ? 1 : 0),
    rating: 0.5,
  }));
}

/** A load between the legs draws half of its VA at half of its volts, so the amps of one leg. */
const ampsPart = (rig: Rig, load: Load) =>
  rig.circuits.find((circuit) => circuit.id === load.circuit)!.pole === 'both' ? 0.5 : 1;

// ---- what must be carried for ever

function runs(rig: Rig, supplyId: string, loads: Load[], side: Side): boolean {
  const breakers = rig.circuits.every((circuit) => {
    const own = loads.filter((load) => load.circuit === circuit.id);
    const va = power(
      own.map((load) => running(load, ampsPart(rig, load))),
      side,
    ).va;
    return va / VOLTS <= circuit.protection.amps * STEADY[side] + 1e-9;
  });
  return (
    breakers &&
    legsOf(rig).every((leg) => runsOnLeg(rig, supplyId, loads, leg, side)) &&
    batteryBears(rig, supplyId, (leg) => powerOn(leg, loads, side), side)
  );
}

function powerOn(leg: Leg, loads: Load[], side: Side) {
  return power(
    loads.filter((load) => leg.part(load) > 0).map((load) => running(load, leg.part(load))),
    side,
  );
}

function runsOnLeg(rig: Rig, supplyId: string, loads: Load[], leg: Leg, side: Side): boolean {
  const converter = rig.converters[0]!;
  const supply = rig.supplies.find((each) => each.id === supplyId)!;
  const all = powerOn(leg, loads, side);
  const W = converter.continuousW.value * leg.rating;
  const VA = converter.continuousVA.value * leg.rating;
  if (supply.sources.length === 0)
    return all.w <= W + 1e-6 && all.va <= VA + 1e-6 && peaksFit(converter, loads, leg, side);
  const limit = supply.assist === 'on' ? supply.inputLimitA! * VOLTS : Infinity;
  const source = Math.min(all.va, limit) / VOLTS;
  if (source > supply.breaker!.amps * STEADY[side] + 1e-9) return false;
  if (all.va <= limit) return true;
  const help = side === 'against' ? 0 : limit;
  return peaksFit(converter, loads, leg, side, help) && addedFits(all, limit, { W, VA }, side);
}

/** What an inverter adds to a source of so many VA. */
function addedFits(
  all: { w: number; n: number; va: number },
  limit: number,
  { W, VA }: { W: number; VA: number },
  side: Side,
): boolean {
  if (side === 'against') {
    const share = Math.hypot(Math.max(0, all.w - limit), all.n);
    return share <= VA + 1e-6 && all.w - (all.w / all.va) * limit <= W + 1e-6;
  }
  if (side === 'stated') return all.va - limit <= VA + 1e-6 && all.w - (all.w / all.va) * limit <= W + 1e-6;
  return all.va - limit <= VA + 1e-6 && all.w - limit <= W + 1e-6;
}

/** Electronics draw their current in peaks: three times the rms, where a sine has 1.41. */
function peaksFit(
  converter: Rig['converters'][number],
  loads: Load[],
  leg: Leg,
  side: Side,
  help = 0,
): boolean {
  const here = loads.filter((load) => leg.part(load) > 0);
  if (!here.some((load) => FACTS[load.parts[0]!.kind]!.crest)) return true;
  const peak = here.reduce((sum, load) => {
    const { w, n } = running(load, leg.part(load));
    const at = (number: Num) => number.value + { against: number.plus, stated: 0, for: -number.minus }[side];
    const crest = side === 'for' ? Math.SQRT2 : (FACTS[load.parts[0]!.kind]!.crest ?? Math.SQRT2);
    return sum + (crest / Math.SQRT2) * Math.hypot(at(w), at(n));
  }, 0);
  const tiers = converter.tiers.map((tier) => tier.limit.value);
  return peak <= Math.max(converter.continuousVA.value, ...tiers) * leg.rating + help + 1e-6;
}

// ---- the battery: current of a sagging source, and the volts at the inverter

function batteryBears(
  rig: Rig,
  supplyId: string,
  on: (leg: Leg) => { w: number; va: number },
  side: Side,
): boolean {
  const battery = rig.batteries[0]!;
  const { idleW, efficiencyPeak, efficiencyFull, continuousW, cutOffV } = rig.converters[0]!;
  if (supplyId !== 'battery' || battery.ohms === undefined) return true;
  const [idle, peak, full, rated] = [idleW!, efficiencyPeak!, efficiencyFull!, continuousW].map(
    (q) => q.value,
  );
  let b = ((Math.sqrt(idle! / rated!) + Math.sqrt(1 / full! - 1 / peak!)) / Math.sqrt(rated!)) ** 2;
  let a = 1 / peak! - 2 * Math.sqrt(idle! * b);
  if (a < 1) [a, b] = [1, Math.max(0, 1 / full! - 1 - idle! / rated!) / rated!];
  let watts = 0;
  for (const leg of legsOf(rig)) {
    const { w, va } = on(leg);
    if (va > 0) watts += (watts === 0 ? idle! : 0) + w + (a - 1) * va + (b / leg.rating) * va * va;
  }
  const ohms = battery.ohms + 6 * { against: 0.0002, stated: 0.00015, for: 0.0001 }[side];
  const volts = battery.restV!.value;
  const root = volts * volts - 4 * ohms * watts;
  if (watts > (cutOffV! * (volts - cutOffV!)) / ohms + 1e-6 || root < 0) return false;
  return (2 * watts) / (volts + Math.sqrt(root)) <= battery.dischargeA! + 1e-9;
}

// ---- one start on top of what runs

export const atAll = <T>(of: (side: Side) => T): Record<Side, T> => ({
  against: of('against'),
  stated: of('stated'),
  for: of('for'),
});

const secondsAt = (load: Load) => atAll((side) => startSeconds(load, side));

function starts(rig: Rig, supplyId: string, rest: Load[], load: Load, side: Side): boolean {
  const circuit = rig.circuits.find((each) => each.id === load.circuit)!;
  const mates = rest.filter((other) => other.circuit === circuit.id);
  const part = ampsPart(rig, load);
  const branch = startPower(mates, load, side, () => part).va / VOLTS;
  const preload = atAll((edge) => amps(mates, edge, () => part));
  if (branch > breakerCarries(circuit.protection.amps, preload, secondsAt(load), side) + 1e-9) return false;
  const onLeg = (leg: Leg) =>
    leg.part(load) > 0 ? startPower(rest, load, side, leg.part) : powerOn(leg, rest, side);
  return (
    legsOf(rig).every((leg) => leg.part(load) === 0 || startsOnLeg(rig, supplyId, rest, load, leg, side)) &&
    turns(rig, supplyId, rest, load, side) &&
    batteryBears(rig, supplyId, onLeg, side)
  );
}

function startsOnLeg(rig: Rig, supplyId: string, rest: Load[], load: Load, leg: Leg, side: Side): boolean {
  const converter = rig.converters[0]!;
  const supply = rig.supplies.find((each) => each.id === supplyId)!;
  const seconds = startSeconds(load, side);
  const total = startPower(rest, load, side, leg.part);
  const tierVA =
    leg.rating *
    Math.max(
      converter.continuousVA.value,
      ...converter.tiers.filter((tier) => tier.seconds >= seconds).map((tier) => tier.limit.value),
    );
  const tierW = (tierVA * converter.continuousW.value) / converter.continuousVA.value;
  const inverterAlone = total.va <= tierVA + 1e-6 && total.w <= tierW + 1e-6;
  if (supply.sources.length === 0) return inverterAlone;

  const breaker = supply.breaker!.amps;
  const before = atAll((edge) => amps(rest, edge, leg.part));
  const carries = (preload: Record<Side, number>) => breakerCarries(breaker, preload, secondsAt(load), side);
  if (supply.assist !== 'on') return total.va / VOLTS <= carries(before) + 1e-9;
  const limit = supply.inputLimitA! * VOLTS;
  const who = supply.whoCarriesStart ?? 'unknown';
  if (who === 'inverter') return inverterAlone;
  if (side === 'against') {
    if (who === 'shared') return total.va <= tierVA + limit + 1e-6 && total.w <= tierW + limit + 1e-6;
    return inverterAlone && total.va / VOLTS <= carries(before) + 1e-9;
  }
  // As entered and at best both carry it, whether that is known or not.
  const preload = atAll((edge) => Math.min(before[edge], limit / VOLTS));
  const source = Math.max(limit, carries(preload) * VOLTS);
  return total.va <= tierVA + source + 1e-6 && total.w <= tierW + source + 1e-6;
}

function amps(loads: Load[], side: Side, partOf: (load: Load) => number): number {
  const here = loads.filter((load) => partOf(load) > 0);
  return (
    power(
      here.map((load) => running(load, partOf(load))),
      side,
    ).va / VOLTS
  );
}

/** Rule 40: volts at a motor as it starts, with what lies before it, and what it needs. */
function turns(rig: Rig, supplyId: string, rest: Load[], load: Load, side: Side): boolean {
  if (!FACTS[load.parts[0]!.kind]!.motor) return true;
  const volts = ampsPart(rig, load) === 0.5 ? 2 * VOLTS : VOLTS;
  const { ohms, isInverter } = beforeMotor(rig, supplyId, volts, side);
  const leg = legsOf(rig).find((each) => each.part(load) > 0)!;
  const others = rest.filter((other) => legsOf(rig).find((each) => each.part(other) > 0) === leg);
  const runs = power(
    others.map((other) => running(other, 1)),
    side,
  ).va;
  const dropped = isInverter ? 0 : (ohms * runs) / volts;
  const part = load.parts[0]!;
  const va = softened(
    part.start ? numberOf(load, part, part.start.va!, 'start') : usualStart(load, part),
    part,
  );
  const size = va.value + { against: va.plus, stated: 0, for: -va.minus }[side];
  const [low, usual, high] = startPf(part);
  const lost = (side === 'stated' ? [usual] : [low, high]).map(
    (pf) => volts - (volts - dropped) * (1 - dipOf({ r: ohms, x: 0 }, volts, size, pf)),
  );
  const worst = side === 'for' ? Math.min(...lost) : Math.max(...lost);
  return worst <= volts * mayLose(side) + 1e-9;
}

/** What lies before a motor: an inverter, a post, or one beside the other. */
function beforeMotor(rig: Rig, supplyId: string, volts: number, side: Side) {
  const supply = rig.supplies.find((each) => each.id === supplyId)!;
  const rating = rig.converters[0]!.continuousVA.value * legsOf(rig)[0]!.rating;
  const inverter = (INVERTER_OHMS[side] * volts ** 2) / rating;
  const who = supply.whoCarriesStart ?? 'unknown';
  const isAssisted = supply.assist === 'on';
  if (supply.sources.length === 0 || (isAssisted && who === 'inverter'))
    return { ohms: inverter, isInverter: true };
  const post = POST_OHMS[side];
  const isAlone = !isAssisted || (side === 'against' && who === 'unknown');
  const both = inverter + post > 0 ? (post * inverter) / (post + inverter) : 0;
  return { ohms: isAlone ? post : both, isInverter: false };
}

export const INVERTER_OHMS: Record<Side, number> = { against: 0.05, stated: 0.03, for: 0 };
export const POST_OHMS: Record<Side, number> = { against: 0.2, stated: 0.1, for: 0.05 };

/** A divider: what a source of some impedance loses of its volts to a rotor of so many VA at some power factor. */
export function dipOf(source: { r: number; x: number }, volts: number, va: number, pf: number): number {
  const z = volts ** 2 / va;
  return 1 - z / Math.hypot(source.r + z * pf, source.x + z * Math.sqrt(1 - pf * pf));
}

/** A fifth of its volts at worst; else until the torque, with the square of the volts, is that of the load. */
export const mayLose = (side: Side): number => (side === 'against' ? 0.2 : 1 - Math.sqrt(0.45));

/** UL 489: what it holds, the geometric mean of that and what it is bound to trip at, and that (rules 7 and 35). */
export const STEADY: Record<Side, number> = { against: 1, stated: Math.sqrt(1.35), for: 1.35 };

/**
 * UL 489 up to 30 A: may curve k 1.05, tau 37.22, pick-up 5; will curve k 1.35, tau 221, pick-up 20; peak 1.1. Heat moves
 * what bends, not what is magnetic.
 */
export function breakerCarries(
  printed: number,
  preload: Record<Side, number>,
  seconds: Record<Side, number>,
  side: Side,
  heatAt: (edge: Side) => number = () => 1,
): number {
  const against = breakerCurve(printed, preload.against, seconds.against, 'against', heatAt);
  if (side === 'against') return against;
  // what is carried at a worse reading is carried at a better one
  const usual = Math.max(against, breakerUsuallyCarries(printed, preload.stated, seconds.stated, heatAt));
  return side === 'stated'
    ? usual
    : Math.max(usual, breakerCurve(printed, preload.for, seconds.for, 'for', heatAt));
}

function breakerCurve(
  printed: number,
  preload: number,
  seconds: number,
  side: Edge,
  heatAt: (edge: Side) => number,
): number {
  const rated = printed * heatAt(side);
  const [k, tau, pickUp, warmest] = side === 'against' ? [1.05, 37.22, 5, 1] : [1.35, 221, 20, 1.35];
  const theta = Math.min(preload / rated, warmest) ** 2;
  const gone = Math.exp(-seconds / tau);
  let multiple = Math.sqrt((k * k - theta * gone) / (1 - gone));
  // below 200 % a trip is promised only within the hour
  if (side === 'for') multiple = Math.max(multiple, 2);
  return Math.min(rated * multiple, (printed * pickUp) / 1.1);
}

/** Rule 35: where the geometric mean of both times is the time asked for, found by walking; both releases likewise. */
function breakerUsuallyCarries(
  printed: number,
  preload: number,
  seconds: number,
  heatAt: (edge: Side) => number,
): number {
  const [may, will] = [printed * heatAt('against'), printed * heatAt('for')];
  const tripsAfter = (x: number, theta: number, k: number, tau: number) =>
    x <= k ? Infinity : tau * Math.log(Math.max(1, (x * x - theta) / (x * x - k * k)));
  const thetaMay = Math.min(1, preload / may) ** 2;
  const thetaWill = Math.min(STEADY.stated, preload / will) ** 2;
  // from the hour at 135 % straight on logarithmic paper to the time at 200 %, and then the curve
  const bound = (x: number) => {
    if (x <= 1.35) return 3600;
    if (x >= 2) return tripsAfter(x, thetaWill, 1.35, 221);
    const at200 = tripsAfter(2, thetaWill, 1.35, 221);
    const share = (Math.log(x) - Math.log(1.35)) / (Math.log(2) - Math.log(1.35));
    return Math.exp(Math.log(3600) + share * (Math.log(at200) - Math.log(3600)));
  };
  const mean = (amps: number) =>
    Math.sqrt(tripsAfter(amps / may, thetaMay, 1.05, 37.22) * bound(amps / will));
  let amps = 0;
  for (let step = printed; step > printed * 1e-9; step /= 2)
    while (mean(amps + step) >= seconds) amps += step;
  return Math.min(amps, (printed * Math.sqrt(5 * 20)) / 1.1);
}

function startPower(rest: Load[], load: Load, side: Side, partOf: (load: Load) => number) {
  const part = load.parts[0]!;
  const known = part.start ? numberOf(load, part, part.start.va!, 'start') : usualStart(load, part);
  const va = scaled(softened(known, part), partOf(load));
  const others = rest.filter((other) => partOf(other) > 0).map((other) => running(other, partOf(other)));
  const [lo, usual, hi] = startPf(part);
  if (side === 'stated')
    return power(
      [
        ...others,
        { w: scaled(va, usual), n: scaled(va, Math.sqrt(1 - usual * usual)), lags: FACTS[part.kind]!.lags },
      ],
      side,
    );
  let best: { w: number; va: number } | undefined;
  const STEPS = 600;
  for (let step = 0; step <= STEPS; step += 1) {
    const pf = lo + ((hi - lo) * step) / STEPS;
    const start: Running = {
      w: scaled(va, pf),
      n: scaled(va, Math.sqrt(1 - pf * pf)),
      lags: FACTS[part.kind]!.lags,
    };
    const sum = power([...others, start], side);
    const pick = side === 'against' ? Math.max : Math.min;
    best = best ? { w: pick(best.w, sum.w), va: pick(best.va, sum.va) } : sum;
  }
  return best!;
}
