import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { momentInPlan, nightWords, timeInPlan, type PlanReview } from '@heliarch/core/day';
import { UnitChoice } from '../../parts/unit-choice';
import { DayState } from '../day-state';
import { EnergyMark } from '../../parts/energy-mark';

/** Each night of a plan: whether it lasts, what takes most, what is left for breakfast. */
@Component({
  selector: 'heli-nights-of-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [EnergyMark],
  template: `
    @for (night of nights(); track night.from) {
      <section [attr.aria-label]="night.span">
        <div>
          <h3><heli-energy-mark [mark]="night.verdict" /> {{ night.words.headline }}</h3>
          <p class="figures">{{ night.words.morning }}.</p>
          <p>
            Left for breakfast: <span class="figures">{{ night.words.breakfast }}.</span>
          </p>
          <p class="caption">
            {{ night.span }}.
            <button type="button" class="link" (click)="times.emit()">Other times</button>
          </p>
        </div>
        <div>
          <h4>Switched off all night, it leaves</h4>
          <ul>
            @for (taker of night.words.takers; track taker.name) {
              <li>
                <span>{{ taker.name }}</span>
                <span class="figures">{{ taker.saves }} more</span>
                <span class="figures">{{ taker.leaves }}</span>
              </li>
            } @empty {
              <li><span>Nothing that is planned takes much of the battery.</span></li>
            }
          </ul>
        </div>
        @if (night.words.inverterOff; as off) {
          <div>
            <h4>Inverter off, DC loads only</h4>
            <p>{{ off }}</p>
          </div>
        }
      </section>
    }
  `,
  styles: `
    section {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
      gap: 8px 32px;
      padding: 12px 0;
      border-bottom: 1px solid var(--rule);
    }
    h3 {
      display: flex;
      align-items: center;
      gap: 8px;
      font: var(--type-lead);
    }
    h4 {
      margin: 4px 0 0;
      padding-bottom: 3px;
      border-bottom: 1px solid var(--ink);
      font: var(--type-small-head);
    }
    p {
      padding-top: 4px;
      color: var(--ink-2);
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto 48px;
      gap: 12px;
      padding: 3px 0;
      border-bottom: 1px solid var(--rule);
    }
    li span:last-child:not(:first-child) {
      text-align: right;
    }
  `,
})
export class NightsOfPlan {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly state = inject(DayState);
  readonly review = input.required<PlanReview>();
  readonly times = output();

  protected readonly nights = computed(() => {
    const [day, plan] = [this.state.day(), this.state.plan()];
    if (!day || !plan) return [];
    return this.review().nights.map((night) => ({
      from: night.from,
      verdict: night.verdict,
      span: `Night from ${momentInPlan(day, night.from)} to ${timeInPlan(day, night.until)}`,
      words: nightWords(this.numberStyle, day, night, plan.fullWh),
    }));
  });
}
