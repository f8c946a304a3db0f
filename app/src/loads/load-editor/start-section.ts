import type { NumberStyle } from '@heliarch/core/units';
import { UnitChoice } from '../../parts/unit-choice';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import {
  ceilingsOf,
  runningPowerFactor,
  runningPowerOf,
  startSizeOf,
  systemOfLoad,
  type Load,
  type Part,
} from '@heliarch/core/rig';
import {
  formatAmount,
  formatNumber,
  formatSeconds,
  type Interval,
  type Quantity,
} from '@heliarch/core/units';
import { FieldGroup } from '../../parts/fields/field-group';
import { FieldRow } from '../../parts/fields/field-row';
import { SheetContext } from '../../parts/fields/sheet-context';
import { startPlot } from './start-plot';
import { wayChoice } from './way-choice';
import { isOffered, START_WAYS, startKnownBy, startWay, withoutStart } from './ways';
import { ChoiceBar } from '../../ui/choice-bar';
import { Plot } from '../../ui/plot/plot';
import { StartTestSheet, type StartTaken } from './start-test-sheet';

const ORIGIN_WORDS: Readonly<Record<string, string>> = {
  entered: 'as entered',
  inrush: 'from the clamp, base taken off',
  'locked-rotor': 'from locked-rotor amps',
  'rated-load': 'from rated-load amps and the usual multiple',
  'code-letter': 'from the code letter, its upper end',
  'motor-table': 'from the motor table',
  multiple: 'from the usual multiple of its kind',
};

/** What a part draws as it starts, against what the inverter carries. */
@Component({
  selector: 'heli-start-section',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldGroup, FieldRow, NzButtonComponent, Plot, StartTestSheet, ChoiceBar],
  template: `
    <heli-choice-bar
      look="tabs"
      legend="Start: how do you know it?"
      [choices]="ways()"
      [selected]="way()"
      (choose)="choose($event)"
    />
    @if (way() !== 'none') {
      <div class="fields">
        @for (field of fields(); track field) {
          <heli-field
            [path]="path() + '.' + field"
            [label]="field === 'start.softStarter' ? 'seen with a soft starter' : undefined"
          />
        }
      </div>
      <heli-field-group class="fields" [path]="path() + '.start'" [only]="['soft']" />
    }
    @if (size(); as start) {
      <p class="derived figures">
        = <strong>{{ start.words }}</strong> · {{ start.seconds }} · {{ start.times }} · {{ start.origin }}
        @if (start.before) {
          · {{ start.before }}
        }
      </p>
      @defer (on immediate) {
        <heli-plot [drawn]="start.drawn" />
      } @placeholder {
        <div class="plot-to-come"></div>
      }
      <p class="measure">
        <button type="button" nz-button (click)="isMeasuring.set(!isMeasuring())">
          {{ isMeasuring() ? 'Put the readings away' : 'Measure it with a clamp meter' }}
        </button>
      </p>
      @if (isMeasuring()) {
        @defer (on immediate) {
          <heli-start-test-sheet [load]="load()" [part]="part()" (taken)="take($event)" />
        }
      }
    } @else {
      <p class="derived">It starts with what it runs on.</p>
    }
  `,
  styleUrl: './section.css',
})
export class StartSection {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly sheet = inject(SheetContext);
  readonly load = input.required<Load>();
  readonly part = input.required<Part>();
  readonly path = input.required<string>();

  protected readonly isMeasuring = signal(false);
  private readonly system = computed(() => systemOfLoad(this.sheet.sound(), this.load()));
  /** As the rig has it in this moment: the input follows when the editor is drawn again. */
  private readonly kept = computed(() => this.sheet.partOf(this.load().id, this.part().id) ?? this.part());
  private readonly known = computed(() => startWay(this.kept(), this.system()));
  private readonly choice = wayChoice(
    () => `${this.load().id} ${this.part().id}`,
    this.known,
    (id) => {
      const { va, from } = this.knownBy(id).start ?? {};
      return [va, from];
    },
  );
  protected readonly way = this.choice.way;
  protected readonly ways = computed(() => START_WAYS.filter((way) => isOffered(way, this.part())));
  private readonly open = computed(() => START_WAYS.find(({ id }) => id === this.way()));
  protected readonly fields = computed(() => this.open()?.fields ?? []);

