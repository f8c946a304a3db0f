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
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { formatNumber, shownUnit } from '@heliarch/core/units';
import {
  withConditions,
  withLoadOf,
  type LogTest,
  type TestConditions,
  type TestKind,
} from '@heliarch/core/logbook';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { debounce, merge, timer } from 'rxjs';
import { QuantityControl } from '../parts/quantity/quantity-control';
import { readingControl, readingOf } from '../parts/quantity/readings';
import { Select } from '../ui/select/select';
import { UnitChoice } from '../parts/unit-choice';
import { LogState } from './log-state';
import { KINDS, LOG_KINDS } from './test-kinds';

const NUMBERS = [
  { id: 'indoorC', name: 'Inside', unit: '°C' },
  { id: 'outdoorC', name: 'Outside', unit: '°C' },
  { id: 'humidityPercent', name: 'Humidity', unit: '%' },
  { id: 'setPointC', name: 'Set to', unit: '°C' },
  { id: 'startPercent', name: 'Charge at the start', unit: '%' },
] as const;
const TEXTS = [
  { id: 'mode', name: 'Mode' },
  { id: 'disconnected', name: 'Disconnected' },
] as const;
const PAUSE_MS = 400;

/** The conditions of a test: one line, and fields behind it. */
@Component({
  selector: 'heli-conditions-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzInputDirective, QuantityControl, ReactiveFormsModule, Select],
  template: `
    <p class="words">
      {{ words() }}
      <button type="button" class="link" [attr.aria-expanded]="isOpen()" (click)="isOpen.set(!isOpen())">
        Conditions
      </button>
    </p>
    @if (isOpen()) {
      <div class="fields">
        @if (test().trace) {
          <div>
            <span aria-hidden="true">Kind</span>
            <heli-select
              label="Kind"
              [choices]="kinds"
              [selected]="test().kind"
              (choose)="changeKind($event)"
            />
          </div>
        }
        @if (needsLoad()) {
          <div>
            <span aria-hidden="true">Load</span>
            <heli-select
              label="Load"
              placeholder="none yet"
              [choices]="loads()"
              [selected]="test().load ?? ''"
              (choose)="changeLoad($event)"
            />
          </div>
        }
        @for (field of numbers; track field.id) {
          <heli-quantity
            look="stacked"
            [name]="field.name"
            [unit]="field.unit"
            [isPlain]="true"
            [formControl]="controls[field.id]"
          />
        }
        <div>
          <span aria-hidden="true">Sun on the wall</span>
          <heli-select
            label="Sun on the wall"
            placeholder="left open"
            [choices]="suns"
            [selected]="test().conditions.sun ?? ''"
            (choose)="change({ sun: $event })"
          />
        </div>
        @for (field of texts; track field.id) {
          <label>
            {{ field.name }}
            <input nz-input type="text" autocomplete="off" [formControl]="written[field.id]" />
          </label>
        }
      </div>
    }
  `,
  styles: `
    .words {
      color: var(--ink-2);
    }
    /* A target for a thumb within a line that stays as high as the others. */
    .link {
      min-height: var(--touch);
      margin-block: min(0px, (18px - var(--touch)) / 2);
    }
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
      align-items: end;
      gap: 8px 14px;
      padding: 6px 0 10px;
    }
    label,
    .fields div {
      display: grid;
      gap: 2px;
      color: var(--ink-2);
      font-size: 12.5px;
    }
  `,
})
export class ConditionsList {
  private readonly state = inject(LogState);
  private readonly units = inject(UnitChoice);
  readonly test = input.required<LogTest>();

  protected readonly numbers = NUMBERS;
  protected readonly texts = TEXTS;
  protected readonly suns = [
    { id: 'none' as const, label: 'none' },
    { id: 'some' as const, label: 'some' },
    { id: 'full' as const, label: 'full' },
  ];
  /** What a log can be read as: its lines stand for nothing but themselves. */
  protected readonly kinds = LOG_KINDS.map((id) => ({ id, label: KINDS[id].name }));
  protected readonly loads = computed(() =>
    this.state.rig().loads.map(({ id, name }) => ({ id, label: name })),
  );
  protected readonly needsLoad = computed(() => KINDS[this.test().kind].needsLoad);
  protected readonly isOpen = signal(false);
  protected readonly controls = {
    indoorC: readingControl(),
    outdoorC: readingControl(),
    humidityPercent: readingControl(),
    setPointC: readingControl(),
    startPercent: readingControl(),
  };
  protected readonly written = {
    mode: new FormControl('', { nonNullable: true }),
    disconnected: new FormControl('', { nonNullable: true }),
  };
  protected readonly words = computed(() => {
    const { indoorC, outdoorC, humidityPercent, setPointC, mode, sun, startPercent, disconnected } =
      this.test().conditions;
    const said = [
      this.needsLoad() && this.test().load === undefined && 'of no load yet: it gives the rig no number',
      indoorC !== undefined && `${this.warmth(indoorC)} inside`,
      outdoorC !== undefined && `${this.warmth(outdoorC)} outside`,
      humidityPercent !== undefined && `${humidityPercent} % humid`,
      sun && (sun === 'none' ? 'no sun on the wall' : `${sun} sun on the wall`),
      setPointC !== undefined && `set to ${this.warmth(setPointC)}`,
      startPercent !== undefined && `begun at ${startPercent} %`,
      mode,
      disconnected && `off: ${disconnected}`,
    ].filter(Boolean);
    return said.length > 0 ? `${said.join(', ')}.` : '';
  });

  private readonly id = computed(() => this.test().id);

  constructor() {
    effect(() => {
      this.id();
      untracked(() => this.show(this.test().conditions));
    });
    merge(
      ...Object.values(this.controls).map(({ valueChanges }) => valueChanges),
      ...Object.values(this.written).map(({ valueChanges }) => valueChanges),
    )
      .pipe(
        debounce(() => timer(PAUSE_MS)),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.change(this.typed()));
  }

  protected change(change: Partial<TestConditions>): void {
    this.state.edit((test) => withConditions(test, change));
  }

  protected changeKind(kind: TestKind): void {
    this.state.edit((test) => ({ ...test, kind }), 'read as another kind');
  }

  protected changeLoad(load: string): void {
    this.state.edit((test) => withLoadOf(test, load), 'put down to another load');
  }

  /** As it is read here. */
  private warmth(celsius: number): string {
    const { show, unit } = shownUnit('°C', this.units.system());
    return `${formatNumber(this.units.numbers, show(celsius), 0)} ${unit}`;
  }

  private typed(): Partial<TestConditions> {
    const numbers = Object.fromEntries(NUMBERS.map(({ id }) => [id, readingOf(this.controls[id])]));
    const texts = Object.fromEntries(TEXTS.map(({ id }) => [id, this.written[id].value.trim() || undefined]));
    return { ...numbers, ...texts };
  }

  private show(conditions: TestConditions): void {
    for (const { id } of NUMBERS) this.controls[id].setValue(conditions[id] ?? null, { emitEvent: false });
    for (const { id } of TEXTS) this.written[id].setValue(conditions[id] ?? '', { emitEvent: false });
  }
}
