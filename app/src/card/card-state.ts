import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MS_PER_SECOND, twoDigits } from '@heliarch/core/units';
import type { Rig } from '@heliarch/core/rig';
import {
  cardCode,
  cardPage,
  cardVersion,
  linesOf,
  withoutMissing,
  type CardLine,
  type CardLook,
  type CardPage,
  type CardPlan,
  type CodePicture,
} from '@heliarch/core/card';
import { combineLatest, map, of, switchMap, type Observable } from 'rxjs';
import { Answers, type Answer } from '../compute/answers';
import { isSameSystem } from '../compute/same-system';
import { qrCode } from '../ui/qr-code';
import { UnitChoice } from '../parts/unit-choice';
import type { LineProved } from '../compute/rig-questions';
import { RigSession } from '../storage/rig-session';
import { KeptOfCards } from './kept-cards';

/** A card of one supply as it stands: its plan, and the proof of each line. */
export interface CardOfSupply {
  readonly supply: string;
  readonly plan: Answer<CardPlan>;
  readonly isByHand: boolean;
  readonly proofs: Answer<readonly LineProved[]> | undefined;
}

/** The cards of a rig: each supply's plan, worked out or changed by hand, proved anew whenever either changes. */
@Injectable()
export class CardState {
  private readonly session = inject(RigSession);
  private readonly answers = inject(Answers);
  private readonly kept = inject(KeptOfCards);
  private readonly numbers = inject(UnitChoice).numbers;

  readonly rig = computed(
    (): Rig => {
      const rig = this.session.rig();
      if (!rig) throw new Error('The room was opened without a rig');
      return rig;
    },
    { equal: isSameSystem },
  );
  readonly cards = this.kept.cards;
  readonly ask = computed(() => this.cards()?.ask ?? '');

  readonly supply = linkedSignal({
    source: () => this.rig().supplies.map(({ id }) => id),
    computation: (ids: readonly string[], before?: { readonly value: string }) =>
      ids.find((id) => id === before?.value) ?? ids[0] ?? '',
  });
  readonly look = signal<CardLook>({ paper: 'a5', isLarge: false });

  private readonly asked = computed(() => {
    const cards = this.cards();
    return (
      cards && {
        rig: this.rig(),
        supply: this.supply(),
        byHand: byHandOf(cards.plans, this.supply(), this.rig()),
      }
    );
  });
  /** The card of the supply that is looked at. */
  readonly current = toSignal(
    toObservable(this.asked).pipe(
      switchMap((asked) => (asked ? this.cardOf(asked.rig, asked.supply, asked.byHand) : of(undefined))),
    ),
  );
  readonly plan = computed(() => {
    const plan = this.current()?.plan;
    return plan?.status === 'given' ? plan.value : undefined;
  });
  readonly lines = computed(
    (): readonly { readonly line: CardLine; readonly proof: LineProved | undefined }[] => {
      const plan = this.plan();
      const proofs = this.current()?.proofs;
      if (!plan) return [];
      return linesOf(plan).map((line, index) => ({
        line,
        proof: proofs?.status === 'given' ? proofs.value[index] : undefined,
      }));
    },
  );
  readonly page = computed((): CardPage | undefined => {
    const plan = this.plan();
    const proofs = this.current()?.proofs;
    return plan && proofs?.status === 'given' ? this.pageOf(plan, proofs.value) : undefined;
  });

  readonly version = computed(() => cardVersion(this.rig()));
  readonly code = computed((): CodePicture => {
    const date = today();
    const { size, path } = qrCode(cardCode({ rigId: this.rig().id, version: this.version(), date }));
    return { size, path, words: `Heliarch, ${date}, ${this.version()}` };
  });

  /** Every supply's card, for printing all of them. */
  allPages(): Observable<readonly { readonly plan: CardPlan; readonly page: CardPage }[] | undefined> {
    const plans = this.cards()?.plans ?? [];
    const rig = this.rig();
    return combineLatest(rig.supplies.map(({ id }) => this.cardOf(rig, id, byHandOf(plans, id, rig)))).pipe(
      map((cards) => {
        const pages = cards.flatMap(({ plan, proofs }) =>
          plan.status === 'given' && proofs?.status === 'given'
            ? [{ plan: plan.value, page: this.pageOf(plan.value, proofs.value) }]
            : [],
        );
        return pages.length === cards.length ? pages : undefined;
      }),
    );
  }

  /** By hand: what is changed is proved again at once. */
  change(edit: (plan: CardPlan) => CardPlan): void {
    const plan = this.plan();
    if (plan) this.kept.keepPlan(plan.supply, edit(plan));
  }

  asWorkedOut(): void {
    this.kept.keepPlan(this.supply(), undefined);
  }

  keepAsk(ask: string): void {
    this.kept.keepAsk(ask);
  }

  /** What was printed is remembered: the room says when it is no longer true. */
  notePrinted(plans: readonly CardPlan[]): void {
    this.kept.keepPrinted({
      atS: Math.floor(Date.now() / MS_PER_SECOND),
      version: this.version(),
      plans,
    });
  }

  private pageOf(plan: CardPlan, proofs: readonly LineProved[]): CardPage {
    const proved = new Set(linesOf(plan).flatMap(({ id }, index) => (proofs[index]?.isProved ? [id] : [])));
    return cardPage(this.rig(), plan, ({ id }) => proved.has(id), this.ask());
  }

  private cardOf(rig: Rig, supply: string, byHand: CardPlan | undefined): Observable<CardOfSupply> {
    const plan$: Observable<Answer<CardPlan>> = byHand
      ? of({ status: 'given', value: byHand })
      : this.answers.ask('search', rig, 'shortestCard', supply);
    return plan$.pipe(
      switchMap((plan): Observable<CardOfSupply> => {
        const card = { supply, plan, isByHand: byHand !== undefined };
        return plan.status === 'given'
          ? this.answers
              .ask('tick', rig, 'proofsOfCard', plan.value, this.numbers)
              .pipe(map((proofs) => ({ ...card, proofs })))
          : of({ ...card, proofs: undefined });
      }),
    );
  }
}

function byHandOf(plans: readonly CardPlan[], supply: string, rig: Rig): CardPlan | undefined {
  const plan = plans.find((each) => each.supply === supply);
  return plan && withoutMissing(plan, rig);
}

/** The day here, as in 2026-06-12. */
function today(): string {
  const now = new Date();
  return `${now.getFullYear()}-${twoDigits(now.getMonth() + 1)}-${twoDigits(now.getDate())}`;
}
