import { MS_PER_SECOND } from '@heliarch/core/units';
import { readFile } from 'node:fs/promises';
import papaparse from 'papaparse';
import type { NumberStyle } from '@heliarch/core/units';
import type { Rig } from '@heliarch/core/rig';
import {
  analyseTest,
  faultOfLogTest,
  givenWords,
  newTest,
  orderWords,
  proposeLayout,
  readLogbookFile,
  readLogTest,
  readMeterLog,
  TEST_KINDS,
  testWords,
  withGiven,
  changeLines,
  verdictChanges,
  type LogTest,
  type TestKind,
} from '@heliarch/core/logbook';
import { BadInput } from './exit-codes.ts';
import { openRig } from './open-rig.ts';

export interface LogOptions {
  readonly rig?: string;
  readonly test?: string;
  readonly kind?: string;
  readonly load?: string;
  readonly supply?: string;
  readonly json?: boolean;
}

const ISO_MINUTES = 16;

/** What the tests of a file say, and which numbers of the rig they give. */
export async function logCommand(
  style: NumberStyle,
  file: string,
  options: LogOptions,
  tell: (line: string) => void,
): Promise<string> {
  const text = await readFile(file, 'utf8').catch(() => {
    throw new BadInput(`${file} cannot be read; name a file that exists.`);
  });
  const { rig, tests } = await testsIn(file, text, options, tell);
  const chosen = tests.filter(({ id }) => options.test === undefined || id === options.test);
  if (chosen.length === 0)
    throw new BadInput(
      options.test === undefined
        ? `${file} has no test.`
        : `--test: "${options.test}" is not in this file; use one of ${tests.map(({ id }) => id).join(', ')}`,
    );
  const reports = chosen.map((test) => reportOf(style, rig, test));
  return options.json ? `${JSON.stringify({ tests: reports }, null, 2)}\n` : reports.map(asLines).join('\n');
}

async function testsIn(
  file: string,
  text: string,
  options: LogOptions,
  tell: (line: string) => void,
): Promise<{ readonly rig: Rig; readonly tests: readonly LogTest[] }> {
  if (!text.trimStart().startsWith('{')) {
    const rig = await rigOf(options);
    return { rig, tests: [testOfLog(rig, file, text, options, tell)] };
  }
  const book = readLogbookFile(text);
  if (book) {
    book.unread.forEach((line) => tell(`${line}\n`));
    return { rig: await rigOf(options), tests: book.tests };
  }
  const rig = await openRig(file);
  const kept = rig.logbook ?? [];
  kept.forEach((each, index) => {
    const fault = faultOfLogTest(each);
    if (fault !== undefined) tell(`Test ${index + 1} of the file cannot be read: ${fault}\n`);
  });
  return { rig, tests: kept.flatMap((each) => readLogTest(each) ?? []) };
}

async function rigOf({ rig }: LogOptions): Promise<Rig> {
  if (rig === undefined)
    throw new BadInput(
      '--rig is missing: a log and a file of tests are read beside the rig that they are of.',
    );
  return openRig(rig);
}

/** A meter's log as a test of its own; times without a zone are taken as UTC. */
function testOfLog(
  rig: Rig,
  file: string,
  text: string,
  options: LogOptions,
  tell: (line: string) => void,
): LogTest {
  const { kind, load, supply } = subjectOf(rig, options);
  const table = papaparse.parse<string[]>(text, { skipEmptyLines: 'greedy' }).data;
  const layout = proposeLayout(table);
  if (!layout.timeStyle)
    throw new BadInput(
      `${file} has no column of times that can be read; name it "time" and write it by ISO 8601.`,
    );
  const { trace, unread, outOfOrder } = readMeterLog(table, layout, () => 0, 0);
  if (unread.length > 0)
    tell(
      `${unread.length} lines could not be read in full, the first of them line ${unread[0]?.line ?? 0}.\n`,
    );
  if (outOfOrder > 0) tell(`${outOfOrder} lines stand before the line above them in time.\n`);
  const [begunAtS = 0] = trace.atS;
  const test = newTest({ id: 'log', kind, question: file, begunAtS, load, supply });
  return { ...test, trace, endedAtS: trace.atS.at(-1) ?? begunAtS };
}

/** What a log is of, as the options say. */
function subjectOf(
  rig: Rig,
  { kind = 'cycling', load, supply }: LogOptions,
): { readonly kind: TestKind; readonly load: string | undefined; readonly supply: string | undefined } {
  const known = TEST_KINDS.find((each) => each === kind);
  if (!known) throw new BadInput(`--kind: "${kind}" is none; use one of ${TEST_KINDS.join(', ')}`);
  checkId('--load', load, rig.loads);
  checkId('--supply', supply, rig.supplies);
  return { kind: known, load, supply };
}

function checkId(option: string, id: string | undefined, list: readonly { readonly id: string }[]): void {
  if (id === undefined || list.some((each) => each.id === id)) return;
  throw new BadInput(
    `${option}: "${id}" is not in the rig; use one of ${list.map((each) => each.id).join(', ')}`,
  );
}

const moment = (seconds: number): string =>
  `${new Date(seconds * MS_PER_SECOND).toISOString().slice(0, ISO_MINUTES).replace('T', ' ')} UTC`;

function reportOf(style: NumberStyle, rig: Rig, test: LogTest) {
  const found = analyseTest(rig, test, Date.now() / MS_PER_SECOND, `logbook, ${test.question}`);
  const words = testWords(style, rig, test, found.answer, moment);
  const after = found.offered.reduce((before, { given }) => withGiven(before, given), rig);
  const changes = changeLines(style, after, verdictChanges(rig, after));
  return {
    id: test.id,
    kind: test.kind,
    question: test.question,
    readings: found.readings,
    headline: words.headline,
    interval: words.interval,
    wanted: words.wanted,
    next: words.next,
    lines: words.lines,
    order: found.order.map((step) => ({ step: step.step, state: step.state, ...orderWords(step) })),
    gives: found.offered.map(({ given, target, change }) => ({
      target,
      ...givenWords(style, rig, given, change),
    })),
    changes: found.offered.length > 0 ? changes : undefined,
  };
}

function asLines(report: ReturnType<typeof reportOf>): string {
  const { question, readings, headline, interval, wanted, next, lines, gives, changes } = report;
  return `${[
    `${question} (${report.kind}, ${readings} readings)`,
    [headline, interval].filter(Boolean).join(', '),
    ...(wanted ? [wanted.words] : []),
    ...(next ? [next] : []),
    ...lines,
    ...gives.map(({ what, before, after, half, unit, provisional }) =>
      `Gives: ${what}: ${before} -> ${after} ${unit} ${half}. ${provisional}`.trimEnd(),
    ),
    ...(changes?.changed ?? []).map(({ set, supply, then }) => `Changes: ${set}, ${supply}: ${then}`),
  ].join('\n')}\n`;
}
