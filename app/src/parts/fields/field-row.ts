import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  input,
  type OnInit,
} from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { capitalised } from '@heliarch/core/units';
import { choiceWords, entriesOf, valueAt, type PartKind } from '@heliarch/core/rig';
import { asTheRigHasIt } from '../../ui/as-the-rig-has-it';
import type { Choice } from '../../ui/choice-bar';
import { QuantityControl } from '../quantity/quantity-control';
import { Select } from '../../ui/select/select';
import { Checkbox } from '../../ui/checkbox';
import { MomentPicker } from './moment-picker';
import { SheetContext, type FieldValue } from './sheet-context';

const LEFT_OPEN: Choice = { id: '', label: 'left open' };

/** Kinds of fields with a control of their own; the others are numbers. */
const OWN_CONTROLS = ['references', 'text', 'time', 'date'] as const;

let nextId = 0;

/** One field of the rig file with its control, made from the field table. What the rig cannot take waits in it. */
@Component({
  selector: 'heli-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MomentPicker,
    NgTemplateOutlet,
    NzInputDirective,
    QuantityControl,
    ReactiveFormsModule,
    Select,
    Checkbox,
  ],
  templateUrl: './field-row.html',
  styleUrl: './field-row.css',
  host: {
    '(focusin)': 'sheet.asked.set(place())',
    '[class.open]': 'isOpen()',
    '[class.stacked]': 'isStacked()',
  },
})
export class FieldRow implements OnInit {
  protected readonly sheet = inject(SheetContext);

  /** Its place within the entry: `parts[0].runningW`. */
  readonly path = input.required<string>();
  /** Another name than the field table's, where the place says more. */
  readonly label = input<string>();
  /** Its name above it, for fields side by side. */
  readonly isStacked = input(false);
  /** Its name stands above another one like it, and is only spoken here. */
  readonly isUnderHead = input(false);

  protected readonly id = `field-${(nextId += 1)}`;
  protected readonly place = computed(() => this.sheet.place(this.path()));
  protected readonly field = computed(() => this.sheet.field(this.path()));
  protected readonly name = computed(() => capitalised(this.label() ?? this.field().label));
  private readonly value = computed(() => (this.sheet.value(this.path()) ?? null) as FieldValue);
  protected readonly isOpen = computed(() => this.value() === null);
  protected readonly fault = computed(() => this.sheet.faultAt(this.path()));
  protected readonly typical = computed(() => this.sheet.typical(this.path()));
  protected readonly control = new FormControl<FieldValue>(null);

  protected readonly options = computed((): readonly Choice[] => {
    const { kind, options, refersTo, refersWithin } = this.field();
    if (kind === 'choice') return options.map((id) => ({ id, label: choiceWords(id) }));
    if (refersTo) return named(entriesOf(this.sheet.rig(), refersTo));
    return refersWithin ? named(this.sheet.value(refersWithin)) : [];
  });
  /** With the one that says nothing, where that may be chosen. */
  protected readonly choices = computed(() =>
    this.field().isRequired && this.text() !== '' ? this.options() : [LEFT_OPEN, ...this.options()],
  );
  /** Which control it has. */
  protected readonly kindOfControl = computed(() => {
    const { kind } = this.field();
    if (kind === 'choice' || kind === 'reference') return 'select';
    return OWN_CONTROLS.find((each) => each === kind) ?? 'number';
  });
  protected readonly text = computed(() => {
    const value = this.value();
    return typeof value === 'string' ? value : '';
  });
  protected readonly chosen = computed((): readonly string[] => {
    const value = this.value();
    return Array.isArray(value) ? (value as readonly string[]) : [];
  });
  /** The kind of the part a number belongs to: typical values take their range from it. */
  protected readonly kindOfPart = computed((): PartKind | undefined => {
    const part = /^(.*parts\[\d+\])/.exec(this.place())?.[1];
    return part === undefined ? undefined : (valueAt(this.sheet.rig(), `${part}.kind`) as PartKind);
  });

  constructor() {
    asTheRigHasIt(this.control, this.value, (value) => this.put(value));
    effect(() => {
      this.fault();
      this.control.updateValueAndValidity({ emitEvent: false });
    });
    inject(DestroyRef).onDestroy(() => this.sheet.leave(this.path(), this.control));
  }

  ngOnInit(): void {
    this.control.addValidators(() => this.refusal());
    this.control.setValue(this.value(), { emitEvent: false });
    this.sheet.join(this.path(), this.control);
  }

  protected put(value: FieldValue): void {
    const isEmpty =
      value === null || (value === '' && !(this.field().isRequired && this.field().kind === 'text'));
    this.sheet.set(this.path(), isEmpty ? undefined : value);
  }

  protected tick(option: string, isOn: boolean): void {
    const others = this.chosen().filter((each) => each !== option);
    this.put(isOn ? [...others, option] : others);
  }

  private refusal(): { readonly refused: string } | null {
    const fault = this.fault();
    return fault === undefined ? null : { refused: fault };
  }
}

function named(entries: unknown): readonly Choice[] {
  if (!Array.isArray(entries)) return [];
  return (entries as readonly { readonly id?: string; readonly name?: string }[]).flatMap(({ id, name }) =>
    id === undefined ? [] : [{ id, label: name ?? id }],
  );
}
