import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  forwardRef,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import {
  NG_VALIDATORS,
  NG_VALUE_ACCESSOR,
  type ControlValueAccessor,
  type ValidationErrors,
  type Validator,
} from '@angular/forms';
import { NzInputDirective } from 'ng-zorro-antd/input';
import {
  BASES,
  parseAmount,
  parseNumber,
  shownUnit,
  type Amount,
  type Basis,
  type Quantity,
} from '@heliarch/core/units';
import { halfWidthsOf, type PartKind, type QuantityRole } from '@heliarch/core/rig';
import { FieldStyles } from '../../ui/library/field-styles';
import { LibraryStyles } from '../../ui/library/library-styles';
import { BASIS_NAMES } from '../basis-mark';
import { Select } from '../../ui/select/select';
import { UnitChoice } from '../unit-choice';
import { DoubtSheet } from './doubt-sheet';
import { roughNumber, shownNumber } from './shown-number';

/** What the control holds: a number with how it is known, a bare one, or nothing yet. */
export type Known = Quantity | number | null;

/** What a person usually goes by; the rest is offered only where it is in use. */
const OFFERED: readonly Basis[] = ['measured', 'data-sheet', 'nameplate', 'typical', 'guess', 'setting'];
/** A number typed over one of these was read somewhere. */
const NOT_READ: readonly Basis[] = ['typical', 'guess'];
const CONVERSION_NOISE = 1e-9;

let nextId = 0;

/**
 * A number in its unit, with how it is known and its doubt. Typing is never blocked: what is a number goes out at
 * once; what is none waits in the field with the reason, and changes nothing.
 */
@Component({
  selector: 'heli-quantity',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DoubtSheet, NzInputDirective, Select],
  templateUrl: './quantity-control.html',
  styleUrl: './quantity-control.css',
  providers: [
    { provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => QuantityControl), multi: true },
    { provide: NG_VALIDATORS, useExisting: forwardRef(() => QuantityControl), multi: true },
  ],
  host: { '[class]': 'look()', '[class.open]': 'known() === null' },
})
export class QuantityControl implements ControlValueAccessor, Validator {
  private readonly units = inject(UnitChoice);

  readonly name = input.required<string>();
  /** As the rig file has it; shown as it is read here. */
  readonly unit = input('');
  /** A bare number: nothing is asked of how it is known. */
  readonly isPlain = input(false);
  readonly role = input<QuantityRole>();
  readonly kind = input<PartKind>();
  readonly look = input<'row' | 'stacked' | 'cell' | 'reading'>('row');
  /** Its name stands above another one like it, or in a row's head, and is only spoken here. */
  readonly isUnderHead = input(false);
  /** Why the rig does not take what was typed. */
  readonly fault = input<string>();
  readonly usual = input<Quantity | number>();
  /** Units of another kind that may be typed with the number; what is made of them is the parent's. */
  readonly otherUnits = input<readonly string[]>([]);
  readonly amountIn = output<Amount>();

  protected readonly id = `quantity-${(nextId += 1)}`;
  protected readonly known = signal<Known>(null);
  protected readonly typed = signal('');
  protected readonly unreadable = signal<string | undefined>(undefined);
  protected readonly isDoubtOpen = signal(false);
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');

  protected readonly shown = computed(() => shownUnit(this.unit(), this.units.system()));
  protected readonly wrong = computed(() => this.unreadable() ?? this.fault());
  protected readonly quantity = computed(() => asQuantity(this.known()));
  private readonly stated = computed(() => valueOf(this.known()));

  protected readonly bases = computed(() => {
    const basis = this.quantity()?.basis;
    return BASES.filter((each) => OFFERED.includes(each) || each === basis).map((id) => ({
      id,
      label: BASIS_NAMES[id],
    }));
  });

  /** What the number may be, in words; nothing where it is beyond doubt. */
  protected readonly doubt = computed(() => {
    const [quantity, role] = [this.quantity(), this.role()];
    if (!quantity || !role) return undefined;
    const { minus, plus } = halfWidthsOf(quantity, role, this.kind());
    if (minus === 0 && plus === 0) return undefined;
    const rough = (value: number): string => roughNumber(this.units.numbers, this.shown().show(value));
    return `= ${rough(quantity.value - minus)} to ${rough(quantity.value + plus)} ${this.shown().unit}`;
  });

  protected readonly typical = computed(() => {
    const usual = this.usual();
    const value = usual === undefined ? undefined : valueOf(usual);
    if (usual === undefined || value === undefined || this.stated() === value) return undefined;
    const { show, unit } = this.shown();
    return { usual, words: `${roughNumber(this.units.numbers, show(value))} ${unit}`.trim() };
  });

