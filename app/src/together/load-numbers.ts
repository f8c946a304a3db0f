import { ChangeDetectionStrategy, Component, inject, input, output, viewChildren } from '@angular/core';
import { kindOfPart, type Load, type Part, type PartNumber, type Quantity } from '@heliarch/core';
import { QuantityField } from '../ui/quantity-field';
import { TogetherState } from './together-state';

/** The numbers of one load, to be corrected in place. */
@Component({
  selector: 'heli-load-numbers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QuantityField],
  host: {
    role: 'group',
    '[attr.aria-label]': '"Numbers of " + load().name',
    '(keydown.escape)': 'done.emit()',
  },
  template: `
    @for (part of load().parts; track part.id) {
      @if (load().parts.length > 1) {
        <h3>{{ part.name ?? part.id }}</h3>
      }
      <heli-quantity-field
        label="Running"
        unit="W"
        purpose="running"
        [kind]="part.kind"
        [quantity]="part.runningW"
        [faultOf]="faultFinder(part, 'running')"
        (corrected)="correct(part, 'running', $event)"
      />
      @if (part.start; as start) {
        <heli-quantity-field
          label="Kick"
          unit="VA"
          purpose="start"
          [kind]="part.kind"
          [quantity]="start.va"
          [faultOf]="faultFinder(part, 'start')"
          (corrected)="correct(part, 'start', $event)"
        />
        <heli-quantity-field
          label="Lasts"
          unit="s"
          purpose="seconds"
          [kind]="part.kind"
          [quantity]="start.seconds"
          [faultOf]="faultFinder(part, 'seconds')"
          (corrected)="correct(part, 'seconds', $event)"
        />
      } @else {
        <p class="caption">No kick: a {{ kindName(part) }} starts with what it runs on.</p>
      }
    }
    <button type="button" class="plain-button" (click)="done.emit()">Done</button>
  `,
  styles: `
    :host {
      display: block;
      margin: 2px 0 8px;
      padding: 0 10px 10px;
      border: 1px solid var(--ink);
      border-radius: 2px;
      background: var(--plate);
    }
    h3 {
      padding-top: 8px;
      font: 600 13.5px/18px var(--body);
    }
    p {
      padding: 6px 0;
      color: var(--ink-2);
    }
    .plain-button {
      margin-top: 6px;
    }
  `,
})
export class LoadNumbers {
  private readonly state = inject(TogetherState);
  private readonly fields = viewChildren(QuantityField);

  readonly load = input.required<Load>();
  readonly done = output();

  /** Puts the cursor into the first number. */
  focus(): void {
    this.fields()[0]?.focus();
  }

  protected kindName(part: Part): string {
    return kindOfPart(part.kind).name;
  }

  protected faultFinder(part: Part, number: PartNumber) {
    return (quantity: Quantity): string | undefined =>
      this.state.faultOf(this.load().id, part.id, number, quantity);
  }

  protected correct(part: Part, number: PartNumber, quantity: Quantity): void {
    this.state.correct(this.load().id, part.id, number, quantity);
  }
}
