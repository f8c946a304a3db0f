import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { MS_PER_SECOND } from '@heliarch/core/units';
import { parse } from 'papaparse';
import {
  newTest,
  proposeLayout,
  readLogbookFile,
  readMeterLog,
  TRACE_COLUMNS,
  traceOfFeed,
  type ColumnUse,
  type LogLayout,
  type LogTest,
  type TestKind,
  type TimeStyle,
} from '@heliarch/core/logbook';
import { readKeptFeed } from '@heliarch/core/instruments';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { FileDrop } from '../ui/library/file-drop';
import { Select } from '../ui/select/select';
import { LogState, secondsNow } from './log-state';
import { KINDS, LOG_KINDS } from './test-kinds';

const PREVIEW_LINES = 5;
const LARGEST_BYTES = 20 * 1024 * 1024;

const USES: Readonly<Record<ColumnUse, string>> = {
  time: 'Time',
  watts: 'Power, W',
  volts: 'Battery, V',
  amps: 'Battery, A',
  wattHours: 'Energy, Wh',
  percent: 'Charge, %',
  celsius: 'Temperature, °C',
  'left-out': 'Left out',
};
const TIMES: Readonly<Record<TimeStyle, string>> = {
  iso: 'Year, month, day',
  'day-first': 'Day first',
  'month-first': 'Month first',
  'time-only': 'Times of one day',
  'unix-s': 'Seconds since 1970',
  'unix-ms': 'Milliseconds since 1970',
  seconds: 'Seconds from the beginning',
};

/** A meter's log as CSV, with its columns matched and looked at before it is read in; or a file of tests. */
@Component({
  selector: 'heli-log-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FileDrop, NzButtonComponent, Select],
  templateUrl: './log-import.html',
  styleUrl: './log-import.css',
})
export class LogImport {
  private readonly state = inject(LogState);
  readonly read = output<readonly LogTest[]>();
  readonly left = output();

  protected readonly file = signal<{ readonly name: string; readonly table: string[][] } | undefined>(
    undefined,
  );
  protected readonly layout = signal<LogLayout | undefined>(undefined);
  protected readonly kind = signal<TestKind>('cycling');
  protected readonly load = signal('');
  protected readonly problem = signal<string | undefined>(undefined);

  protected readonly uses = (['time', ...TRACE_COLUMNS, 'left-out'] as const).map((id) => ({
    id,
    label: USES[id],
  }));
  protected readonly times = (Object.keys(TIMES) as TimeStyle[]).map((id) => ({ id, label: TIMES[id] }));
  protected readonly decimals = [
    { id: 'point' as const, label: '1,234.5' },
    { id: 'comma' as const, label: '1.234,5' },
  ];
  protected readonly kinds = LOG_KINDS.map((id) => ({ id, label: KINDS[id].name }));
  protected readonly loads = computed(() =>
    this.state.rig().loads.map(({ id, name }) => ({ id, label: name })),
  );
  protected readonly needsLoad = computed(() => KINDS[this.kind()].needsLoad);

  protected readonly log = computed(() => {
    const [file, layout] = [this.file(), this.layout()];
    return file && layout && readMeterLog(file.table, layout, offsetAt, startOfToday());
  });
  protected readonly preview = computed(() => {
    const log = this.log();
    if (!log) return undefined;
    const { atS, columns } = log.trace;
    const used = TRACE_COLUMNS.filter((column) => columns[column]);
    const dated = (seconds: number | undefined): string =>
      seconds === undefined
        ? '–'
        : `${this.state.date(seconds)} ${new Date(seconds * MS_PER_SECOND).toLocaleTimeString('en-GB')}`;
    return {
      heads: ['Time', ...used.map((column) => USES[column])],
      rows: atS
        .slice(0, PREVIEW_LINES)
        .map((moment, line) => [
          dated(moment),
          ...used.map((column) => String(columns[column]?.[line] ?? '')),
        ]),
      words: `${atS.length} lines, ${dated(atS[0])} to ${dated(atS.at(-1))}.`,
      unread:
        log.unread.length > 0
          ? `${log.unread.length === 1 ? 'One line' : `${log.unread.length} lines`} cannot be read in full, left out or with gaps: first line ${log.unread[0]?.line ?? 0}.`
          : '',
      mixed:
        log.outOfOrder > 0 ? `${log.outOfOrder} lines stand before the line above them in time: sorted.` : '',
    };
  });

