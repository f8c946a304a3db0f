import { Injectable, type OnDestroy } from '@angular/core';
import type { NumberStyle } from '@heliarch/core/units';
import type { Rig } from '@heliarch/core/rig';
import type { ChangeLines, GivenNumber, LogTest, TestAnalysed } from '@heliarch/core/logbook';
import { wrap, type Remote } from 'comlink';
import { catchError, defer, from, map, of, startWith, type Observable } from 'rxjs';
import type { Answer } from '../compute/answers';
import type { LogQuestions } from '../compute/log-questions';

/** What tests say, answered in a worker that lives as long as the room. */
@Injectable()
export class LogAnswers implements OnDestroy {
  private worker: Worker | undefined;
  private questions: Remote<LogQuestions> | undefined;

  analyse(rig: Rig, test: LogTest, nowS: number, source: string): Observable<Answer<TestAnalysed>> {
    return this.ask((questions) => questions.analyse(rig, test, nowS, source));
  }

  changes(style: NumberStyle, rig: Rig, given: readonly GivenNumber[]): Observable<Answer<ChangeLines>> {
    return this.ask((questions) => questions.changes(style, rig, given));
  }

  ngOnDestroy(): void {
    this.worker?.terminate();
  }

  private ask<T>(question: (questions: Remote<LogQuestions>) => Promise<T>): Observable<Answer<T>> {
    return defer(() => from(question(this.started()))).pipe(
      map((value): Answer<T> => ({ status: 'given', value })),
      catchError((error: unknown) =>
        of<Answer<T>>({ status: 'failed', problem: error instanceof Error ? error.message : String(error) }),
      ),
      startWith<Answer<T>>({ status: 'asked', done: 0, of: 1 }),
    );
  }

  private started(): Remote<LogQuestions> {
    this.worker ??= new Worker(new URL('../compute/log-questions.worker', import.meta.url), {
      type: 'module',
    });
    this.questions ??= wrap<LogQuestions>(this.worker);
    return this.questions;
  }
}
