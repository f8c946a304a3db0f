import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { formatNumber } from '@heliarch/core/units';
import type { LoadFamily } from '@heliarch/core/rig';
import {
  NzTableCellDirective,
  NzTableComponent,
  NzTableVirtualScrollDirective,
  NzTbodyComponent,
  NzTheadComponent,
  NzThMeasureDirective,
  NzTrDirective,
} from 'ng-zorro-antd/table';
import { BasisMark } from '../parts/basis-mark';
import { NamedTable } from '../ui/library/named-table';
import { Checkbox } from '../ui/checkbox';
import { UnitChoice } from '../parts/unit-choice';
import { UsageMark } from '../parts/usage-mark';
import { LoadsState } from './loads-state';
import type { Column, LoadRow } from './load-rows';

const HEADS: readonly { readonly column: Column; readonly label: string; readonly isNumber?: boolean }[] = [
  { column: 'name', label: 'Load' },
  { column: 'running', label: 'Run, W', isNumber: true },
  { column: 'start', label: 'Start, VA', isNumber: true },
  { column: 'use', label: 'Use' },
  { column: 'circuit', label: 'Circuit' },
];

type Line = LoadRow | LoadFamily;

/** Up to so many lines all of them are there, for a search of the page and for print; more are drawn as they come by. */
const MOST_AT_ONCE = 100;
const ROW_HEIGHT_PX = { fine: 29, coarse: 45 };

/** All loads, to be sorted, ticked and opened. */
@Component({
  selector: 'heli-load-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BasisMark,
    NamedTable,
    NgTemplateOutlet,
    NzTableCellDirective,
    NzTableComponent,
    NzTableVirtualScrollDirective,
    NzTbodyComponent,
    NzTheadComponent,
    NzThMeasureDirective,
    NzTrDirective,
    Checkbox,
    UsageMark,
  ],
  host: { '[class.long]': 'isLong()' },
  templateUrl: './load-table.html',
  styleUrl: './load-table.css',
})
export class LoadTable {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(LoadsState);
  /** A load was chosen: where its plate is below the list, it must come into view. */
  readonly opened = output();
  protected readonly heads = HEADS;
  protected readonly isAllSelected = computed(
    () => this.state.ticked().length > 0 && this.state.ticked().length >= this.state.shownCount(),
  );

  /** The groups with their heads as one list. */
  protected readonly lines = computed((): readonly Line[] =>
    this.state.groups().flatMap(({ family, rows }): readonly Line[] => (family ? [family, ...rows] : rows)),
  );
  protected readonly isLong = computed(() => this.lines().length > MOST_AT_ONCE);
  /** Head and list are apart then, and share no widths of their own. */
  protected readonly WIDTHS = ['34px', null, '76px', '80px', '92px', '76px'];
  protected readonly HEIGHT = 'max(240px, 100dvh - 300px)';
  protected readonly rowHeight = ROW_HEIGHT_PX[matchMedia('(pointer: coarse)').matches ? 'coarse' : 'fine'];

  protected rowOf(line: Line): LoadRow | undefined {
    return typeof line === 'string' ? undefined : line;
  }

  protected readonly byLoad = (_: number, line: Line): string =>
    typeof line === 'string' ? line : line.load.id;

  protected sortedAs(column: Column): 'ascending' | 'descending' | 'none' {
    const { column: by, isDown } = this.state.sorting();
    if (by !== column) return 'none';
    return isDown ? 'descending' : 'ascending';
  }

  protected isSelected(row: LoadRow): boolean {
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
