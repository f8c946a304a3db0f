import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  Injector,
  signal,
} from '@angular/core';
import { limitLabel, settlementWords, type Settlement, type StartOrderRule } from '@heliarch/core/check';
import { RigSession } from '../storage/rig-session';
import { CautionLine } from '../parts/caution-line';
import { ChoiceBar, type Choice } from '../ui/choice-bar';
import { keepTogether } from '../ui/keep-together';
import { LimitLadder } from '../parts/limit-ladder';
import { Beside } from './beside';
import { ChargeReading } from '../parts/charge-reading';
import { LeastChangeLine } from './ways-to-fit/least-change-line';
import { WaysForSet } from './ways-to-fit/ways-for-set';
import { LoadList } from './load-list';
import { OrderLine } from './order-line';
import { SecondVerdict } from './second-verdict';
import { StartStaircase } from './staircase/start-staircase';
import { UnitChoice } from '../parts/unit-choice';
import { SupplyNoticeList } from './supply-notice-list';
import { TogetherState } from './together-state';
import { EnoughSizes } from './sizes/enough-sizes';
import { Unfinished } from './unfinished';
import { VerdictHeadline } from './verdict-headline';
import { WhoWithWhom } from './who-with-whom/who-with-whom';

const PHONE_VIEWS: readonly Choice[] = [
  { id: 'loads', label: 'Loads' },
  { id: 'limits', label: 'Limits' },
  { id: 'beside', label: 'What else' },
];

type View = 'set' | 'whom' | 'sizes';

const VIEWS: readonly Choice<View>[] = [
  { id: 'set', label: 'This set' },
  { id: 'whom', label: 'Who runs with whom' },
  { id: 'sizes', label: 'What size it takes' },
];

const START_ORDERS: readonly (Choice & { readonly id: StartOrderRule })[] = [
  { id: 'best', label: 'Best order' },
  { id: 'given', label: 'My order' },
  { id: 'any', label: 'Any order' },
];

const CAPTIONS: Record<StartOrderRule, string> = {
  best: 'left to right',
  given: 'in your order',
  any: 'each one last',
};

/** The room of the question "can these run together on this supply?". */
@Component({
  selector: 'heli-together',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Beside,
    EnoughSizes,
    CautionLine,
    ChargeReading,
    ChoiceBar,
    LimitLadder,
    LeastChangeLine,
    LoadList,
    OrderLine,
    SecondVerdict,
    StartStaircase,
    SupplyNoticeList,
    Unfinished,
    VerdictHeadline,
    WaysForSet,
    WhoWithWhom,
  ],
  providers: [TogetherState],
  templateUrl: './together.html',
  styleUrl: './together.css',
})
export class Together {
  protected readonly state = inject(TogetherState);
  protected readonly kept = inject(RigSession).kept;
  protected readonly units = inject(UnitChoice);
  private readonly injector = inject(Injector);
  protected readonly phoneViews = PHONE_VIEWS;
  protected readonly phoneView = signal('loads');

  /** Where more stands above it, the picture of the starts is lower. */
  protected readonly isStaircaseLow = computed(
    () => this.state.dropOut() !== undefined || this.state.clock() !== undefined,
  );

  protected readonly supplies = computed(() =>
    this.state.rig().supplies.map(({ id, name }): Choice => ({ id, label: name })),
  );

  protected readonly views = VIEWS;
  /** The view an address asks for, and the load it asks about. */
  readonly view = input<string>();
  readonly with = input<string>();
  protected readonly shown = linkedSignal(
    (): View => VIEWS.find(({ id }) => id === this.view())?.id ?? 'set',
  );

  protected readonly startOrders = START_ORDERS;
  protected readonly heads = computed(() =>
    this.state.heads().map(({ id, name }): Choice => ({ id, label: legOf(name) ?? name })),
  );
  protected readonly hasBattery = computed(() => this.state.rig().batteries.length > 0);
  protected readonly sourceName = computed(() => {
    const { sources } = this.state.result().supply;
    const kinds = this.state.rig().sources.filter((source) => sources.includes(source.id));
    return kinds.some((source) => source.kind === 'generator') ? 'the generator' : 'shore';
  });

  /** How to read the picture, and which limit it cannot show. */
  protected readonly caption = computed(() => {
    const { decider } = this.state.result();
    const isOnAxis = decider === undefined || decider.element === this.state.staircase()?.element;
    if (!isOnAxis) return `decided by ${limitLabel(this.units.numbers, this.state.rig(), decider)}`;
    const waitS = this.state.staircase()?.waitS;
    return `${CAPTIONS[this.state.startOrder()]}${waitS === undefined ? '' : `, ${waitS} s apart`}`;
  });

  protected settle(settlement: Settlement): string {
    return keepTogether(settlementWords(this.units.numbers, this.state.rig(), settlement));
  }

  /** On the phone they are on a page of their own; then the focus goes there. */
  protected goToCautions(): void {
    this.phoneView.set('beside');
    afterNextRender(() => document.getElementById('warnings')?.focus(), { injector: this.injector });
  }

  /** A set was ticked elsewhere: its verdict is at the top. */
  protected lookAtSet(): void {
    this.shown.set('set');
    afterNextRender(() => scrollTo({ top: 0 }), { injector: this.injector });
  }

  protected chooseOrder(id: string): void {
    const rule = START_ORDERS.find((order) => order.id === id);
    if (rule) this.state.chooseStartOrder(rule.id);
  }
}

/** "Inverter, leg 2" as a choice among legs: "Leg 2". */
function legOf(name: string): string | undefined {
  const leg = /leg (\d)$/.exec(name)?.[1];
  return leg && `Leg ${leg}`;
}
