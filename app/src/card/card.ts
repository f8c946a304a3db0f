import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { CARD_PAPERS, type CardPage, type CardPaper, type CardPlan } from '@heliarch/core/card';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { filter, firstValueFrom, map, switchMap, timer } from 'rxjs';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Choice } from '../ui/choice-bar';
import { FieldStyles } from '../ui/library/field-styles';
import { LibraryStyles } from '../ui/library/library-styles';
import { Select } from '../ui/select/select';
import { CardFiles } from './card-files';
import { CardLines } from './card-lines';
import { CardPreview } from './card-preview';
import { CardState } from './card-state';
import { KeptOfCards } from './kept-cards';
import { PrintedCards } from './printed-cards';

const PAPERS: Readonly<Record<CardPaper, string>> = {
  a5: 'A5',
  a6: 'A6',
  'half-letter': 'Half letter',
  strip: 'Strip',
};
const PAUSE_MS = 400;

/** The room of the card on the cupboard door: household words, each line proved. */
@Component({
  selector: 'heli-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    CardLines,
    CardPreview,
    NzButtonComponent,
    NzInputDirective,
    PrintedCards,
    ReactiveFormsModule,
    Select,
  ],
  providers: [CardFiles, CardState, KeptOfCards],
  templateUrl: './card.html',
  styleUrl: './card.css',
})
export class Card {
  protected readonly state = inject(CardState);
  private readonly files = inject(CardFiles);

  protected readonly supplies = computed(() =>
    this.state.rig().supplies.map(({ id, name }): Choice => ({ id, label: name })),
  );
  protected readonly papers = CARD_PAPERS.map((id) => ({ id, label: PAPERS[id] }));
  protected readonly ask = new FormControl('', { nonNullable: true });
  /** What is being written just now. */
  protected readonly busy = signal<string | undefined>(undefined);
  protected readonly problem = signal<string | undefined>(undefined);
  /** The pages that go to paper; none until they are asked for. */
  protected readonly printing = signal<readonly CardPage[] | undefined>(undefined);

  constructor() {
    inject(LibraryStyles).bring(FieldStyles);
    this.ask.valueChanges
      .pipe(
        switchMap((ask) => timer(PAUSE_MS).pipe(map(() => ask))),
        takeUntilDestroyed(),
      )
      .subscribe((ask) => this.state.keepAsk(ask));
  }

  /** Why there is no card yet. */
  protected readonly unfinished = computed(() => {
    const plan = this.state.current()?.plan;
    if (plan?.status === 'failed') return `The card could not be worked out: ${plan.problem}.`;
    return plan?.status === 'given' ? undefined : 'Looking for the shortest card, proving every line …';
  });

  protected readonly shownAsk = computed(() => {
    const kept = this.state.ask();
    if (kept !== this.ask.value && !this.ask.dirty) this.ask.setValue(kept, { emitEvent: false });
    return kept;
  });

  protected choosePaper(paper: CardPaper): void {
    this.state.look.update((look) => ({ ...look, paper }));
  }

  protected setLarge(isLarge: boolean): void {
    this.state.look.update((look) => ({ ...look, isLarge }));
  }

  /** This supply's card, or all of them one after the other. */
  protected async put(to: 'paper' | 'pdf' | 'html', extent: 'this' | 'all'): Promise<void> {
    this.problem.set(undefined);
    this.busy.set('Proving every line …');
    try {
      const cards = extent === 'this' ? this.thisCard() : await this.allCards();
      const pages = cards.map(({ page }) => page);
      this.busy.set('Writing …');
      if (to === 'paper') await this.print(pages);
      else await this.files.save(to, this.state.rig().name, pages, this.state.look(), this.state.code());
      this.state.notePrinted(cards.map(({ plan }) => plan));
    } catch (error) {
      this.problem.set(`Not written: ${error instanceof Error ? error.message : String(error)}`);
    } finally {
      this.busy.set(undefined);
    }
  }

  private thisCard(): readonly { readonly plan: CardPlan; readonly page: CardPage }[] {
    const [plan, page] = [this.state.plan(), this.state.page()];
    return plan && page ? [{ plan, page }] : [];
  }

  private async allCards(): Promise<readonly { readonly plan: CardPlan; readonly page: CardPage }[]> {
    return firstValueFrom(
      this.state.allPages().pipe(
        filter((pages) => pages !== undefined),
        map((pages) => pages),
      ),
    );
  }

  private async print(pages: readonly CardPage[]): Promise<void> {
    this.printing.set(pages);
    // Once it is on the page: the browser prints what is there.
    await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
    // Some browsers go on before they have printed.
    window.addEventListener('afterprint', () => this.printing.set(undefined), { once: true });
    window.print();
  }
}
