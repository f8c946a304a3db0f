import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { Checked } from './checked';

export interface Choice {
  readonly id: string;
  readonly label: string;
}

let nextName = 0;

/** One of a few, side by side: radio buttons with the look of a selector plate. */
@Component({
  selector: 'heli-choice-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Checked],
  template: `
    <fieldset>
      <legend class="unseen">{{ legend() }}</legend>
      @for (choice of choices(); track choice.id) {
        <label>
          <input
            type="radio"
            [name]="name"
            [value]="choice.id"
            [heliChecked]="choice.id === selected()"
            (change)="choose.emit(choice.id)"
          />
          <span>{{ choice.label }}</span>
        </label>
      }
    </fieldset>
  `,
  styles: `
    :host {
      max-width: 100%;
    }
    fieldset {
      display: inline-flex;
      flex-wrap: wrap;
      max-width: 100%;
      margin: 0;
      padding: 0;
      border: 1px solid var(--rule-2);
      border-radius: 2px;
    }
    label {
      position: relative;
      min-width: 0;
      max-width: 100%;
      cursor: pointer;
    }
    label + label {
      border-left: 1px solid var(--rule);
    }
    input {
      position: absolute;
      inset: 0;
      opacity: 0;
      margin: 0;
      cursor: pointer;
    }
    span {
      display: grid;
      place-items: center;
      min-height: 28px;
      max-width: 320px;
      padding: 0 14px;
      overflow: hidden;
      color: var(--ink-2);
    }
    label:hover span {
      background: var(--paper-2);
    }
    input:checked + span {
      background: var(--selected);
      color: var(--on-selected);
      font-weight: 500;
      box-shadow: inset 0 -2px 0 var(--selected-foot);
    }
    input:focus-visible + span {
      outline: 2px solid var(--ink);
      outline-offset: 2px;
    }
    :host(.small) span {
      min-height: 22px;
      padding: 0 9px;
      font-size: 12.5px;
    }
    :host(.wide) fieldset {
      display: flex;
    }
    :host(.wide) label {
      flex: 1;
    }
    @media (pointer: coarse) {
      span,
      :host(.small) span {
        min-height: 44px;
      }
    }
  `,
})
export class ChoiceBar {
  readonly legend = input.required<string>();
  readonly choices = input.required<readonly Choice[]>();
  readonly selected = input.required<string>();
  readonly choose = output<string>();
  protected readonly name = `choice-${(nextName += 1)}`;
}
