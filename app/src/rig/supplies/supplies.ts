import type { NumberStyle } from '@heliarch/core/units';
import { supplyCarries } from '@heliarch/core/describe';
import { UnitChoice } from '../../parts/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { PERCENT, SECONDS_PER_HOUR } from '@heliarch/core/units';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import {
  NzCellFixedDirective,
  NzTableCellDirective,
  NzTableComponent,
  NzTbodyComponent,
  NzTheadComponent,
  NzThMeasureDirective,
  NzTrDirective,
} from 'ng-zorro-antd/table';
import { explain, VERDICT_WORDS, verdictPhrase } from '@heliarch/core/check';
import { formatAmount, formatDuration, formatNumber } from '@heliarch/core/units';
import { type Rig, type Supply, choiceWords } from '@heliarch/core/rig';
import { EMPTY } from 'rxjs';
import { Answers } from '../../compute/answers';
import { latest } from '../../compute/latest';
import { AnswerState } from '../../parts/answer-state';
import { ArrivalTest } from '../../parts/arrival-test';
import { mediaQuery } from '../../ui/media-query';
import { NamedTable } from '../../ui/library/named-table';
import { pedestalOf } from '../../parts/shore-pedestal';
import { VerdictMark } from '../../parts/verdict-mark';
import type { OnSupply } from '../../compute/rig-questions';
import { PartSheet } from '../part-sheet';
import { RigState } from '../rig-state';

interface Row {
  readonly label: string;
  /** @param set What is on, on this supply; undefined until it is worked out. */
  readonly of: (style: NumberStyle, rig: Rig, supply: Supply, set: OnSupply | undefined) => string;
}

const WHAT_WIDTH_PX = 200;
const LEAST_WIDTH_PX = 120;
const OPEN = '–';
const amps = (style: NumberStyle, value: number | undefined): string =>
  value === undefined ? OPEN : formatAmount(style, value, 'A');
const va = (style: NumberStyle, value: number): string =>
  value === 0 ? OPEN : Number.isFinite(value) ? formatAmount(style, value, 'VA') : 'not entered';

/** What stands side by side, in the order in which it matters at the post. */
const ROWS: readonly Row[] = [
  {
    label: 'Connected',
    of: (_, rig, { sources }) =>
      rig.sources
        .filter(({ id }) => sources.includes(id))
        .map(({ name }) => name)
        .join(', ') || 'nothing, on battery',
  },
  { label: 'Smallest breaker in the chain', of: (style, _, { breaker }) => amps(style, breaker?.amps) },
  {
    label: 'Smallest plug or adapter',
    of: (style, _, { cords }) => {
      const plugs = (cords ?? []).flatMap(({ plugA }) => plugA ?? []);
      return plugs.length === 0 ? OPEN : amps(style, Math.min(...plugs));
    },
  },
  { label: 'Other loads on it', of: (style, _, { otherLoadsA }) => amps(style, otherLoadsA?.value) },
  { label: 'Input limit, as set', of: (style, _, { inputLimitA }) => amps(style, inputLimitA) },
  { label: 'Input limit, advised for your set', of: advised },
  { label: 'Assist', of: (_, __, { assist }) => (assist ? choiceWords(assist) : OPEN) },
  { label: 'Charging', of: (_, __, { charging }) => (charging ? choiceWords(charging) : OPEN) },
  {
    label: 'Carries from the source',
    of: (style, rig, supply) => va(style, supplyCarries(rig, supply).sourceVA),
  },
  {
    label: 'Carries behind the inverter',
    of: (style, rig, supply) => va(style, supplyCarries(rig, supply).behindVA),
  },
  {
    label: 'of that from the battery',
    of: (style, rig, supply) => va(style, supplyCarries(rig, supply).batteryVA),
  },
  { label: 'Room to grow beside your set', of: roomToGrow },
  { label: 'The battery lasts for your set', of: lasts },
  { label: 'If its source drops out', of: afterDropOut },
];

function roomToGrow(style: NumberStyle, _: Rig, __: Supply, set: OnSupply | undefined): string {
  if (!set) return OPEN;
  if (!Number.isFinite(set.leftVA)) return 'not entered';
  return set.leftVA > 0 ? `at least ${formatAmount(style, set.leftVA, 'VA', 'at-least')}` : 'none for hours';
}

/** From full to its reserve, at what the set draws now. */
function lasts(_: NumberStyle, __: Rig, ___: Supply, set: OnSupply | undefined): string {
  const clock = set?.clock;
  if (!clock || clock.amps.stated <= 0) return OPEN;
  const usable = clock.ampHoursNow * (1 - clock.reservePercent / PERCENT);
  return `${formatDuration((usable / clock.amps.stated) * SECONDS_PER_HOUR)} from full`;
}

