import { ChangeDetectionStrategy, Component, computed, forwardRef, inject, input } from '@angular/core';
import { capitalised } from '@heliarch/core/units';
import { usualCurve, type Field } from '@heliarch/core/describe';
import { UnitChoice } from '../unit-choice';
import { FieldRow } from './field-row';
import { SheetContext } from './sheet-context';

/** Fields that say nothing to a person who fills in a sheet: made by the tool itself. */
const OWN_AFFAIRS = ['id', 'constant'];
const ONE_OPTION = 1;
const MOST_IN_A_LINE = 3;
const LEG_FIELDS = ['pole', 'legs'];
const IN_A_LINE = ['quantity', 'number', 'choice', 'reference'];

/**
 * The fields of one place of the rig file: rows for what is simple, a band of its own for each group that
 * may be there or not, and for each list its entries, to be added and taken away.
 */
@Component({
  selector: 'heli-field-group',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldRow, forwardRef(() => FieldGroup)],
  template: `
    @for (field of fields(); track field.path) {
      @switch (field.kind) {
        @case ('group') {
          <section [attr.aria-label]="field.label" [class.nothing]="isHidden(field)">
            <h3>
              {{ titleOf(field) }}
              @if (sheet.value(pathOf(field)) !== undefined && !field.isRequired) {
                <button
                  type="button"
                  class="link"
                  [attr.aria-label]="'Remove ' + field.label"
                  (click)="sheet.set(pathOf(field), undefined)"
                >
                  remove
                </button>
              } @else if (!field.isRequired && !closed().includes(field.key)) {
                <button
                  type="button"
                  class="link"
                  [attr.aria-label]="'Add ' + field.label"
                  (click)="begin(field)"
                >
                  add
                </button>
              }
            </h3>
            @if (sheet.value(pathOf(field)) !== undefined) {
              <heli-field-group [path]="pathOf(field)" />
            }
          </section>
        }
        @case ('list') {
          <section [attr.aria-label]="field.label" [class.nothing]="isHidden(field)">
            <h3>
              {{ titleOf(field) }}
              @if (!closed().includes(field.key)) {
                <button
                  type="button"
                  class="link"
                  [attr.aria-label]="'Add to ' + field.label"
                  (click)="add(field)"
                >
                  add
                </button>
              }
            </h3>
            @for (index of indexes(field); track index) {
              <div
                class="entry"
                role="group"
                [class.in-line]="fitsALine(field)"
                [attr.aria-label]="field.label + ' ' + (index + 1)"
              >
                <heli-field-group
                  [path]="pathOf(field) + '[' + index + ']'"
                  [isInLine]="fitsALine(field)"
                  [isUnderHead]="fitsALine(field) && index > 0"
                />
                <button
                  type="button"
                  class="link"
                  [attr.aria-label]="'Remove ' + field.label + ' ' + (index + 1)"
                  (click)="sheet.set(pathOf(field) + '[' + index + ']', undefined)"
                >
                  remove
                </button>
              </div>
            }
          </section>
        }
        @default {
          <heli-field [path]="pathOf(field)" [isStacked]="isInLine()" [isUnderHead]="isUnderHead()" />
        }
      }
    }
  `,
  host: { '[class.in-line]': 'isInLine()' },
  styles: `
    :host(.in-line) {
      display: flex;
      flex-wrap: wrap;
      flex: 1;
      gap: 0 10px;
    }
    .nothing {
      display: none;
    }
    h3 {
      display: flex;
      gap: 12px;
      align-items: baseline;
      padding: 12px 0 3px;
      border-bottom: 1px solid var(--ink);
      font: var(--type-small-head);
    }
    h3 .link,
    .entry > .link {
      font-weight: 400;
      color: var(--ink-2);
    }
    .entry {
      padding: 0 0 6px;
    }
    .entry + .entry {
      border-top: 1px solid var(--rule-2);
    }
    .entry.in-line {
      display: flex;
      align-items: end;
      gap: 8px;
      padding: 0;
    }
    .entry.in-line > .link {
      padding-bottom: 9px;
    }
    .entry.in-line + .entry.in-line {
      border-top-color: var(--rule);
    }
    .link {
      min-height: var(--touch);
    }
  `,
})
export class FieldGroup {
  protected readonly sheet = inject(SheetContext);
  private readonly units = inject(UnitChoice);

  /** Its place within the entry; empty for the entry itself. */
  readonly path = input('');
  /** Lists and groups that are begun elsewhere: without entries they are not shown. */
  readonly closed = input<readonly string[]>([]);
  /** Its fields stand beside each other, each under its name. */
  readonly isInLine = input(false);
  /** In a line below another one with the same names. */
  readonly isUnderHead = input(false);
  /** Only these keys, in this order. */
  readonly only = input<readonly string[]>();

  protected readonly fields = computed((): readonly Field[] => {
    const only = this.only();
    const all = this.own().filter((field) => !OWN_AFFAIRS.includes(field.kind) && !hasNoChoice(field));
    if (only) return only.flatMap((key) => all.find((field) => field.key === key) ?? []);
    return all.filter((field) => !this.isOfOtherScale(field) && !this.isOfOtherLegs(field));
  });

  private readonly own = computed(() => this.sheet.fields(this.path()));

  protected titleOf({ label }: Field): string {
    return capitalised(label);
  }

  protected pathOf({ key }: Field): string {
    return this.path() === '' ? key : `${this.path()}.${key}`;
  }

  protected indexes(field: Field): readonly number[] {
    const value = this.sheet.value(this.pathOf(field));
    return Array.isArray(value) ? value.map((_, index) => index) : [];
  }

  /** Entries of a few plain fields stand in a line each. */
  protected fitsALine({ fields }: Field): boolean {
    const asked = fields.filter(({ kind }) => !OWN_AFFAIRS.includes(kind));
    return asked.length <= MOST_IN_A_LINE && asked.every(({ kind }) => IN_A_LINE.includes(kind));
  }

  /** Where no bus has two legs there is none to choose; one that is entered is shown all the same. */
  private isOfOtherLegs(field: Field): boolean {
    const hasLegs = this.sheet.rig().buses.some(({ poles }) => poles !== undefined && poles !== 'single');
    return !hasLegs && LEG_FIELDS.includes(field.key) && this.sheet.value(this.pathOf(field)) === undefined;
  }

  /** Wire is sold by one scale here or the other; a size that is entered is shown in either. */
  private isOfOtherScale(field: Field): boolean {
    const other = this.units.system() === 'us' ? 'mm2' : 'awg';
    return field.key === other && this.sheet.value(this.pathOf(field)) === undefined;
  }

  protected isHidden(field: Field): boolean {
    return this.closed().includes(field.key) && this.sheet.value(this.pathOf(field)) === undefined;
  }

  /** Of a breaker the size is asked; its curve has a usual one, to be corrected. */
  protected begin(field: Field): void {
    const hasCurve = field.fields.some(({ key }) => key === 'curve');
    this.sheet.set(this.pathOf(field), hasCurve ? { curve: usualCurve(this.sheet.sound()) } : {});
  }

  protected add(field: Field): void {
    const fixed = field.fields.filter(hasNoChoice).map(({ key, options }) => [key, options[0]] as const);
    const count = this.indexes(field).length;
    this.sheet.set(`${this.pathOf(field)}[${count}]`, Object.fromEntries(fixed));
  }
}

/** A choice with one option is no choice: it is put in without asking. */
function hasNoChoice({ kind, options, isRequired }: Field): boolean {
  return kind === 'choice' && isRequired && options.length === ONE_OPTION;
}
