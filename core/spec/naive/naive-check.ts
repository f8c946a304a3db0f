import type { Load, Part, Rig } from '../../src/rig/schema.js';

/**
 * A second check, written for clearness by reading methods.md and sharing no code with core/src: plain
 * loops, every order tried, every power factor of a band scanned. It covers one inverter/charger on
 * one pole or on two legs: watts, VA, surge tiers, branch and source breakers (UL 489 up to 30 A), shore
 * with or without assist, soft starters, and on battery the DC side. The fuzz beside it compares verdicts.
 */
type Side = 'against' | 'for';
interface Num {
  value: number;
  minus: number;
  plus: number;
  tags: string[];
}
interface Running {
  w: Num;
  n: Num;
  lags: boolean;
}
interface Quantity {
  value: number;
  basis: string;
  minus?: number | undefined;
  plus?: number | undefined;
  commonCause?: string | undefined;
}

/** Facts of methods.md 1, 2.4 and 2.6 for the kinds the fuzz uses: pf low/usual/high, start multiple, lags. */
export const FACTS: Record<
  string,
  { pf: number[]; multiple?: number[]; seconds?: number[]; lags: boolean; motor: boolean; crest?: number }
> = {
  'split-phase-motor': {
    pf: [0.5, 0.65, 0.75],
    multiple: [5, 6, 8],
    seconds: [0.2, 0.5, 0.8],
    lags: true,
    motor: true,
  },
  'hermetic-rotary': {
    pf: [0.85, 0.9, 0.97],
    multiple: [4, 5.5, 6],
    seconds: [0.1, 0.3, 0.4],
    lags: true,
    motor: true,
  },
  'resistance-heater': { pf: [1, 1, 1], lags: false, motor: false },
  'supply-without-correction': { pf: [0.55, 0.65, 0.7], lags: false, motor: false, crest: 3 },
};

const VOLTS = 120;
const K = 2 / Math.sqrt(3);

export function naiveVerdict(rig: Rig, supplyId: string, on: readonly string[]): 'holds' | 'tight' | 'trips' {
  if (passes(rig, supplyId, on, 'against')) return 'holds';
  return passes(rig, supplyId, on, 'for') ? 'tight' : 'trips';
}

function passes(rig: Rig, supplyId: string, on: readonly string[], side: Side): boolean {
  const loads = rig.loads.filter((load) => on.includes(load.id));
  const itself = loads.filter((load) => load.usage === 'by-itself');
  const spiky = loads.filter((load) => load.usage !== 'by-itself' && hasStart(load));
  if (!runs(rig, supplyId, loads, side)) return false;
  if (itself.some((load) => hasStart(load) && !starts(rig, supplyId, without(loads, load), load, side)))
    return false;
  return orders(spiky).some((order) =>
    order.every((load, i) => starts(rig, supplyId, [...itself, ...order.slice(0, i)], load, side)),
  );
}

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
    return va / VOLTS <= circuit.protection.amps * (side === 'against' ? 1 : 1.35) + 1e-9;
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
  if (source > supply.breaker!.amps * (side === 'against' ? 1 : 1.35) + 1e-9) return false;
  if (all.va <= limit) return true;
  const help = side === 'for' ? limit : 0;
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
    const at = (number: Num) =>
      side === 'against' ? number.value + number.plus : number.value - number.minus;
    const crest = side === 'against' ? (FACTS[load.parts[0]!.kind]!.crest ?? Math.SQRT2) : Math.SQRT2;
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
  const ohms = battery.ohms + 6 * (side === 'against' ? 0.0002 : 0.0001);
  const volts = battery.restV!.value;
  const root = volts * volts - 4 * ohms * watts;
  if (watts > (cutOffV! * (volts - cutOffV!)) / ohms + 1e-6 || root < 0) return false;
  return (2 * watts) / (volts + Math.sqrt(root)) <= battery.dischargeA! + 1e-9;
}

// ---- one start on top of what runs

