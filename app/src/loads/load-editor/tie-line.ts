import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import type { Rig } from '@heliarch/core/rig';
import { asTheRigHasIt } from '../../ui/as-the-rig-has-it';
import type { Choice } from '../../ui/choice-bar';
import { QuantityControl, type Known } from '../../parts/quantity/quantity-control';
import { Select } from '../../ui/select/select';

export type Tie = NonNullable<Rig['ties']>[number];
type Seconds = 'delayS' | 'runOnS';

const MOST_TIE_S = 3600;

/** One load that starts with another: which one, how long after it, and how long it runs on. */
@Component({
  selector: 'heli-tie-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QuantityControl, ReactiveFormsModule, Select],
  template: `
    Starts with
    <heli-select
      label="The load it starts with"
      [choices]="others()"
      [selected]="tie().leader"
      (choose)="changed.emit({ leader: $event })"
    />
    <heli-quantity
      name="Seconds after it"
      unit="s"
      look="reading"
      [isPlain]="true"
      [fault]="faultOf(delay.value)"
      [formControl]="delay"
    />
    <heli-quantity
      name="Seconds it runs on"
      unit="s"
      look="reading"
      [isPlain]="true"
      [fault]="faultOf(runOn.value)"
      [formControl]="runOn"
    />
    <button type="button" class="link" aria-label="Remove this tie" (click)="removed.emit()">remove</button>
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 4px 14px;
      padding: 3px 0;
    }
    heli-select {
      width: 180px;
    }
    .link {
      min-height: var(--control);
    }
  `,
})
export class TieLine {
  readonly tie = input.required<Tie>();
  readonly others = input.required<readonly Choice[]>();
  readonly changed = output<Partial<Tie>>();
  readonly removed = output();

  protected readonly delay = new FormControl<Known>(null);
  protected readonly runOn = new FormControl<Known>(null);

  constructor() {
    this.tieTo(this.delay, 'delayS');
    this.tieTo(this.runOn, 'runOnS');
  }

  protected faultOf(value: Known): string | undefined {
    return value === null || isSeconds(value) ? undefined : `must be from 0 to ${MOST_TIE_S} s`;
  }

  private tieTo(control: FormControl<Known>, key: Seconds): void {
    const kept = computed(() => this.tie()[key] ?? null);
    asTheRigHasIt(control, kept, (value) => {
      if (isSeconds(value)) this.changed.emit({ [key]: value });
    });
  }
}

function isSeconds(value: Known): value is number {
  return typeof value === 'number' && value >= 0 && value <= MOST_TIE_S;
}
