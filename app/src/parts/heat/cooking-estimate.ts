import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { formatAmount } from '@heliarch/core/units';
import {
  boilingPointC,
  COOKING_NAMES,
  cookingTime,
  type CookingAppliance,
  type Heated,
} from '@heliarch/core/heat';
import { ChoiceBar, type Choice } from '../../ui/choice-bar';
import { QuantityControl, type Known } from '../quantity/quantity-control';
import { Select } from '../../ui/select/select';
import { UnitChoice } from '../unit-choice';
import { numberOf } from './number-of';
import { temperatureWords } from './temperature-words';

const HEATED: readonly Choice<Heated>[] = [
  { id: 'water', label: 'Water' },
  { id: 'food', label: 'Food' },
];
const APPLIANCES = (Object.keys(COOKING_NAMES) as CookingAppliance[]).map((id) => ({
  id,
  label: COOKING_NAMES[id],
}));
const TAP_C = 15;

/** How long something takes to heat, from its mass and the appliance. */
@Component({
  selector: 'heli-cooking-estimate',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceBar, NzButtonComponent, QuantityControl, ReactiveFormsModule, Select],
  template: `
    <form [formGroup]="form" (submit)="$event.preventDefault()">
      <heli-choice-bar
        legend="What is heated"
        [choices]="heated"
        [selected]="what()"
        (choose)="what.set($event)"
      />
      <p class="with">
        <span>With</span>
        <heli-select
          label="With"
          [choices]="appliances"
          [selected]="appliance()"
          (choose)="appliance.set($any($event))"
        />
      </p>
      <heli-quantity name="How much" unit="kg" [isPlain]="true" formControlName="kg" />
      <heli-quantity name="As it is" unit="°C" [isPlain]="true" formControlName="fromC" />
      <heli-quantity name="As it should be" unit="°C" [isPlain]="true" formControlName="toC" />
      <heli-quantity name="Power at the plug" unit="W" [isPlain]="true" formControlName="watts" />
    </form>
    @if (found(); as found) {
      <p role="status">
        <strong class="figures">{{ found.words }}</strong>
        <button type="button" nz-button (click)="take.emit(found.minutes)">
          Take {{ found.minutes }} min
        </button>
      </p>
      <p class="caption">
        Between {{ found.least }} and {{ found.most }}, by how well it heats. {{ boils() }}
      </p>
    } @else {
      <p class="caption">Give how much, both temperatures and the power.</p>
    }
  `,
  styleUrl: './estimate.css',
})
export class CookingEstimate {
  private readonly units = inject(UnitChoice);
  private readonly numberStyle = this.units.numbers;
  /** Of the load in its state, W. */
  readonly watts = input.required<number>();
  readonly altitudeM = input<number>();
  /** Minutes that a job takes. */
  readonly take = output<number>();

  protected readonly heated = HEATED;
  protected readonly appliances = APPLIANCES;
  protected readonly what = signal<Heated>('water');
  protected readonly appliance = signal<CookingAppliance>('kettle');
  protected readonly form = new FormGroup({
    kg: new FormControl<Known>(1),
    fromC: new FormControl<Known>(TAP_C),
    toC: new FormControl<Known>(null),
    watts: new FormControl<Known>(null),
  });
  private readonly values = toSignal(this.form.valueChanges, { initialValue: this.form.value });
  private readonly boilingC = computed(() => boilingPointC(this.altitudeM() ?? 0));
  protected readonly boils = computed(
    () => `Water boils at ${temperatureWords(this.units, this.boilingC())} where the rig stands.`,
  );
  protected readonly found = computed(() => {
    const { kg, fromC, toC, watts } = this.values();
    const [mass, from, to, power] = [kg, fromC, toC, watts].map((each) => numberOf(each ?? null));
    if (!mass || from === undefined || to === undefined || !power) return undefined;
    const { minutes, wh } = cookingTime({
      ...{ what: this.what(), kg: mass, fromC: from, toC: to },
      ...{ appliance: this.appliance(), watts: power },
    });
    const energy = (value: number): string => formatAmount(this.numberStyle, value, 'Wh');
    return {
      words: `${minutes.stated.toFixed(1)} min, ${energy(wh.stated)}`,
      least: `${minutes.lo.toFixed(1)} min`,
      most: `${minutes.hi.toFixed(1)} min, ${energy(wh.hi)}`,
      // Longer rather than shorter: a plan that is over too soon is worth nothing.
      minutes: Math.max(1, Math.ceil(minutes.hi)),
    };
  });

  constructor() {
    effect(() => this.form.patchValue({ watts: Math.round(this.watts()), toC: Math.floor(this.boilingC()) }));
  }
}
