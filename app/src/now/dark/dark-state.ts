import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { loadOf } from '@heliarch/core/rig';
import {
  causeWords,
  inspectionWords,
  newTrip,
  stepWords,
  withOnlyOn,
  withStepDone,
  withTripBegun,
  withTripEnded,
  withTripObserved,
  type Trip,
  type TripObservation,
} from '@heliarch/core/now';
import { testOfTrip } from '@heliarch/core/logbook';
import { of } from 'rxjs';
import { Answers } from '../../compute/answers';
import { latest } from '../../compute/latest';
import { UnitChoice } from '../../parts/unit-choice';
import { LogEntries } from '../../storage/log-entries';
import { NowState, secondsNow } from '../now-state';

/** The trip that is being dealt with: it is kept as it was from the first moment on. */
@Injectable()
export class DarkState {
  private readonly now = inject(NowState);
  private readonly units = inject(UnitChoice);
  private readonly answers = inject(Answers);
  private readonly entries = inject(LogEntries);

  private readonly begunAtS = signal<number | undefined>(undefined);
  /** The one that is open: begun here, or left open before a reload. */
  readonly trip = computed((): Trip | undefined => {
    const { trips } = this.now.at();
    const begun = trips.find(({ atS }) => atS === this.begunAtS());
    return begun ?? trips.find(({ endedAtS }) => endedAtS === undefined);
  });

  readonly asked = toSignal(
    latest(
      toObservable(computed(() => ({ rig: this.now.rig(), trip: this.trip() }), { equal: isSameQuestion })),
      ({ rig, trip }) =>
        trip
          ? this.answers.ask('tick', rig, 'wentDark', trip)
          : of({ status: 'given' as const, value: undefined }),
    ),
  );
  private readonly found = computed(() => this.asked()?.given?.value);

  readonly causes = computed(() => {
    const [style, rig] = [this.units.numbers, this.now.rig()];
    return (this.found()?.causes ?? []).slice(0, 2).map((cause) => ({
      id: cause.device.id,
      kind: cause.device.kind,
      isProbable: cause.share >= PROBABLE,
      ...causeWords(style, rig, cause),
    }));
  });
  readonly look = computed(() => {
    const look = this.found()?.look;
    return look && { id: look.id, ...inspectionWords(look) };
  });
  readonly steps = computed(() => {
    const trip = this.trip();
    if (!trip) return [];
    const words = (this.found()?.wayBack ?? []).map((step) =>
      stepWords(this.units.numbers, this.now.rig(), step),
    );
    const next = words.findIndex((_, index) => !trip.done.includes(index));
    return words.map((step, index) => ({
      ...step,
      place: index,
      isDone: trip.done.includes(index),
      isNext: index === next,
      endsS: step.afterS === undefined ? undefined : trip.atS + step.afterS,
    }));
  });

  /** What had been on, for which one was started last, and what still runs. */
  readonly wasOn = computed(() =>
    (this.trip()?.on ?? []).map(({ load }) => ({ id: load, name: loadOf(this.now.rig(), load).name })),
  );

  /** Goes on with the one that was left open, unless that is long ago: then it is kept, and this is another. */
  begin(): void {
    const open = this.trip();
    if (!open || secondsNow() - open.atS > GOES_ON_FOR_S) this.beginAnew();
  }

  /** It went dark just now, whatever is still open. */
  beginAnew(): void {
    const nowS = secondsNow();
    const trip = newTrip(this.now.rig(), this.now.at(), nowS);
    this.begunAtS.set(trip.atS);
    const open = this.now.at().trips.filter(({ endedAtS }) => endedAtS === undefined);
    this.now.keep((at) =>
      withTripBegun(
        open.reduce((before, { atS }) => withTripEnded(before, atS, nowS), at),
        trip,
      ),
    );
    for (const each of open) this.log(each, nowS);
  }

  observe(change: Partial<TripObservation>): void {
    // What is seen now is of another way back than the one that was begun.
    this.change((at, atS) => withTripObserved(at, atS, change));
  }

  startedLast(loadId: string | null): void {
    this.change((at, atS) => withTripObserved(at, atS, {}, loadId));
  }

  tick(step: number, isDone: boolean): void {
    this.change((at, atS) => withStepDone(at, atS, step, isDone));
  }

  /** Light again: what came back is ticked, the trip is kept. */
  end(isLight: boolean): void {
    const trip = this.trip();
    if (!trip) return;
    const back = trip.on.filter(({ load }) => load !== trip.started);
    const endedAtS = secondsNow();
    this.now.keep((at) => {
      const ended = withTripEnded(at, trip.atS, endedAtS);
      return withOnlyOn(this.now.rig(), ended, isLight ? back : [], endedAtS);
    });
    this.log(trip, endedAtS);
    this.begunAtS.set(undefined);
  }

  /** It was a wrong tap: nothing is kept. */
  forget(): void {
    const trip = this.trip();
    if (trip) this.now.keep((at) => ({ ...at, trips: at.trips.filter(({ atS }) => atS !== trip.atS) }));
  }

  /** A trip that is over is an entry of the logbook, and so in the file of the rig. */
  private log(trip: Trip, endedAtS: number): void {
    const entry = testOfTrip({ ...trip, endedAtS });
    if (entry) this.entries.put(entry);
  }

  private change(edit: (at: ReturnType<NowState['at']>, atS: number) => ReturnType<NowState['at']>): void {
    const trip = this.trip();
    if (trip) this.now.keep((at) => edit(at, trip.atS));
  }
}

/** After so long it is another trip. */
const GOES_ON_FOR_S = 3600;

/** From such a share on the first cause is called probable. */
const PROBABLE = 0.5;

interface Question {
  readonly rig: unknown;
  readonly trip: Trip | undefined;
}

/** Which steps are done asks nothing anew. */
function isSameQuestion(one: Question, other: Question): boolean {
  const asked = (trip: Trip | undefined): unknown => trip && { ...trip, done: [], endedAtS: undefined };
  return one.rig === other.rig && JSON.stringify(asked(one.trip)) === JSON.stringify(asked(other.trip));
}
