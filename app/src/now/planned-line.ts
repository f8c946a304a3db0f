import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MS_PER_SECOND } from '@heliarch/core/units';
import { listNames, plannedAt } from '@heliarch/core/now';
import { of } from 'rxjs';
import { Answers } from '../compute/answers';
import { latest } from '../compute/latest';
import { minutesOfPlanAt } from '../parts/minutes-of-plan';
import { NowState } from './now-state';

/** What the day's plan wants now, beside what is ticked. */
@Component({
  selector: 'heli-planned-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (planned(); as planned) {
      <section aria-labelledby="plan-wants">
        <h2 id="plan-wants">The plan wants now</h2>
        @if (planned.missing.length === 0 && planned.extra.length === 0) {
          <p>Just what is on, until {{ planned.until }}.</p>
        } @else {
          <p>
            @if (planned.missing.length > 0) {
              <strong>On: {{ list(planned.missing) }}.</strong>
            }
            @if (planned.extra.length > 0) {
              Off: {{ list(planned.extra) }}.
            }
            Until {{ planned.until }}.
          </p>
          <button type="button" class="link" (click)="take()">It is so: tick what it has</button>
        }
      </section>
    }
  `,
  styles: `
    h2 {
      padding-bottom: 4px;
      border-bottom: 1px solid var(--ink);
    }
    p {
      padding-top: 6px;
    }
    .link {
      min-height: max(36px, var(--touch));
    }
  `,
})
export class PlannedLine {
  private readonly state = inject(NowState);
  private readonly answers = inject(Answers);

  /** The day whose plan runs now. */
  private readonly day = computed(() => {
    const now = new Date(this.state.nowS() * MS_PER_SECOND);
    return this.state
      .rig()
      .days?.find((day) => (day.plan?.length ?? 0) > 0 && minutesOfPlanAt(day, now) !== undefined);
  });
  private readonly asked = toSignal(
    latest(toObservable(computed(() => ({ rig: this.state.rig(), day: this.day() }))), ({ rig, day }) =>
      day
        ? this.answers.ask('tick', rig, 'planAsKept', day)
        : of({ status: 'given' as const, value: undefined }),
    ),
  );
  protected readonly planned = computed(() => {
    const day = this.day();
    const given = this.asked()?.given;
    if (!day || given?.about.day !== day || !given.value) return undefined;
    const minutes = minutesOfPlanAt(day, new Date(this.state.nowS() * MS_PER_SECOND));
    return minutes === undefined
      ? undefined
      : plannedAt(this.state.rig(), day, given.value, minutes, this.state.at());
  });

  protected list(names: readonly string[]): string {
    return listNames(names);
  }

  protected take(): void {
    const planned = this.planned();
    if (!planned) return;
    this.state.tickOnly(planned.on, 'ticked as planned');
    if (planned.supply !== undefined) this.state.chooseSupply(planned.supply);
  }
}
