import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { CheckScene } from '@heliarch/core/check';
import type { Rig } from '@heliarch/core/rig';
import { turnsWords } from '@heliarch/core/explain';
import { Answers } from '../compute/answers';
import { latest } from '../compute/latest';
import { AnswerState } from '../parts/answer-state';
import { keepTogether } from '../ui/keep-together';
import { TogetherState } from './together-state';

/** For what cannot run at once: the fewest turns in which all of it does. */
@Component({
  selector: 'heli-take-turns',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnswerState],
  template: `
    @if (words(); as words) {
      <p>
        <strong>{{ keep(words.line) }}</strong> {{ keep(words.detail) }}
      </p>
    } @else if (asked()?.newest?.status === 'given') {
      <p>There are too many loads on to tell the fewest turns.</p>
    } @else {
      <p role="status">Dividing them …</p>
    }
    <heli-answer-state what="The turns" [answer]="asked()?.newest" (again)="state.askAgain()" />
  `,
  styles: `
    :host {
      display: block;
      color: var(--ink-2);
    }
    strong {
      color: var(--ink);
    }
  `,
})
export class TakeTurns {
  protected readonly state = inject(TogetherState);
  private readonly answers = inject(Answers);
  readonly rig = input.required<Rig>();
  readonly scene = input.required<CheckScene>();
  protected readonly keep = keepTogether;

  protected readonly asked = toSignal(
    latest(toObservable(computed(() => ({ rig: this.rig(), scene: this.scene() }))), ({ rig, scene }) =>
      this.answers.ask('search', rig, 'turns', scene),
    ),
  );
  protected readonly words = computed(() => {
    const given = this.asked()?.given;
    return given?.value && turnsWords(given.about.rig, given.value);
  });
}
