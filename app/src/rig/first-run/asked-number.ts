import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { QuantityControl } from '../../parts/quantity/quantity-control';
import { faultIn, type NumberAsked, type NumberControl } from './first-run-form';

/** A number of the first questions, as a cell of a plate. */
@Component({
  selector: 'heli-asked-number',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QuantityControl, ReactiveFormsModule],
  template: `
    <heli-quantity
      look="cell"
      [name]="asked().label"
      [unit]="asked().unit"
      [isPlain]="true"
      [fault]="faultIn(control(), asked())"
      [formControl]="control()"
    />
  `,
})
export class AskedNumber {
  readonly control = input.required<NumberControl>();
  readonly asked = input.required<NumberAsked>();
  protected readonly faultIn = faultIn;
}
