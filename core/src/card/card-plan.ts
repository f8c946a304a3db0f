import type { Rig } from '../rig-file/schema.js';

/** A load as a card names it: as it is, or in one state of its dial. */
export interface CardItem {
  readonly load: string;
  readonly state?: string;
}

/** One of each of these lists together. */
export type CardSlots = readonly (readonly CardItem[])[];

/** What a card says of a supply: which sets the household may have on. */
export interface CardPlan {
  readonly supply: string;
  /** All of them at once, beside anything below. */
  readonly always: readonly CardItem[];
  /** One of them at a time. */
  readonly oneAtATime: readonly CardItem[];
  /** And these together. */
  readonly together: readonly CardSlots[];
  /** The second may join the running first; not the other way round. */
  readonly orders: readonly { readonly first: CardItem; readonly then: CardItem }[];
  readonly never: readonly CardItem[];
}

/** A line of a card. */
export type CardLine =
  | { readonly id: string; readonly kind: 'always'; readonly items: readonly CardItem[] }
  | { readonly id: string; readonly kind: 'one-at-a-time'; readonly items: readonly CardItem[] }
  | { readonly id: string; readonly kind: 'together'; readonly slots: CardSlots }
  | { readonly id: string; readonly kind: 'order'; readonly first: CardItem; readonly then: CardItem }
  | { readonly id: string; readonly kind: 'never'; readonly items: readonly CardItem[] };

/** The lines of a card, in the order of the page. */
export function linesOf({ always, oneAtATime, together, orders, never }: CardPlan): readonly CardLine[] {
  return [
    ...(always.length > 0 ? [{ id: 'always', kind: 'always' as const, items: always }] : []),
    ...(oneAtATime.length > 0
      ? [{ id: 'one-at-a-time', kind: 'one-at-a-time' as const, items: oneAtATime }]
      : []),
    ...together.map((slots): CardLine => ({ id: `together ${nameOf(slots)}`, kind: 'together', slots })),
    ...orders.map(({ first, then }): CardLine => ({
      id: `order ${keyOf(first)} ${keyOf(then)}`,
      kind: 'order',
      first,
      then,
    })),
    ...(never.length > 0 ? [{ id: 'never', kind: 'never' as const, items: never }] : []),
  ];
}

export const keyOf = ({ load, state }: CardItem): string => (state === undefined ? load : `${load}:${state}`);

const nameOf = (slots: CardSlots): string => slots.map((slot) => slot.map(keyOf).join('|')).join(' + ');

/** Every set that a line allows beside what is always fine; the largest ones, for every part of one that holds does. */
export function setsOf({ always }: CardPlan, line: CardLine): readonly (readonly CardItem[])[] {
  switch (line.kind) {
    case 'always':
      return [line.items];
    case 'one-at-a-time':
      return line.items.map((item) => [...always, item]);
    case 'together':
      return line.slots
        .reduce<readonly (readonly CardItem[])[]>(
          (sets, slot) => sets.flatMap((set) => slot.map((item) => [...set, item])),
          [always],
        )
        .filter(isOfDifferentLoads);
    case 'order':
      return [[...always, line.first, line.then]];
    case 'never':
      return [];
  }
}

const isOfDifferentLoads = (set: readonly CardItem[]): boolean =>
  new Set(set.map(({ load }) => load)).size === set.length;

/** A plan without what the rig no longer has. */
export function withoutMissing(plan: CardPlan, rig: Rig): CardPlan {
  const isThere = ({ load, state }: CardItem): boolean => {
    const found = rig.loads.find(({ id }) => id === load);
    return (
      found !== undefined && (state === undefined || (found.states ?? []).some(({ id }) => id === state))
    );
  };
  return {
    supply: plan.supply,
    always: plan.always.filter(isThere),
    oneAtATime: plan.oneAtATime.filter(isThere),
    together: plan.together
      .map((slots) => slots.map((slot) => slot.filter(isThere)))
      .filter((slots) => slots.every((slot) => slot.length > 0)),
    orders: plan.orders.filter(({ first, then }) => isThere(first) && isThere(then)),
    never: plan.never.filter(isThere),
  };
}
