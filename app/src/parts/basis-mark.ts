import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Basis } from '@heliarch/core/units';

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

/** The strokes of each pictogram, in a box of 14 by 10. */
const STROKES: Record<Pictogram, string> = {
  calliper: 'M1.5 1v8M12.5 1v8M1.5 5h11',
  plate: 'M1.5 2h11v6.5h-11Z',
  sheet: 'M1.5 1h11v8.5h-11ZM4 3.8h6M4 6.6h6',
  wave: 'M1 6.5C2.6 2 5 2 7 5s4.4 3 6-1.5',
  query: 'M4.6 3a2.4 2 0 1 1 3.6 1.7C7.3 5.2 7 5.6 7 6.6M7 8.4v1',
  none: '',
};

/** The strokes of the mark of a basis, for drawings of their own. */
export function basisStrokes(basis: Basis): string {
  return STROKES[PICTOGRAMS[basis]];
}

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
      <path [attr.d]="strokes()" />
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
  protected readonly strokes = computed(() => basisStrokes(this.basis()));
  protected readonly name = computed(() => BASIS_NAMES[this.basis()]);
}
