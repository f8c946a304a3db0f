import { computed, Injectable } from '@angular/core';
import { readKeptCards, type CardPlan, type KeptCards, type PrintedCard } from '@heliarch/core/card';
import { KeptBeside } from '../storage/kept-beside';

const MOST_PRINTED = 20;

/** What is kept of the cards of the open rig: in this browser, beside the rig. */
@Injectable()
export class KeptOfCards {
  private readonly kept = new KeptBeside('cards', 'keeping the card');

  /** Undefined until the storage has said what it keeps. */
  readonly cards = computed((): KeptCards | undefined => {
    const newest = this.kept.newest();
    return newest && readKeptCards(newest.at);
  });

  /** A plan that was changed by hand takes the place of the one that is worked out; undefined lets that one be again. */
  keepPlan(supply: string, plan: CardPlan | undefined): void {
    this.change((cards) => ({
      ...cards,
      plans: [...cards.plans.filter((each) => each.supply !== supply), ...(plan ? [plan] : [])],
    }));
  }

  keepAsk(ask: string): void {
    this.change((cards) => ({ ...cards, ask }));
  }

  keepPrinted(card: PrintedCard): void {
    this.change((cards) => ({ ...cards, printed: [...cards.printed, card].slice(-MOST_PRINTED) }));
  }

  private change(edit: (cards: KeptCards) => KeptCards): void {
    const cards = this.cards();
    if (cards) this.kept.keep(edit(cards));
  }
}
