import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import type { Scene } from '@heliarch/core/rig';
import { QuantityControl, type Known } from './quantity/quantity-control';
import { TimeOfDay } from '../ui/time-of-day';

export interface ChargeRead {
  readonly percent: number;
  readonly at: Date;
}

/** The charge as it is read off the meter, to be noted. */
@Component({
  selector: 'heli-charge-entry',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent, QuantityControl, ReactiveFormsModule, TimeOfDay],
  template: `
    <form (submit)="take(); $event.preventDefault()" (keydown.escape)="left.emit()">
      <heli-quantity name="Charge now" unit="%" [isPlain]="true" [fault]="fault()" [formControl]="percent" />
      <heli-time-of-day label="read at" [(at)]="readAt" />
      <button type="submit" nz-button>Note it</button>
    </form>
  `,
  styles: `
    form {
      display: flex;
      align-items: start;
      flex-wrap: wrap;
      gap: 6px;
    }
    heli-quantity {
      grid-template-columns: auto auto;
      padding: 0;
    }
  `,
})
export class ChargeEntry {
  readonly charge = input.required<Scene['charge']>();
  readonly read = output<ChargeRead>();
  readonly left = output();

  protected readonly percent = new FormControl<Known>(null);
  protected readonly readAt = signal(new Date());
  protected readonly fault = signal<string | undefined>(undefined);
  private readonly box = viewChild.required(QuantityControl);

  constructor() {
    afterNextRender(() => {
      this.percent.setValue(this.charge()?.percent ?? null);
      this.box().focus();
    });
  }

  protected take(): void {
    const { value, valid } = this.percent;
    const isUsable = valid && typeof value === 'number' && value >= 0 && value <= 100;
    this.fault.set(isUsable ? undefined : 'must be from 0 to 100');
    if (isUsable) this.read.emit({ percent: value, at: lastAt(this.readAt()) });
  }
}

const DAY_MS = 24 * 3600 * 1000;

/** A reading was taken before now: a time that is still to come was yesterday's. */
function lastAt(time: Date): Date {
  return time.getTime() > Date.now() ? new Date(time.getTime() - DAY_MS) : time;
}
