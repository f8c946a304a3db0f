import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { formatDuration, SECONDS_PER_MINUTE } from '@heliarch/core/units';
import { unexplainedWords, withMeterReadAt, type MeterReading } from '@heliarch/core/now';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { of } from 'rxjs';
import { Answers } from '../compute/answers';
import { latest } from '../compute/latest';
import { ChoiceBar, type Choice } from '../ui/choice-bar';
import { QuantityControl, type Known } from '../parts/quantity/quantity-control';
import { UnitChoice } from '../parts/unit-choice';
import { NowState, secondsNow } from './now-state';

type Place = MeterReading['at'];

const MOST_W = 100_000;
const PLACES: readonly Choice<Place>[] = [
  { id: 'output', label: 'Inverter gives' },
  { id: 'battery', label: 'Battery gives' },
  { id: 'inlet', label: 'Inlet takes' },
];

/** Unexplained watts: what a meter shows less what is ticked, and which loads would explain it. */
@Component({
  selector: 'heli-meter-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceBar, NzButtonComponent, QuantityControl, ReactiveFormsModule],
  template: `
    @if (isReading()) {
      <form (submit)="take(); $event.preventDefault()" (keydown.escape)="isReading.set(false)">
        <heli-choice-bar
          legend="Which meter"
          [choices]="places()"
          [selected]="place()"
          (choose)="place.set($event)"
        />
        <heli-quantity name="It shows" unit="W" [isPlain]="true" [fault]="fault()" [formControl]="watts" />
        <button type="submit" nz-button>What is it?</button>
      </form>
    } @else if (words(); as words) {
      <button type="button" class="reading" (click)="begin()">
        <span class="figure figures">{{ words.figure }}</span>
        <span class="caption"
          >{{ state.liveMeter() ? 'Simulated. ' : '' }}{{ words.says }} Read {{ age() }}.</span
        >
      </button>
      @if (words.explanations.length > 0) {
        <ol aria-label="What would explain it">
          @for (each of words.explanations; track each.by) {
            <li>
              <span>{{ each.by }}</span> <span class="figures caption">{{ each.left }}</span>
            </li>
          }
        </ol>
      }
    } @else {
      <button type="button" class="reading" (click)="begin()">
        <span class="figure figures">Meter</span>
        <span class="caption">{{
          meter() ? 'This supply has no such place; read another' : 'what is eating power? Read a meter'
        }}</span>
      </button>
    }
  `,
  styleUrl: './reading.css',
  styles: `
    :host:has(form, ol) {
      grid-column: 1 / -1;
    }
    form {
      display: grid;
      justify-items: start;
      gap: 6px;
    }
    li {
      display: flex;
      justify-content: space-between;
      gap: 12px;
      padding: 6px 0;
      border-top: 1px solid var(--rule);
    }
    li span:first-child {
      font-weight: 500;
      font-size: 14.5px;
    }
    li .caption {
      flex: none;
    }
  `,
})
export class MeterLine {
  protected readonly state = inject(NowState);
  private readonly units = inject(UnitChoice);
  private readonly answers = inject(Answers);

  protected readonly isReading = signal(false);
  protected readonly watts = new FormControl<Known>(null);
  protected readonly fault = signal<string | undefined>(undefined);
  protected readonly meter = computed(() => this.state.liveMeter() ?? this.state.at().meter);
  protected readonly places = computed(() => {
    const { batteries, converters, supplies } = this.state.rig();
    const supply = supplies.find(({ id }) => id === this.state.at().supply);
    const isThere: Readonly<Record<Place, boolean>> = {
      output: converters.some(({ kind }) => kind.startsWith('inverter')),
      battery: batteries.length > 0,
      inlet: (supply?.sources.length ?? 0) > 0,
    };
    return PLACES.filter(({ id }) => isThere[id]);
  });
  protected readonly place = signal<Place>('output');

  private readonly asked = toSignal(
    latest(
      toObservable(
        computed(() => ({ rig: this.state.rig(), scene: this.state.scene(), meter: this.meter() })),
      ),
      ({ rig, scene, meter }) =>
        meter
          ? this.answers.ask('tick', rig, 'unexplainedPower', scene, meter)
          : of({ status: 'given' as const, value: undefined }),
    ),
  );
  protected readonly words = computed(() => {
    const given = this.asked()?.given;
    if (given?.about.meter !== this.meter() || given?.about.scene !== this.state.scene()) return undefined;
    const power = given.value;
    return power && unexplainedWords(this.units.numbers, this.state.rig(), power);
  });
  protected readonly age = computed(() => {
    const seconds = this.state.nowS() - (this.meter()?.atS ?? 0);
    return seconds < SECONDS_PER_MINUTE ? 'just now' : `${formatDuration(seconds)} ago`;
  });

  protected begin(): void {
    const [first] = this.places();
    const kept = this.meter()?.at;
    this.place.set(this.places().find(({ id }) => id === kept)?.id ?? first?.id ?? 'output');
    this.watts.setValue(null);
    this.isReading.set(true);
  }

  protected take(): void {
    const { value, valid } = this.watts;
    const isUsable = valid && typeof value === 'number' && value >= 0 && value <= MOST_W;
    this.fault.set(isUsable ? undefined : 'must be watts, from 0 to 100,000');
    if (!isUsable) return;
    const meter: MeterReading = { at: this.place(), watts: value, atS: secondsNow() };
    this.state.keep((at) => withMeterReadAt(at, meter));
    this.isReading.set(false);
  }
}
