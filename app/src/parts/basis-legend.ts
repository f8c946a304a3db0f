import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Basis } from '@heliarch/core/units';
import type { Load } from '@heliarch/core/rig';
import { BASIS_NAMES, BasisMark } from './basis-mark';
import { UsageMark } from './usage-mark';

/** What the marks after the numbers mean, for every screen that has them. */
@Component({
  selector: 'heli-basis-legend',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BasisMark, UsageMark],
  template: `
    <p class="caption">
      @for (basis of bases; track basis) {
        <span><heli-basis-mark [basis]="basis" aria-hidden="true" /> {{ names[basis] }}</span>
      }
      @for (usage of usages(); track usage) {
        <span><heli-usage-mark [usage]="usage" aria-hidden="true" /> {{ usageNames[usage] }}</span>
      }
    </p>
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 14px;
      padding-top: 6px;
    }
    heli-basis-mark,
    heli-usage-mark {
      margin-right: 3px;
      color: var(--ink-2);
    }
  `,
})
export class BasisLegend {
  /** Which marks of use stand on the screen too. */
  readonly usages = input<readonly Marked[]>([]);
  protected readonly bases: readonly Basis[] = ['measured', 'data-sheet', 'nameplate', 'typical', 'guess'];
  protected readonly names = BASIS_NAMES;
  protected readonly usageNames: Readonly<Record<Marked, string>> = {
    'by-itself': 'by itself',
    'during-work': 'during work',
  };
}

type Marked = Exclude<Load['usage'], 'left-on'>;
