import { UnitChoice } from '../../parts/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { QuantityControl } from '../../parts/quantity/quantity-control';
import { readingFault, readingsForm, readingsOf } from '../../parts/quantity/readings';
import { Checkbox } from '../../ui/checkbox';
import { ReactiveFormsModule } from '@angular/forms';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { formatNumber } from '@heliarch/core/units';

/** Watts and power factor, as a meter gives them. */
export interface Metered {
  readonly watts: number;
  readonly powerFactor: number;
}

const FIELDS = [
  { id: 'volts', label: 'Volts', unit: 'V' },
  { id: 'amps', label: 'Amps', unit: 'A' },
  { id: 'watts', label: 'Watts', unit: 'W' },
] as const;

/** Volts, amps and watts read off a plug-in meter at the same moment. */
@Component({
  selector: 'heli-meter-reading',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent, QuantityControl, ReactiveFormsModule, Checkbox],
  template: `
    <div class="cells">
      @for (field of fields; track field.id) {
        <heli-quantity
          look="reading"
          [name]="field.label"
          [unit]="field.unit"
          [isPlain]="true"
          [fault]="faultOf(form.controls[field.id]!)"
          [formControl]="form.controls[field.id]!"
        />
      }
      <span class="derived" role="status">
        @if (metered(); as found) {
          = {{ number(found.apparent, 0) }} VA, power factor {{ number(found.powerFactor, 2) }}
        } @else if (fault()) {
          {{ fault() }}
        }
      </span>
      <button type="button" nz-button [disabled]="!metered() || isUnheard()" (click)="take()">
        Take this reading
      </button>
    </div>
    @if (asksForState()) {
      <heli-checkbox class="ask" [isOn]="wasHeard()" (ticked)="wasHeard.set($event)">
        The compressor was heard running, on a warm day: a mild morning, or the fan alone, reads far too low.
      </heli-checkbox>
    }
  `,
  styles: `
    .cells {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 8px 18px;
      padding: 8px 0;
    }
    .derived {
      flex: 1 1 160px;
      min-height: 24px;
      color: var(--ink-2);
    }
    .ask {
      display: flex;
      gap: 8px;
      padding-bottom: 8px;
    }
  `,
})
export class MeterReading {
  private readonly numberStyle = inject(UnitChoice).numbers;
  /** Whether what is metered has a compressor that may not have been running (the ninth slip). */
  readonly asksForState = input(false);
  readonly taken = output<Metered>();

  protected readonly fields = FIELDS;
  protected readonly form = readingsForm(FIELDS.map(({ id }) => id));
  private readonly values = readingsOf(this.form);
  protected readonly faultOf = readingFault;
  protected readonly wasHeard = signal(false);

  protected readonly metered = computed(() => {
    const { volts, amps, watts } = this.values();
    if (!volts || !amps || !watts) return undefined;
    const apparent = volts * amps;
    return watts > apparent * METER_ERROR
      ? undefined
      : { apparent, watts, powerFactor: Math.min(1, watts / apparent) };
  });

  protected readonly fault = computed(() => {
    const { volts, amps, watts } = this.values();
    if (volts === undefined || amps === undefined || watts === undefined) return '';
    return this.metered()
      ? ''
      : `${formatNumber(this.numberStyle, watts, 0)} W are more than ${formatNumber(this.numberStyle, volts * amps, 0)} VA: one of the three is not from the same moment.`;
  });

  protected readonly isUnheard = computed(() => this.asksForState() && !this.wasHeard());

  protected take(): void {
    const found = this.metered();
    if (found) this.taken.emit({ watts: found.watts, powerFactor: found.powerFactor });
  }

  protected number(value: number, decimals: number): string {
    return formatNumber(this.numberStyle, value, decimals);
  }
}

/** Watts may read above volts times amps by the error of the meter. */
const METER_ERROR = 1.03;
