import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { compile, check, type CheckScene } from '@heliarch/core/check';
import { loadOf, theLoad, wattsCounted, withCharge, type Load, type Rig } from '@heliarch/core/rig';
import {
  clocksOf,
  nothingOn,
  sceneOf,
  switchOnWords,
  waitOf,
  withOnlyOn,
  withStateFrom,
  withSwitchedOff,
  withSwitchedOn,
  withTimer,
  type LiveState,
  type MeterReading,
  type SwitchOn,
  type SwitchOnWords,
} from '@heliarch/core/now';
import { fromEvent, interval, merge } from 'rxjs';
import { Answers } from '../compute/answers';
import { latest } from '../compute/latest';
import { isSameSystem } from '../compute/same-system';
import { UnitChoice } from '../parts/unit-choice';
import { KeptLiveState } from '../storage/kept-live-state';
import { RigSession } from '../storage/rig-session';

const TICK_MS = 1000;

/** A load that is off, with the answer that it has now. */
export interface Offered {
  readonly load: Load;
  readonly watts: number;
  /** Undefined until it is worked out for what is on now. */
  readonly answer: SwitchOn | undefined;
  readonly words: SwitchOnWords | undefined;
}

/** The room of the moment at the switch: what is on by one's own ticks, and what can join it. */
@Injectable()
export class NowState {
  private readonly units = inject(UnitChoice);
  private readonly session = inject(RigSession);
  private readonly ticks = inject(KeptLiveState);
  private readonly answers = inject(Answers);

  readonly rig = computed((): Rig => {
    const rig = this.session.rig();
    if (!rig) throw new Error('The room was opened without a rig');
    return rig;
  });
  readonly isReady = computed(() => this.ticks.at() !== undefined);
  readonly isUnreadable = this.ticks.isUnreadable;
  readonly lastChange = this.ticks.lastChange;
  readonly at = computed((): LiveState => this.ticks.at() ?? nothingOn(this.rig()));
  readonly scene = computed((): CheckScene => sceneOf(this.at()), { equal: isSameScene });

  /** Seconds since 1970, by the second; right again as soon as the page is looked at. */
  readonly nowS = signal(secondsNow());

  /** What an instrument that is followed shows; simulated ones are never kept. */
  readonly liveMeter = signal<MeterReading | undefined>(undefined);

  private readonly attempt = signal(0);
  private readonly system = computed(() => this.rig(), { equal: isSameSystem });
  private readonly asked$ = toObservable(
    computed(() => {
      this.attempt();
      return { rig: this.system(), scene: this.scene() };
    }),
  );
  readonly asked = toSignal(
    latest(this.asked$, ({ rig, scene }) => this.answers.ask('tick', rig, 'atTheSwitch', scene)),
  );
  /** Of this very set: a Yes to another one would be wrong here. */
  private readonly found = computed(() => {
    const given = this.asked()?.given;
    const isAboutThis = given?.about.scene === this.scene() && given.about.rig === this.system();
    return isAboutThis ? given.value : undefined;
  });

  readonly offered = computed((): readonly Offered[] => {
    const isOn = new Set(this.at().on.map(({ load }) => load));
    const answers = new Map(this.found()?.answers.map((answer) => [answer.loadId, answer]));
    return this.rig()
      .loads.filter(({ id }) => !isOn.has(id))
      .map((load) => {
        const answer = answers.get(load.id);
        return {
          load,
          watts: wattsCounted(this.rig(), load, undefined),
          answer,
          words: answer && this.wordsOf(answer),
        };
      });
  });

  readonly clocks = computed(() =>
    clocksOf(this.rig(), this.at(), this.nowS(), this.found()?.overloads ?? []),
  );

  private readonly compiled = computed(() => compile(this.system()));
  /** What is on by itself, as the check judges it: it runs already, in whatever order it was started. */
  readonly result = computed(() => check(this.compiled(), this.scene()));

  constructor() {
    merge(interval(TICK_MS), fromEvent(document, 'visibilitychange'))
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.nowS.set(secondsNow()));
  }

  wordsOf(answer: SwitchOn): SwitchOnWords {
    const recoveryS = 'recoveryS' in answer ? answer.recoveryS : undefined;
    const wait = waitOf(this.rig(), this.at(), answer.loadId, this.nowS(), recoveryS);
    return switchOnWords(this.units.numbers, this.rig(), answer, wait, this.nowS(), this.clock);
  }

  readonly clock = (seconds: number): string => this.units.time(new Date(seconds * TICK_MS));

  switchOn(offered: Offered, state?: string): void {
    const { load, answer } = offered;
    // Before it is worked out, a start is taken for one that the inverter rests after.
    const isSurge = answer === undefined || ('recoveryS' in answer && answer.recoveryS !== undefined);
    this.ticks.change(
      (at, rig) => withSwitchedOn(rig, at, load.id, secondsNow(), { state, isSurge }),
      `${theLoad(load.name)} on`,
    );
  }

  switchOff(loadId: string): void {
    this.ticks.change(
      (at, rig) => withSwitchedOff(rig, at, loadId, secondsNow()),
      `${theLoad(loadOf(this.rig(), loadId).name)} off`,
    );
  }

  takeBack(): void {
    this.ticks.takeBack();
  }

  chooseState(loadId: string, state: string): void {
    this.ticks.change((at) => withStateFrom(at, loadId, state, secondsNow()));
  }

  chooseSupply(supply: string): void {
    this.ticks.change((at) => ({ ...at, supply }));
  }

  tickOnly(on: CheckScene['on'], label: string): void {
    this.ticks.change((at, rig) => withOnlyOn(rig, at, on, secondsNow()), label);
  }

  readCharge({ percent, at: readAt }: { readonly percent: number; readonly at: Date }): void {
    this.session.change((rig) => withCharge(rig, rig.scenes[0]?.id ?? '', percent, readAt.toISOString()), {
      label: 'note the charge',
    });
  }

  /** @param seconds From now on; undefined ends it. */
  time(loadId: string, seconds: number | undefined): void {
    this.ticks.change((at) =>
      withTimer(at, loadId, seconds === undefined ? undefined : secondsNow() + seconds),
    );
  }

  /** Changes what belongs to no single load. */
  keep(edit: (at: LiveState) => LiveState): void {
    this.ticks.change(edit);
  }

  askAgain(): void {
    this.attempt.update((attempt) => attempt + 1);
  }
}

export const secondsNow = (): number => Math.floor(Date.now() / TICK_MS);

/** The ages of ticks are no part of what is asked. */
const isSameScene = (one: CheckScene, other: CheckScene): boolean =>
  JSON.stringify(one) === JSON.stringify(other);
