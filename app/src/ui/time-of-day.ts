import { ChangeDetectionStrategy, Component, computed, inject, input, model } from '@angular/core';
import { twoDigits } from '@heliarch/core/units';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { FieldStyles } from './library/field-styles';
import { LibraryStyles } from './library/library-styles';

/**
 * A time of the day, in the browser's own way of asking for one: the wheels of a phone, the clock of the system. The
 * library's picker would bring its dates and their formats into what the first room loads (docs/decisions/0008).
 */
@Component({
  selector: 'heli-time-of-day',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzInputDirective],
  template: `
    <label>
      {{ label() }}
      <input #box nz-input type="time" [value]="clock()" (change)="take(box.value)" />
    </label>
  `,
  styleUrl: './time-of-day.css',
})
export class TimeOfDay {
  readonly label = input.required<string>();
  readonly at = model.required<Date>();
  protected readonly clock = computed(() => {
    const [hours, minutes] = [this.at().getHours(), this.at().getMinutes()];
    return [hours, minutes].map(twoDigits).join(':');
  });

  constructor() {
    inject(LibraryStyles).bring(FieldStyles);
  }

  /** What is no time leaves the one before. */
  protected take(text: string): void {
    const [hours = NaN, minutes = NaN] = text.split(':').map(Number);
    const at = new Date(this.at());
    at.setHours(hours, minutes, 0, 0);
    if (!Number.isNaN(at.getTime())) this.at.set(at);
  }
}
