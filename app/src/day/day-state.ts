import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { map, of, Subject, switchMap, tap, timer, type Observable } from 'rxjs';
import {
  freeId,
  freeName,
  type Day,
  type Job,
  type Load,
  type Placement,
  type Rig,
} from '@heliarch/core/rig';
import {
  keepingJobs,
  newDay,
  SLOT_MINUTES,
  withDay,
  withJob,
  withMomentOn,
  withPieceOf,
  withPieceSplit,
  withPlan,
  type DayPlan,
  type PlannedPiece,
  type PlanReview,
} from '@heliarch/core/day';
import { Answers, type Answer } from '../compute/answers';
import { latest, stoppable } from '../compute/latest';
import { RigSession } from '../storage/rig-session';

/** A plan that is being dragged is not reviewed at every step. */
const REVIEW_AFTER_MS = 300;

type PlanAnswer = Answer<DayPlan | undefined>;

/** The day that is looked at, its plan as the worker judges it, and what a person does to it. */
@Injectable()
export class DayState {
  private readonly session = inject(RigSession);
  private readonly answers = inject(Answers);

  readonly rig = computed((): Rig => {
    const rig = this.session.rig();
    if (!rig) throw new Error('The room was opened without a rig');
    return rig;
  });
  private readonly chosen = signal<string | undefined>(undefined);
  readonly days = computed(() => this.rig().days ?? []);
  readonly day = computed(() => this.days().find(({ id }) => id === this.chosen()) ?? this.days()[0]);

  /** The plan as it is kept, judged anew whenever it or the rig changes. */
  private readonly kept = toSignal(
    latest(toObservable(computed(() => ({ rig: this.rig(), day: this.day() }))), ({ rig, day }) =>
      day
        ? this.answers.ask('tick', rig, 'planAsKept', day)
        : of<PlanAnswer>({ status: 'given', value: undefined }),
    ),
  );
  readonly judging = computed(() => this.kept()?.newest);

  /** What else is asked of it: the nights, the costs, sun to spare, one surprise. Nothing while it is being changed. */
  private readonly reviewed = toSignal(
    toObservable(computed(() => ({ rig: this.rig(), day: this.day() }))).pipe(
      switchMap((about) => timer(REVIEW_AFTER_MS).pipe(map(() => about))),
      (asked$) =>
        latest(asked$, ({ rig, day }): Observable<Answer<PlanReview | undefined>> =>
          day?.plan?.length
            ? this.answers.ask('search', rig, 'reviewOfPlan', day)
            : of({ status: 'given', value: undefined }),
        ),
    ),
  );
  readonly reviewing = computed(() => this.reviewed()?.newest);
  readonly review = computed(() => {
    const given = this.reviewed()?.given;
    return given?.about.day === this.day() ? given?.value : undefined;
  });

  private readonly wanted = signal<{ readonly rig: Rig; readonly day: Day } | undefined>(undefined);
  readonly stops = new Subject<void>();
  /** The search for a plan. */
  private readonly search = toSignal(
    latest(toObservable(this.wanted), (wanted): Observable<Answer<DayPlan>> => {
      if (!wanted) return of({ status: 'stopped' });
      const search = stoppable(this.answers.ask('search', wanted.rig, 'planDay', wanted.day), this.stops);
      let best: DayPlan | undefined;
      return search.pipe(
        tap((answer) => {
          if (answer.status === 'so-far' || answer.status === 'given') best = answer.value;
          // Stopped by hand, the best so far is kept.
          if (best && (answer.status === 'given' || answer.status === 'stopped'))
            this.takeUp(wanted.day.id, best);
        }),
      );
    }),
  );
  readonly searching = computed(() => (this.wanted() ? this.search()?.newest : undefined));

  /** The plan that is shown: the best so far while one is looked for, else the one that is kept. */
  readonly plan = computed((): DayPlan | undefined => {
    const search = this.searching();
    if (search?.status === 'so-far') return search.value;
    const kept = this.kept()?.given;
    return kept?.about.day?.id === this.day()?.id ? kept?.value : undefined;
  });
  /** The pieces as they stand this moment; how far they may slip follows as soon as it is known. */
  readonly pieces = computed((): readonly PlannedPiece[] => {
    const search = this.searching();
    if (search?.status === 'so-far') return search.value.pieces;
    const judged = this.plan()?.pieces ?? [];
    return (this.day()?.plan ?? []).map((piece) => {
      return judged.find((each) => isSame(each, piece)) ?? { ...piece, later: 0, earlier: 0 };
    });
  });

