import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import {
  explainLimit,
  formatAmount,
  formatDuration,
  formatNumber,
  plainText,
  VERDICT_WORDS,
  type BatteryClock,
  type DropOut,
  type Rig,
} from '@heliarch/core';
import { keepTogether } from '../ui/keep-together';
import { VerdictMark } from '../ui/verdict-mark';

const OLD_MS = 24 * 3600 * 1000;
const PACES = { 'at-once': 'at once', minutes: 'in minutes', hours: 'in hours' } as const;

/** What stands beside every verdict: if the source drops out now, and the battery. */
@Component({
  selector: 'heli-second-verdict',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [VerdictMark],
  template: `
    @if (dropOut(); as drop) {
      <section [class]="drop.verdict">
        <h2>If {{ sourceName() }} drops out</h2>
        <p class="answer"><heli-verdict-mark [mark]="drop.verdict" /> {{ word() }}</p>
        <p>{{ dropReason() }}</p>
      </section>
    }
    @if (clock(); as battery) {
      <section>
        <h2>Battery</h2>
        <p class="answer">{{ falling(battery) }}</p>
        <p>{{ chargeLine(battery) }}</p>
      </section>
    } @else if (dropOut()) {
      <section>
        <h2>Battery</h2>
        <p class="answer">Not drawn on</p>
        <p>The source carries what is ticked.</p>
      </section>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(160px, 1fr));
      gap: 0 20px;
      margin-top: 8px;
      padding-top: 5px;
      border-top: 1px solid var(--ink);
    }
    h2 {
      font: 400 13.5px/18px var(--body);
      color: var(--ink-2);
    }
    .answer {
      font: 600 15px/20px var(--body);
      color: var(--ink);
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
  readonly rig = input.required<Rig>();
  readonly sourceName = input.required<string>();
  readonly dropOut = input.required<DropOut | undefined>();
  readonly clock = input.required<BatteryClock | undefined>();

  protected readonly word = computed(() => {
    const drop = this.dropOut();
    if (!drop) return '';
    const { tripsWhen, verdict } = drop;
    if (!tripsWhen || tripsWhen.pace === 'unknown') return VERDICT_WORDS[verdict];
    const pace =
      tripsWhen.pace === 'seconds'
        ? `within ${formatNumber(tripsWhen.withinS, 0, 'at-most')} s`
        : PACES[tripsWhen.pace];
    return `${VERDICT_WORDS[verdict]} ${pace}`;
  });

  protected readonly dropReason = computed(() => {
    const drop = this.dropOut();
    if (!drop) return '';
    const dark = drop.dark.map(({ load }) => load.name).join(', ');
    const goesDark = dark ? ` Dark: ${dark}.` : '';
    if (drop.mayStall && drop.decider?.verdict === 'holds') {
      return `${drop.mayStall} may stall: it has no soft starter.${goesDark}`;
    }
    return keepTogether(
      `${drop.decider ? plainText(explainLimit(this.rig(), drop.decider)) : 'Nothing is on.'}${goesDark}`,
    );
  });

  /** A reading of yesterday says nothing of the hours left. */
  private isOld(charge: BatteryClock['charge']): boolean {
    return charge !== undefined && Date.now() - new Date(charge.readAt).getTime() > OLD_MS;
  }

  protected falling({ amps, reserveInS, charge }: BatteryClock): string {
    const rate = `Falling ${formatAmount(amps.stated, 'A')}`;
    return keepTogether(
      reserveInS === undefined || this.isOld(charge)
        ? rate
        : `${rate}, reserve in ${formatDuration(reserveInS)}`,
    );
  }

  protected chargeLine({ charge, reservePercent }: BatteryClock): string {
    if (!charge) return 'Enter the charge, and it says until when.';
    if (this.isOld(charge)) return 'The charge was read long ago: read it again.';
    return keepTogether(`${charge.percent} % to ${reservePercent} %, at what is ticked now.`);
  }
}
