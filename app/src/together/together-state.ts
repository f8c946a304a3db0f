import { UnitChoice } from '../parts/unit-choice';
import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Subject } from 'rxjs';
import {
  batteryClockOf,
  check,
  compile,
  dropOutOf,
  explain,
  notChecked,
  staircaseHeads,
  staircaseOf,
  supplyNotices,
  type Outlook,
  type StartOrderRule,
} from '@heliarch/core/check';
import {
  loadOf,
  theLoad,
  validateRig,
  withArrivalTest,
  withCharge,
  withKnown,
  withLoad,
  withPartNumber,
  withRunningFrom,
  withOnly,
  withoutHabits,
  withoutHolding,
  withStartMoved,
  withState,
  withSupply,
  type PartNumber,
  type Rig,
  type Scene,
  type SourceTest,
} from '@heliarch/core/rig';
import type { Quantity } from '@heliarch/core/units';
import { Answers } from '../compute/answers';
import { latest, stoppable, type Latest } from '../compute/latest';
import { isSameSystem } from '../compute/same-system';
import { RigSession } from '../storage/rig-session';

interface Asked {
  readonly rig: Rig;
  readonly scene: Scene;
  readonly startOrder: StartOrderRule;
}

/** The question of this room, "can these run together on this supply?", and its answer. */
@Injectable()
export class TogetherState {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly session = inject(RigSession);
  private readonly answers = inject(Answers);

  readonly rig = computed((): Rig => {
    const rig = this.session.rig();
    if (!rig) throw new Error('The room was opened without a rig');
    return rig;
  });

  /** The scene a reload restores; a rig always has one. */
  readonly scene = computed(() => {
    const scene = this.rig().scenes[0];
    if (!scene) throw new Error('A validated rig has a scene');
    return scene;
  });

  /** Which orders of the starts the verdict is for. */
  readonly startOrder = computed((): StartOrderRule => this.scene().startOrder ?? 'best');

  /** Followed anew when the rig changes, not with every tick. */
  private readonly compiled = computed(() => compile(this.system()));
  private readonly system = computed(() => this.rig(), { equal: isSameSystem });
  readonly result = computed(() => check(this.compiled(), this.scene(), this.startOrder()));
  readonly explanation = computed(() => explain(this.numberStyle, this.rig(), this.result()));
  readonly supplyNotices = computed(() => supplyNotices(this.numberStyle, this.rig(), this.result()));
  /** What the staircase is drawn of, where the user chose it. */
  readonly head = signal<string | undefined>(undefined);
  readonly heads = computed(() => staircaseHeads(this.result()));
  readonly staircase = computed(() => staircaseOf(this.result(), this.head()));
  readonly ladder = computed(() => this.result().limits);
  readonly notChecked = computed(() => notChecked(this.rig(), this.result()));

  /** The circuits that feed nothing of this set. */
  readonly idleCircuits = computed(() => {
    const busy = new Set(this.result().elements.map((element) => element.id));
    return this.rig()
      .circuits.filter((circuit) => !busy.has(circuit.id))
      .map((circuit) => circuit.name);
  });

  private readonly attempt = signal(0);
  private readonly asked$ = toObservable(
    computed((): Asked => {
      this.attempt();
      return { rig: this.rig(), scene: this.scene(), startOrder: this.startOrder() };
    }),
  );
  readonly outlooksAsked = toSignal(
    latest(this.asked$, ({ rig, scene }) => this.answers.ask('tick', rig, 'outlooks', scene)),
  );
  readonly settlementAsked = toSignal(
    latest(this.asked$, ({ rig, scene, startOrder }) =>
      this.answers.ask('tick', rig, 'settlement', scene, startOrder),
    ),
  );
  readonly contingenciesAsked = toSignal(
    latest(this.asked$, ({ rig, scene, startOrder }) =>
      this.answers.ask('tick', rig, 'contingencies', scene, startOrder),
    ),
  );
  /** Of this very question: what is said of another set or order would be wrong here. */
  readonly ways = computed(() => {
    const given = this.waysAsked()?.given;
    const isAboutThis =
      given?.about.rig === this.rig() &&
      given.about.scene === this.scene() &&
      given.about.startOrder === this.startOrder();
    return isAboutThis ? given : undefined;
  });
  private readonly stops = new Subject<void>();
  readonly waysAsked = toSignal(
    latest(this.asked$, ({ rig, scene, startOrder }) =>
      stoppable(this.answers.ask('search', rig, 'waysToFit', scene, startOrder), this.stops),
    ),
  );
  readonly outlooks = computed(
    (): ReadonlyMap<string, Outlook> => this.aboutTheseLoads(this.outlooksAsked()) ?? new Map(),
  );
  readonly settlement = computed(() => this.aboutTheseLoads(this.settlementAsked()));
  readonly contingencies = computed(() => this.aboutTheseLoads(this.contingenciesAsked()));
  readonly cautions = computed(() => this.contingencies()?.cautions ?? []);
  readonly dropOut = computed(() => dropOutOf(this.compiled(), this.scene()));
  readonly clock = computed(() => batteryClockOf(this.scene(), this.result()));

