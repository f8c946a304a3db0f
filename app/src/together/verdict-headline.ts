import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import type { Explanation, AnsweredSet, Verdict } from '@heliarch/core/check';
import type { Rig } from '@heliarch/core/rig';
import { keepTogether } from '../ui/keep-together';
import { LimitWorking } from '../parts/limit-working';
import { VerdictMark } from '../parts/verdict-mark';

/** Does it hold; what to do or how much is to spare; why. In that order of size. */
@Component({
  selector: 'heli-verdict-headline',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LimitWorking, VerdictMark],
  template: `
    <div role="status" aria-atomic="true">
      <h1 [class]="verdict()">
        @if (explanation().word; as word) {
          <heli-verdict-mark [mark]="verdict()" />
          <span class="word">{{ word }}</span>
        }
        {{ explanation().condition }}
      </h1>
      <p class="action">{{ keep(explanation().action) }}</p>
    </div>
    <p class="reason">
      @for (span of explanation().reason; track $index) {
        @if (span.strong) {
          <strong>{{ keep(span.text) }}</strong>
        } @else {
          <span>{{ keep(span.text) }}</span>
        }
      }
      @if (explanation().about) {
        <button type="button" [attr.aria-expanded]="isOpen()" (click)="toggle()">Show the working</button>
      }
      @if (warnings() > 0) {
        <button type="button" (click)="warningsAsked.emit()">
          {{ warnings() === 1 ? '1 caution' : warnings() + ' cautions' }}
        </button>
      }
    </p>
    @if (isOpen() && explanation().about; as limit) {
      @defer (on immediate) {
        <heli-limit-working [rig]="rig()" [set]="set()" [limit]="limit" />
      }
    }
  `,
  styles: `
    h1 {
      font: 600 44px/48px var(--body);
      letter-spacing: -0.01em;
    }
    heli-verdict-mark {
      width: 30px;
      height: 30px;
      margin-right: 8px;
      vertical-align: -1px;
    }
    .word {
      color: var(--verdict);
    }
    .action {
      margin-top: 2px;
      font: var(--type-lead);
      text-wrap: pretty;
    }
    .reason {
      min-height: 36px;
      margin-top: 4px;
      color: var(--ink-2);
    }
    .reason button {
      margin-left: 4px;
      color: var(--ink-2);
      text-decoration: underline dotted var(--rule-2);
      text-underline-offset: 3px;
      cursor: pointer;
    }
    .reason strong {
      color: var(--ink);
    }
    @media (max-width: 720px) {
      /* The verdict stays in view while the list is scrolled. */
      :host {
        display: contents;
      }
      [role='status'] {
        position: sticky;
        top: 0;
        z-index: 2;
        margin: 0 calc(-1 * var(--margin));
        padding: 2px var(--margin) 6px;
        background: var(--paper);
      }
      h1 {
        font-size: 31px;
        line-height: 36px;
      }
      heli-verdict-mark {
        width: 25px;
        height: 25px;
      }
      .action {
        font-size: 18px;
        line-height: 24px;
      }
      .reason {
        font-size: 14px;
      }
    }
  `,
})
export class VerdictHeadline {
  protected readonly keep = keepTogether;
  readonly rig = input.required<Rig>();
  readonly set = input.required<AnsweredSet>();
  readonly explanation = input.required<Explanation>();
  readonly verdict = input.required<Verdict>();
  /** How many cautions the set calls for. */
  readonly warnings = input(0);
  /** Asked for those cautions. */
  readonly warningsAsked = output();

  protected readonly isOpen = signal(false);

  protected toggle(): void {
    this.isOpen.update((open) => !open);
  }
}
