import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { describeProblem } from '@heliarch/core/rig';
import { SheetContext } from './sheet-context';

/** What was typed and cannot be kept yet, with the reason and the way back. */
@Component({
  selector: 'heli-not-kept-yet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (sheet.waits()) {
      <div role="status">
        <p><strong>Not kept yet.</strong> The rig goes on with what it had until this is complete:</p>
        <ul>
          @for (problem of sheet.obstacles(); track problem.path) {
            <li>{{ words(problem) }}</li>
          }
        </ul>
        <button type="button" class="link" (click)="sheet.discard()">Take it back</button>
      </div>
    }
    @for (name of sheet.unread(); track name) {
      <p role="status">
        <strong>Not read:</strong> {{ name }}. What it was before counts until it is a number.
      </p>
    }
  `,
  styles: `
    div,
    p[role] {
      padding: 8px 14px;
      border-bottom: 1px solid var(--ink);
      background: var(--sun-wash);
    }
    li::before {
      content: '– ';
    }
  `,
})
export class NotKeptYet {
  protected readonly sheet = inject(SheetContext);
  protected readonly words = describeProblem;
}
