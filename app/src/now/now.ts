import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import { capitalised, formatNumber } from '@heliarch/core/units';
import { powerFlowsOf } from '@heliarch/core/check';
import { theLoad } from '@heliarch/core/rig';
import { AnswerState } from '../parts/answer-state';
import type { Choice } from '../ui/choice-bar';
import { Select } from '../ui/select/select';
import { UnitChoice } from '../parts/unit-choice';
import { CanSwitchOn } from './can-switch-on';
import { ClockList } from './clock-list';
import { ItWentDark } from './dark/it-went-dark';
import { KeptTrips } from './dark/kept-trips';
import { MeterLine } from './meter-line';
import { NowState } from './now-state';
import { OnNow } from './on-now';
import { PlannedLine } from './planned-line';
import { ChargeLine } from './charge-line';
import { GuestLine } from './guest-line';
import { Instruments } from './instruments/instruments';
import { InstrumentsPanel } from './instruments/instruments-panel';

/** The room of the moment at the switch: what is on, what can join it, and what to do when it went dark. */
@Component({
  selector: 'heli-now',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AnswerState,
    CanSwitchOn,
    ChargeLine,
    ClockList,
    GuestLine,
    InstrumentsPanel,
    ItWentDark,
    KeptTrips,
    MeterLine,
    OnNow,
    PlannedLine,
    Select,
  ],
  providers: [NowState, Instruments],
  templateUrl: './now.html',
  styleUrl: './now.css',
  host: { '[class.far]': 'isFar()' },
})
export class Now {
  protected readonly state = inject(NowState);
  protected readonly instruments = inject(Instruments);
  private readonly router = inject(Router);
  private readonly units = inject(UnitChoice);

  /** What the address asks for: the way back from the dark, or the trips that are kept. */
  readonly view = input<string>();
  /** As large as it takes to be read from two metres. */
  protected readonly isFar = signal(false);

  protected readonly supplies = computed(() =>
    this.state.rig().supplies.map(({ id, name }): Choice => ({ id, label: name })),
  );
  protected readonly hasBattery = computed(() => this.state.rig().batteries.length > 0);
  protected readonly trips = computed(() => this.state.at().trips.length);
  protected readonly lastChange = computed(() => {
    const label = this.state.lastChange();
    return label === undefined ? undefined : capitalised(label);
  });

  protected readonly watts = computed(() => {
    const { fromBatteryW, fromSourceW } = powerFlowsOf(this.state.result());
    return formatNumber(this.units.numbers, Math.max(fromBatteryW, fromSourceW), 0);
  });

  /** What is on is in trouble by itself: said above every answer about something more. */
  protected readonly trouble = computed(() => {
    const { limits, starts } = this.state.result();
    // What was started by hand has started: only what runs, and what starts by itself, is still to come.
    const toCome = [
      ...limits.filter(({ start }) => !start),
      ...starts.flatMap((each) => (each.moment === 'in-order' ? [] : each.limits)),
    ];
    const over = toCome.find(({ verdict }) => verdict === 'trips' || verdict === 'likely-trips');
    if (over) return `What is on is too much for ${theLoad(over.element.name)}.`;
    const tight = toCome.find(({ verdict }) => verdict === 'tight');
    return tight && `What is on may trip by itself, at ${theLoad(tight.element.name)}.`;
  });

  /** What is ticked and has no power counts in no sum. */
  protected readonly notFed = computed(() =>
    this.state
      .result()
      .notFed.map(({ load, because }) => `${load.name}: ${because}`)
      .join('; '),
  );

  /** Back from a view takes its place in the history: the browser's own Back must not go into the dark once more. */
  protected goTo(view: 'dark' | 'trips' | null): void {
    void this.router.navigate([], { queryParams: { view }, replaceUrl: view === null });
  }
}