  /** The tiers of the inverter ahead of this load; none where it hangs before the inverter. */
  private readonly ceilings = computed(() => {
    const rig = this.sheet.sound();
    const circuit = rig.circuits.find(({ id }) => id === this.load().circuit);
    const inverter = rig.converters.find(
      ({ to, pole }) => to === circuit?.bus && (!pole || pole === 'both' || pole === circuit.pole),
    );
    return inverter ? ceilingsOf(inverter) : [];
  });

  protected readonly size = computed(() => {
    const part = this.part();
    const found = startSizeOf(part, this.system());
    if (!found) return undefined;
    const { watts, va } = runningPowerOf(part, this.system());
    const running = va?.value ?? watts.value / runningPowerFactor(part, this.system()).stated;
    const isSoft = found.full.va.value !== found.va.value;
    return {
      words: `${formatAmount(this.numberStyle, found.va.value, 'VA')}, with the doubt ${rangeOf(this.numberStyle, found.va, 'VA')}`,
      seconds: formatSeconds(this.numberStyle, found.seconds.value),
      times:
        running > 0
          ? `${formatNumber(this.numberStyle, found.va.value / running, 1)} times running`
          : 'running unknown',
      origin: ORIGIN_WORDS[found.origin] ?? '',
      before: isSoft
        ? `${formatAmount(this.numberStyle, found.full.va.value, 'VA')} without its soft starter`
        : '',
      drawn: startPlot(
        this.numberStyle,
        { va: edges(found.va), seconds: edges(found.seconds) },
        this.ceilings(),
      ),
    };
  });

  constructor() {
    // The figure that was there goes once those of the other way are there, and not before.
    effect(() => {
      const way = this.open();
      if (!way || way.id === this.known() || !this.choice.isAnswered()) return;
      const alone = this.knownBy(way.id);
      if (startWay(alone, this.system()) !== way.id) return;
      untracked(() => {
        const typedInto = `${this.path()}.${way.fields[0] ?? ''}`;
        this.sheet.set(`${this.path()}.start.from`, alone.start?.from, typedInto);
        this.sheet.set(`${this.path()}.start.va`, alone.start?.va, typedInto);
        this.sheet.set(`${this.path()}.start.none`, undefined, typedInto);
        this.choice.settle();
      });
    });
  }

  protected choose(way: string): void {
    this.sheet.discard();
    if (way !== 'none' && way !== 'multiple') {
      this.choice.choose(way);
      return;
    }
    this.choice.settle();
    this.sheet.set(
      `${this.path()}.start`,
      way === 'none' ? withoutStart(this.kept()) : this.knownBy(way).start,
    );
  }

  private knownBy(wayId: string): Part {
    const way = START_WAYS.find(({ id }) => id === wayId);
    return way ? startKnownBy(this.kept(), way) : this.kept();
  }

  protected take({ va, seconds }: StartTaken): void {
    const { from: _from, soft, ...kept } = this.part().start ?? {};
    // What the clamp saw has the soft starter in it.
    const seen = soft && soft.isBypassed !== 'yes' ? { softStarter: 'yes' as const } : {};
    this.sheet.set(`${this.path()}.start`, { ...kept, ...seen, va, ...(seconds && { seconds }) });
    this.choice.settle();
    this.isMeasuring.set(false);
  }
}

function edges({ value, minus = 0, plus = 0 }: Quantity): Interval {
  return { lo: value - minus, stated: value, hi: value + plus };
}

function rangeOf(style: NumberStyle, quantity: Quantity, unit: string): string {
  const { lo, hi } = edges(quantity);
  return `${formatAmount(style, lo, unit)} to ${formatAmount(style, hi, unit)}`;
}
