import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import type { CautionId } from '@heliarch/core/check';
import { CAUTION_TEXTS } from '@heliarch/core/explain';
import type { Contradiction } from '@heliarch/core/describe';

/** What the facts of this set call for: cautions with their full text behind, and data that contradict each other. */
@Component({
  selector: 'heli-warnings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent],
  template: `
    @if (contradictions().length > 0) {
      <h2>Inspection at these numbers</h2>
      @for (each of contradictions(); track each.id) {
        <div class="odd">
          <p>
            <strong>{{ each.field }}</strong>: {{ each.message }}.
          </p>
          <button type="button" nz-button (click)="known.emit(each.id)">I know</button>
        </div>
      }
    }
    @if (cautions().length > 0) {
      <h2>Cautions for this set</h2>
      @for (id of cautions(); track id) {
        @let caution = texts[id];
        <details>
          <summary>{{ caution.line }}</summary>
          <p>{{ caution.text }}</p>
        </details>
      }
    }
  `,
  styles: `
    :host {
      display: block;
    }
    h2 {
      margin-top: 20px;
      padding-bottom: 4px;
      border-bottom: 1px solid var(--ink);
    }
    details,
    .odd {
      padding: 4px 0 5px;
      border-bottom: 1px solid var(--rule);
    }
    .odd {
      display: flex;
      align-items: center;
      gap: 12px;
    }
    .odd p {
      flex: 1;
    }
    summary {
      min-height: 24px;
      padding-left: 18px;
      font-weight: 500;
      list-style: none;
      cursor: pointer;
      background: linear-gradient(var(--sun), var(--sun)) 2px 4px / 3px 10px no-repeat;
    }
    summary::-webkit-details-marker {
      display: none;
    }
    details p {
      padding: 2px 0 2px 18px;
      color: var(--ink-2);
    }
    @media (max-width: 720px) {
      summary {
        min-height: 44px;
      }
    }
  `,
})
export class Warnings {
  protected readonly texts = CAUTION_TEXTS;
  readonly cautions = input.required<readonly CautionId[]>();
  readonly contradictions = input.required<readonly Contradiction[]>();
  readonly known = output<string>();
}
