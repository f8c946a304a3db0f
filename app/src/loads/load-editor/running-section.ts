import { UnitChoice } from '../../parts/unit-choice';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import { formatAmount, formatNumber } from '@heliarch/core/units';
import {
  kindOfPart,
  runningPowerFactor,
  runningPowerOf,
  systemOfLoad,
  type Load,
  type Part,
} from '@heliarch/core/rig';
import { FieldRow } from '../../parts/fields/field-row';
import { SheetContext } from '../../parts/fields/sheet-context';
import { MeterReading, type Metered } from './meter-reading';
import { wayChoice } from './way-choice';
import { RUNNING_WAYS, runningKnownBy, runningWay } from './ways';
import { ChoiceBar } from '../../ui/choice-bar';

/** What a part draws running: in whatever form it is known, and what follows from it. */
@Component({
  selector: 'heli-running-section',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldRow, MeterReading, ChoiceBar],
  template: `
    <heli-choice-bar
      look="tabs"
      legend="Running: how do you know it?"
      [choices]="ways"
      [selected]="way()"
      (choose)="choose($event)"
    />
    @if (way() === 'meter') {
      <heli-meter-reading [asksForState]="isCompressor()" (taken)="take($event)" />
    } @else {
      <div class="fields">
        @for (field of fields(); track field) {
          <heli-field [path]="path() + '.' + field" />
        }
      </div>
    }
    <p class="derived figures">{{ derived() }}</p>
  `,
  styleUrl: './section.css',
})
export class RunningSection {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly sheet = inject(SheetContext);
  readonly load = input.required<Load>();
  readonly part = input.required<Part>();
  /** Its place within the load: `parts[0]`. */
  readonly path = input.required<string>();

  protected readonly ways = RUNNING_WAYS;
  /** As the rig has it in this moment: the input follows when the editor is drawn again. */
  private readonly kept = computed(() => this.sheet.partOf(this.load().id, this.part().id) ?? this.part());
  private readonly known = computed(() => runningWay(this.kept()));
  private readonly choice = wayChoice(
    () => `${this.load().id} ${this.part().id}`,
    this.known,
    (id) => {
      const { runningW, runningFrom } = this.knownBy(id);
      return [runningW, runningFrom];
    },
  );
  protected readonly way = this.choice.way;
  private readonly open = computed(() => RUNNING_WAYS.find(({ id }) => id === this.way()));
  protected readonly fields = computed(() => this.open()?.fields ?? []);
  protected readonly isCompressor = computed(() => kindOfPart(this.part().kind).family === 'Compressors');

  /** What follows, of what the rig has now. */
  protected readonly derived = computed(() => {
    const rig = this.sheet.sound();
    const { watts, va } = runningPowerOf(this.part(), systemOfLoad(rig, this.load()));
    const { lo, stated, hi } = runningPowerFactor(this.part(), systemOfLoad(rig, this.load()));
    const apparent = va?.value ?? watts.value / stated;
    const range = `${formatAmount(this.numberStyle, watts.value - (watts.minus ?? 0), 'W')} to ${formatAmount(this.numberStyle, watts.value + (watts.plus ?? 0), 'W')}`;
    const factor =
      lo === hi
        ? formatNumber(this.numberStyle, lo, 2)
        : `${formatNumber(this.numberStyle, lo, 2)} to ${formatNumber(this.numberStyle, hi, 2)}`;
    return `= ${formatAmount(this.numberStyle, watts.value, 'W')}, with the doubt ${range} · ${formatAmount(this.numberStyle, apparent, 'VA')} · power factor ${factor}`;
  });

  constructor() {
    // The figure that was there goes once the first one of the other way is there, and not before.
    effect(() => {
      const way = this.open();
      if (!way || way.id === this.known() || !this.choice.isAnswered()) return;
      const alone = this.knownBy(way.id);
      if (runningWay(alone) !== way.id || (way.id === 'watts' && !alone.runningW)) return;
      untracked(() => {
        const typedInto = `${this.path()}.${way.fields[0] ?? ''}`;
        this.sheet.set(`${this.path()}.runningFrom`, alone.runningFrom, typedInto);
        this.sheet.set(`${this.path()}.runningW`, alone.runningW, typedInto);
        this.choice.settle();
      });
    });
  }

  private knownBy(wayId: string): Part {
    const way = RUNNING_WAYS.find(({ id }) => id === wayId);
    return way ? runningKnownBy(this.kept(), way) : this.kept();
  }

  protected choose(way: string): void {
    this.sheet.discard();
    this.choice.choose(way);
  }

  protected take({ watts, powerFactor }: Metered): void {
    this.sheet.set(`${this.path()}.powerFactor`, {
      value: Number(powerFactor.toFixed(3)),
      basis: 'measured',
    });
    this.sheet.set(`${this.path()}.runningW`, { value: watts, basis: 'measured' });
    if (this.part().runningFrom) this.sheet.set(`${this.path()}.runningFrom`, undefined);
    this.choice.settle();
  }
}
