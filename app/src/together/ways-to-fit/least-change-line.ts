import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzSpinComponent } from 'ng-zorro-antd/spin';
import type { Way } from '@heliarch/core/check';
import { wayWords } from '@heliarch/core/explain';
import { keepTogether } from '../../ui/keep-together';
import { UnitChoice } from '../../parts/unit-choice';
import { TogetherState } from '../together-state';
import { takeUpChanges } from './take-up-changes';

/** Under a verdict that does not hold: the least that makes it hold, and what it is then. */
@Component({
  selector: 'heli-least-change-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent, NzSpinComponent],
  template: `
    <section aria-label="The least change" aria-live="polite">
      @if (words(); as words) {
        <p>
          <span class="caption">Least change</span>
          <strong>{{ words.does }}.</strong> {{ words.then }}
        </p>
        @if (least(); as way) {
          <button type="button" nz-button (click)="takeUp(way.changes)">Try it</button>
        }
      } @else if (isAsked()) {
        <p class="caption"><nz-spin nzSimple nzSize="small" /> Looking for the least change …</p>
      }
    </section>
  `,
  styleUrls: ['../../styles/library/waiting.css', './least-change-line.css'],
})
export class LeastChangeLine {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly state = inject(TogetherState);
  protected readonly takeUp = takeUpChanges();

  private readonly given = computed(() => this.state.ways()?.value);
  protected readonly isAsked = computed(() => this.state.waysAsked()?.newest.status === 'asked');
  /** The first that is no test of a fact: what may turn out to be so is no change that a hand makes. */
  protected readonly least = computed(() => this.given()?.ways.find((way) => !isFact(way)));
  protected readonly words = computed(() => {
    const given = this.given();
    if (!given) return undefined;
    const least = this.least();
    const words = least && wayWords(this.numberStyle, this.state.rig(), least);
    const { does, then } = words ?? NOTHING_FOUND;
    return { does: keepTogether(does), then: keepTogether(then) };
  });
}

const isFact = ({ changes }: Way): boolean => changes.some(({ by }) => by === 'who-carries');

const NOTHING_FOUND = {
  does: 'No change was found that is enough',
  then: 'Take turns, or see what runs together with whom.',
};
