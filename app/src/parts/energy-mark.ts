import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { EnergyVerdict } from '@heliarch/core/day';

/** Whether the battery lasts, as a shape: a full disc, a half one, an open ring. */
@Component({
  selector: 'heli-energy-mark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 14 14" width="14" height="14" aria-hidden="true" [attr.class]="mark()">
      <circle cx="7" cy="7" r="5.5" class="ring" />
      @if (mark() === 'lasts') {
        <circle cx="7" cy="7" r="5.5" class="full" />
      } @else if (mark() === 'may-run-out') {
        <path d="M1.5 7a5.5 5.5 0 0 0 11 0z" class="full" />
      }
    </svg>
  `,
  styles: `
    :host {
      display: inline-flex;
    }
    svg {
      color: var(--teal);
    }
    svg.may-run-out {
      color: var(--sun-ink);
    }
    svg.runs-out {
      color: var(--vermilion);
    }
    .ring {
      fill: none;
      stroke: currentColor;
      stroke-width: 2;
    }
    .full {
      fill: currentColor;
    }
  `,
})
export class EnergyMark {
  readonly mark = input.required<EnergyVerdict>();
}
