import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzSpinComponent } from 'ng-zorro-antd/spin';
import { leastChangeWords } from '@heliarch/core/explaining';
import { Answers } from '../answers/answers';
import { latest } from '../answers/latest';
import { keepTogether } from '../components/keep-together';
import { UnitChoice } from '../components/unit-choice';
import { TogetherState } from './together-state';

/** Under a verdict that does not hold: the least that a hand does to make it hold, and what it is then. */
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
        @if (found()) {
          <button type="button" nz-button (click)="tryIt()">Try it</button>
        }
      } @else if (isAsked()) {
        <p class="caption"><nz-spin nzSimple nzSize="small" /> Looking for the least change …</p>
      }
    </section>
  `,
  styleUrls: ['../styles/library/waiting.css', './least-change-line.css'],
})
export class LeastChangeLine {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly state = inject(TogetherState);
  private readonly answers = inject(Answers);

  private readonly asked = toSignal(
    latest(
      toObservable(
        computed(() => ({
          rig: this.state.rig(),
          scene: this.state.scene(),
          startOrder: this.state.startOrder(),
        })),
      ),
      ({ rig, scene, startOrder }) => this.answers.leastChange(rig, scene, startOrder),
    ),
  );
  /** Of this very set: the answer about another one would be wrong here. */
  private readonly given = computed(() => {
    const given = this.asked()?.given;
    const isAboutThis = given?.about.rig === this.state.rig() && given.about.scene === this.state.scene();
    return isAboutThis ? given.value : undefined;
  });
  protected readonly isAsked = computed(() => this.asked()?.newest.status === 'asked');
  protected readonly found = computed(() => this.given()?.found);
  protected readonly words = computed(() => {
    const given = this.given();
    if (!given) return undefined;
    const { does, then } = leastChangeWords(this.numberStyle, this.state.rig(), given);
    return { does: keepTogether(does), then: keepTogether(then) };
  });

  protected tryIt(): void {
    const change = this.found()?.change;
    if (change?.by === 'off') this.state.switchLoad(change.loadId, false);
    else if (change?.by === 'state') this.state.chooseState(change.loadId, change.stateId);
    else if (change) this.state.stopCharging();
  }
}