  /** Why a load that is on runs on nothing here, by its id. */
  readonly notFed = computed(
    (): ReadonlyMap<string, string> =>
      new Map(this.result().notFed.map(({ load, because }) => [load.id, because])),
  );

  /** Answers about the loads of another rig would be about loads that are not here. */
  private aboutTheseLoads<T>(latest: Latest<Asked, T> | undefined): T | undefined {
    const given = latest?.given;
    return given && haveSameLoads(given.about.rig, this.rig()) ? given.value : undefined;
  }

  /** What is found so far stands. */
  stopSearching(): void {
    this.stops.next();
  }

  /** Asks everything again that takes a while. */
  askAgain(): void {
    this.attempt.update((attempt) => attempt + 1);
  }

  chooseSupply(supplyId: string): void {
    this.session.change((rig) => withSupply(rig, this.scene().id, supplyId), { label: 'choose a supply' });
  }

  /** A set that was kept comes or goes: what is on stays as it is. */
  keepScenes(change: (rig: Rig) => Rig, label: string): void {
    this.session.change(change, { label });
  }

  /** A way to make it fit is taken up: in one step, so that one undo takes it back. */
  chooseStartOrder(startOrder: StartOrderRule): void {
    const { id } = this.scene();
    this.session.change(
      (rig) => ({
        ...rig,
        scenes: rig.scenes.map((each) => (each.id === id ? { ...each, startOrder } : each)),
      }),
      { label: 'choose the order of starts' },
    );
  }

  takeUp(change: (rig: Rig) => Rig): void {
    this.session.change(change, { label: 'try a change' });
  }

  switchLoad(loadId: string, isOn: boolean): void {
    this.session.change((rig) => withLoad(rig, this.scene().id, loadId, isOn), {
      label: `switch ${theLoad(this.nameOf(loadId))} ${isOn ? 'on' : 'off'}`,
    });
  }

  chooseState(loadId: string, stateId: string): void {
    this.session.change((rig) => withState(rig, this.scene().id, loadId, stateId), {
      label: `change the state of ${theLoad(this.nameOf(loadId))}`,
    });
  }

  /** A load that was held off at its switch may start before the others again. */
  letStart(loadId: string): void {
    this.session.change((rig) => withoutHolding(rig, this.scene().id, loadId), {
      label: `let ${theLoad(this.nameOf(loadId))} start by itself`,
    });
  }

  /** A load that was switched off before each restart of a tool stays on. */
  leaveOn(loadId: string): void {
    this.session.change((rig) => withoutHabits(rig, this.scene().id, loadId), {
      label: `leave ${theLoad(this.nameOf(loadId))} on`,
    });
  }

  /** These loads and no others are on. */
  tickOnly(loadIds: readonly string[]): void {
    this.session.change((rig) => withOnly(rig, this.scene().id, loadIds), { label: 'tick another set' });
  }

  /** The starts by hand in another order: the one that stood at `from` comes to `to`. */
  moveStart(from: number, to: number): void {
    const order = this.result().order.map(({ load }) => load.id);
    this.session.change((rig) => withStartMoved(rig, this.scene().id, order, from, to), {
      label: 'change the order of the starts',
    });
  }

  readCharge({ percent, at }: { readonly percent: number; readonly at: Date }): void {
    this.session.change((rig) => withCharge(rig, this.scene().id, percent, at.toISOString()), {
      label: 'note the charge',
    });
  }

  correct(loadId: string, partId: string, number: PartNumber, quantity: Quantity): void {
    this.session.change((rig) => withPartNumber(rig, loadId, partId, number, quantity), {
      label: `correct ${theLoad(this.nameOf(loadId))}`,
      key: `${loadId} ${partId} ${number}`,
    });
  }

  /** Running power that is known in amps or VA. */
  knowRunningBy(loadId: string, partId: string, unit: string, quantity: Quantity): void {
    const from = unit === 'A' ? { amps: quantity } : { va: quantity };
    this.session.change((rig) => withRunningFrom(rig, loadId, partId, from), {
      label: `correct ${theLoad(this.nameOf(loadId))}`,
      key: `${loadId} ${partId} running`,
    });
  }

  keepArrivalTest(test: SourceTest): void {
    this.session.change((rig) => withArrivalTest(rig, this.scene().supply, test), {
      label: 'keep the arrival test',
    });
  }

  /** The user knows better than a warning about the data. */
  know(contradictionId: string): void {
    this.session.change((rig) => withKnown(rig, contradictionId), { label: 'set a warning aside' });
  }

  /** What is wrong with a number, in words, before it is taken. */
  faultOf(loadId: string, partId: string, number: PartNumber, quantity: Quantity): string | undefined {
    const read = validateRig(withPartNumber(this.rig(), loadId, partId, number, quantity));
    return read.ok ? undefined : read.problems[0]?.message;
  }

  private nameOf(loadId: string): string {
    return loadOf(this.rig(), loadId).name;
  }
}

function haveSameLoads(one: Rig, other: Rig): boolean {
  return (
    one.loads.length === other.loads.length &&
    one.loads.every(({ id }, index) => id === other.loads[index]?.id)
  );
}
