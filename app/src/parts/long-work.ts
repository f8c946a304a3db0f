import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { PERCENT } from '@heliarch/core/units';
import { NzProgressComponent } from 'ng-zorro-antd/progress';
import type { Answer } from '../compute/answers';
import { LibraryStyles } from '../ui/library/library-styles';
import { ProgressStyles } from '../ui/library/progress-styles';

/** A search at work: how far it is, and a way to stop it. Shown only where it takes long enough to be seen. */
@Component({
  selector: 'heli-long-work',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzProgressComponent],
  template: `
    @if (percent(); as percent) {
      <p class="caption">
        <span role="status">{{ what() }} …</span>
        <nz-progress [nzPercent]="percent" [nzShowInfo]="false" [nzStrokeWidth]="4" aria-hidden="true" />
        <button type="button" class="link" (click)="stopped.emit()">Stop</button>
      </p>
    } @else if (answer()?.status === 'stopped') {
      <p class="caption" role="status">
        Stopped: there may be more.
        <button type="button" class="link" (click)="again.emit()">Go on</button>
      </p>
    }
  `,
  styles: `
    p {
      display: flex;
      align-items: center;
      gap: 10px;
    }
    p:has(nz-progress) {
      animation: appear 0s 300ms backwards;
    }
    nz-progress {
      flex: 1;
      min-width: 60px;
    }
    @keyframes appear {
      from {
        visibility: hidden;
      }
    }
  `,
})
export class LongWork {
  readonly answer = input.required<Answer<unknown> | undefined>();
  /** What is done, as the beginning of a sentence. */
  readonly what = input.required<string>();
  readonly stopped = output();
  readonly again = output();

  protected readonly percent = computed(() => {
    const answer = this.answer();
    if (answer?.status === 'so-far') return 1;
    if (answer?.status !== 'asked') return undefined;
    return Math.max(1, Math.round((PERCENT * answer.done) / Math.max(1, answer.of)));
  });

  constructor() {
    inject(LibraryStyles).bring(ProgressStyles);
  }
}
