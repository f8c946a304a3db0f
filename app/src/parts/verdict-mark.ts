import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Verdict } from '@heliarch/core/check';

/** The shape of a verdict: solid disc, ring with one half filled, bolt inside a ring, open bolt; the bar and
 * chevron of "later"; the dash of "not on this supply"; beside a set in trouble "=" for what fits, "+" for what makes it worse. */
@Component({
  selector: 'heli-verdict-mark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { 'aria-hidden': 'true', '[class]': 'mark()' },
  template: `
    <svg viewBox="0 0 24 24">
      @switch (mark()) {
        @case ('holds') {
          <circle class="solid" cx="12" cy="12" r="10" />
        }
        @case ('tight') {
          <circle class="line" cx="12" cy="12" r="9" />
          <path class="solid" d="M12 3a9 9 0 0 1 0 18Z" />
        }
        @case ('likely-trips') {
          <circle class="thin" cx="12" cy="12" r="10.6" />
          <path class="thin" d="M13.9 4.6 7.4 13h3.7l-1.2 6.4L16.6 11h-3.9Z" />
        }
        @case ('trips') {
          <path class="line" d="M15.5 1.5 5 13.5h5.5L8.5 22.5 19 10h-5.8Z" />
        }
        @case ('later') {
          <path class="later" d="M5 4v16M11 5l8 7-8 7" />
        }
        @case ('beside') {
          <path class="dash" d="M4 9h16M4 15h16" />
        }
        @case ('worse') {
          <path class="dash" d="M4 12h16M12 4v16" />
        }
        @case ('not-fed') {
          <path class="dash" d="M4 12h16" />
        }
      }
    </svg>
  `,
  styles: `
    :host {
      display: inline-block;
      width: 1em;
      height: 1em;
    }
    svg {
      display: block;
      width: 100%;
      height: 100%;
    }
    .solid {
      fill: var(--verdict);
    }
    .line {
      fill: none;
      stroke: var(--verdict);
      stroke-width: 2.2;
      stroke-linejoin: round;
    }
    .thin {
      fill: none;
      stroke: var(--verdict);
      stroke-width: 1.8;
      stroke-linejoin: round;
    }
    .dash,
    .later {
      fill: none;
      stroke: var(--ink-3);
      stroke-width: 2.4;
    }
  `,
})
export class VerdictMark {
  readonly mark = input.required<Verdict | 'later' | 'not-fed' | 'beside' | 'worse'>();
}
