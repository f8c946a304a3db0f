import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { readKeptCards, type CardPlan, type KeptCards, type PrintedCard } from '@heliarch/core/carding';
import { catchError, map, of, switchMap } from 'rxjs';
import { RigRepository } from '../storage/rig-repository';
import { RigSession } from '../storage/rig-session';
import { StorageQueue } from '../storage/storage-queue';

const MOST_PRINTED = 20;

/** What is kept of the cards of the open rig: in this browser, beside the rig. */
@Injectable()
export class KeptOfCards {
  private readonly session = inject(RigSession);
  private readonly repository = inject(RigRepository);
  private readonly queue = inject(StorageQueue);

  private readonly rigId = computed(() => this.session.rig()?.id);
  private readonly stored = toSignal(
    toObservable(this.rigId).pipe(
      switchMap((id) =>
        id === undefined
          ? of(undefined)
          : this.repository.beside$(id, 'cards').pipe(
              catchError(() => of(undefined)),
              map((kept) => ({ id, cards: readKeptCards(kept) })),
            ),
      ),
    ),
  );
  private readonly mine = signal<{ readonly id: string; readonly cards: KeptCards } | undefined>(undefined);

  /** Undefined until the storage has said what it keeps. */
  readonly cards = computed((): KeptCards | undefined => {
    const id = this.rigId();
    const mine = this.mine();
    if (mine?.id === id) return mine?.cards;
    const stored = this.stored();
    return stored?.id === id ? stored?.cards : undefined;
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
    const id = this.rigId();
    const cards = this.cards();
    if (id === undefined || !cards) return;
    const changed = edit(cards);
    this.mine.set({ id, cards: changed });
    // A browser that keeps nothing has said so; the card is there for as long as the page is open.
    this.queue
      .run('keeping the card', () => this.repository.keepBeside(id, 'cards', changed))
      .catch(() => undefined);
  }
}
