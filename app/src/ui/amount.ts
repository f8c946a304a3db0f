import { ChangeDetectionStrategy, Component, forwardRef, input, ViewEncapsulation } from '@angular/core';
import {
  FormControl,
  NG_VALUE_ACCESSOR,
  ReactiveFormsModule,
  type ControlValueAccessor,
} from '@angular/forms';
import { NzInputNumberComponent } from 'ng-zorro-antd/input-number';

/** How many of something there are: a whole number that steps up and down. */
@Component({
  selector: 'heli-amount',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [NzInputNumberComponent, ReactiveFormsModule],
  template: `
    <label class="unseen" [attr.for]="boxId()">{{ label() }}</label>
    <nz-input-number
      [nzId]="boxId()"
      [nzMin]="1"
      [nzMax]="most()"
      [nzPrecision]="0"
      [formControl]="control"
    />
  `,
  styleUrls: ['../styles/library/amounts.css', './amount.css'],
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => Amount), multi: true }],
})
export class Amount implements ControlValueAccessor {
  readonly label = input.required<string>();
  readonly boxId = input.required<string>();
  readonly most = input.required<number>();
  protected readonly control = new FormControl<number | null>(1);

  writeValue(value: number): void {
    this.control.setValue(value, { emitEvent: false });
  }

  registerOnChange(changed: (value: number) => void): void {
    this.control.valueChanges.subscribe((value) => changed(value ?? 1));
  }

  registerOnTouched(): void {
    // Nothing here asks whether it was touched.
  }
}
