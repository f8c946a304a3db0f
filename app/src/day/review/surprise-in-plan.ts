import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { capitalised, formatAmount } from '@heliarch/core/units';
import { momentInPlan, theElement, type PlanReview } from '@heliarch/core/day';
import { UnitChoice } from '../../parts/unit-choice';
import { VerdictMark } from '../../parts/verdict-mark';
import { DayState } from '../day-state';

const MINUTES_OF_AN_HOUR = 60;

/** What something that nobody planned does, moment by moment. */
@Component({
  selector: 'heli-surprise-in-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [VerdictMark],
  template: `
    <p>
      A guest switches on <strong class="figures">{{ watts() }}</strong> on the worst free outlet: it does no
      harm for <strong class="figures">{{ harmless() }}</strong> of {{ all() }}.
    </p>
    <ul>
      @for (harm of harms(); track harm.span) {
        <li>
          <heli-verdict-mark [mark]="harm.verdict" />
          <span class="figures">{{ harm.span }}</span>
          <span>{{ harm.words }}</span>
        </li>
      }
    </ul>
    <p class="caption">
      Free outlets are those of circuits marked so in Rig, else of every AC circuit. It starts without a
      surge.
    </p>
  `,
  styles: `
    p {
      padding: 10px 0;
      color: var(--ink-2);
    }
    ul {
      margin: 0;
      padding: 0;
      columns: 2;
      column-gap: 32px;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: 16px auto minmax(0, 1fr);
      gap: 10px;
      align-items: center;
      padding: 3px 0;
      border-bottom: 1px solid var(--rule);
      break-inside: avoid;
    }
    @media (max-width: 720px) {
      ul {
        columns: 1;
      }
    }
  `,
})
export class SurpriseInPlan {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly state = inject(DayState);
  readonly review = input.required<PlanReview>();

  protected readonly watts = computed(() =>
    formatAmount(this.numberStyle, this.review().surprise.watts, 'W'),
  );
  protected readonly harmless = computed(() => hours(this.review().surprise.harmlessMinutes));
  protected readonly all = computed(() => hours(this.review().surprise.ofMinutes));
  protected readonly harms = computed(() => {
    const day = this.state.day();
    if (!day) return [];
    return this.review().surprise.harm.map(({ from, until, verdict, circuit, limit }) => ({
      verdict,
      span: `${momentInPlan(day, from)} to ${momentInPlan(day, until)}`,
      words: `${capitalised(theElement(limit.element.name))}, with it on ${circuit}`,
    }));
  });
}

function hours(minutes: number): string {
  const rest = minutes % MINUTES_OF_AN_HOUR;
  const whole = Math.floor(minutes / MINUTES_OF_AN_HOUR);
  return rest === 0 ? `${whole} h` : `${whole} h ${rest} min`;
}
