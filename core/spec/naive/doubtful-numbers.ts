import type { Load, Part } from '../../src/rig/schema.js';

/** Numbers with doubts, and sums of them, for the naive checks: plain loops over sets of tags. */
export type Side = 'against' | 'for';
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
  return times(va, 0.4, 0.5, 0.65, `kind:${part.kind}`);
}

export const scaled = (number: Num, factor: number): Num => ({
  value: number.value * factor,
  minus: number.minus * factor,
  plus: number.plus * factor,
  tags: number.tags,
});

// ---- sums with doubts

export function power(items: Running[], side: Side): { w: number; n: number; va: number } {
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

export function startPf(part: Part): [number, number] {
  const entered = part.start?.powerFactor;
  if (entered) return [entered.value, entered.value];
  const facts = FACTS[part.kind]!;
  return facts.motor ? [0.55, 0.85] : [facts.pf[0]!, facts.pf[2]!];
}

export function startSeconds(load: Load, side: Side): number {
  const { start, kind } = load.parts[0]!;
  if (!start) return FACTS[kind]!.seconds![side === 'against' ? 2 : 0]!;
  if (start.soft) return side === 'against' ? 2 : 0.4;
  const { value, basis } = start.seconds!;
  const share = basis === 'setting' ? 0 : basis === 'measured' ? 0.1 : 0.5;
  return value * (side === 'against' ? 1 + share : 1 - share);
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
