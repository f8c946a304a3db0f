import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { SupplyNotice } from '@heliarch/core/check';
import { keepTogether } from '../ui/keep-together';
import { VerdictMark } from '../parts/verdict-mark';

/** What is said once of the supply instead of with every set on it, with the act that settles it. */
@Component({
  selector: 'heli-supply-notice-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [VerdictMark],
  template: `
    @for (notice of notices(); track notice.headline) {
      <details [class]="notice.verdict">
        <summary>
          <heli-verdict-mark [mark]="notice.verdict" />
          <span>
            <strong>{{ keep(notice.headline) }}</strong>&ngsp; <span class="act">{{ notice.does }}</span>
          </span>
        </summary>
        <p>{{ keep(notice.reason) }}</p>
      </details>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    details {
      margin-bottom: 8px;
      padding: 4px 12px;
      border-left: 4px solid var(--verdict);
      background: var(--sun-wash);
    }
    summary {
      display: flex;
      align-items: baseline;
      gap: 8px;
      min-height: var(--touch);
      cursor: pointer;
    }
    summary heli-verdict-mark {
      flex: none;
      align-self: start;
      width: 16px;
      height: 16px;
      margin-top: 2px;
    }
    summary span {
      align-self: center;
      text-wrap: pretty;
    }
    @media (max-width: 720px) {
      /* The verdict is what the screen is opened for: what to do about the supply is one touch away. */
      details:not([open]) .act {
        display: none;
      }
    }
    p {
      margin: 0 0 4px 24px;
      color: var(--ink-2);
    }
  `,
})
export class SupplyNoticeList {
  protected readonly keep = keepTogether;
  readonly notices = input.required<readonly SupplyNotice[]>();
}