  private changed: (value: Known) => void = () => undefined;
  private touched: () => void = () => undefined;
  private validityChanged: () => void = () => undefined;

  constructor() {
    inject(LibraryStyles).bring(FieldStyles);
    // A value that changes from outside is shown, unless it is the one being typed.
    effect(() => {
      const wanted = this.inWords();
      untracked(() => {
        if (wanted === '' ? this.unreadable() === undefined : !this.isTyped()) this.show(wanted);
      });
    });
  }

  writeValue(value: Known): void {
    this.known.set(value ?? null);
  }

  registerOnChange(changed: (value: Known) => void): void {
    this.changed = changed;
  }

  registerOnTouched(touched: () => void): void {
    this.touched = touched;
  }

  registerOnValidatorChange(changed: () => void): void {
    this.validityChanged = changed;
  }

  validate(): ValidationErrors | null {
    const unreadable = this.unreadable();
    return unreadable === undefined ? null : { unreadable };
  }

  /** Puts the cursor into the number, all of it selected. */
  focus(): void {
    this.box().nativeElement.select();
    this.box().nativeElement.focus();
  }

  protected type(text: string): void {
    this.typed.set(text);
    if (text.trim() === '') {
      this.say(undefined);
      this.offer(null);
      return;
    }
    const amount = this.read(text);
    if (!amount) {
      this.say(`must be a number${this.example()}`);
      return;
    }
    this.say(undefined);
    if (amount.unit === this.shown().unit) this.put(this.shown().read(amount.value));
    else this.amountIn.emit(amount);
  }

  /** Once it is left, a number stands as it is written here. */
  protected leave(): void {
    this.touched();
    if (this.wrong() === undefined) this.show(this.inWords());
  }

  protected takeBack(): void {
    if (this.unreadable() !== undefined) this.show(this.inWords());
  }

  protected chooseBasis(basis: Basis): void {
    const quantity = this.quantity();
    // The entered half-widths belong to how it was known before.
    if (quantity) this.offer({ ...withoutWidths(quantity), basis });
  }

  protected offer(value: Known): void {
    this.known.set(value);
    this.changed(value);
  }

  private put(value: number): void {
    if (this.isPlain()) {
      this.offer(value);
      return;
    }
    const before = this.quantity();
    const first = firstBasis(this.role());
    const basis = !before || NOT_READ.includes(before.basis) ? first : before.basis;
    // The entered half-widths belong to the number that was there before.
    this.offer(before ? { ...withoutWidths(before), value, basis } : { value, basis });
  }

  private read(text: string): Amount | undefined {
    const { numbers } = this.units;
    const { unit } = this.shown();
    const value = parseNumber(numbers, text);
    if (value !== undefined) return { value, unit };
    const amount = parseAmount(numbers, text);
    return amount && [unit, ...this.otherUnits()].includes(amount.unit) ? amount : undefined;
  }

  private isTyped(): boolean {
    const [amount, stated] = [this.read(this.typed()), this.stated()];
    if (!amount || stated === undefined) return false;
    if (amount.unit !== this.shown().unit) return true;
    const wanted = this.shown().show(stated);
    return Math.abs(amount.value - wanted) <= CONVERSION_NOISE * Math.max(1, Math.abs(wanted));
  }

  private show(words: string): void {
    this.typed.set(words);
    this.say(undefined);
  }

  private say(fault: string | undefined): void {
    if (this.unreadable() === fault) return;
    this.unreadable.set(fault);
    this.validityChanged();
  }

  private inWords(): string {
    const stated = this.stated();
    return stated === undefined ? '' : shownNumber(this.units.numbers, this.shown().show(stated));
  }

  private example(): string {
    const words = this.inWords();
    return words === '' ? '' : `, such as ${`${words} ${this.shown().unit}`.trim()}`;
  }
}

function asQuantity(known: Known): Quantity | undefined {
  return known === null || typeof known === 'number' ? undefined : known;
}

function valueOf(known: Known): number | undefined {
  return typeof known === 'number' ? known : known?.value;
}

function withoutWidths({ minus: _minus, plus: _plus, readings: _readings, ...rest }: Quantity): Quantity {
  return rest;
}

/** How a number is most likely known when it is first typed. */
function firstBasis(role: QuantityRole | undefined): Basis {
  return role === 'rating' ? 'data-sheet' : role === 'seconds' ? 'measured' : 'nameplate';
}
