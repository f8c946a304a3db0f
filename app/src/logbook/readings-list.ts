import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { formatNumber } from '@heliarch/core';
import {
  withoutReading,
  withReadingChanged,
  type LogReading,
  type LogTest,
  type RunDown,
} from '@heliarch/core/logging';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { keepTogether } from '../components/keep-together';
import { UnitChoice } from '../components/unit-choice';
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
  protected readonly open = signal<string | undefined>(undefined);
  protected readonly columns = computed(() => {
    const { kind, readings } = this.test();
    return KINDS[kind].columns
      .filter((column) => readings.some((reading) => reading[column] !== undefined))
      .map((column) => ({ column, ...columnWords(column, kind) }));
  });
  protected readonly lines = computed(() => this.test().trace?.atS.length ?? 0);
  protected readonly rows = computed(() =>
    this.test().readings.map((reading) => ({
      reading,
      time: this.state.moment(reading.atS, this.test()),
      cells: this.columns().map(({ column }) => {
        const value = reading[column];
        return value === undefined ? '' : formatNumber(this.units.numbers, value, DECIMALS);
      }),
      role: reading.role ? ROLE_NAMES[reading.role] : '',
      counts: this.countsAs(reading),
    })),
  );

  /** What a charge counts as once its segment is joined. */
  private countsAs(reading: LogReading): string {
    const { charge, byCharge } = this.runDown() ?? {};
    if (!charge || !byCharge || reading.percent === undefined || reading.spoiled !== undefined) return '';
    const hours = (reading.atS - charge.fromS) / 3600;
    const shown = charge.shown.find(({ x }) => Math.abs(x - hours) < 1e-6);
    const offset = shown && byCharge.fit.offsets.get(shown.segment);
    return offset !== undefined && Math.abs(offset) > 0.05
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
