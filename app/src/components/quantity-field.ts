import { UnitChoice } from './unit-choice';
import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import {
  formatAmount,
  formatNumber,
  intervalOf,
  parseNumber,
  type Basis,
  type PartKind,
  type Quantity,
  type QuantityRole,
} from '@heliarch/core';
import { BASIS_NAMES, BasisMark } from './basis-mark';
import { Checked } from './checked';

/** What a person usually goes by, in the order of trust. */
const OFFERED: readonly Basis[] = ['measured', 'data-sheet', 'nameplate', 'typical', 'guess'];

const SMALL = 10;

let nextId = 0;

/**
 * A number with how it is known. Typing is never blocked: a valid number goes out at once, an
 * invalid one stays in the field with what is wrong with it and changes nothing.
 */
@Component({
  selector: 'heli-quantity-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BasisMark, Checked],
  templateUrl: './quantity-field.html',
  styleUrl: './quantity-field.css',
})
export class QuantityField {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly label = input.required<string>();
  readonly unit = input.required<string>();
  readonly quantity = input.required<Quantity>();
  readonly purpose = input.required<QuantityRole>();
  readonly kind = input.required<PartKind>();
  /** Says what is wrong with a candidate, or nothing. */
  readonly faultOf = input.required<(candidate: Quantity) => string | undefined>();
  readonly corrected = output<Quantity>();

  protected readonly id = `quantity-${(nextId += 1)}`;
  protected readonly typed = signal('');
  protected readonly fault = signal<string | undefined>(undefined);
  protected readonly offered = computed(() => {
    const { basis } = this.quantity();
    return OFFERED.includes(basis) ? OFFERED : [...OFFERED, basis];
  });
  protected readonly basisNames = BASIS_NAMES;
  /** By value: the same number handed in again is no change from outside. */
  private readonly value = computed(() => this.quantity().value);
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');

  protected readonly doubt = computed(() => {
    const { lo, hi } = intervalOf(this.quantity(), this.purpose(), this.kind());
    const name = BASIS_NAMES[this.quantity().basis];
    if (lo === hi) return `= ${this.shown(lo)} ${this.unit()}, ${name}`;
    return `= ${this.shown(lo)} to ${this.shown(hi)} ${this.unit()}, ${name}`;
  });

  constructor() {
    // A value that changes from outside is shown, unless it is the one being typed.
    effect(() => {
      const value = this.value();
      untracked(() => {
        if (parseNumber(this.numberStyle, this.typed()) !== value) this.typed.set(this.shown(value));
        this.fault.set(undefined);
      });
    });
  }

  /** Puts the cursor into the number, all of it selected. */
  focus(): void {
    this.field().nativeElement.select();
    this.field().nativeElement.focus();
  }

  protected type(text: string): void {
    this.typed.set(text);
    const value = parseNumber(this.numberStyle, text);
    if (value === undefined) {
      this.fault.set(
        `must be a number of ${this.unit()}, such as ${formatAmount(this.numberStyle, this.quantity().value, this.unit())}`,
      );
      return;
    }
    // The entered half-widths belong to the number that was there before.
    this.offer({ ...withoutHalfWidths(this.quantity()), value });
  }

  protected chooseBasis(basis: Basis): void {
    this.offer({ ...withoutHalfWidths(this.quantity()), basis });
  }

  /** Leaving the field with an unusable text brings the number in use back. */
  protected leave(): void {
    if (this.fault() === undefined) return;
    this.fault.set(undefined);
    this.typed.set(this.shown(this.quantity().value));
  }

  private offer(candidate: Quantity): void {
    const fault = this.faultOf()(candidate);
    this.fault.set(fault);
    if (fault === undefined) this.corrected.emit(candidate);
  }

  private shown(value: number): string {
    return formatNumber(this.numberStyle, value, Math.abs(value) < SMALL ? 2 : 0);
  }
}

function withoutHalfWidths({ minus: _minus, plus: _plus, ...rest }: Quantity): Quantity {
  return rest;
}
