import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { RefusedEdit } from '../storage/refused-edit';
import { RigFiles } from '../storage/rig-files';
import { RigSession } from '../storage/rig-session';
import { Notices, type Notice } from './notices';

const MOST_DETAILS = 5;

/** What just happened to a file, and what must be known about keeping: a line, never a window. */
@Component({
  selector: 'heli-notice-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div role="status">
      @if (notKept(); as because) {
        <div class="notice">
          <p>
            <strong>This browser keeps nothing now.</strong> {{ because }} Your work is in this page only:
            save it before you leave.
          </p>
          @if (session.rig(); as rig) {
            <button type="button" class="link" (click)="files.save(rig)">
              Save {{ rig.name }} to a file
            </button>
            <button type="button" class="link" (click)="session.tryAgain()">Try again to keep it</button>
          }
        </div>
      }
      @if (session.slow(); as what) {
        @if (session.rig(); as rig) {
          <div class="notice">
            <p>
              <strong>This browser’s storage does not answer.</strong> Still {{ what }}. Your work is in this
              page: save it before you leave.
            </p>
            <button type="button" class="link" (click)="files.save(rig)">
              Save {{ rig.name }} to a file
            </button>
          </div>
        }
      }
      @if (session.refused(); as refused) {
        <div class="notice">
          <p>
            <strong>Not kept: {{ refused.label }}.</strong> The rig would not be one that can be read again,
            so it is as it was before.
          </p>
          <ul>
            @for (reason of refused.because.slice(0, most); track $index) {
              <li>{{ reason }}</li>
            }
          </ul>
          <button type="button" class="link" (click)="saveRefused(refused)">
            Save it with the edit to a file
          </button>
          <button type="button" class="link close" (click)="session.forgetRefused()">
            Put the edit away
          </button>
        </div>
      }
      @if (session.isHistoryLost()) {
        <div class="notice">
          <p><strong>The steps to undo were damaged and are gone.</strong> The rig itself is whole.</p>
        </div>
      }
      @if (session.kept().state === 'deleted-elsewhere') {
        <div class="notice">
          <p><strong>Another tab deleted this rig.</strong> Here it still is, and is not kept.</p>
          <button type="button" class="link" (click)="session.keepMineAsCopy()">Keep it as a copy</button>
          <button type="button" class="link" (click)="session.letGo()">Let it go here too</button>
        </div>
      }
      @if (twoVersions(); as versions) {
        <div class="notice">
          <p><strong>Another tab changed this rig at the same time.</strong> Nothing was overwritten.</p>
          @if (versions.theirs.isReadable) {
            <button type="button" class="link" (click)="session.takeTheirs()">
              Go on with the other tab’s version
            </button>
          }
          <button type="button" class="link" (click)="session.keepMineAsCopy()">Keep mine as a copy</button>
        </div>
      }
      @for (notice of notices.shown(); track notice) {
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
            <button type="button" class="link" (click)="act(notice)">{{ action.label }}</button>
          }
          <button type="button" class="link close" (click)="notices.putAway(notice)">Close</button>
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
  protected readonly session = inject(RigSession);
  protected readonly files = inject(RigFiles);
  protected readonly notices = inject(Notices);
  protected readonly most = MOST_DETAILS;
  protected readonly notKept = computed(() => {
    const kept = this.session.kept();
    return kept.state === 'not-kept' ? kept.because : undefined;
  });

  protected readonly twoVersions = computed(() => {
    const kept = this.session.kept();
    return kept.state === 'two-versions' ? kept : undefined;
  });

  protected saveRefused({ label, document }: RefusedEdit): void {
    this.files.saveAsItIs(`${this.session.rig()?.name ?? 'rig'} ${label}`, document);
  }

  protected act(notice: Notice): void {
    this.notices.putAway(notice);
    notice.action?.run();
  }
}
