import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  viewChild,
} from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { partNumber, systemOfLoad, type Load, type Part, type PartNumber } from '@heliarch/core/rig';
import type { Amount } from '@heliarch/core/units';
import { asTheRigHasIt } from '../ui/as-the-rig-has-it';
import { QuantityControl, type Known } from '../parts/quantity/quantity-control';
import { TogetherState } from './together-state';

export interface NumberAsked {
  readonly purpose: PartNumber;
  readonly label: string;
  readonly unit: string;
}

/** One number of a part, to be corrected in place; amps may be typed where the supply's volts make them more. */
@Component({
  selector: 'heli-load-number',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QuantityControl, ReactiveFormsModule],
  template: `
    <heli-quantity
      [formControl]="control"
      [name]="asked().label"
      [unit]="asked().unit"
      [role]="asked().purpose"
      [kind]="part().kind"
      [fault]="fault()"
      [otherUnits]="otherUnits()"
      (amountIn)="takeAmount($event)"
    />
  `,
})
export class LoadNumber {
  private readonly state = inject(TogetherState);
  readonly load = input.required<Load>();
  readonly part = input.required<Part>();
  readonly asked = input.required<NumberAsked>();

  private readonly box = viewChild.required(QuantityControl);
  protected readonly control = new FormControl<Known>(null);
  private readonly kept = computed(
    (): Known => partNumber(this.state.rig(), this.load(), this.part(), this.asked().purpose) ?? null,
  );
  /** What the rig does not take, until it is mended or the rig has another number. */
  private readonly refused = linkedSignal<Known, Refused | undefined>({
    source: this.kept,
    computation: () => undefined,
  });
  protected readonly fault = computed(() => this.refused()?.because);
  protected readonly otherUnits = computed(() => OTHER_UNITS[this.asked().purpose] ?? []);

  constructor() {
    const shown = (): Known => this.refused()?.value ?? this.kept();
    asTheRigHasIt(this.control, shown, (value) => this.put(value));
  }

  focus(): void {
    this.box().focus();
  }

  /** Amps of what runs are kept as amps; amps of a start are what it draws at the volts it is fed with. */
  protected takeAmount({ value, unit }: Amount): void {
    const { volts } = systemOfLoad(this.state.rig(), this.load());
    const basis = 'nameplate';
    if (this.asked().purpose === 'start') this.put({ value: value * volts, basis });
    else this.state.knowRunningBy(this.load().id, this.part().id, unit, { value, basis });
  }

  private put(value: Known): void {
    const { load, part, asked } = { load: this.load().id, part: this.part().id, asked: this.asked().purpose };
    const quantity = value === null || typeof value === 'number' ? undefined : value;
    const because = quantity ? this.state.faultOf(load, part, asked, quantity) : STILL_COUNTS;
    this.refused.set(because === undefined ? undefined : { value, because });
    if (quantity && because === undefined) this.state.correct(load, part, asked, quantity);
  }
}

interface Refused {
  readonly value: Known;
  readonly because: string;
}

const STILL_COUNTS = 'is needed: what it was counts until there is a number';
const OTHER_UNITS: Readonly<Partial<Record<PartNumber, readonly string[]>>> = {
  running: ['A', 'VA'],
  start: ['A'],
};
