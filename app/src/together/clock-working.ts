import { UnitChoice } from '../parts/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { formatAmount } from '@heliarch/core/units';
import type { BatteryClock, AnsweredSet } from '@heliarch/core/check';
import { clockWorkingOf } from '@heliarch/core/explain';
import { BasisMark } from '../parts/basis-mark';
import { keepTogether } from '../ui/keep-together';

/** Where the battery's amps and hours come from. */
@Component({
  selector: 'heli-clock-working',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BasisMark],
  template: `
    <table>
      <caption class="unseen">
        What the battery gives
      </caption>
      <tbody>
        @for (line of working().lines; track $index) {
          <tr>
            <th scope="row">{{ line.what }}</th>
            <td class="figures">{{ watts(line.watts.stated) }}</td>
            <td>
              @if (line.basis; as basis) {
                <heli-basis-mark [basis]="basis" />
              }
            </td>
          </tr>
        }
      </tbody>
    </table>
    @for (step of working().steps; track step) {
      <p class="caption">{{ keep(step) }}</p>
    }
    <p class="caption">Losses by the inverter’s idle draw and efficiencies. Not counted: sun and charging.</p>
  `,
  styleUrl: '../parts/working-sheet.css',
})
export class ClockWorking {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly set = input.required<AnsweredSet>();
  readonly clock = input.required<BatteryClock>();

  protected readonly keep = keepTogether;
  protected readonly working = computed(() => clockWorkingOf(this.numberStyle, this.set(), this.clock()));

  protected watts(value: number): string {
    return formatAmount(this.numberStyle, value, 'W');
  }
}
