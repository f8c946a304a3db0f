import type { CardItem, CardLine } from './card-plan.js';
import { inSentence } from '../rig/names-in-sentences.js';
import type { Rig } from '../rig-file/schema.js';
import { ENGLISH } from './card-texts.js';

/** A line of a card in the room, where its proof is opened. */
export function lineWords(rig: Rig, line: CardLine): string {
  const names = (items: readonly CardItem[]): string =>
    ENGLISH.allOf(
      items.map((item, index) => (index === 0 ? itemInCard(rig, item) : inSentence(itemInCard(rig, item)))),
    );
  switch (line.kind) {
    case 'always':
      return `Always fine: ${names(line.items)}`;
    case 'one-at-a-time':
      return `One at a time: ${names(line.items)}`;
    case 'together':
      return `Together: ${line.slots.map((slot) => (slot.length > 1 ? `one of ${names(slot)}` : names(slot))).join(', with ')}`;
    case 'order':
      return `In order: ${itemInCard(rig, line.first)}, then ${inSentence(itemInCard(rig, line.then))}`;
    case 'never':
      return `Never: ${names(line.items)}`;
  }
}

/** A load as a card names it. */
export function itemInCard(rig: Rig, { load, state }: CardItem): string {
  const found = rig.loads.find(({ id }) => id === load);
  const called = found?.states?.find(({ id }) => id === state)?.name;
  return called === undefined
    ? (found?.name ?? load)
    : ENGLISH.inState(found?.name ?? load, inSentence(called));
}
