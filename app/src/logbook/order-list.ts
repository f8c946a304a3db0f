import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { orderWords, type LogTest, type OrderedStep } from '@heliarch/core/logbook';
import { LogState } from './log-state';

const MARKS: Readonly<Record<OrderedStep['state'], string>> = {
  done: '✓',
  next: '▸',
  open: '○',
  spoiled: '✕',
};
const SPOKEN: Readonly<Record<OrderedStep['state'], string>> = {
  done: 'done',
  next: 'next',
  open: 'to come',
  spoiled: 'spoiled',
};

/** The order in which a test is read: what is done, what comes next, and what was spoiled with its reason. */
@Component({
  selector: 'heli-order-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol>
      @for (step of steps(); track step.step) {
        <li [class]="step.state">
          <span class="mark" aria-hidden="true">{{ step.mark }}</span>
          <span>
            <span class="unseen">{{ step.spoken }}: </span>{{ step.what }}
            @if (step.fault) {
              <span class="fault">{{ step.fault }}</span>
            }
          </span>
          <span class="figures">{{ step.count || step.time }}</span>
        </li>
      }
    </ol>
  `,
  styles: `
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: 18px minmax(0, 1fr) max-content;
      gap: 6px;
      padding: 5px 6px 5px 4px;
      border-bottom: 1px solid var(--rule);
    }
    li.next {
      background: var(--sun-wash);
      font-weight: 500;
    }
    li.open,
    .figures {
      color: var(--ink-2);
    }
    .fault {
      display: block;
      color: var(--ink-2);
      font-size: 12.5px;
    }
  `,
})
export class OrderList {
  private readonly state = inject(LogState);
  readonly test = input.required<LogTest>();
  readonly order = input.required<readonly OrderedStep[]>();

  protected readonly steps = computed(() =>
    this.order().map((step) => ({
      ...orderWords(step),
      step: step.step,
      state: step.state,
      mark: MARKS[step.state],
      spoken: SPOKEN[step.state],
      time: step.reading && step.state !== 'open' ? this.state.moment(step.reading.atS, this.test()) : '',
    })),
  );
}
