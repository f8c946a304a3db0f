import type { ElementRef } from '@angular/core';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  Injector,
  signal,
  viewChildren,
} from '@angular/core';
import { formatNumber, type Basis } from '@heliarch/core';
import { BasisMark } from '../ui/basis-mark';
import { UsageMark } from '../ui/usage-mark';
import { VerdictMark } from '../ui/verdict-mark';
import { groupLoads, kickingPart, largestPart, type LoadRow } from './load-groups';
import { LoadNumbers } from './load-numbers';
import { TogetherState } from './together-state';

const STEP_OF_KEY: Partial<Record<string, number>> = { ArrowDown: 1, ArrowUp: -1 };

/**
 * What is on. One list for the keyboard: arrows move, Space ticks, Enter or the right arrow opens the
 * numbers, Escape closes them.
 */
@Component({
  selector: 'heli-load-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BasisMark, LoadNumbers, UsageMark, VerdictMark],
  templateUrl: './load-list.html',
  styleUrl: './load-list.css',
})
export class LoadList {
  private readonly state = inject(TogetherState);
  private readonly injector = inject(Injector);
  private readonly ticks = viewChildren<ElementRef<HTMLInputElement>>('tick');
  private readonly sheets = viewChildren(LoadNumbers);

  private readonly isOn = computed(() => new Set(this.state.scene().on.map((entry) => entry.load)));
  protected readonly groups = computed(() =>
    groupLoads(this.state.rig(), this.isOn(), this.state.result(), this.state.notFed()),
  );
  private readonly rows = computed(() => this.groups().flatMap((group) => group.rows));
  private readonly reached = signal<string | undefined>(undefined);
  /** The one row that Tab stops at. */
  protected readonly current = computed(() => this.reached() ?? this.rows()[0]?.load.id);
  protected readonly open = signal<string | undefined>(undefined);

  protected number(value: number): string {
    return formatNumber(value, 0);
  }

  protected runningBasis(row: LoadRow): Basis {
    return largestPart(row.load).runningW.basis;
  }

  protected kickBasis(row: LoadRow): Basis {
    return kickingPart(row.load)?.start?.va.basis ?? 'setting';
  }

  protected switchLoad(row: LoadRow, isOn: boolean): void {
    this.reached.set(row.load.id);
    this.state.switchLoad(row.load.id, isOn);
  }

  protected reach(row: LoadRow): void {
    this.reached.set(row.load.id);
  }

  protected move(event: KeyboardEvent, row: LoadRow): void {
    const step = STEP_OF_KEY[event.key];
    if (step !== undefined) this.focusRow(this.rows().indexOf(row) + step);
    else if (event.key === 'Enter' || event.key === 'ArrowRight') this.openNumbers(row);
    else return;
    event.preventDefault();
  }

  protected openNumbers(row: LoadRow): void {
    this.reached.set(row.load.id);
    this.open.set(row.load.id);
    afterNextRender(() => this.sheets()[0]?.focus(), { injector: this.injector });
  }

  protected toggleNumbers(row: LoadRow): void {
    if (this.open() === row.load.id) this.closeNumbers(row);
    else this.openNumbers(row);
  }

  protected closeNumbers(row: LoadRow): void {
    this.open.set(undefined);
    this.focusRow(this.rows().indexOf(row));
  }

  private focusRow(index: number): void {
    const row = this.rows()[index];
    if (!row) return;
    this.reached.set(row.load.id);
    this.ticks()[index]?.nativeElement.focus();
  }
}
