import type { NumberStyle } from '@heliarch/core/units';
import { UnitChoice } from './unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { formatPercent } from '@heliarch/core/units';
import {
  limitLabel,
  shareWords,
  spareOrOver,
  VERDICT_WORDS,
  type CheckResult,
  type Limit,
} from '@heliarch/core/check';
import type { Rig } from '@heliarch/core/rig';
import { keepTogether } from '../ui/keep-together';
import { LimitWorking } from './limit-working';
import { VerdictMark } from './verdict-mark';

/** Bars are in percent of the limit; what is beyond it is cut off here. */
const LIMIT_AT = 100;
const ROW_END = 107;
const FOLD_BELOW = 0.2;
const FOLD_STARTS_BELOW = 0.5;
/** Beyond so many rows what holds folds too, sooner where the set does not hold; what does not hold never does. */
const MOST_ROWS = 14;
const MOST_ROWS_IN_TROUBLE = 7;

interface Row {
  readonly limit: Limit;
  readonly label: string;
  readonly share: string;
  readonly headroom: string;
  readonly word: string;
  readonly running: number;
  readonly start: number;
  readonly over: number;
  readonly whiskerFrom: number;
  readonly whiskerTo: number;
}

/** Every limit as a thin row, all drawn so that the limit is the same upright rule. */
@Component({
  selector: 'heli-limit-ladder',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LimitWorking, VerdictMark],
  templateUrl: './limit-ladder.html',
  styleUrl: './limit-ladder.css',
})
export class LimitLadder {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly rig = input.required<Rig>();
  readonly result = input.required<CheckResult>();
  readonly limits = input.required<readonly Limit[]>();
  /** Names of circuits that carry nothing of this set. */
  readonly idle = input<readonly string[]>([]);

  /** The row whose working is open, by the id of its limit. */
  protected readonly open = signal<string | undefined>(undefined);
  /** Whether what is far from its limit is shown too. */
  protected readonly isUnfolded = signal(false);
  private readonly mostRows = computed(() =>
    this.result().verdict === 'holds' ? MOST_ROWS : MOST_ROWS_IN_TROUBLE,
  );
  private readonly folding = computed(() => {
    const most = this.mostRows();
    return this.limits().filter((limit, place) => folds(limit, place, most));
  });
  protected readonly rows = computed(() =>
    this.limits()
      .filter((limit, place) => this.isUnfolded() || !folds(limit, place, this.mostRows()))
      .map((limit) => rowOf(this.numberStyle, this.rig(), limit)),
  );
  protected readonly foldedWords = computed(() => {
    const [fullest] = this.folding();
    if (!fullest) return undefined;
    const most = formatPercent(this.numberStyle, fullest.loading);
    return this.folding().length === 1
      ? `1 more holds, at ${most}`
      : `${this.folding().length} more hold, the fullest at ${most}`;
  });

  protected toggle(row: Row): void {
    this.open.update((open) => (open === row.limit.id ? undefined : row.limit.id));
  }
}

/** Rows that hold with much to spare; starts are many, so they fold sooner. */
const folds = ({ verdict, loading, start }: Limit, place: number, mostRows: number): boolean =>
  verdict === 'holds' && (place >= mostRows || loading < (start ? FOLD_STARTS_BELOW : FOLD_BELOW));

function rowOf(style: NumberStyle, rig: Rig, limit: Limit): Row {
  const { running, worst, capacity, edge, verdict } = limit;
  const most = limit.kind === 'unknown-rating' ? Infinity : capacity[edge];
  const at = (value: number): number => Math.min(ROW_END, (value / most) * LIMIT_AT);
  const decides = edge === 'pessimistic' ? worst.hi : worst.lo;
  return {
    limit,
    label: keepTogether(limitLabel(style, rig, limit)),
    share: shareWords(style, limit),
    headroom: spareOrOver(style, limit, edge).replace(' to spare', ''),
    word: VERDICT_WORDS[verdict],
    running: at(Math.min(running.stated, worst.stated)),
    start: at(worst.stated),
    over: verdict === 'holds' ? 0 : Math.max(0, at(Math.max(decides, worst.stated)) - LIMIT_AT),
    whiskerFrom: at(Math.min(worst.stated, decides)),
    whiskerTo: at(Math.max(worst.stated, decides)),
  };
}
