import type { NumberStyle } from '@heliarch/core/units';
import type { Rig } from '@heliarch/core/rig';
import {
  analyseTest,
  changeLines,
  verdictChanges,
  withGiven,
  type ChangeLines,
  type GivenNumber,
  type LogTest,
  type TestAnalysed,
} from '@heliarch/core/logbook';

/** The questions about tests, as a worker of their own answers them: a log may have tens of thousands of lines. */
export class LogQuestions {
  analyse(rig: Rig, test: LogTest, nowS: number, source: string): TestAnalysed {
    return analyseTest(rig, test, nowS, source);
  }

  /** Which verdicts change where numbers are used. */
  changes(style: NumberStyle, rig: Rig, given: readonly GivenNumber[]): ChangeLines {
    const after = given.reduce(withGiven, rig);
    return changeLines(style, after, verdictChanges(rig, after));
  }
}
