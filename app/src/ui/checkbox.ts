import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  input,
  output,
  viewChild,
} from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { NzCheckboxComponent } from 'ng-zorro-antd/checkbox';
import { asTheRigHasIt } from './as-the-rig-has-it';

/** A box to tick, as the rig has it; what stands beside it may be its label by `boxId`. */
@Component({
  selector: 'heli-checkbox',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzCheckboxComponent, ReactiveFormsModule],
  template: `<label nz-checkbox [nzId]="boxId()" [formControl]="control"><ng-content /></label>`,
  styleUrl: './checkbox.css',
})
export class Checkbox {
  readonly isOn = input.required<boolean>();
  readonly boxId = input<string | null>(null);
  /** Its name, where nothing on the screen says it. */
  readonly label = input<string>();
  readonly describedBy = input<string | null>(null);
  /** Where Tab stops at one box of many. */
  readonly tabStop = input(true);
  readonly ticked = output<boolean>();
  protected readonly control = new FormControl(false, { nonNullable: true });
  private readonly box = viewChild.required(NzCheckboxComponent);

  constructor() {
    asTheRigHasIt(
      this.control,
      this.isOn,
      (isOn) => this.ticked.emit(isOn),
      () => {
        this.box().inputElement.nativeElement.checked = this.isOn();
      },
    );
    afterRenderEffect(() => {
      const box = this.box().inputElement.nativeElement;
      box.tabIndex = this.tabStop() ? 0 : -1;
      setOrRemove(box, 'aria-label', this.label());
      setOrRemove(box, 'aria-describedby', this.describedBy());
    });
  }

  focus(): void {
    this.box().inputElement.nativeElement.focus();
  }
}

function setOrRemove(element: Element, name: string, value: string | null | undefined): void {
  if (value) element.setAttribute(name, value);
  else element.removeAttribute(name);
}
