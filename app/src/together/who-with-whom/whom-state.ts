import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { SetQuestion } from '@heliarch/core';
import { Answers } from '../../answers/answers';
import { latest } from '../../answers/latest';
import { TogetherState } from '../together-state';

/** One load that starts while another one runs. */
export interface PairAsked {
  readonly starts: string;
  readonly runs: string;
}

/** The question behind the set: who runs with whom on this supply, and what the largest combinations are. */
@Injectable()
export class WhomState {
  private readonly answers = inject(Answers);
  readonly together = inject(TogetherState);

  /** Loads that every combination must have. */
  readonly mustInclude = signal<readonly string[]>([]);
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
    latest(toObservable(this.question), ({ rig, about }) => this.answers.whoRunsWithWhom(rig, about)),
  );
  readonly pairs = computed(() => this.pairsAsked()?.given);

  private readonly combinationQuestion = computed(() => {
    const { rig, about } = this.question();
    const question: SetQuestion = {
      ...about,
      edge: this.showsTight() ? 'optimistic' : 'pessimistic',
      mustInclude: this.mustInclude(),
    };
    return { rig, question };
  });
  readonly combinationsAsked = toSignal(
    latest(toObservable(this.combinationQuestion), ({ rig, question }) =>
      this.answers.combinations(rig, question),
    ),
  );
  readonly combinations = computed(() => this.combinationsAsked()?.given?.value);

  include(loadId: string): void {
    this.mustInclude.update((before) => (before.includes(loadId) ? before : [...before, loadId]));
  }

  leaveOut(loadId: string): void {
    this.mustInclude.update((before) => before.filter((id) => id !== loadId));
  }

  askAgain(): void {
    this.attempt.update((attempt) => attempt + 1);
  }
}