  choose(dayId: string): void {
    this.chosen.set(dayId);
  }

  add(date: string): void {
    const day = newDay(this.rig(), date);
    this.session.change((rig) => ({ ...rig, days: [...(rig.days ?? []), day] }), { label: 'add a day' });
    this.choose(day.id);
  }

  copy(): void {
    const day = this.day();
    if (!day) return;
    const days = this.days();
    const name = freeName(
      day.name,
      days.map((each) => each.name),
    );
    const id = freeId(
      name,
      days.map((each) => each.id),
    );
    const copied = { ...day, id, name };
    this.session.change((rig) => ({ ...rig, days: [...(rig.days ?? []), copied] }), {
      label: `copy ${day.name}`,
    });
    this.choose(id);
  }

  remove(): void {
    const day = this.day();
    if (!day) return;
    this.session.change((rig) => ({ ...rig, days: (rig.days ?? []).filter(({ id }) => id !== day.id) }), {
      label: `remove ${day.name}`,
    });
  }

  planAnew(): void {
    const [rig, day] = [this.rig(), this.day()];
    if (day) this.wanted.set({ rig, day });
  }

  clear(): void {
    this.change('clear the plan', (day) => withPlan(day, [], []));
  }

  /** Puts a piece somewhere else, and pins it there. */
  move(piece: Placement, begin: number): void {
    this.changePlan('move a job', (each) =>
      isSame(each, piece) ? { ...each, begin, pinned: 'yes' as const } : each,
    );
  }

  /** Makes a piece longer or shorter. */
  resize(piece: Placement, minutes: number): void {
    this.change('change how long a job takes', (day) => withPieceOf(day, bare(piece), minutes));
  }

  /** Puts a piece in two halves. */
  split(piece: Placement): void {
    this.change('split a job', (day) => withPieceSplit(day, bare(piece)));
  }

  pin(piece: Placement, isPinned: boolean): void {
    this.changePlan(isPinned ? 'pin a job' : 'let a job move', ({ pinned: _pinned, ...each }) =>
      isSame(each, piece) && isPinned ? { ...each, pinned: 'yes' as const } : each,
    );
  }

  /** What runs at a minute of the plan becomes what is on in Together; false where nothing feeds anything then. */
  takeUpMoment(minutes: number): boolean {
    const slot = minutes / SLOT_MINUTES;
    const moment = this.plan()?.moments.find(({ from, until }) => slot >= from && slot < until);
    if (moment?.supply === undefined) return false;
    const { supply, on } = moment;
    this.session.change((rig) => withMomentOn(rig, supply, on), { label: 'take up a moment of the plan' });
    return true;
  }

  /** Adds a job of a load; its place in the list. */
  addJob(loadId: string): string | undefined {
    let added: Job | undefined;
    this.change('add a job', (day, rig) => {
      const having = withJob(day, rig, loadId);
      added = having.jobs.at(-1);
      return having;
    });
    return added?.id;
  }

  /** A load cycles as it was worked out for a room. */
  takeCycle(loadId: string | undefined, cycling: NonNullable<Load['cycling']>): void {
    this.session.change(
      (rig) => ({
        ...rig,
        loads: rig.loads.map((load) => (load.id === loadId ? { ...load, cycling } : load)),
      }),
      { label: 'take a cycle' },
    );
  }

  removeJob(jobId: string): void {
    this.change('remove a job', (day) => keepingJobs(day, ({ id }) => id !== jobId));
  }

  private changePlan(label: string, change: (piece: Placement) => Placement): void {
    this.change(label, (day) => withPlan(day, (day.plan ?? []).map(change)));
  }

  private change(label: string, change: (day: Day, rig: Rig) => Day): void {
    const id = this.day()?.id;
    if (id === undefined) return;
    this.session.change((rig) => withDay(rig, id, (day) => change(day, rig)), { label });
  }

  /** A plan that was found takes the place of the one before, as one step. */
  private takeUp(dayId: string, { pieces, supplyRuns }: DayPlan): void {
    this.wanted.set(undefined);
    const plan = pieces.map(bare);
    this.session.change((rig) => withDay(rig, dayId, (day) => withPlan(day, plan, supplyRuns)), {
      label: 'plan the day',
    });
  }
}

/** A piece as the file keeps it. */
function bare(piece: Placement & Partial<PlannedPiece>): Placement {
  const { later: _later, earlier: _earlier, misplaced: _misplaced, ...placement } = piece;
  return placement;
}

const isSame = (a: Placement, b: Placement): boolean =>
  a.job === b.job && a.begin === b.begin && a.onDay === b.onDay;
