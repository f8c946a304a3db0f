import type { Load, Part, Rig } from '../../src/rig/schema.js';

/**
 * A second check, written for clearness by reading methods.md and sharing no code with core/src: plain
 * loops, every order tried, every power factor of a band scanned. It covers one inverter/charger on
 * one AC system: watts, VA, surge tiers, branch and source breakers (UL 489 up to 30 A), shore with
 * or without assist. The fuzz beside it compares verdicts.
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
export const FACTS: Record<string, { pf: number[]; multiple?: number[]; lags: boolean; motor: boolean }> = {
  'split-phase-motor': { pf: [0.5, 0.65, 0.75], multiple: [5, 6, 8], lags: true, motor: true },
  'hermetic-rotary': { pf: [0.85, 0.9, 0.97], multiple: [4, 5.5, 6], lags: true, motor: true },
  'resistance-heater': { pf: [1, 1, 1], lags: false, motor: false },
  'supply-without-correction': { pf: [0.55, 0.65, 0.7], lags: false, motor: false },
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
  const spiky = loads.filter((load) => load.usage !== 'by-itself' && load.parts[0]!.start);
  if (!runs(rig, supplyId, loads, side)) return false;
  if (itself.some((load) => load.parts[0]!.start && !starts(rig, supplyId, without(loads, load), load, side)))
    return false;
  return orders(spiky).some((order) =>
    order.every((load, i) => starts(rig, supplyId, [...itself, ...order.slice(0, i)], load, side)),
  );
}

const without = (loads: Load[], load: Load) => loads.filter((other) => other !== load);

function orders(loads: Load[]): Load[][] {
  return loads.length === 0
    ? [[]]
    : loads.flatMap((load) => orders(without(loads, load)).map((rest) => [load, ...rest]));
}

// ---- what must be carried for ever

function runs(rig: Rig, supplyId: string, loads: Load[], side: Side): boolean {
  const converter = rig.converters[0]!;
  const supply = rig.supplies.find((each) => each.id === supplyId)!;
  const all = power(loads.map(running), side);
  const breakers = rig.circuits.every((circuit) => {
    const own = power(loads.filter((load) => load.circuit === circuit.id).map(running), side);
    return own.va / VOLTS <= circuit.protection.amps * (side === 'against' ? 1 : 1.35) + 1e-9;
  });
  if (!breakers) return false;
  const W = converter.continuousW.value;
  const VA = converter.continuousVA.value;
  if (supply.sources.length === 0) return all.w <= W + 1e-6 && all.va <= VA + 1e-6;
  const limit = supply.assist === 'on' ? supply.inputLimitA! * VOLTS : Infinity;
  const source = Math.min(all.va, limit) / VOLTS;
  if (source > supply.breaker!.amps * (side === 'against' ? 1 : 1.35) + 1e-9) return false;
  if (all.va <= limit) return true;
  if (side === 'against') {
    const share = Math.hypot(Math.max(0, all.w - limit), all.n);
    return share <= VA + 1e-6 && all.w - (all.w / all.va) * limit <= W + 1e-6;
  }
  return all.va - limit <= VA + 1e-6 && all.w - limit <= W + 1e-6;
}

// ---- one start on top of what runs

function starts(rig: Rig, supplyId: string, rest: Load[], load: Load, side: Side): boolean {
  const converter = rig.converters[0]!;
  const supply = rig.supplies.find((each) => each.id === supplyId)!;
  const seconds = startSeconds(load, side);
  const total = startPower(rest, load, side);
  const circuit = rig.circuits.find((each) => each.id === load.circuit)!;
  const mates = rest.filter((other) => other.circuit === circuit.id);
  const branch = startPower(mates, load, side).va / VOLTS;
  if (branch > breakerCarries(circuit.protection.amps, amps(mates, side), seconds, side) + 1e-9) return false;

  const tierVA = Math.max(
    converter.continuousVA.value,
    ...converter.tiers.filter((tier) => tier.seconds >= seconds).map((tier) => tier.limit.value),
  );
  const tierW = (tierVA * converter.continuousW.value) / converter.continuousVA.value;
  const inverterAlone = total.va <= tierVA + 1e-6 && total.w <= tierW + 1e-6;
  if (supply.sources.length === 0) return inverterAlone;

  const breaker = supply.breaker!.amps;
  if (supply.assist !== 'on') {
    return total.va / VOLTS <= breakerCarries(breaker, amps(rest, side), seconds, side) + 1e-9;
  }
  const limit = supply.inputLimitA! * VOLTS;
  const who = supply.whoCarriesStart ?? 'unknown';
  if (who === 'inverter') return inverterAlone;
  if (side === 'against') {
    if (who === 'shared') return total.va <= tierVA + limit + 1e-6 && total.w <= tierW + limit + 1e-6;
    return (
      inverterAlone && total.va / VOLTS <= breakerCarries(breaker, amps(rest, side), seconds, side) + 1e-9
    );
  }
  const preload = Math.min(amps(rest, side), limit / VOLTS);
  const source = Math.max(limit, breakerCarries(breaker, preload, seconds, side) * VOLTS);
  return total.va <= tierVA + source + 1e-6 && total.w <= tierW + source + 1e-6;
}

const amps = (loads: Load[], side: Side): number => power(loads.map(running), side).va / VOLTS;

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

function startPower(rest: Load[], load: Load, side: Side) {
  const part = load.parts[0]!;
  const start = part.start!;
  const va = numberOf(load, part, start.va, 'start');
  const [lo, hi] = startPf(part);
  let best: { w: number; va: number } | undefined;
  const STEPS = 600;
  for (let step = 0; step <= STEPS; step += 1) {
    const pf = lo + ((hi - lo) * step) / STEPS;
    const scale = (factor: number): Num => ({
      value: va.value * factor,
      minus: va.minus * factor,
      plus: va.plus * factor,
      tags: va.tags,
    });
    const kick: Running = { w: scale(pf), n: scale(Math.sqrt(1 - pf * pf)), lags: FACTS[part.kind]!.lags };
    const sum = power([...rest.map(running), kick], side);
    const pick = side === 'against' ? Math.max : Math.min;
    best = best ? { w: pick(best.w, sum.w), va: pick(best.va, sum.va) } : sum;
  }
  return best!;
}

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

function running(load: Load): Running {
  const part = load.parts[0]!;
  const w = numberOf(load, part, part.runningW, 'running');
  const [low, usual, high] = part.powerFactor
    ? Array<number>(3).fill(part.powerFactor.value)
    : FACTS[part.kind]!.pf;
  const n = (watts: number, pf: number) => watts * Math.sqrt(1 / pf ** 2 - 1);
  const value = n(w.value, usual!);
  return {
    w,
    n: {
      value,
      plus: n(w.value + w.plus, low!) - value,
      minus: value - n(w.value - w.minus, high!),
      tags: w.tags,
    },
    lags: FACTS[part.kind]!.lags,
  };
}

function startPf(part: Part): [number, number] {
  const entered = part.start!.powerFactor;
  if (entered) return [entered.value, entered.value];
  const facts = FACTS[part.kind]!;
  return facts.motor ? [0.55, 0.85] : [facts.pf[0]!, facts.pf[2]!];
}

function startSeconds(load: Load, side: Side): number {
  const { value, basis } = load.parts[0]!.start!.seconds;
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
