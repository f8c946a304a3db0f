import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { toSignal } from '@angular/core/rxjs-interop';
import { formatPercent } from '@heliarch/core/units';
import { dutyInOtherWeather, type LogTest } from '@heliarch/core/logbook';
import { map } from 'rxjs';
import { QuantityControl } from '../parts/quantity/quantity-control';
import { readingControl, readingOf } from '../parts/quantity/readings';
import { UnitChoice } from '../parts/unit-choice';

/** How much of the time a cooling load would run in other weather than that of its test. */
@Component({
  selector: 'heli-other-weather',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QuantityControl, ReactiveFormsModule],
  template: `
    <p class="asks">
      <span>If it cools: when it is</span>
      <heli-quantity
        look="reading"
        name="Outside in other weather"
        unit="°C"
        [isPlain]="true"
        [isUnderHead]="true"
        [formControl]="outdoors"
      />
      <span>outside, </span>
      <span role="status">{{ words() }}</span>
    </p>
  `,
  styles: `
    .asks {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 2px 8px;
    }
  `,
})
export class OtherWeather {
  private readonly numbers = inject(UnitChoice).numbers;
  readonly test = input.required<LogTest>();
  readonly duty = input.required<number>();

  protected readonly outdoors = readingControl();
  private readonly outdoorC = toSignal(this.outdoors.events.pipe(map(() => readingOf(this.outdoors))));

  protected readonly words = computed(() => {
    const { outdoorC: testedC, setPointC } = this.test().conditions;
    const outdoorC = this.outdoorC();
    if (testedC === undefined || setPointC === undefined)
      return 'the conditions must say how warm it was outside, and what it was set to.';
    if (outdoorC === undefined) return 'it would run …';
    const found = dutyInOtherWeather(this.duty(), { outdoorC: testedC, setPointC }, { outdoorC, setPointC });
    if (!found) return 'this test says nothing: it was no warmer outside than what it held.';
    const percent = (share: number): string => formatPercent(this.numbers, share);
    if (found.lo >= 1) return 'it would not keep up.';
    return `it would run ${percent(found.stated)} of the time, ${percent(found.lo)} to ${percent(found.hi)} as sun and people have it${found.hi >= 1 ? ': it may not keep up' : ''}.`;
  });
}
