import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { CautionSheet } from './caution-sheet';

/** The one line of caution that stands beside every verdict. */
@Component({
  selector: 'heli-caution-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    Planning, not permission: local code and a licensed electrician decide.
    <button type="button" class="link" (click)="sheet.isOpen.set(true)">Before you rely on this</button>
  `,
  styles: `
    :host {
      color: var(--ink-2);
    }
    .link {
      min-height: max(24px, var(--touch));
    }
  `,
})
export class CautionLine {
  protected readonly sheet = inject(CautionSheet);
}
