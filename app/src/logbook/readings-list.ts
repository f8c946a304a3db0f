import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { formatNumber, SECONDS_PER_HOUR, shownUnit } from '@heliarch/core/units';
import {
  withoutReading,
  withReadingChanged,
  type LogReading,
  type LogTest,
  type RunDown,
} from '@heliarch/core/logbook';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { mediaQuery } from '../ui/media-query';
import { keepTogether } from '../ui/keep-together';
import { UnitChoice } from '../parts/unit-choice';
import { LEAST_OFFSET } from './plot-words';
import { ReadingEntry } from './reading-entry';
import { LogState } from './log-state';
import { columnWords, KINDS, ROLE_NAMES } from './test-kinds';

const SPOILED = [
  'the clamp held both conductors',
  'something else switched',
  'misread',
  'the meter was off',
] as const;
const DECIMALS = 2;
/** Hours are seconds divided. */
const SAME_HOURS = 1e-6;

/** The readings of a test as a table: each can be corrected, struck out with its reason, or taken out. */
@Component({
  selector: 'heli-readings-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent, ReadingEntry],
  templateUrl: './readings-list.html',
  styleUrl: './readings-list.css',
})
export class ReadingsList {
  private readonly state = inject(LogState);
  private readonly units = inject(UnitChoice);
  readonly test = input.required<LogTest>();
  readonly runDown = input<RunDown>();
  readonly changed = output();

  protected readonly reasons = SPOILED;
  protected readonly isNarrow = mediaQuery('(max-width: 600px)');
  protected readonly open = signal<string | undefined>(undefined);
  protected readonly columns = computed(() => {
    const { kind, readings } = this.test();
    return KINDS[kind].columns
      .filter((column) => readings.some((reading) => reading[column] !== undefined))
      .map((column) => ({ column, ...columnWords(column, kind) }))
      .map((words) => ({ ...words, shown: shownUnit(words.unit, this.units.system()).unit }));
  });
  /** Beside the columns the time, what it stands for, and what can be done. */
  protected readonly width = computed(() => this.columns().length + (this.isNarrow() ? 2 : 3));
  protected readonly lines = computed(() => this.test().trace?.atS.length ?? 0);
  protected readonly rows = computed(() =>
    this.test().readings.map((reading) => ({
      reading,
      time: this.state.moment(reading.atS, this.test()),
      cells: this.columns().map(({ column, unit }) => {
        const value = reading[column];
        const { show } = shownUnit(unit, this.units.system());
        return value === undefined ? '' : formatNumber(this.units.numbers, show(value), DECIMALS);
      }),
      stands: [reading.role ? ROLE_NAMES[reading.role] : this.countsAs(reading), reading.note]
        .filter(Boolean)
        .join(' '),
    })),
  );

  /** What a charge counts as once its segment is joined. */
  private countsAs(reading: LogReading): string {
    const { charge, byCharge } = this.runDown() ?? {};
    if (!charge || !byCharge || reading.percent === undefined || reading.spoiled !== undefined) return '';
    const hours = (reading.atS - charge.fromS) / SECONDS_PER_HOUR;
    const shown = charge.shown.find(({ x }) => Math.abs(x - hours) < SAME_HOURS);
    const offset = shown && byCharge.fit.offsets.get(shown.segment);
    return offset !== undefined && Math.abs(offset) > LEAST_OFFSET
      ? keepTogether(`counts as ${formatNumber(this.units.numbers, reading.percent - offset, 1)} %`)
      : '';
  }

  protected toggle(id: string): void {
    this.open.update((open) => (open === id ? undefined : id));
  }

  protected correct(reading: LogReading): void {
    this.state.edit((test) => {
      const { readings } = test;
      const others = readings.filter(({ id }) => id !== reading.id);
      return { ...test, readings: [...others, reading].sort((a, b) => a.atS - b.atS) };
    }, 'a reading corrected');
    this.open.set(undefined);
  }

  protected spoil(id: string, spoiled: string | undefined): void {
    this.state.edit(
      (test) => withReadingChanged(test, id, { spoiled }),
      spoiled === undefined ? 'a reading counts again' : 'a reading struck out',
    );
  }

  protected leap(id: string, leap: LogReading['leap']): void {
    this.state.edit((test) => withReadingChanged(test, id, { leap }), 'a leap of the charge explained');
  }

  protected remove(id: string): void {
    this.state.edit((test) => withoutReading(test, id), 'a reading taken out');
    this.open.set(undefined);
  }
}
