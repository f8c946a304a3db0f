import { UnitChoice } from './unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { capitalised, formatAmount } from '@heliarch/core/units';
import { explainLimit, partName, plainText, type Limit, type AnsweredSet } from '@heliarch/core/check';
import type { Rig } from '@heliarch/core/rig';
import { workingOf } from '@heliarch/core/explain';
import { BasisMark } from './basis-mark';
import { keepTogether } from '../ui/keep-together';
import { LimitPlot } from './limit-plot';

/** Where a row of the ladder comes from: the numbers that went in, how they add, the source of the limit. */
@Component({
  selector: 'heli-limit-working',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BasisMark, LimitPlot],
  template: `
    <p>{{ sentence() }}</p>
    <table>
      <caption class="unseen">
        What went in
      </caption>
      <tbody>
        @for (line of lines(); track $index) {
          <tr>
            <th scope="row">{{ line.name }}</th>
            <td class="figures">{{ line.stated }}</td>
            <td><heli-basis-mark [basis]="line.basis" /></td>
            <td class="figures range">{{ line.range }}</td>
          </tr>
          @if (line.origin) {
            <tr>
              <td class="origin caption" colspan="4">{{ line.origin }}</td>
            </tr>
          }
        }
      </tbody>
    </table>
    <p class="caption">{{ working().edge }} {{ working().sum }} {{ working().source }}</p>
    @defer (on immediate) {
      <heli-limit-plot [limit]="limit()" />
    }
  `,
  styleUrl: './working-sheet.css',
})
export class LimitWorking {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly rig = input.required<Rig>();
  readonly set = input.required<AnsweredSet>();
  readonly limit = input.required<Limit>();

  protected readonly working = computed(() => workingOf(this.numberStyle, this.set(), this.limit()));
  protected readonly sentence = computed(() =>
    keepTogether(plainText(explainLimit(this.numberStyle, this.rig(), this.limit()))),
  );
  protected readonly lines = computed(() => {
    const { unit } = this.limit();
    return this.working().lines.map((line) => ({
      name: `${sentenceCase(partName(this.rig(), line))}${line.what === 'start' ? ', start' : ''}`,
      stated: formatAmount(this.numberStyle, line.amount.stated, unit),
      basis: line.basis,
      origin: line.origin,
      range: `${formatAmount(this.numberStyle, line.amount.lo, unit).replace(/ \D+$/, '')} to ${formatAmount(this.numberStyle, line.amount.hi, unit).replace(/ \D+$/, '')}`,
    }));
  });
}

/** "the compressor of the fridge" as a row of its own: "Compressor of the fridge". */
function sentenceCase(name: string): string {
  return capitalised(name.replace(/^the /, ''));
}
