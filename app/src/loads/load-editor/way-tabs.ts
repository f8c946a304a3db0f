import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { Checked } from '../../components/checked';
import type { Way } from './ways';

let nextName = 0;

/** "How do you know it?": one of several ways, as tabs on the edge of a band. */
@Component({
  selector: 'heli-way-tabs',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Checked],
  template: `
    <fieldset>
      <legend class="unseen">{{ legend() }}</legend>
      @for (way of ways(); track way.id) {
        <label>
          <input
            type="radio"
            [name]="name"
            [heliChecked]="way.id === selected()"
            (change)="choose.emit(way.id)"
          />
          <span>{{ way.label }}</span>
        </label>
      }
    </fieldset>
  `,
  styles: `
    fieldset {
      display: flex;
      flex-wrap: wrap;
      margin: 0;
      padding: 0;
      border: 0;
      border-bottom: 1px solid var(--rule);
    }
    label {
      position: relative;
      cursor: pointer;
    }
    input {
      position: absolute;
      inset: 0;
      margin: 0;
      opacity: 0;
      cursor: pointer;
    }
    span {
      display: block;
      padding: 5px 9px 4px;
      border-bottom: 3px solid transparent;
      color: var(--ink-2);
    }
    label + label span {
      border-left: 1px solid var(--rule);
    }
    label:hover span {
      color: var(--ink);
    }
    input:checked + span {
      border-bottom-color: var(--ink);
      color: var(--ink);
      font-weight: 600;
    }
    input:focus-visible + span {
      outline: 2px solid var(--ink);
      outline-offset: -2px;
    }
    @media (pointer: coarse) {
      span {
        display: grid;
        place-items: center;
        min-height: 44px;
      }
    }
  `,
})
export class WayTabs {
  readonly legend = input.required<string>();
  readonly ways = input.required<readonly Way[]>();
  readonly selected = input.required<string>();
  readonly choose = output<string>();
  protected readonly name = `way-${(nextName += 1)}`;
}
