import type { Load, Part } from '../../src/rig-file/schema.js';

/** Numbers with doubts, and sums of them, for the naive checks: plain loops over sets of tags. */
/** Every number at its worst, as entered, or at its best. */
export type Side = 'against' | 'stated' | 'for';
export type Edge = Exclude<Side, 'stated'>;
export type NaiveVerdict = 'holds' | 'tight' | 'likely-trips' | 'trips';

/** Rule 35: the first reading that passes gives the verdict. */
export function verdictOf(passes: (side: Side) => boolean): NaiveVerdict {
  if (passes('against')) return 'holds';
  if (passes('stated')) return 'tight';
  return passes('for') ? 'likely-trips' : 'trips';
}

export interface Num {
  value: number;
  minus: number;
  plus: number;
  tags: string[];
}
export interface Running {
  w: Num;
  n: Num;
  lags: boolean;
  /** Between two legs of a 208 V service. */
  isTurned?: boolean | undefined;
}
export interface Quantity {
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

const K = 2 / Math.sqrt(3);

/** The usual multiple of a kind on its running VA at the usual power factor. */
export function usualStart(load: Load, part: Part, facts = FACTS[part.kind]!): Num {
  const w = numberOf(load, part, part.runningW!, 'running');
  const { pf, multiple } = facts;
  const [low, usual, high] = multiple!;
  return times(scaled(w, 1 / pf[1]!), low!, usual!, high!, `kind:${part.kind}`);
}

/** Two independent doubts of a product: the root of their squares, never beyond the product of the ends. */
export function times(number: Num, low: number, usual: number, high: number, tag: string): Num {
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
export function softened(va: Num, part: Part): Num {
  if (!part.start?.soft) return va;
  const less = times(va, 0.4, 0.5, 0.65, `kind:${part.kind}`);
  if (!isPerhapsSeenSoftened(part)) return less;
  return { ...less, plus: Math.max(less.value + less.plus, va.value + va.plus) - less.value };
}

/** Rule 42: a start that was measured may have been measured through the soft starter. */
const isPerhapsSeenSoftened = ({ start }: Part) =>
  start?.softStarter === undefined && start?.va?.basis === 'measured';

export const scaled = (number: Num, factor: number): Num => ({
  value: number.value * factor,
  minus: number.minus * factor,
  plus: number.plus * factor,
  tags: number.tags,
});

// ---- sums with doubts

export interface Power {
  w: number;
  n: number;
  va: number;
  /** The same with every number as entered, at its own edge at once, and by the root of squares alone. */
  stated: { w: number; n: number; va: number };
  hard: { w: number; va: number };
  root: { w: number; va: number };
}

const rootOfSquares = (a: number, b: number): number => Math.sqrt(a * a + b * b);

export function power(items: Running[], side: Side): Power {
  const between = items.filter(({ isTurned }) => isTurned);
  if (between.length > 0) {
    const others = items.filter(({ isTurned }) => !isTurned);
    return turnedSum(bandOf(others), bandOf(between.map((each) => ({ ...each, isTurned: false }))), side);
  }
  const w = edges(
    items.map((item) => item.w),
    side,
  );
  const n = edges(
    (side === 'for' ? items.filter((item) => item.lags) : items).map((item) => item.n),
    side,
  );
  const va = (watts: number, across: number) => rootOfSquares(Math.max(0, watts), Math.max(0, across));
  const all = items.reduce((sum, item) => sum + item.n.value, 0);
  return {
    w: w.counts,
    n: n.counts,
    va: va(w.counts, n.counts),
    stated: { w: w.stated, n: all, va: rootOfSquares(w.stated, all) },
    hard: { w: w.hard, va: va(w.hard, n.hard) },
    root: { w: w.root, va: va(w.root, n.root) },
  };
}

/**
 * By how much a limit that is itself in doubt shrinks, or grows in the user's favour: it joins the root of the sum that
 * is held against it, so it costs less than its own half-width.
 */
export function joins(demand: Power, unit: 'w' | 'va', halfWidth: number, stated = demand.stated): number {
  const from = (edge: number) => Math.abs(edge - stated[unit]);
  const together = Math.min(
    from(demand.hard[unit]) + halfWidth,
    Math.hypot(from(demand.root[unit]), K * halfWidth),
  );
  return Math.min(halfWidth, Math.max(0, together - from(demand[unit])));
}

/** A sum whose doubts are combined already: the root that a limit joins is at most that of one number. */
export function plain(edge: { w: number; n?: number; va: number }, stated: { w: number; va: number }): Power {
  const widest = (unit: 'w' | 'va') => stated[unit] + K * (edge[unit] - stated[unit]);
  const root = { w: widest('w'), va: widest('va') };
  return { n: 0, ...edge, stated: { n: 0, ...stated }, hard: edge, root };
}

/** Two currents in one conductor, by their magnitudes. */
export function beside(a: Power, b: Power): Power {
  const plus = <T extends { w: number; va: number }>(x: T, y: T) => ({ w: x.w + y.w, va: x.va + y.va });
  return {
    ...plus(a, b),
    n: a.n + b.n,
    stated: { ...plus(a.stated, b.stated), n: a.stated.n + b.stated.n },
    hard: plus(a.hard, b.hard),
    root: plus(a.root, b.root),
  };
}

/** A sum at both edges and as entered. */
export type Band = Record<Side, { w: number; n: number; va: number }>;

export const bandOf = (items: Running[]): Band => {
  const [against, best] = [power(items, 'against'), power(items, 'for')];
  return { against, for: best, stated: against.stated };
};

/**
 * What is on one leg of a 208 V service, and what is between two: 30 degrees apart, one way or the other. At worst their
 * magnitudes add; at best they stand as far apart as their power factors and the turn allow.
 */
export function turnedSum(one: Band, between: Band, side: Side): Power {
  const [along, across] = [Math.cos(Math.PI / 6), 1 / 2];
  const mixed = (unit: 'w' | 'n', other: 'w' | 'n') =>
    side === 'stated'
      ? one.stated[unit] + between.stated[unit] * along
      : side === 'against'
        ? one.against[unit] + between.against[unit] * along + between.against[other] * across
        : one.for[unit] + Math.max(0, between.for[unit] * along - between.against[other] * across);
  const angles = [one, between].map((band) => ({
    least: Math.atan2(band.for.n, band.against.w),
    most: Math.atan2(band.against.n, band.for.w),
  }));
  const apart = Math.max(0, angles[0]!.most - angles[1]!.least, angles[1]!.most - angles[0]!.least);
  const stated = {
    w: one.stated.w + between.stated.w * along,
    n: one.stated.n + between.stated.n * along,
    va: one.stated.va + between.stated.va,
  };
  const va =
    side === 'stated'
      ? stated.va
      : side === 'against'
        ? one.against.va + between.against.va
        : one.against.va === 0
          ? between.for.va
          : leastSum(one.for.va, between.for.va, Math.min(Math.PI, apart + Math.PI / 6));
  return plain({ w: mixed('w', 'n'), n: mixed('n', 'w'), va }, stated);
}

const SEARCHES = 40;

/** The least magnitude of two phasors of at least so much, by search: it is convex in both. */
export function leastSum(a: number, b: number, angle: number): number {
  const at = (x: number, y: number) => Math.sqrt(Math.max(0, x * x + y * y + 2 * x * y * Math.cos(angle)));
  const most = 2 * (a + b);
  return lowest(a, most, (x) => lowest(b, most, (y) => at(x, y)));
}

function lowest(from: number, to: number, of: (at: number) => number): number {
  let [lo, hi] = [from, to];
  for (let search = 0; search < SEARCHES; search += 1) {
    const third = (hi - lo) / 3;
    if (of(lo + third) <= of(hi - third)) hi -= third;
    else lo += third;
  }
  return Math.min(of(from), of((lo + hi) / 2));
}

function edges(numbers: Num[], side: Side) {
  const stated = numbers.reduce((sum, number) => sum + number.value, 0);
  let groups = numbers.map((number) => ({
    tags: new Set(number.tags),
    width: { against: number.plus, stated: 0, for: number.minus }[side],
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
  const at = (doubt: number) => (side === 'against' ? stated + doubt : stated - doubt);
  return { stated, counts: Math.max(0, at(Math.min(hard, root))), hard: at(hard), root: at(root) };
}

export function running(load: Load, share: number): Running {
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

/** Low, usual and high. */
export function startPf(part: Part): [number, number, number] {
  const entered = part.start?.powerFactor;
  if (entered) return [entered.value, entered.value, entered.value];
  const { motor, pf } = FACTS[part.kind]!;
  return motor ? [0.55, 0.7, 0.85] : [pf[0]!, pf[1]!, pf[2]!];
}

export function startSeconds(load: Load, side: Side): number {
  const part = load.parts[0]!;
  const { start, kind } = part;
  const of = (low: number, usual: number, high: number) => ({ for: low, stated: usual, against: high })[side];
  if (!start) return of(...(FACTS[kind]!.seconds as [number, number, number]));
  const { value, basis } = start.seconds!;
  const share = basis === 'setting' ? 0 : basis === 'measured' ? 0.1 : 0.5;
  if (!start.soft) return of(value * (1 - share), value, value * (1 + share));
  return of(0.4, 1, isPerhapsSeenSoftened(part) ? Math.max(2, value * (1 + share)) : 2);
}

export function numberOf(load: Load, part: Part, quantity: Quantity, role: 'running' | 'start'): Num {
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
