import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MS_PER_SECOND } from '@heliarch/core/units';
import type { Rig } from '@heliarch/core/rig';
import {
  testWords,
  withGiven,
  withUse,
  type LogTest,
  type Offered,
  type TestKind,
} from '@heliarch/core/logbook';
import { fromEvent, interval, merge, of } from 'rxjs';
import { latest } from '../compute/latest';
import { keepTogether } from '../ui/keep-together';
import { mediaQuery } from '../ui/media-query';
import { UnitChoice } from '../parts/unit-choice';
import { RigSession } from '../storage/rig-session';
import { KeptTests } from './kept-tests';
import { LogAnswers } from './log-answers';

const MINUTE_MS = 60_000;
const SECONDS_OF_A_DAY = 86_400;

export const secondsNow = (): number => Math.round(Date.now() / MS_PER_SECOND);

/** The room of the logbook: which test is looked at, and what it says. */
@Injectable()
export class LogState {
  private readonly session = inject(RigSession);
  private readonly answers = inject(LogAnswers);
  private readonly units = inject(UnitChoice);
  readonly kept = inject(KeptTests);

  readonly rig = computed((): Rig => {
    const rig = this.session.rig();
    if (!rig) throw new Error('The room was opened without a rig');
    return rig;
  });
  readonly tests = computed(() => this.kept.tests() ?? []);
  readonly kind = signal<TestKind | 'all'>('all');
  readonly search = signal('');
  readonly listed = computed(() => {
    const words = this.search().trim().toLowerCase();
    return this.tests().filter(
      (test) =>
        (this.kind() === 'all' || test.kind === this.kind()) &&
        (words === '' || this.textOf(test).toLowerCase().includes(words)),
    );
  });

  private readonly isBesideTheList = mediaQuery('(min-width: 1001px)');
  private readonly chosenId = signal<string | undefined>(undefined);
  /** The one that was chosen, while this rig has it; else on a wide screen the first of the list. */
  readonly test = computed((): LogTest | undefined => {
    const id = this.chosenId();
    const chosen = id === undefined ? undefined : this.tests().find((test) => test.id === id);
    return chosen ?? (this.isBesideTheList() ? this.tests()[0] : undefined);
  });

  readonly nowS = signal(secondsNow());
  private readonly attempt = signal(0);
  private readonly asked$ = toObservable(
    computed(() => {
      this.attempt();
      return { rig: this.rig(), test: this.test(), nowS: this.nowS() };
    }),
  );
  readonly asked = toSignal(
    latest(this.asked$, ({ rig, test, nowS }) =>
      test
        ? this.answers.analyse(rig, test, nowS, this.sourceOf(test))
        : of({ status: 'given' as const, value: undefined }),
    ),
  );
  /** Of the test that is looked at; what was said of the readings before stands until there is an answer. */
  readonly found = computed(() => {
    const given = this.asked()?.given;
    return given?.about.test?.id === this.test()?.id ? given?.value : undefined;
  });
  readonly words = computed(() => {
    const [test, found] = [this.test(), this.found()];
    if (!test || !found) return undefined;
    const moment = (atS: number): string => this.moment(atS, test);
    const words = testWords(this.units.numbers, this.rig(), test, found.answer, moment);
    return { ...words, lines: words.lines.map(keepTogether) };
  });

  /** Numbers of the test that are left to be used. */
  readonly offered = computed((): readonly Offered[] => this.found()?.offered ?? []);
  readonly changes = toSignal(
    latest(toObservable(computed(() => ({ rig: this.rig(), offered: this.offered() }))), ({ rig, offered }) =>
      offered.length > 0
        ? this.answers.changes(
            this.units.numbers,
            rig,
            offered.map(({ given }) => given),
          )
        : of({ status: 'given' as const, value: undefined }),
    ),
  );

  constructor() {
    merge(interval(MINUTE_MS), fromEvent(document, 'visibilitychange'))
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.nowS.set(secondsNow()));
  }

  choose(id: string | undefined): void {
    this.chosenId.set(id);
  }

  /** Changes the test that is looked at. */
  edit(change: (test: LogTest) => LogTest, label?: string): void {
    const test = this.test();
    if (!test) return;
    // It stays in sight, wherever the change moves it in the list.
    this.choose(test.id);
    this.kept.put(change(test), label);
  }

  askAgain(): void {
    this.attempt.update((attempt) => attempt + 1);
  }

  /**
   * Takes a measured number over into the rig: one step, that can be undone like any other.
   *
   * @param testId Of the test that it is noted at; else the one that is looked at.
   */
  use({ given, target, change }: Offered, testId = this.test()?.id): void {
    const test = this.tests().find(({ id }) => id === testId);
    if (!test) return;
    this.session.change((rig) => withGiven(rig, given), { label: `use what “${test.question}” measured` });
    this.kept.put(withUse(test, target, change.after.value, secondsNow()));
  }

  /** Whether the rig has the number of this test now. */
  isUsed({ target, change }: Offered): boolean {
    const use = this.test()?.uses.find((each) => each.target === target);
    return use !== undefined && change.before?.value === use.value;
  }

  /** A moment in words: its day too where it is another than the test's. */
  moment(atS: number, test: LogTest): string {
    const at = new Date(atS * MS_PER_SECOND);
    const time = this.units.time(at);
    const begun = new Date(test.begunAtS * MS_PER_SECOND);
    if (at.toDateString() === begun.toDateString()) return time;
    const isNear = Math.abs(atS - test.begunAtS) < 6 * SECONDS_OF_A_DAY;
    return `${isNear ? at.toLocaleDateString('en-GB', { weekday: 'short' }) : this.date(atS)} ${time}`;
  }

  date(atS: number): string {
    return new Date(atS * MS_PER_SECOND).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
  }

  private sourceOf(test: LogTest): string {
    const year = new Date(test.begunAtS * MS_PER_SECOND).getFullYear();
    return `Logbook, ${this.date(test.begunAtS)} ${year}: ${test.question}`;
  }

  private textOf(test: LogTest): string {
    const load = this.rig().loads.find(({ id }) => id === test.load)?.name ?? '';
    return `${test.question} ${load} ${test.endedBecause ?? ''} ${test.conditions.disconnected ?? ''}`;
  }

  /** Which number a test of another kind or day gives is asked only where several are compared. */
  givenOf(test: LogTest) {
    return this.answers.analyse(this.rig(), test, this.nowS(), this.sourceOf(test));
  }
}