function starts(rig: Rig, supplyId: string, rest: Load[], load: Load, side: Side): boolean {
  const seconds = startSeconds(load, side);
  const circuit = rig.circuits.find((each) => each.id === load.circuit)!;
  const mates = rest.filter((other) => other.circuit === circuit.id);
  const part = ampsPart(rig, load);
  const branch = startPower(mates, load, side, () => part).va / VOLTS;
  const preload = amps(mates, side, () => part);
  if (branch > breakerCarries(circuit.protection.amps, preload, seconds, side) + 1e-9) return false;
  const onLeg = (leg: Leg) =>
    leg.part(load) > 0 ? startPower(rest, load, side, leg.part) : powerOn(leg, rest, side);
  return (
    legsOf(rig).every((leg) => leg.part(load) === 0 || startsOnLeg(rig, supplyId, rest, load, leg, side)) &&
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
  const before = amps(rest, side, leg.part);
  if (supply.assist !== 'on') {
    return total.va / VOLTS <= breakerCarries(breaker, before, seconds, side) + 1e-9;
  }
  const limit = supply.inputLimitA! * VOLTS;
  const who = supply.whoCarriesStart ?? 'unknown';
  if (who === 'inverter') return inverterAlone;
  if (side === 'against') {
    if (who === 'shared') return total.va <= tierVA + limit + 1e-6 && total.w <= tierW + limit + 1e-6;
    return inverterAlone && total.va / VOLTS <= breakerCarries(breaker, before, seconds, side) + 1e-9;
  }
  const preload = Math.min(before, limit / VOLTS);
  const source = Math.max(limit, breakerCarries(breaker, preload, seconds, side) * VOLTS);
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

/** UL 489 up to 30 A: may curve k 1.05, tau 37.22, pick-up 5; will curve k 1.35, tau 221, pick-up 20; peak 1.1. */
function breakerCarries(rated: number, preload: number, seconds: number, side: Side): number {
  const [k, tau, pickUp, warmest] = side === 'against' ? [1.05, 37.22, 5, 1] : [1.35, 221, 20, 1.35];
  const theta = Math.min(preload / rated, warmest) ** 2;
  const gone = Math.exp(-seconds / tau);
  let multiple = Math.sqrt((k * k - theta * gone) / (1 - gone));
  // below 200 % a trip is promised only within the hour
  if (side === 'for') multiple = Math.max(multiple, 2);
  return rated * Math.min(multiple, pickUp / 1.1);
}

function startPower(rest: Load[], load: Load, side: Side, partOf: (load: Load) => number) {
  const part = load.parts[0]!;
  const known = part.start ? numberOf(load, part, part.start.va!, 'start') : usualStart(load, part);
  const va = scaled(softened(known, part), partOf(load));
  const others = rest.filter((other) => partOf(other) > 0).map((other) => running(other, partOf(other)));
  const [lo, hi] = startPf(part);
  let best: { w: number; va: number } | undefined;
  const STEPS = 600;
  for (let step = 0; step <= STEPS; step += 1) {
    const pf = lo + ((hi - lo) * step) / STEPS;
    const kick: Running = {
      w: scaled(va, pf),
      n: scaled(va, Math.sqrt(1 - pf * pf)),
      lags: FACTS[part.kind]!.lags,
    };
    const sum = power([...others, kick], side);
    const pick = side === 'against' ? Math.max : Math.min;
    best = best ? { w: pick(best.w, sum.w), va: pick(best.va, sum.va) } : sum;
  }
  return best!;
}

/** The usual multiple of a kind on its running VA at the usual power factor. */
function usualStart(load: Load, part: Part): Num {
  const w = numberOf(load, part, part.runningW!, 'running');
  const { pf, multiple } = FACTS[part.kind]!;
  const [low, usual, high] = multiple!;
  return times(scaled(w, 1 / pf[1]!), low!, usual!, high!, `kind:${part.kind}`);
}

/** Two independent doubts of a product: the root of their squares, never beyond the product of the ends. */
function times(number: Num, low: number, usual: number, high: number, tag: string): Num {
  const value = number.value * usual;
  const down = Math.sqrt((number.minus / number.value) ** 2 + ((usual - low) / usual) ** 2);
  const up = Math.sqrt((number.plus / number.value) ** 2 + ((high - usual) / usual) ** 2);
  return {
    value,
    minus: Math.min(down * value, value - (number.value - number.minus) * low),
    plus: Math.min(up * value, (number.value + number.plus) * high - value),
    tags: [...number.tags, tag],
  };
}

/** Half of it is left, 0.4 at best and 0.65 at worst; the share is a typical value, so known by the kind. */
function softened(va: Num, part: Part): Num {
  if (!part.start?.soft) return va;
  return times(va, 0.4, 0.5, 0.65, `kind:${part.kind}`);
}

const scaled = (number: Num, factor: number): Num => ({
  value: number.value * factor,
  minus: number.minus * factor,
  plus: number.plus * factor,
  tags: number.tags,
});

// ---- sums with doubts

function power(items: Running[], side: Side): { w: number; n: number; va: number } {
  const w = edge(
    items.map((item) => item.w),
    side,
  );
  const n = edge(
    (side === 'against' ? items : items.filter((item) => item.lags)).map((item) => item.n),
    side,
  );
  return { w, n, va: Math.hypot(w, n) };
}

function edge(numbers: Num[], side: Side): number {
  const stated = numbers.reduce((sum, number) => sum + number.value, 0);
  let groups = numbers.map((number) => ({
    tags: new Set(number.tags),
    width: side === 'against' ? number.plus : number.minus,
  }));
  for (let merged = true; merged;) {
    merged = false;
    for (const a of groups) {
      const b = groups.find((other) => other !== a && [...other.tags].some((tag) => a.tags.has(tag)));
      if (!b) continue;
      groups = [
        ...groups.filter((group) => group !== a && group !== b),
        { tags: new Set([...a.tags, ...b.tags]), width: a.width + b.width },
      ];
      merged = true;
      break;
    }
  }
  const hard = groups.reduce((sum, group) => sum + group.width, 0);
  const root = K * Math.sqrt(groups.reduce((sum, group) => sum + group.width ** 2, 0));
  const doubt = Math.min(hard, root);
  return side === 'against' ? stated + doubt : Math.max(0, stated - doubt);
}

function running(load: Load, share: number): Running {
  const part = load.parts[0]!;
  const w = numberOf(load, part, part.runningW!, 'running');
  const [low, usual, high] = part.powerFactor
    ? Array<number>(3).fill(part.powerFactor.value)
    : FACTS[part.kind]!.pf;
  const n = (watts: number, pf: number) => watts * Math.sqrt(1 / pf ** 2 - 1);
  const value = n(w.value, usual!);
  const plus = n(w.value + w.plus, low!) - value;
  const minus = value - n(w.value - w.minus, high!);
  return {
    w: scaled(w, share),
    n: scaled(
      {
        value,
        plus,
        minus,
        tags: [...w.tags, ...(part.powerFactor || low === high ? [] : [`pf:${part.kind}`])],
      },
      share,
    ),
    lags: FACTS[part.kind]!.lags,
  };
}

function startPf(part: Part): [number, number] {
  const entered = part.start?.powerFactor;
  if (entered) return [entered.value, entered.value];
  const facts = FACTS[part.kind]!;
  return facts.motor ? [0.55, 0.85] : [facts.pf[0]!, facts.pf[2]!];
}

function startSeconds(load: Load, side: Side): number {
  const { start, kind } = load.parts[0]!;
  if (!start) return FACTS[kind]!.seconds![side === 'against' ? 2 : 0]!;
  if (start.soft) return side === 'against' ? 2 : 0.4;
  const { value, basis } = start.seconds!;
  const share = basis === 'setting' ? 0 : basis === 'measured' ? 0.1 : 0.5;
  return value * (side === 'against' ? 1 + share : 1 - share);
}

function numberOf(load: Load, part: Part, quantity: Quantity, role: 'running' | 'start'): Num {
  const [minus, plus] = halfWidths(quantity.basis, part.kind, role);
  const tags = [`load:${load.id}`];
  if (quantity.commonCause) tags.push(`cause:${quantity.commonCause}`);
  if (quantity.basis === 'typical') tags.push(`kind:${part.kind}`);
  return {
    value: quantity.value,
    minus: quantity.minus ?? minus * quantity.value,
    plus: quantity.plus ?? plus * quantity.value,
    tags,
  };
}

function halfWidths(basis: string, kind: string, role: 'running' | 'start'): [number, number] {
  if (basis === 'measured') return [0.03, 0.03];
  if (basis === 'data-sheet') return [0.05, 0.05];
  if (basis === 'nameplate') return role === 'running' ? [0.25, 0.1] : [0.2, 0];
  if (basis === 'guess') return [0.4, 0.4];
  if (basis !== 'typical') return [0, 0];
  if (role === 'running') return [0.4, 0.4];
  const multiple = FACTS[kind]!.multiple;
  if (!multiple) return [0.4, 0.4];
  const [low, usual, high] = multiple;
  return [1 - low! / usual!, high! / usual! - 1];
}
