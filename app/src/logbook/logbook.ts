import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { unparse } from 'papaparse';
import {
  readingsTable,
  withEnd,
  withoutEnd,
  withReading,
  writeLogbookFile,
  type LogReading,
  type LogTest,
  type ReadingRole,
} from '@heliarch/core/logbook';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { AnswerState } from '../parts/answer-state';
import { BasisLegend } from '../parts/basis-legend';
import { ChoiceBar } from '../ui/choice-bar';
import { Dialog } from '../ui/dialog';
import { EnergyMark } from '../parts/energy-mark';
import { saveBlob } from '../storage/rig-files';
import { CompareTests } from './compare-tests';
import { ConditionsList } from './conditions-list';
import { GivenList } from './given-list';
import { KeptTests } from './kept-tests';
import { LogAnswers } from './log-answers';
import { LogImport } from './log-import';
import { LogState, secondsNow } from './log-state';
import { NewTest } from './new-test';
import { OrderList } from './order-list';
import { OtherWeather } from './other-weather';
import { PredictedTable } from './predicted-table';
import { ReadingEntry } from './reading-entry';
import { ReadingsList } from './readings-list';
import { TestList } from './test-list';
import { TestPlot } from './test-plot';
import { KINDS } from './test-kinds';

type Over = 'new' | 'import' | 'compare';
const VIEWS = [
  { id: 'plot' as const, label: 'Plot' },
  { id: 'table' as const, label: 'Table' },
];

/** The room of the logbook: tests that say what they are worth, and numbers that come back into the rig. */
@Component({
  selector: 'heli-logbook',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AnswerState,
    BasisLegend,
    ChoiceBar,
    CompareTests,
    ConditionsList,
    Dialog,
    EnergyMark,
    GivenList,
    LogImport,
    NewTest,
    NzButtonComponent,
    OrderList,
    OtherWeather,
    PredictedTable,
    ReadingEntry,
    ReadingsList,
    TestList,
    TestPlot,
  ],
  providers: [KeptTests, LogAnswers, LogState],
  templateUrl: './logbook.html',
  styleUrl: './logbook.css',
})
export class Logbook {
  protected readonly state = inject(LogState);
  protected readonly over = signal<Over | undefined>(undefined);
  protected readonly view = signal<'plot' | 'table'>('plot');
  protected readonly views = VIEWS;

  protected readonly runDown = computed(() => {
    const answer = this.state.found()?.answer;
    return answer?.kind === 'run-down' ? answer.found : undefined;
  });
  protected readonly cycling = computed(() => {
    const answer = this.state.found()?.answer;
    return answer?.kind === 'cycling' && answer.found && answer.found.cycles.length > 0
      ? answer.found
      : undefined;
  });
  protected readonly expected = computed((): ReadingRole | undefined => {
    const next = this.state.found()?.order.find(({ state }) => state === 'next')?.step;
    switch (next) {
      case 'base-before':
      case 'little-on':
      case 'much-on':
      case 'warm':
        return next;
      case 'starts':
      case 'clamp-one':
        return 'start';
      // Beside a load that runs on, any further reading helps; after starts there is nothing else to be read.
      case 'base-after':
        return this.state.test()?.kind === 'start' ? next : undefined;
      default:
        return undefined;
    }
  });
  /** A trip has no readings: there is nothing to be drawn. */
  protected readonly isRead = computed(() => {
    const test = this.state.test();
    return test !== undefined && (test.trace !== undefined || KINDS[test.kind].columns.length > 0);
  });
  protected readonly canBeRead = computed(() => {
    const test = this.state.test();
    return test !== undefined && test.endedAtS === undefined && KINDS[test.kind].columns.length > 0;
  });

  protected kindName(test: LogTest): string {
    return KINDS[test.kind].name;
  }

  protected begin(test: LogTest): void {
    this.state.kept.put(test);
    this.over.set(undefined);
    this.state.choose(test.id);
  }

  protected bringIn(tests: readonly LogTest[]): void {
    for (const test of tests) this.state.kept.put(test);
    this.over.set(undefined);
    this.state.choose(tests[0]?.id);
  }

  protected add(reading: LogReading): void {
    this.state.edit((test) => withReading(test, reading), 'a reading added');
  }

  /** @param wasRunEmpty Whether battery or inverter cut off by themselves. */
  protected end(because: string, wasRunEmpty: LogTest['wasRunEmpty'] = 'no'): void {
    this.state.edit((test) => withEnd(test, secondsNow(), because, wasRunEmpty), 'the test ended');
  }

  protected goOn(): void {
    this.state.edit(withoutEnd, 'the test goes on');
  }

  protected remove(test: LogTest): void {
    this.state.kept.remove(test);
    this.state.choose(undefined);
  }

  protected saveAs(kind: 'csv' | 'json', test: LogTest): void {
    const text =
      kind === 'csv'
        ? unparse(readingsTable(test) as string[][], { escapeFormulae: true, newline: '\r\n' })
        : writeLogbookFile([test]);
    save(`${nameOf(test.question)}.${kind}`, text, kind === 'csv' ? 'text/csv' : 'application/json');
  }

  protected saveAll(): void {
    save(
      `${nameOf(this.state.rig().name)}-logbook.json`,
      writeLogbookFile(this.state.tests()),
      'application/json',
    );
  }

  protected print(): void {
    window.print();
  }
}

function save(name: string, text: string, type: string): void {
  saveBlob(name, new Blob([text], { type }));
}

const LONGEST_NAME = 50;
const nameOf = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, LONGEST_NAME) || 'test';
