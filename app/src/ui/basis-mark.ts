import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Basis } from '@heliarch/core';

type Pictogram = 'calliper' | 'sheet' | 'plate' | 'wave' | 'query' | 'none';

const PICTOGRAMS: Record<Basis, Pictogram> = {
  measured: 'calliper',
  'data-sheet': 'sheet',
  nameplate: 'plate',
  'code-letter': 'plate',
  table: 'wave',
  typical: 'wave',
  guess: 'query',
  setting: 'none',
};

/** How a basis is spoken and written. */
export const BASIS_NAMES: Record<Basis, string> = {
  measured: 'measured',
  'data-sheet': 'data sheet',
  nameplate: 'nameplate',
  'code-letter': 'code letter',
  table: 'motor table',
  typical: 'typical',
  guess: 'guess',
  setting: 'your setting',
};

/** How a number is known, as a small pictogram after it. */
@Component({
  selector: 'heli-basis-mark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { role: 'img', '[attr.aria-label]': 'name()', '[title]': 'name()' },
  template: `
    <svg viewBox="0 0 14 10" aria-hidden="true">
      @switch (pictogram()) {
        @case ('calliper') {
          <path d="M1.5 1v8M12.5 1v8M1.5 5h11" />
        }
        @case ('plate') {
          <path d="M1.5 2h11v6.5h-11Z" />
        }
        @case ('sheet') {
          <path d="M1.5 1h11v8.5h-11ZM4 3.8h6M4 6.6h6" />
        }
        @case ('wave') {
          <path d="M1 6.5C2.6 2 5 2 7 5s4.4 3 6-1.5" />
        }
        @case ('query') {
          <path d="M4.6 3a2.4 2 0 1 1 3.6 1.7C7.3 5.2 7 5.6 7 6.6M7 8.4v1" />
        }
      }
    </svg>
  `,
  styles: `
    :host {
      display: inline-block;
      width: 1.05em;
      height: 0.75em;
    }
    svg {
      display: block;
      width: 100%;
      height: 100%;
      fill: none;
      stroke: currentColor;
      stroke-width: 1.2;
    }
  `,
})
export class BasisMark {
  readonly basis = input.required<Basis>();
  protected readonly pictogram = computed(() => PICTOGRAMS[this.basis()]);
  protected readonly name = computed(() => BASIS_NAMES[this.basis()]);
}
