import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { parseNumber, type Quantity, type ShownUnit } from '@heliarch/core/units';
import { UnitChoice } from '../unit-choice';
import { shownNumber } from './shown-number';

const WIDTHS = [
  { key: 'minus', label: 'less by' },
  { key: 'plus', label: 'more by' },
] as const;
const NOTES = [
  { key: 'commonCause', label: 'shares its doubt with', example: 'one meter, a hot day' },
  { key: 'source', label: 'source', example: '' },
  { key: 'note', label: 'note', example: '' },
] as const;
type WidthKey = (typeof WIDTHS)[number]['key'];
type NoteKey = (typeof NOTES)[number]['key'];

/** How far off a number may be, what it shares that with, and where it is from. */
@Component({
  selector: 'heli-doubt-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzInputDirective],
  template: `
    @for (width of widths; track width.key) {
      <label>
        {{ width.label }}
        <input
          #box
          nz-input
          type="text"
          inputmode="decimal"
          [value]="shown(width.key)"
          (change)="setWidth(width.key, box.value)"
        />
      </label>
    }
    @for (about of notes; track about.key) {
      <label class="wide">
        {{ about.label }}
        <input
          #box
          nz-input
          type="text"
          [placeholder]="about.example"
          [value]="quantity()[about.key] ?? ''"
          (change)="setNote(about.key, box.value)"
        />
      </label>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 14px;
      padding: 6px 0 4px;
      color: var(--ink-2);
      font-size: var(--size-caption);
    }
    input.ant-input.ant-input {
      width: 70px;
      border-bottom-width: 1px;
    }
    .wide input.ant-input.ant-input {
      width: 150px;
    }
  `,
})
export class DoubtSheet {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly quantity = input.required<Quantity>();
  readonly unit = input.required<ShownUnit>();
  readonly changed = output<Quantity>();

  protected readonly widths = WIDTHS;
  protected readonly notes = NOTES;

  protected shown(side: WidthKey): string {
    const width = this.quantity()[side];
    return width === undefined ? '' : shownNumber(this.numberStyle, this.factor() * width);
  }

  protected setWidth(side: WidthKey, text: string): void {
    const width = parseNumber(this.numberStyle, text);
    if (text.trim() !== '' && width === undefined) return;
    const { [side]: _before, ...rest } = this.quantity();
    this.changed.emit(width === undefined ? rest : { ...rest, [side]: width / this.factor() });
  }

  protected setNote(key: NoteKey, text: string): void {
    const { [key]: _before, ...rest } = this.quantity();
    this.changed.emit(text === '' ? rest : { ...rest, [key]: text });
  }

  /** A difference is shown without the zero of its scale. */
  private factor(): number {
    const { show } = this.unit();
    return show(1) - show(0);
  }
}
