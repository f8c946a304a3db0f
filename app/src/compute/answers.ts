import { Injectable } from '@angular/core';
import type {
  CheckScene,
  CombinationQuestion,
  EnoughSizes,
  Combinations,
  OneChangeAway,
  Outlook,
  Progress,
  SetQuestion,
  Settlement,
  StartOrderRule,
  Turns,
  UnplannedLoad,
  WaysToFit,
  WhoRunsWithWhom,
  WorthLookingUp,
} from '@heliarch/core/check';
import type { Day, Placement, Rig, Scene } from '@heliarch/core/rig';
import type { NumberStyle } from '@heliarch/core/units';
import type { DayPlan, PlanReview, ProofOfPlan } from '@heliarch/core/day';
import { Observable } from 'rxjs';
import { QuestionWorker, type Job } from './question-worker';
import type { CardPlan } from '@heliarch/core/card';
import type { MeterReading, Trip, UnexplainedPower } from '@heliarch/core/now';
import type { AtTheSwitch, Contingencies, LineProved, LoadAnswer, OnSupply, WentDark } from './rig-questions';

/** How far a question is: asked, answered in part, answered, stopped by hand, or failed with what went wrong. */
export type Answer<T> =
  | { readonly status: 'asked'; readonly done: number; readonly of: number }
  | { readonly status: 'so-far'; readonly value: T }
  | { readonly status: 'given'; readonly value: T }
  | { readonly status: 'stopped' }
  | { readonly status: 'failed'; readonly problem: string };

const startWorker = (): Worker =>
  new Worker(new URL('./rig-questions.worker', import.meta.url), { type: 'module' });

/**
 * What takes longer than a tick, answered in a worker. Whoever unsubscribes no longer waits: with `switchMap` a
 * newer question takes the place of a stale one.
 */
@Injectable({ providedIn: 'root' })
export class Answers {
  private readonly worker = new QuestionWorker(startWorker);
  /** Searches that may take seconds have a worker of their own: what is asked at every tick does not wait for them. */
  private readonly searching = new QuestionWorker(startWorker);
  /** What a large solver proves has one too, started when it is first asked for: no plan waits for a proof. */
  private readonly proving = new QuestionWorker(startWorker);

  outlooks(rig: Rig, scene: CheckScene): Observable<Answer<ReadonlyMap<string, Outlook>>> {
    return this.ask(rig, (questions, progress) => questions.outlooks(scene, progress));
  }

  settlement(
    rig: Rig,
    scene: CheckScene,
    startOrder: StartOrderRule,
  ): Observable<Answer<Settlement | undefined>> {
    return this.ask(rig, async (questions) => questions.settlement(scene, startOrder));
  }

  /** @param kept Loads that must stay on. */
  waysToFit(
    rig: Rig,
    scene: CheckScene,
    startOrder: StartOrderRule,
    kept: readonly string[] = [],
  ): Observable<Answer<WaysToFit>> {
    return this.askSearch(rig, (questions, progress, soFar) =>
      questions.waysToFit(scene, startOrder, kept, progress, soFar),
    );
  }

  contingencies(rig: Rig, scene: CheckScene, startOrder: StartOrderRule): Observable<Answer<Contingencies>> {
    return this.ask(rig, (questions) => questions.contingencies(scene, startOrder));
  }

  unplannedLoads(rig: Rig, scene: CheckScene, watts: number): Observable<Answer<readonly UnplannedLoad[]>> {
    return this.ask(rig, (questions) => questions.unplannedLoads(scene, watts));
  }

  worthLookingUp(rig: Rig, scene: CheckScene): Observable<Answer<readonly WorthLookingUp[]>> {
    return this.askSearch(rig, (questions, progress) => questions.worthLookingUp(scene, progress));
  }

  onEverySupply(rig: Rig, scene: Scene): Observable<Answer<readonly OnSupply[]>> {
    return this.ask(rig, (questions) => questions.onEverySupply(scene));
  }

  aboutLoad(rig: Rig, scene: CheckScene, loadId: string): Observable<Answer<LoadAnswer>> {
    return this.ask(rig, (questions) => questions.aboutLoad(scene, loadId));
  }

  whoRunsWithWhom(
    rig: Rig,
    question: Pick<SetQuestion, 'supply' | 'charge' | 'states'>,
  ): Observable<Answer<WhoRunsWithWhom>> {
    return this.askSearch(rig, (questions, progress) => questions.whoRunsWithWhom(question, progress));
  }

