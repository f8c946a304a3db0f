import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import type { Rig } from '@heliarch/core/rig';
import type { Way, WaysToFit } from '@heliarch/core/check';
import { isPurchase, wayWords, wouldNotHelpWords } from '@heliarch/core/explain';
import { keepTogether } from '../../ui/keep-together';
import { UnitChoice } from '../../parts/unit-choice';
import { VerdictMark } from '../../parts/verdict-mark';

/** So many are enough to choose from; the others are one step away. */
const FIRST_SHOWN = 5;

interface Row {
  readonly way: Way;
  readonly does: string;
  readonly brief: string;
  readonly byHand: string;
  /** A fact that a test may find cannot be tried by ticking. */
  readonly isFact: boolean;
}

/** Ways to make a set fit: what hands can do first, then what is bought; and what would not help. */
@Component({
  selector: 'heli-ways-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent, VerdictMark],
  templateUrl: './ways-list.html',
  styleUrl: './ways-list.css',
})
export class WaysList {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly rig = input.required<Rig>();
  readonly found = input.required<WaysToFit>();
  readonly taken = output<Way>();
  protected readonly most = signal(FIRST_SHOWN);

  private readonly rows = computed(() =>
    this.found().ways.map((way): Row => {
      const { does, brief, byHand } = wayWords(this.numberStyle, this.rig(), way);
      return {
        way,
        does: keepTogether(does),
        brief: keepTogether(brief),
        byHand: keepTogether(byHand),
        isFact: way.changes.some(({ by }) => by === 'who-carries'),
      };
    }),
  );
  private readonly byHand = computed(() => this.rows().filter(({ way }) => !way.changes.some(isPurchase)));
  private readonly bought = computed(() => this.rows().filter(({ way }) => way.changes.some(isPurchase)));
  protected readonly groups = computed(() => [
    { isBought: false, rows: this.byHand().slice(0, this.most()) },
    { isBought: true, rows: this.bought() },
  ]);
  protected readonly hidden = computed(() => Math.max(0, this.byHand().length - this.most()));
  protected readonly not = computed(() =>
    this.found().wouldNotHelp.map((told) => {
      const { what, why } = wouldNotHelpWords(this.numberStyle, this.rig(), told);
      return { what, why: keepTogether(why) };
    }),
  );
}
