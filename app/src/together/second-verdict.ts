import { UnitChoice } from '../parts/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import {
  explainLimit,
  plainText,
  VERDICT_WORDS,
  type BatteryClock,
  type DropOut,
  type AnsweredSet,
} from '@heliarch/core/check';
import { formatAmount, formatDuration, formatNumber } from '@heliarch/core/units';
import type { Rig } from '@heliarch/core/rig';
import { keepTogether } from '../ui/keep-together';
import { LimitWorking } from '../parts/limit-working';
import { VerdictMark } from '../parts/verdict-mark';
import { ClockWorking } from './clock-working';

const OLD_MS = 24 * 3600 * 1000;
const PACES = { 'at-once': 'at once', minutes: 'in minutes', hours: 'in hours' } as const;

/** What stands beside every verdict: if the source drops out now, and the battery. */
@Component({
  selector: 'heli-second-verdict',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ClockWorking, LimitWorking, VerdictMark],
  template: `
    @if (dropOut(); as drop) {
      <section [class]="drop.verdict">
        <h2>If {{ sourceName() }} drops out</h2>
        <button
          type="button"
          class="answer"
          [attr.aria-expanded]="open() === 'drop-out'"
          (click)="toggle('drop-out')"
        >
          <heli-verdict-mark [mark]="drop.isAllDark ? 'not-fed' : drop.verdict" /> <span>{{ word() }}</span>
        </button>
        <p>{{ dropReason() }}</p>
      </section>
    }
    @if (clock(); as battery) {
      <section>
        <h2>Battery</h2>
        <button
          type="button"
          class="answer"
          [attr.aria-expanded]="open() === 'clock'"
          (click)="toggle('clock')"
        >
          <span>{{ falling(battery) }}</span>
        </button>
        <p>{{ chargeLine(battery) }}</p>
      </section>
    } @else if (dropOut()) {
      <section>
        <h2>Battery</h2>
        <p class="answer">Not drawn on</p>
        <p>The source carries what is ticked.</p>
      </section>
    }
    @if (open() === 'drop-out' && dropOut()?.decider; as limit) {
      @defer (on immediate) {
        <heli-limit-working class="working" [rig]="rig()" [set]="landing()" [limit]="limit" />
      }
    }
    @if (open() === 'clock' && clock(); as battery) {
      @defer (on immediate) {
        <heli-clock-working class="working" [set]="result()" [clock]="battery" />
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
      gap: 0 20px;
      margin-top: 8px;
      padding-top: 5px;
      border-top: 1px solid var(--ink);
    }
    h2 {
      font: var(--type-body);
      color: var(--ink-2);
    }
    .answer {
      font: var(--type-head);
      color: var(--ink);
    }
    button.answer {
      cursor: pointer;
    }
    button.answer span {
      text-decoration: underline dotted var(--rule-2);
      text-underline-offset: 3px;
    }
    .working {
      grid-column: 1 / -1;
    }
    p {
      color: var(--ink-2);
    }
    heli-verdict-mark {
      width: 13px;
      height: 13px;
      margin-right: 2px;
      vertical-align: -1px;
    }
  `,
})
export class SecondVerdict {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly rig = input.required<Rig>();
  readonly sourceName = input.required<string>();
  readonly dropOut = input.required<DropOut | undefined>();
  readonly clock = input.required<BatteryClock | undefined>();
  readonly result = input.required<AnsweredSet>();

  /** Which of the two answers shows where it comes from. */
  protected readonly open = signal<'drop-out' | 'clock' | undefined>(undefined);

  /** Everything lands on the inverter at once: nothing is started by hand. */
  protected readonly landing = computed((): AnsweredSet => ({
    selfStarting: this.dropOut()?.landing ?? [],
    order: [],
    starts: [],
  }));

  protected toggle(answer: 'drop-out' | 'clock'): void {
    this.open.update((open) => (open === answer ? undefined : answer));
  }

  protected readonly word = computed(() => {
    const drop = this.dropOut();
    if (!drop) return '';
    if (drop.isAllDark) return 'All of it goes dark';
    const { tripsWhen, verdict } = drop;
    if (!tripsWhen || tripsWhen.pace === 'unknown') return VERDICT_WORDS[verdict];
    const pace =
      tripsWhen.pace === 'seconds'
        ? `within ${formatNumber(this.numberStyle, tripsWhen.withinS, 0, 'at-most')} s`
        : PACES[tripsWhen.pace];
    return `${VERDICT_WORDS[verdict]} ${pace}`;
  });

  protected readonly dropReason = computed(() => {
    const drop = this.dropOut();
    if (!drop) return '';
    const dark = drop.dark.map(({ load }) => load.name).join(', ');
    if (drop.isAllDark) return keepTogether(`No inverter feeds ${dark}.`);
    const goesDark = dark ? ` Dark: ${dark}.` : '';
    return keepTogether(
      `${drop.decider ? plainText(explainLimit(this.numberStyle, this.rig(), drop.decider)) : 'Nothing is on.'}${goesDark}`,
    );
  });

  /** A reading of yesterday says nothing of the hours left. */
  private isOld(charge: BatteryClock['charge']): boolean {
    return charge !== undefined && Date.now() - new Date(charge.readAt).getTime() > OLD_MS;
  }

  protected falling({ amps, reserveInS, charge }: BatteryClock): string {
    const rate = `Falling ${formatAmount(this.numberStyle, amps.stated, 'A')}`;
    return keepTogether(
      reserveInS === undefined || this.isOld(charge)
        ? rate
        : `${rate}, reserve in ${formatDuration(reserveInS)}`,
    );
  }

  protected chargeLine({ charge, reservePercent, helpsBeyondA }: BatteryClock): string {
    const helps =
      helpsBeyondA === undefined
        ? ''
        : `It helps ${this.sourceName()}: input limit ${formatAmount(this.numberStyle, helpsBeyondA, 'A')}. `;
    if (!charge) return `${helps}Enter the charge, and it says until when.`;
    if (this.isOld(charge)) return `${helps}The charge was read long ago: read it again.`;
    return keepTogether(`${helps}${charge.percent} % to ${reservePercent} %, at what is ticked now.`);
  }
}