function afterDropOut(_: NumberStyle, __: Rig, ___: Supply, set: OnSupply | undefined): string {
  const drop = set?.dropOut;
  if (!drop) return OPEN;
  return drop.isAllDark ? 'all of it goes dark' : VERDICT_WORDS[drop.verdict];
}

function advised(style: NumberStyle, _: Rig, __: Supply, set: OnSupply | undefined): string {
  const limit = set?.inputLimit;
  if (!limit) return OPEN;
  const { atLeastA, atMostA } = limit;
  const most = formatNumber(style, Math.floor(atMostA), 0);
  const least = Math.ceil(atLeastA ?? 0);
  if (least > Math.floor(atMostA)) return `none: your set needs ${least} A`;
  return least > 0 ? `${least} to ${most} A` : `at most ${most} A`;
}

/** The supplies side by side: what each carries, what is set and what is advised; one of them to be edited. */
@Component({
  selector: 'heli-supplies',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AnswerState,
    ArrivalTest,
    NamedTable,
    NzButtonComponent,
    NzCellFixedDirective,
    NzTableCellDirective,
    NzTableComponent,
    NzTbodyComponent,
    NzTheadComponent,
    NzThMeasureDirective,
    NzTrDirective,
    PartSheet,
    VerdictMark,
  ],
  templateUrl: './supplies.html',
  styleUrl: './supplies.css',
})
export class Supplies {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(RigState);
  protected readonly supplies = computed(() => this.state.rig().supplies);
  private readonly questions = inject(Answers);
  private readonly attempt = signal(0);
  protected readonly asked = toSignal(
    latest(toObservable(computed(() => ({ rig: this.state.rig(), attempt: this.attempt() }))), ({ rig }) =>
      rig.scenes[0] ? this.questions.ask('tick', rig, 'onEverySupply', rig.scenes[0]) : EMPTY,
    ),
  );
  protected readonly rows = computed(() => {
    const given = this.asked()?.given?.value;
    return ROWS.map(({ label, of }) => ({
      label,
      cells: this.supplies().map((supply) =>
        of(
          this.numberStyle,
          this.state.rig(),
          supply,
          given?.find(({ supplyId }) => supplyId === supply.id),
        ),
      ),
    }));
  });
  /** Where supplies.css puts the cells of a row below what they are about. */
  protected readonly isNarrow = mediaQuery('(max-width: 720px)');
  /** Many supplies go by beside what they are asked about. */
  protected readonly scroll = computed(() =>
    this.isNarrow() ? {} : { x: `${WHAT_WIDTH_PX + this.supplies().length * LEAST_WIDTH_PX}px` },
  );
  protected readonly answers = computed(() => {
    const given = this.asked()?.given;
    return this.supplies().map((supply) => {
      const set = given?.value.find(({ supplyId }) => supplyId === supply.id);
      const words = given && set && explain(this.numberStyle, given.about.rig, set.result);
      return { verdict: set?.result.verdict, word: words && verdictPhrase(words), action: words?.action };
    });
  });

  /** Where the set holds, what carries least first. */
  protected readonly holdsOn = computed(() => {
    const given = this.asked()?.given?.value;
    const rig = this.state.rig();
    const carries = (supply: Supply): number => supplyCarries(rig, supply).behindVA;
    const holding = this.supplies()
      .filter(({ id }) => given?.find(({ supplyId }) => supplyId === id)?.result.verdict === 'holds')
      .sort((a, b) => carries(a) - carries(b));
    if (!given) return '';
    const [smallest, ...others] = holding.map(({ name }) => name);
    if (smallest === undefined) return 'Your set holds on none of them.';
    return `The least on which your set holds: ${smallest}.${others.length > 0 ? ` Also on ${others.join(', ')}.` : ''}`;
  });

  protected askAgain(): void {
    this.attempt.update((attempt) => attempt + 1);
  }

  /** The supply that is looked at, where it comes from a post. */
  protected readonly tested = computed(() => {
    const { list, id } = this.state.selected();
    const supply = list === 'supplies' && this.supplies().find((each) => each.id === id);
    const post = supply && pedestalOf(this.numberStyle, this.state.rig(), supply);
    return supply && post ? { supply, post } : undefined;
  });

  constructor() {
    const first = this.supplies()[0];
    if (first && this.state.selected().list !== 'supplies') this.state.select('supplies', first.id);
  }

  protected isHere(supply: Supply): boolean {
    const { list, id } = this.state.selected();
    return list === 'supplies' && id === supply.id;
  }
}
