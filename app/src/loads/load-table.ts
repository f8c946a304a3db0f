import { UnitChoice } from '../components/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { formatNumber } from '@heliarch/core';
import { BasisMark } from '../components/basis-mark';
import { Tick } from '../components/tick';
import { UsageMark } from '../components/usage-mark';
import { LoadsState } from './loads-state';
import type { Column, LoadRow } from './load-rows';

const HEADS: readonly { readonly column: Column; readonly label: string; readonly isNumber?: boolean }[] = [
  { column: 'name', label: 'Load' },
  { column: 'running', label: 'Run, W', isNumber: true },
  { column: 'start', label: 'Start, VA', isNumber: true },
  { column: 'use', label: 'Use' },
  { column: 'circuit', label: 'Circuit' },
];

/** All loads, to be sorted, ticked and opened. */
@Component({
  selector: 'heli-load-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BasisMark, Tick, UsageMark],
  templateUrl: './load-table.html',
  styleUrl: './load-table.css',
})
export class LoadTable {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(LoadsState);
  /** A load was chosen: where its plate is below the list, it must come into view. */
  readonly opened = output();
  protected readonly heads = HEADS;
  protected readonly isAllTicked = computed(
    () => this.state.ticked().length > 0 && this.state.ticked().length >= this.state.shownCount(),
  );

  protected sortedAs(column: Column): 'ascending' | 'descending' | 'none' {
    const { column: by, isDown } = this.state.sorting();
    if (by !== column) return 'none';
    return isDown ? 'descending' : 'ascending';
  }

  protected isTicked(row: LoadRow): boolean {
    return this.state.ticked().includes(row.load);
  }

  protected number(value: number): string {
    return formatNumber(this.numberStyle, value, 0);
  }

  protected open(row: LoadRow): void {
    this.state.choose(row.load.id);
    this.opened.emit();
  }

  /** Up and down go from name to name. */
  protected move(event: KeyboardEvent): void {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    const button = event.currentTarget;
    if (step === 0 || !(button instanceof HTMLElement)) return;
    const names = [...(button.closest('table')?.querySelectorAll<HTMLElement>('button.open') ?? [])];
    names[names.indexOf(button) + step]?.focus();
    event.preventDefault();
  }
}