  protected async take(file: File): Promise<void> {
    this.problem.set(undefined);
    if (file.size > LARGEST_BYTES) {
      this.problem.set(`${file.name} is larger than 20 MB: cut it into parts.`);
      return;
    }
    const text = await file.text();
    const book = readLogbookFile(text);
    if (book) {
      if (book.unread.length > 0) this.problem.set(book.unread.join(' '));
      if (book.tests.length > 0) this.read.emit(book.tests);
      return;
    }
    const feed = readKeptFeed(text);
    if (feed) {
      this.takeFeed(file.name, feed);
      return;
    }
    const table = parse<string[]>(text, { skipEmptyLines: 'greedy' }).data;
    if (table.length < 2) {
      this.problem.set(`${file.name} has no lines under a header: it is no log.`);
      return;
    }
    this.file.set({ name: file.name, table });
    this.layout.set(proposeLayout(table));
  }

  /** A feed of instruments that was kept: its columns are known, and so is whether a program made it up. */
  private takeFeed(
    name: string,
    { header, samples, unread }: NonNullable<ReturnType<typeof readKeptFeed>>,
  ): void {
    const trace = traceOfFeed(samples);
    const [begunAtS] = trace.atS;
    if (begunAtS === undefined) {
      this.problem.set(`${name} is a feed of instruments without a reading.`);
      return;
    }
    const note = unread > 0 ? `read in; ${unread} of its lines could not be read` : 'read in';
    const test = newTest({ id: crypto.randomUUID(), kind: this.kind(), question: name, begunAtS });
    const endedAtS = trace.atS.at(-1) ?? begunAtS;
    this.read.emit([{ ...test, trace, endedAtS, endedBecause: note, simulated: header.simulated }]);
  }

  protected use(index: number, use: ColumnUse): void {
    this.layout.update(
      (layout) =>
        layout && {
          ...layout,
          columns: layout.columns.map((column, at) =>
            at === index
              ? { ...column, use }
              : column.use === use && use !== 'left-out'
                ? { ...column, use: 'left-out' }
                : column,
          ),
        },
    );
  }

  protected choose(change: Partial<LogLayout>): void {
    this.layout.update((layout) => layout && { ...layout, ...change });
  }

  protected bringIn(): void {
    const [file, log] = [this.file(), this.log()];
    if (!file || !log) return;
    const { trace } = log;
    if (trace.atS.length === 0 || Object.keys(trace.columns).length === 0) {
      this.problem.set('No line has a time and a number: match the columns first.');
      return;
    }
    if (this.needsLoad() && this.load() === '') {
      this.problem.set('Choose the load that it is of.');
      return;
    }
    const test = newTest({
      id: crypto.randomUUID(),
      kind: this.kind(),
      question: file.name,
      begunAtS: trace.atS[0] ?? secondsNow(),
      ...(this.needsLoad() && { load: this.load() }),
    });
    this.read.emit([{ ...test, trace, endedAtS: trace.atS.at(-1) ?? secondsNow(), endedBecause: 'read in' }]);
  }
}

/** Minutes east of UTC of this browser's clock, by what it shows as if that were UTC. */
function offsetAt(civilS: number): number {
  const local = new Date(civilS * MS_PER_SECOND);
  return -new Date(
    local.getUTCFullYear(),
    local.getUTCMonth(),
    local.getUTCDate(),
    local.getUTCHours(),
    local.getUTCMinutes(),
  ).getTimezoneOffset();
}

function startOfToday(): number {
  return new Date().setHours(0, 0, 0, 0) / MS_PER_SECOND;
}
