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
import {
  BASES,
  capitalised,
  halfWidthsOf,
  parseNumber,
  shownUnit,
  valueAt,
  type Basis,
  type PartKind,
  type Quantity,
  choiceWords,
  entriesOf,
} from '@heliarch/core';
import { type Field } from '@heliarch/core/editing';
import { BASIS_NAMES } from '../basis-mark';
import { Tick } from '../tick';
import { UnitChoice } from '../unit-choice';
import { SheetContext } from './sheet-context';
import { roughNumber, shownNumber } from './shown-number';

/** What a person usually goes by; the rest is offered only where it is in use. */
const OFFERED: readonly Basis[] = ['measured', 'data-sheet', 'nameplate', 'typical', 'guess', 'setting'];

interface Option {
  readonly id: string;
  readonly words: string;
}

let nextId = 0;

/**
 * One field of the rig file with its control, made from the field table. Typing is never blocked: what
 * the rig cannot take stays in the field with the reason.
 */
@Component({
  selector: 'heli-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Tick],
  templateUrl: './field-row.html',
  styleUrl: './field-row.css',
  host: {
    '(focusin)': 'sheet.asked.set(place())',
    '[class.open]': 'isOpen()',
    '[class.stacked]': 'isStacked()',
  },
})
export class FieldRow {
  protected readonly sheet = inject(SheetContext);
  private readonly units = inject(UnitChoice);

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
  protected readonly value = computed(() => this.sheet.value(this.path()));
  protected readonly isOpen = computed(() => this.value() === undefined);

  protected readonly shown = computed(() => shownUnit(this.field().unit ?? '', this.units.system()));
  protected readonly quantity = computed(() => {
    const value = this.value();
    return this.field().kind === 'quantity' && isQuantity(value) ? value : undefined;
  });
  private readonly stated = computed(() => {
    const value = this.field().kind === 'quantity' ? this.quantity()?.value : this.value();
    return typeof value === 'number' ? value : undefined;
  });
  protected readonly typed = signal('');
  private readonly unreadable = signal<string | undefined>(undefined);
  protected readonly fault = computed(() => this.unreadable() ?? this.sheet.faultAt(this.path()));
  protected readonly isWidthOpen = signal(false);

  protected readonly bases = computed(() => {
    const basis = this.quantity()?.basis;
    return BASES.filter((each) => OFFERED.includes(each) || each === basis).map((each): Option => ({
      id: each,
      words: BASIS_NAMES[each],
    }));
  });

  protected readonly doubt = computed(() => {
    const quantity = this.quantity();
    const { role } = this.field();
    if (!quantity || !role) return undefined;
    const { minus, plus } = halfWidthsOf(quantity, role, this.kind());
    if (minus === 0 && plus === 0) return undefined;
    const { show, unit } = this.shown();
    return `= ${roughNumber(this.units.numbers, show(quantity.value - minus))} to ${roughNumber(this.units.numbers, show(quantity.value + plus))} ${unit}`;
  });

  protected readonly typical = computed(() => {
    const usual = this.sheet.typical(this.path());
    if (usual === undefined) return undefined;
    const value = typeof usual === 'number' ? usual : usual.value;
    const isThere = this.stated() === value;
    const { show, unit } = this.shown();
    return isThere
      ? undefined
      : { usual, words: `${roughNumber(this.units.numbers, show(value))} ${unit}`.trim() };
  });

  protected readonly options = computed((): readonly Option[] => {
    const { kind, options, refersTo, refersWithin } = this.field();
    if (kind === 'choice') return options.map((id) => ({ id, words: choiceWords(id) }));
    if (refersTo) return named(entriesOf(this.sheet.rig(), refersTo));
    return refersWithin ? named(this.sheet.value(refersWithin)) : [];
  });
  /** Which control it has. */
  protected readonly control = computed(() => {
    const { kind } = this.field();
    if (kind === 'choice' || kind === 'reference') return 'select';
    return kind === 'references' || kind === 'text' ? kind : 'number';
  });
  protected readonly text = computed(() => {
    const value = this.value();
    return typeof value === 'string' ? value : '';
  });
  protected readonly chosen = computed((): readonly string[] => {
    const value = this.value();
    return Array.isArray(value) ? value.filter((each): each is string => typeof each === 'string') : [];
  });

  constructor() {
    // A value that changes from outside is shown, unless it is the one being typed.
    effect(() => {
      const stated = this.stated();
      const { show } = this.shown();
      untracked(() => {
        const wanted = stated === undefined ? undefined : round(show(stated));
        if (
          wanted === undefined
            ? this.unreadable() === undefined
            : !isClose(parseNumber(this.units.numbers, this.typed()), wanted)
        )
          this.typed.set(wanted === undefined ? '' : shownNumber(this.units.numbers, wanted));
        if (wanted !== undefined) this.unreadable.set(undefined);
      });
    });
  }

