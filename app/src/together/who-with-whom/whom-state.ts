import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { filter, Subject } from 'rxjs';
import type { CombinationQuestion, CombinationRank } from '@heliarch/core/check';
import { Answers } from '../../compute/answers';
import { latest, stoppable } from '../../compute/latest';
import { TogetherState } from '../together-state';

/** One load that starts while another one runs. */
export interface PairAsked {
  readonly starts: string;
  readonly runs: string;
}

/** Whether a combination counts that holds in some order only. */
export type OrderAsked = 'best' | 'any';

/** The question behind the set: who runs with whom on this supply, and what the largest combinations are. */
@Injectable()
export class WhomState {
  private readonly answers = inject(Answers);
  readonly together = inject(TogetherState);

  /** Loads that every combination must have, and such that none may have. */
  readonly mustInclude = signal<readonly string[]>([]);
  readonly mustNot = signal<readonly string[]>([]);
  /** The one circuit whose loads are asked about; empty for all. */
  readonly circuit = signal('');
  readonly startOrder = signal<OrderAsked>('best');
  readonly rank = signal<CombinationRank>('number');
  readonly showsTight = signal(false);
  readonly pair = signal<PairAsked | undefined>(undefined);
  private readonly attempt = signal(0);

  /** On this supply, with the charge as read and each load in the state it is ticked in. */
  private readonly question = computed(() => {
    this.attempt();
    const { supply, charge, on } = this.together.scene();
    const states = new Map(on.flatMap(({ load, state }) => (state === undefined ? [] : [[load, state]])));
    return { rig: this.together.rig(), about: { supply, ...(charge && { charge }), states } };
  });

  readonly pairsAsked = toSignal(
    latest(toObservable(this.question), ({ rig, about }) =>
      this.answers.ask('search', rig, 'whoRunsWithWhom', about),
    ),
  );
  readonly pairs = computed(() => this.pairsAsked()?.given);

  private readonly combinationQuestion = computed(() => {
    const { rig, about } = this.question();
    const circuit = this.circuit();
    const question: CombinationQuestion = {
      ...about,
      edge: this.showsTight() ? 'stated' : 'pessimistic',
      mustInclude: this.mustInclude(),
      mustNot: this.mustNot(),
      ...(circuit !== '' && { circuit }),
      startOrder: this.startOrder(),
      rank: this.rank(),
    };
    return { rig, question };
  });
  private readonly stops = new Subject<void>();
  readonly combinationsAsked = toSignal(
    latest(toObservable(this.combinationQuestion), ({ rig, question }) =>
      stoppable(this.answers.ask('search', rig, 'combinations', question), this.stops),
    ),
  );
  readonly combinations = computed(() => this.combinationsAsked()?.given?.value);

  /** Asked once all combinations are known: only what is larger than any of them is one change away. */
  private readonly awayQuestion = computed(() => {
    const asked = this.combinationQuestion();
    const given = this.combinationsAsked()?.given;
    if (given?.about !== asked || given.value.extent === 'so-far') return undefined;
    return { ...asked, largest: Math.max(0, ...given.value.found.map(({ loads }) => loads.length)) };
  });
  readonly awayAsked = toSignal(
    latest(
      toObservable(this.awayQuestion).pipe(filter((asked) => asked !== undefined)),
      ({ rig, question, largest }) =>
        stoppable(this.answers.ask('search', rig, 'oneChangeAway', question, largest), this.stops),
    ),
  );
  /** Of this very question: what was a change away from other loads says nothing about these. */
  readonly away = computed(() => {
    const given = this.awayAsked()?.given;
    return given?.about === this.awayQuestion() ? given : undefined;
  });

  include(loadId: string): void {
    this.mustNot.update((before) => before.filter((id) => id !== loadId));
    this.mustInclude.update((before) => (before.includes(loadId) ? before : [...before, loadId]));
  }

  exclude(loadId: string): void {
    this.mustInclude.update((before) => before.filter((id) => id !== loadId));
    this.mustNot.update((before) => (before.includes(loadId) ? before : [...before, loadId]));
  }

  /** Neither must it be in a combination nor must it not. */
  leaveOpen(loadId: string): void {
    const others = (before: readonly string[]): readonly string[] => before.filter((id) => id !== loadId);
    this.mustInclude.update(others);
    this.mustNot.update(others);
  }

  stop(): void {
    this.stops.next();
  }

  askAgain(): void {
    this.attempt.update((attempt) => attempt + 1);
  }
}
