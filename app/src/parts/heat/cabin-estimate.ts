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
import { formatAmount, formatPercent } from '@heliarch/core/units';
import {
  PERSON_W,
  precooling,
  CABIN_SIZES,
  cabinCycle,
  THERMOSTAT_BAND_K,
  USUAL_COOLING_PER_W,
  USUAL_CABIN,
  type CabinSize,
} from '@heliarch/core/heat';
import { ChoiceBar, type Choice } from '../../ui/choice-bar';
import { QuantityControl, type Known } from '../quantity/quantity-control';
import { UnitChoice } from '../unit-choice';
import { numberOf } from './number-of';
import { temperatureWords } from './temperature-words';

const SIZES = (Object.keys(CABIN_SIZES) as CabinSize[]).map((id): Choice<CabinSize> => ({
  id,
  label: CABIN_SIZES[id].name,
}));
/** How a thermostat cycles a cooling unit, from the room and the weather; and how long it takes to cool it down first. */
@Component({
  selector: 'heli-cabin-estimate',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceBar, NzButtonComponent, QuantityControl, ReactiveFormsModule],
  template: `
    <form [formGroup]="form" (submit)="$event.preventDefault()">
      <heli-choice-bar legend="The room" [choices]="sizes" [selected]="size()" (choose)="choose($event)" />
      <heli-quantity name="Lost for each kelvin" unit="W/K" [isPlain]="true" formControlName="lossWPerK" />
      <heli-quantity name="Outside" unit="°C" [isPlain]="true" formControlName="outsideC" />
      <heli-quantity name="Inside it is to be" unit="°C" [isPlain]="true" formControlName="insideC" />
      <heli-quantity name="Inside it is now" unit="°C" [isPlain]="true" formControlName="nowC" />
      <heli-quantity name="Humidity inside" unit="%" [isPlain]="true" formControlName="humidityPercent" />
      <heli-quantity name="Sun on it" unit="W" [isPlain]="true" formControlName="sunW" />
      <heli-quantity name="People inside" [isPlain]="true" formControlName="people" />
      <heli-quantity
        name="Cooling, by its plate"
        unit="W of heat"
        [isPlain]="true"
        formControlName="capacityW"
      />
      <heli-quantity name="Power at the plug" unit="W" [isPlain]="true" formControlName="inputW" />
    </form>
    @if (found(); as found) {
      <p role="status">
        <strong class="figures">{{ found.cycle }}</strong>
        @if (found.takes; as cycle) {
          <button type="button" nz-button (click)="takeCycle.emit(cycle)">
            Take this cycle for the load
          </button>
        }
      </p>
      @if (hasJob()) {
        <p>
          <strong class="figures">{{ found.down }}</strong>
          @if (found.minutes; as minutes) {
            <button type="button" nz-button (click)="take.emit(minutes)">Take {{ minutes }} min</button>
          }
        </p>
      }
      <p class="caption">
        Rooms of one size differ by half and more: a cycle that was logged is worth more than this one.
      </p>
    } @else {
      <p class="caption">Give the temperatures, the loss, the cooling and the power.</p>
    }
  `,
  styleUrl: './estimate.css',
})
export class CabinEstimate {
  private readonly units = inject(UnitChoice);
  private readonly numberStyle = this.units.numbers;
  /** Of the load in its state, W. */
  readonly watts = input.required<number>();
  readonly outdoorC = input<number>();
  /** Whether minutes are asked for too. */
  readonly hasJob = input(false);
  readonly take = output<number>();
  readonly takeCycle = output<{ readonly onMinutes: number; readonly offMinutes: number }>();

  protected readonly sizes = SIZES;
  protected readonly size = signal<CabinSize>('trailer');
  protected readonly form = new FormGroup({
    lossWPerK: new FormControl<Known>(CABIN_SIZES.trailer.lossWPerK.usual),
    outsideC: new FormControl<Known>(USUAL_CABIN.outsideC),
    insideC: new FormControl<Known>(USUAL_CABIN.insideC),
    nowC: new FormControl<Known>(USUAL_CABIN.outsideC),
    humidityPercent: new FormControl<Known>(USUAL_CABIN.humidityPercent),
    sunW: new FormControl<Known>(USUAL_CABIN.sunW),
    people: new FormControl<Known>(USUAL_CABIN.people),
    capacityW: new FormControl<Known>(null),
    inputW: new FormControl<Known>(null),
  });
  private readonly values = toSignal(this.form.valueChanges, { initialValue: this.form.value });

  protected readonly found = computed(() => {
    const given = Object.values(this.values()).map((each) => numberOf(each));
    if (given.some((each) => each === undefined)) return undefined;
    const at = (name: keyof typeof this.form.controls): number => numberOf(this.values()[name] ?? null) ?? 0;
    if (at('lossWPerK') <= 0 || at('capacityW') <= 0) return undefined;
    const room = {
      lossWPerK: at('lossWPerK'),
      capacityJPerK: CABIN_SIZES[this.size()].capacityJPerK,
      gainsW: at('sunW') + PERSON_W * at('people'),
    };
    const unit = { capacityW: at('capacityW'), inputW: at('inputW') };
    const weather = {
      outsideC: at('outsideC'),
      insideC: at('insideC'),
      humidityPercent: at('humidityPercent'),
    };
    const down = precooling(room, unit, weather, at('nowC'));
    return {
      ...this.cycleWords(cabinCycle(room, unit, weather, THERMOSTAT_BAND_K)),
      ...this.downWords(down),
    };
  });

  constructor() {
    effect(() => {
      const watts = Math.round(this.watts());
      this.form.patchValue({
        inputW: watts,
        capacityW: Math.round(watts * USUAL_COOLING_PER_W),
        outsideC: this.outdoorC() ?? USUAL_CABIN.outsideC,
        nowC: this.outdoorC() ?? USUAL_CABIN.outsideC,
      });
    });
  }

  protected choose(size: CabinSize): void {
    this.size.set(size);
    this.form.patchValue({ lossWPerK: CABIN_SIZES[size].lossWPerK.usual });
  }

  private cycleWords({ duty, onMinutes, offMinutes, lowestC, meanW }: ReturnType<typeof cabinCycle>) {
    if (onMinutes === undefined || offMinutes === undefined)
      return {
        cycle:
          duty === 0
            ? 'It need not run at all.'
            : `It runs all the time, and gets the room to ${temperatureWords(this.units, lowestC)} at best.`,
        takes: undefined,
      };
    const words = `On ${onMinutes.toFixed(0)} min, off ${offMinutes.toFixed(0)} min: ${formatPercent(this.numberStyle, duty)} of the time, ${formatAmount(this.numberStyle, meanW, 'W')} on the mean.`;
    const whole = (minutes: number): number => Math.max(1, Math.round(minutes));
    return { cycle: words, takes: { onMinutes: whole(onMinutes), offMinutes: whole(offMinutes) } };
  }

  private downWords(down: ReturnType<typeof precooling>) {
    if (!down) return { down: 'It never gets there.', minutes: undefined };
    if (down.minutes === 0) return { down: 'It is as cool already.', minutes: undefined };
    const minutes = Math.ceil(down.minutes);
    return {
      down: `Cooled down in ${minutes} min with ${formatAmount(this.numberStyle, down.wh, 'Wh')}.`,
      minutes,
    };
  }
}
