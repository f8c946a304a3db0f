import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RigSession } from '../book/rig-session';
import { Notices, type Notice } from './notices';

const MOST_DETAILS = 5;

/** What just happened to a file, and what must be known about keeping: a line, never a window. */
@Component({
  selector: 'heli-notice-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div role="status">
      @if (notKept(); as because) {
        <p class="notice">
          <strong>This browser keeps nothing now.</strong> Your work is in this page only: save it to a file
          before you leave. ({{ because }})
        </p>
      }
      @if (notices.notice(); as notice) {
        <div class="notice">
          <p>{{ notice.text }}</p>
          @if (notice.details; as details) {
            <ul>
              @for (detail of details.slice(0, most); track $index) {
                <li>{{ detail }}</li>
              }
              @if (details.length > most) {
                <li>And {{ details.length - most }} more.</li>
              }
            </ul>
          }
          @if (notice.action; as action) {
            <button type="button" class="link" (click)="act(action)">{{ action.label }}</button>
          }
          <button type="button" class="link close" (click)="notices.putAway()">Close</button>
        </div>
      }
    </div>
  `,
  styles: `
    .notice {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 16px;
      align-items: baseline;
      margin: 0 var(--margin);
      padding: 8px 0;
      border-bottom: 1px solid var(--rule);
    }
    ul {
      flex-basis: 100%;
      order: 2;
      color: var(--ink-2);
    }
    .close {
      margin-left: auto;
    }
    .link {
      min-height: 24px;
    }
    @media (pointer: coarse) {
      .link {
        min-height: 44px;
      }
    }
  `,
})
export class NoticeLine {
  private readonly session = inject(RigSession);
  protected readonly notices = inject(Notices);
  protected readonly most = MOST_DETAILS;
  protected readonly notKept = computed(() => {
    const kept = this.session.kept();
    return kept.state === 'not-kept' ? kept.because : undefined;
  });

  protected act(action: NonNullable<Notice['action']>): void {
    action.run();
    this.notices.putAway();
  }
}
