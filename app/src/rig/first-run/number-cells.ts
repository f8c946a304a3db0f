import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { FirstRunState, type NumberAsked } from './first-run-state';

/** Numbers as cells: entered on an ink line, left open on a dashed one. */
@Component({
  selector: 'heli-number-cells',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="cells">
      @for (asked of numbers(); track asked.key) {
        <label>
          {{ asked.label }}
          <span>
            <input
              #box
              type="text"
              inputmode="decimal"
              autocomplete="off"
              class="figures"
              [class.open]="!state.typed()[asked.key]"
              [value]="state.typed()[asked.key] ?? ''"
              [attr.aria-invalid]="state.faultOf(asked) !== undefined"
              (input)="state.type(asked.key, box.value)"
            />
            {{ asked.unit }}
          </span>
          @if (state.faultOf(asked); as fault) {
            <strong aria-live="polite">{{ fault }}</strong>
          }
        </label>
      }
    </div>
  `,
  styles: `
    .cells {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
      border: 1px solid var(--ink);
      border-radius: 3px;
      background: var(--surface);
    }
    label {
      padding: 10px 14px 12px;
      border-right: 1px solid var(--rule);
      border-bottom: 1px solid var(--rule);
      color: var(--ink-2);
    }
    label > span {
      display: flex;
      align-items: baseline;
      gap: 6px;
    }
    input {
      width: 110px;
      height: 36px;
      padding: 0 2px;
      border: 0;
      border-bottom: 2px solid var(--ink);
      border-radius: 0;
      background: none;
      font-size: 24px;
      font-weight: 500;
      color: var(--ink);
    }
    .open {
      border-bottom: 2px dashed var(--rule-2);
    }
    strong {
      display: block;
      color: var(--ink);
      font-weight: 500;
      font-size: 12.5px;
    }
    @media (pointer: coarse) {
      input {
        height: 44px;
      }
    }
  `,
})
export class NumberCells {
  protected readonly state = inject(FirstRunState);
  readonly numbers = input.required<readonly NumberAsked[]>();
}