  protected type(text: string): void {
    this.typed.set(text);
    if (text.trim() === '') {
      this.unreadable.set(undefined);
      this.sheet.set(this.path(), undefined);
      return;
    }
    const shown = parseNumber(this.units.numbers, text);
    if (shown === undefined) {
      const example = this.stated();
      this.unreadable.set(
        `must be a number${example === undefined ? '' : `, such as ${shownNumber(this.units.numbers, round(this.shown().show(example)))}`}`,
      );
      return;
    }
    this.unreadable.set(undefined);
    this.put(this.shown().read(shown));
  }

  /** Leaving the field with an unreadable text brings the number in use back. */
  protected leave(): void {
    if (this.unreadable() === undefined) return;
    this.unreadable.set(undefined);
    const stated = this.stated();
    this.typed.set(
      stated === undefined ? '' : shownNumber(this.units.numbers, round(this.shown().show(stated))),
    );
  }

  protected chooseBasis(basis: string): void {
    const quantity = this.quantity();
    if (quantity) this.sheet.set(this.path(), { ...withoutWidths(quantity), basis });
  }

  protected fill(usual: Quantity | number): void {
    this.sheet.set(this.path(), usual);
  }

  protected choose(option: string): void {
    this.sheet.set(this.path(), option === '' ? undefined : option);
  }

  protected write(text: string): void {
    this.sheet.set(this.path(), text === '' && !this.field().isRequired ? undefined : text);
  }

  protected tick(option: string, isOn: boolean): void {
    const others = this.chosen().filter((each) => each !== option);
    this.sheet.set(this.path(), isOn ? [...others, option] : others);
  }

  protected width(side: 'minus' | 'plus'): string {
    const width = this.quantity()?.[side];
    return width === undefined ? '' : shownNumber(this.units.numbers, round(this.widthFactor() * width));
  }

  protected setWidth(side: 'minus' | 'plus', text: string): void {
    const quantity = this.quantity();
    const width = parseNumber(this.units.numbers, text);
    if (!quantity || (text.trim() !== '' && width === undefined)) return;
    const { [side]: _before, ...rest } = quantity;
    this.sheet.set(this.path(), width === undefined ? rest : { ...rest, [side]: width / this.widthFactor() });
  }

  protected setNote(key: 'commonCause' | 'source' | 'note', text: string): void {
    const quantity = this.quantity();
    if (!quantity) return;
    const { [key]: _before, ...rest } = quantity;
    this.sheet.set(this.path(), text === '' ? rest : { ...rest, [key]: text });
  }

  private put(value: number): void {
    if (this.field().kind === 'number') {
      this.sheet.set(this.path(), value);
      return;
    }
    const before = this.quantity();
    // The entered half-widths belong to the number that was there before.
    this.sheet.set(
      this.path(),
      before ? { ...withoutWidths(before), value } : { value, basis: firstBasis(this.field()) },
    );
  }

  private widthFactor(): number {
    const { show } = this.shown();
    return show(1) - show(0);
  }

  /** The kind of the part a number belongs to: typical values take their range from it. */
  private kind(): PartKind | undefined {
    const part = /^(.*parts\[\d+\])/.exec(this.place())?.[1];
    return part === undefined ? undefined : (valueAt(this.sheet.rig(), `${part}.kind`) as PartKind);
  }
}

const CONVERSION_NOISE = 1e-9;

function isClose(a: number | undefined, b: number): boolean {
  return a !== undefined && Math.abs(a - b) <= CONVERSION_NOISE * Math.max(1, Math.abs(b));
}

function round(value: number): number {
  return Number(value.toPrecision(6));
}

function isQuantity(value: unknown): value is Quantity {
  return typeof value === 'object' && value !== null && 'basis' in value;
}

function withoutWidths({ minus: _minus, plus: _plus, ...rest }: Quantity): Quantity {
  return rest;
}

/** How a number is most likely known when it is first typed. */
function firstBasis({ role }: Field): Basis {
  return role === 'rating' ? 'data-sheet' : role === 'seconds' ? 'measured' : 'nameplate';
}

function named(entries: unknown): readonly Option[] {
  if (!Array.isArray(entries)) return [];
  return (entries as readonly { readonly id?: string; readonly name?: string }[]).flatMap(({ id, name }) =>
    id === undefined ? [] : [{ id, words: name ?? id }],
  );
}
