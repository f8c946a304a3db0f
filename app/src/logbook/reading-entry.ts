import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MS_PER_SECOND, SECONDS_PER_MINUTE } from '@heliarch/core/units';
import type { LogReading, LogTest, ReadingRole } from '@heliarch/core/logbook';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { ChoiceBar, type Choice } from '../ui/choice-bar';
import { FieldStyles } from '../ui/library/field-styles';
import { LibraryStyles } from '../ui/library/library-styles';
import { QuantityControl } from '../parts/quantity/quantity-control';
import { readingControl, readingOf } from '../parts/quantity/readings';
import { secondsNow } from './log-state';
import { columnWords, KINDS, ROLE_NAMES, type ReadingColumn } from './test-kinds';

const ALL: readonly ReadingColumn[] = [
  'watts',
  'percent',
  'wattHours',
  'volts',
  'amps',
  'seconds',
  'celsius',
];
const MINUTE_TEXT = 16;

/** One reading, typed with a thumb or from the keyboard; or one that is corrected. */
@Component({
  selector: 'heli-reading-entry',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceBar, NzButtonComponent, NzInputDirective, QuantityControl, ReactiveFormsModule],
  templateUrl: './reading-entry.html',
  styleUrl: './reading-entry.css',
})
export class ReadingEntry {
  readonly test = input.required<LogTest>();
  /** The one that is corrected; else a new one is read. */
  readonly reading = input<LogReading>();
  /** What the next one is expected to stand for. */
  readonly expected = input<ReadingRole>();
  readonly added = output<LogReading>();
  readonly left = output();

  protected readonly controls = Object.fromEntries(ALL.map((column) => [column, readingControl()])) as Record<
    ReadingColumn,
    ReturnType<typeof readingControl>
  >;
  protected readonly note = new FormControl('', { nonNullable: true });
  /** Of a reading that is corrected; a new one is read now, unless another time is typed. */
  protected readonly time = signal<string | undefined>(undefined);
  protected readonly role = signal<ReadingRole | 'none'>('none');
  protected readonly problem = signal<string | undefined>(undefined);

  protected readonly columns = computed(() => {
    const { kind } = this.test();
    return KINDS[kind].columns.map((column) => ({ column, ...columnWords(column, kind) }));
  });
  protected readonly roles = computed((): readonly Choice<ReadingRole | 'none'>[] => {
    const { kind } = this.test();
    const { roles } = KINDS[kind];
    if (roles.length === 0) return [];
    return [
      ...(kind === 'arrival'
        ? []
        : [{ id: 'none' as const, label: kind === 'start' ? 'Running' : 'With the load' }]),
      ...roles.map((id) => ({ id, label: ROLE_NAMES[id] })),
    ];
  });
  protected readonly shownTime = computed(() => this.time() ?? localMinute(secondsNow()));

  constructor() {
    inject(LibraryStyles).bring(FieldStyles);
    effect(() => {
      const reading = this.reading();
      untracked(() => {
        if (reading) this.show(reading);
      });
    });
    effect(() => {
      const [expected, roles] = [this.expected(), this.roles()];
      if (untracked(this.reading)) return;
      this.role.set(roles.find(({ id }) => id === expected)?.id ?? roles[0]?.id ?? 'none');
    });
  }

  protected now(): void {
    this.time.set(undefined);
  }

  protected add(): void {
    const values = this.columns().flatMap(({ column }) => {
      const value = readingOf(this.controls[column]);
      return value === undefined ? [] : [[column, value] as const];
    });
    const wrong = this.columns().find(({ column }) => this.controls[column].invalid);
    const typed = this.time();
    const atS = typed === undefined ? secondsNow() : new Date(typed).getTime() / MS_PER_SECOND;
    if (wrong) this.problem.set(`${wrong.name} is no number: mend it, or leave it empty.`);
    else if (values.length === 0) this.problem.set('Nothing was read: give one number at least.');
    else if (!Number.isFinite(atS)) this.problem.set('The time cannot be read: pick it anew.');
    else this.give(atS, Object.fromEntries(values));
  }

  private give(atS: number, values: Partial<LogReading>): void {
    const [role, note, before] = [this.role(), this.note.value.trim(), this.reading()];
    this.problem.set(undefined);
    this.added.emit({
      id: before?.id ?? crypto.randomUUID(),
      atS,
      ...(role !== 'none' && { role }),
      ...values,
      ...(note !== '' && { note }),
      ...(before?.spoiled !== undefined && { spoiled: before.spoiled }),
      ...(before?.leap !== undefined && { leap: before.leap }),
    });
    for (const column of ALL) this.controls[column].reset();
    this.note.reset();
    this.time.set(undefined);
  }

  private show(reading: LogReading): void {
    for (const column of ALL) this.controls[column].setValue(reading[column] ?? null);
    this.note.setValue(reading.note ?? '');
    this.time.set(localMinute(reading.atS));
    this.role.set(reading.role ?? 'none');
  }
}

/** As a browser's own field of date and time has it. */
function localMinute(atS: number): string {
  const at = new Date(atS * MS_PER_SECOND);
  const local = new Date(at.getTime() - at.getTimezoneOffset() * SECONDS_PER_MINUTE * MS_PER_SECOND);
  return local.toISOString().slice(0, MINUTE_TEXT);
}
