import type { Rig } from '../rig-file/schema.js';
import type { CardItem, CardPlan, CardSlots } from './card-plan.js';

/** Where a load stands on a card. */
export type CardPlace = 'always' | 'oneAtATime' | 'never' | 'off';

/** A load moved by hand: it leaves where it stood, and the lines that no longer make sense with it. */
export function withItemIn(plan: CardPlan, item: CardItem, place: CardPlace): CardPlan {
  const isOther = (other: CardItem): boolean => other.load !== item.load;
  const listFor = (each: CardPlace, list: readonly CardItem[]): readonly CardItem[] => [
    ...list.filter(isOther),
    ...(each === place ? [item] : []),
  ];
  const moved: CardPlan = {
    ...plan,
    always: listFor('always', plan.always),
    oneAtATime: listFor('oneAtATime', plan.oneAtATime),
    never: listFor('never', plan.never),
  };
  if (place === 'oneAtATime') return moved;
  return {
    ...moved,
    together: plan.together
      .map((slots) => slots.map((slot) => slot.filter(isOther)))
      .filter((slots) => slots.every((slot) => slot.length > 0)),
    orders: plan.orders.filter(({ first, then }) => isOther(first) && isOther(then)),
  };
}

/** A line of loads that may be on together, one of each list. */
export function withTogether(plan: CardPlan, slots: CardSlots): CardPlan {
  return { ...plan, together: [...plan.together, slots] };
}

export function withoutTogether(plan: CardPlan, index: number): CardPlan {
  return { ...plan, together: plan.together.filter((_, place) => place !== index) };
}

/** Loads of the rig that a card does not name. */
export function itemsOff({ loads }: Rig, { always, oneAtATime, never }: CardPlan): readonly CardItem[] {
  const named = new Set([...always, ...oneAtATime, ...never].map(({ load }) => load));
  return loads.filter(({ id }) => !named.has(id)).map(({ id }) => ({ load: id }));
}
