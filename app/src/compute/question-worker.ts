import { proxy, wrap, type Remote } from 'comlink';
import type { Rig } from '@heliarch/core/rig';
import { isSameSystem } from './same-system';
import type { RigQuestions, Telling } from './rig-questions';

/** What can be asked about a rig. */
export type Question = Exclude<keyof RigQuestions, 'use'>;

/** One question, and who waits for its answer. */
export interface Job {
  readonly rig: Rig;
  readonly question: Question;
  readonly asked: readonly unknown[];
  readonly telling: Telling;
  readonly given: (answer: unknown) => void;
  readonly failed: (error: unknown) => void;
}

/** A question that nobody waits for any more may still end by itself this long; then its worker is ended. */
const GRACE_MS = 50;

/**
 * The worker that answers questions about rigs, one after the other. It is started when the first is asked, and
 * started anew where a question that nobody waits for any more is in the way of those that are waited for.
 */
export class QuestionWorker {
  private worker: Worker | undefined;
  private questions: Remote<RigQuestions> | undefined;
  private rigInUse: Rig | undefined;
  private readonly waiting = new Set<Job>();
  private readonly dropped = new Set<Job>();
  private grace: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly start: () => Worker) {}

  ask(job: Job): void {
    this.waiting.add(job);
    this.begin(job);
    this.giveGrace();
  }

  /** Nobody waits for it any more. */
  drop(job: Job): void {
    if (!this.waiting.delete(job)) return;
    this.dropped.add(job);
    this.giveGrace();
  }

  private begin(job: Job): void {
    const questions = (this.questions ??= this.started());
    const ended = (): boolean => {
      this.dropped.delete(job);
      return this.questions === questions && this.waiting.delete(job);
    };
    const failed = (error: unknown): void => {
      if (ended()) job.failed(error);
    };
    if (!this.rigInUse || !isSameSystem(this.rigInUse, job.rig)) {
      this.rigInUse = job.rig;
      questions.use(job.rig).catch(failed);
    }
    // The door has bound what is asked to the question; here any of them passes.
    const ask = questions[job.question] as (...asked: readonly unknown[]) => Promise<unknown>;
    ask(proxy(job.telling), ...job.asked).then((answer) => {
      if (ended()) job.given(answer);
    }, failed);
  }

  private started(): Remote<RigQuestions> {
    this.worker = this.start();
    this.rigInUse = undefined;
    this.worker.addEventListener('error', (event) => this.failAll(event));
    return wrap<RigQuestions>(this.worker);
  }

  private failAll(event: ErrorEvent): void {
    const waiting = [...this.waiting];
    this.end();
    this.waiting.clear();
    for (const job of waiting) job.failed(new Error(event.message || 'The worker could not be started'));
  }

  /** No question that is waited for stands behind a dropped one for long, and what was stopped costs no more battery. */
  private giveGrace(): void {
    if (this.grace !== undefined || this.dropped.size === 0) return;
    this.grace = setTimeout(() => {
      this.grace = undefined;
      this.endWhatIsInTheWay();
    }, GRACE_MS);
  }

  private endWhatIsInTheWay(): void {
    if (this.dropped.size === 0) return;
    this.end();
    for (const job of this.waiting) this.begin(job);
  }

  private end(): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.questions = undefined;
    this.dropped.clear();
  }
}