  turns(rig: Rig, scene: CheckScene): Observable<Answer<Turns | undefined>> {
    return this.askSearch(rig, (questions) => questions.turns(scene));
  }

  combinations(rig: Rig, question: CombinationQuestion): Observable<Answer<Combinations>> {
    return this.askSearch(rig, (questions, progress, soFar) =>
      questions.combinations(question, progress, soFar),
    );
  }

  /** @param growth Share that is left to grow. */
  enoughSizes(rig: Rig, wishes: readonly CheckScene[], growth: number): Observable<Answer<EnoughSizes>> {
    return this.askSearch(rig, (questions, progress) => questions.enoughSizes(wishes, growth, progress));
  }

  /** @param largest How many loads the largest combination has without a change. */
  oneChangeAway(
    rig: Rig,
    question: CombinationQuestion,
    largest: number,
  ): Observable<Answer<readonly OneChangeAway[]>> {
    return this.askSearch(rig, (questions, progress) => questions.oneChangeAway(question, largest, progress));
  }

  planDay(rig: Rig, day: Day): Observable<Answer<DayPlan>> {
    return this.askSearch(rig, (questions, progress, soFar) => questions.planDay(day, progress, soFar));
  }

  planAsKept(rig: Rig, day: Day): Observable<Answer<DayPlan | undefined>> {
    return this.ask(rig, (questions) => questions.planAsKept(day));
  }

  reviewOfPlan(rig: Rig, day: Day): Observable<Answer<PlanReview>> {
    return this.askSearch(rig, (questions) => questions.reviewOfPlan(day));
  }

  proofOfPlan(rig: Rig, day: Day): Observable<Answer<ProofOfPlan>> {
    return this.ask(rig, (questions) => questions.proofOfPlan(day), this.proving);
  }

  placesOfPiece(
    rig: Rig,
    day: Day,
    piece: Pick<Placement, 'job' | 'begin'>,
  ): Observable<Answer<readonly number[]>> {
    return this.ask(rig, (questions) => questions.placesOfPiece(day, piece));
  }

  atTheSwitch(rig: Rig, scene: CheckScene): Observable<Answer<AtTheSwitch>> {
    return this.ask(rig, (questions, progress, soFar) => questions.atTheSwitch(scene, progress, soFar));
  }

  unexplainedPower(
    rig: Rig,
    scene: CheckScene,
    reading: MeterReading,
  ): Observable<Answer<UnexplainedPower | undefined>> {
    return this.ask(rig, (questions) => questions.unexplainedPower(scene, reading));
  }

  wentDark(rig: Rig, trip: Trip): Observable<Answer<WentDark>> {
    return this.ask(rig, (questions) => questions.wentDark(trip));
  }

  shortestCard(rig: Rig, supply: string): Observable<Answer<CardPlan>> {
    return this.askSearch(rig, (questions, progress) => questions.shortestCard(supply, progress));
  }

  proofsOfCard(rig: Rig, plan: CardPlan, style: NumberStyle): Observable<Answer<readonly LineProved[]>> {
    return this.ask(rig, (questions) => questions.proofsOfCard(plan, style));
  }

  private askSearch<T>(
    rig: Rig,
    question: (...asked: Parameters<Job['ask']>) => Promise<T>,
  ): Observable<Answer<T>> {
    return this.ask(rig, question, this.searching);
  }

  private ask<T>(
    rig: Rig,
    question: (...asked: Parameters<Job['ask']>) => Promise<T>,
    worker = this.worker,
  ): Observable<Answer<T>> {
    return new Observable((subscriber) => {
      const progress: Progress = (done, of) => subscriber.next({ status: 'asked', done, of });
      const job: Job = {
        rig,
        ask: question,
        progress,
        soFar: (value) => subscriber.next({ status: 'so-far', value: value as T }),
        given: (value) => {
          subscriber.next({ status: 'given', value: value as T });
          subscriber.complete();
        },
        failed: (error) => {
          subscriber.next({
            status: 'failed',
            problem: error instanceof Error ? error.message : String(error),
          });
          subscriber.complete();
        },
      };
      subscriber.next({ status: 'asked', done: 0, of: 0 });
      worker.ask(job);
      return () => worker.drop(job);
    });
  }
}
