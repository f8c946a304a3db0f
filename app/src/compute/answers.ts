import { Injectable } from '@angular/core';
import type { Rig } from '@heliarch/core/rig';
import { Observable } from 'rxjs';
import { QuestionWorker, type Job, type Question } from './question-worker';
import type { RigQuestions } from './rig-questions';

/** How far a question is: asked, answered in part, answered, stopped by hand, or failed with what went wrong. */
export type Answer<T> =
  | { readonly status: 'asked'; readonly done: number; readonly of: number }
  | { readonly status: 'so-far'; readonly value: T }
  | { readonly status: 'given'; readonly value: T }
  | { readonly status: 'stopped' }
  | { readonly status: 'failed'; readonly problem: string };

/** What is asked with a question, behind the rig it is about. */
type Asked<Q extends Question> = RigQuestions[Q] extends (telling: never, ...asked: infer A) => unknown
  ? A
  : never;
type Given<Q extends Question> = Awaited<ReturnType<RigQuestions[Q]>>;

/**
 * Who answers: what is asked at every tick does not wait for a search that may take seconds, and no search for what a large
 * solver proves. Each lane has a worker, started when it is first asked.
 */
type Lane = 'tick' | 'search' | 'proof';

const startWorker = (): Worker =>
  new Worker(new URL('./rig-questions.worker', import.meta.url), { type: 'module' });

/**
 * What takes longer than a tick, answered in a worker. Whoever unsubscribes no longer waits: with `switchMap` a
 * newer question takes the place of a stale one.
 */
@Injectable({ providedIn: 'root' })
export class Answers {
  private readonly lanes: Readonly<Record<Lane, QuestionWorker>> = {
    tick: new QuestionWorker(startWorker),
    search: new QuestionWorker(startWorker),
    proof: new QuestionWorker(startWorker),
  };

  ask<Q extends Question>(
    lane: Lane,
    rig: Rig,
    question: Q,
    ...asked: Asked<Q>
  ): Observable<Answer<Given<Q>>> {
    return new Observable((subscriber) => {
      const job: Job = {
        rig,
        question,
        asked,
        telling: {
          progress: (done, of) => subscriber.next({ status: 'asked', done, of }),
          soFar: (value) => subscriber.next({ status: 'so-far', value: value as Given<Q> }),
        },
        given: (value) => {
          subscriber.next({ status: 'given', value: value as Given<Q> });
          subscriber.complete();
        },
        failed: (error) => {
          const problem = error instanceof Error ? error.message : String(error);
          subscriber.next({ status: 'failed', problem });
          subscriber.complete();
        },
      };
      subscriber.next({ status: 'asked', done: 0, of: 0 });
      this.lanes[lane].ask(job);
      return () => this.lanes[lane].drop(job);
    });
  }
}
