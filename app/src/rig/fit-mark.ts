import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { RigCheck } from '@heliarch/core/describe';
import { VerdictMark } from '../parts/verdict-mark';

const WORDS: Readonly<Record<RigCheck['verdict'], string>> = {
  holds: 'Holds',
  tight: 'Tight',
  'likely-trips': 'Likely does not fit',
  trips: 'Does not fit',
  unknown: 'Not known',
};

/** Whether two parts fit: the shape of a verdict, or a query where a number is missing, and the word for it. */
@Component({
  selector: 'heli-fit-mark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [VerdictMark],
  template: `
    @let fit = verdict();
    @if (fit === 'unknown') {
      <span class="query" aria-hidden="true">?</span>
    } @else {
      <heli-verdict-mark [mark]="fit" />
    }
    <span [class.unseen]="!isWordShown()" [class]="fit">{{ word() }}: </span>
  `,
  styles: `
    heli-verdict-mark {
      margin-top: 2px;
      font-size: 14px;
    }
    :host {
      font-weight: 600;
    }
    .holds,
    .tight,
    .likely-trips,
    .trips {
      color: var(--verdict);
    }
    .query {
      display: grid;
      place-items: center;
      width: 16px;
      height: 16px;
      margin-top: 1px;
      border: 1.5px solid var(--ink-3);
      border-radius: 50%;
      color: var(--ink-3);
      font: 600 11px/1 var(--body);
    }
  `,
})
export class FitMark {
  readonly verdict = input.required<RigCheck['verdict']>();
  /** Else it is spoken only. */
  readonly isWordShown = input(false);
  protected readonly word = computed(() => WORDS[this.verdict()]);
}
