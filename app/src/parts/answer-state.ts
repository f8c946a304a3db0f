import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Answer } from '../compute/answers';

/** How a question stands that takes a while: how far it is, or why there is no answer and a way on. */
@Component({
  selector: 'heli-answer-state',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (problem(); as problem) {
      <p role="alert">
        {{ what() }} could not be worked out: {{ problem }}.
        <button type="button" class="link" (click)="again.emit()">Try again</button>
      </p>
    } @else if (progress(); as progress) {
      <p>{{ what() }}: {{ progress }}</p>
    }
  `,
  styles: `
    p {
      padding: 4px 0;
      color: var(--ink-2);
    }
    .link {
      min-height: var(--touch);
    }
  `,
})
export class AnswerState {
  readonly answer = input.required<Answer<unknown> | undefined>();
  /** What is asked, as the beginning of a sentence. */
  readonly what = input.required<string>();
  readonly again = output();

  protected readonly problem = computed(() => {
    const answer = this.answer();
    return answer?.status === 'failed' ? answer.problem : undefined;
  });
  protected readonly progress = computed(() => {
    const answer = this.answer();
    return answer?.status === 'asked' && answer.of > 0 ? `${answer.done} of ${answer.of} …` : undefined;
  });
}
