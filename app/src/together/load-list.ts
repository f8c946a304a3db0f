import { UnitChoice } from '../parts/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChildren } from '@angular/core';
import { formatNumber } from '@heliarch/core/units';
import { powerFlowsOf } from '@heliarch/core/check';
import { wattsCounted } from '@heliarch/core/rig';
import { AnswerState } from '../parts/answer-state';
import { BasisLegend } from '../parts/basis-legend';
import { BasisMark } from '../parts/basis-mark';
import { ChoiceBar, type Choice } from '../ui/choice-bar';
import { Checkbox } from '../ui/checkbox';
import { UsageMark } from '../parts/usage-mark';
import { VerdictMark } from '../parts/verdict-mark';
import { groupLoads, type LoadRow, type OutlookLine } from './load-groups';
import { LoadNumbers } from './load-numbers';
import { TogetherState } from './together-state';

const LETTER = /^[\p{L}\p{N}]$/u;
const TYPING_PAUSE_MS = 800;
const STEP_OF_KEY: Partial<Record<string, number>> = { ArrowDown: 1, ArrowUp: -1 };

/**
 * What is on, and what could be switched on. One list for the keyboard: arrows move, typing finds,
 * Space ticks, Enter or the right arrow opens the numbers, Escape closes them.
 */
@Component({
  selector: 'heli-load-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BasisLegend, AnswerState, BasisMark, ChoiceBar, LoadNumbers, Checkbox, UsageMark, VerdictMark],
  templateUrl: './load-list.html',
  styleUrl: './load-list.css',
})
export class LoadList {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(TogetherState);
  private readonly ticks = viewChildren(Checkbox);

  protected readonly groups = computed(() =>
    groupLoads(
      this.numberStyle,
      this.state.rig(),
      this.state.scene(),
      this.state.result(),
      this.state.notFed(),
      this.state.outlooks(),
    ),
  );
  private readonly rows = computed(() => this.groups().flatMap((group) => group.rows));
  private typed = '';
  private typedAt = 0;
  private readonly reached = signal<string | undefined>(undefined);
  /** The one row that Tab stops at. */
  protected readonly current = computed(() => this.reached() ?? this.rows()[0]?.load.id);
  protected readonly open = signal<string | undefined>(undefined);

  /** What charges counts in every sum, so it stands among what runs. */
  protected readonly chargingW = computed(() => powerFlowsOf(this.state.result()).toChargeW);
  protected readonly asked = computed(() => this.state.outlooksAsked()?.newest);

  protected askAgain(): void {
    this.state.askAgain();
  }

  protected number(value: number): string {
    return formatNumber(this.numberStyle, value, 0);
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
    if (step !== undefined) this.focusRow(this.placeOf(row) + step);
    else if (event.key === 'Enter' || event.key === 'ArrowRight') this.openNumbers(row);
    else if (!this.find(event)) return;
    event.preventDefault();
  }

  /** The line under a load: whether it can be switched on, or why it runs on nothing although it is on. */
  protected whyOf(row: LoadRow): OutlookLine | undefined {
    return row.notFed ? { mark: 'not-fed', words: `not on this supply: ${row.notFed}` } : row.outlook;
  }

  /** Its line keeps its room until it is there: no row moves from under a finger. */
  protected isWorkedOut(row: LoadRow): boolean {
    const status = this.asked()?.status;
    return !row.isOn && (status === undefined || status === 'asked' || status === 'so-far');
  }

  protected isHeldOff({ load }: LoadRow): boolean {
    return this.state.scene().on.some((entry) => entry.load === load.id && entry.heldOff === 'yes');
  }

  protected states(row: LoadRow): readonly Choice[] {
    return (row.load.states ?? []).map(({ id, name }) => ({ id, label: name }));
  }

  /** A load with states runs in full until one is chosen. */
  protected stateOf(row: LoadRow): string {
    const full = row.load.states?.find(
      (state) => this.wattsIn(row, state.id) === this.wattsIn(row, undefined),
    );
    return row.stateId ?? full?.id ?? '';
  }

  private wattsIn({ load }: LoadRow, stateId: string | undefined): number {
    return wattsCounted(this.state.rig(), load, stateId);
  }

  protected chooseState(row: LoadRow, stateId: string): void {
    this.state.chooseState(row.load.id, stateId);
  }

  /** Typing goes to the next load whose name begins with what was typed. */
  private find(event: KeyboardEvent): boolean {
    if (!LETTER.test(event.key) || event.ctrlKey || event.metaKey || event.altKey) return false;
    const now = event.timeStamp;
    this.typed = now - this.typedAt < TYPING_PAUSE_MS ? this.typed + event.key : event.key;
    this.typedAt = now;
    const start = this.typed.toLowerCase();
    this.focusRow(this.rows().findIndex(({ load }) => load.name.toLowerCase().startsWith(start)));
    return true;
  }

  protected openNumbers(row: LoadRow): void {
    this.reached.set(row.load.id);
    this.open.set(row.load.id);
  }

  protected toggleNumbers(row: LoadRow): void {
    if (this.open() === row.load.id) this.closeNumbers(row);
    else this.openNumbers(row);
  }

  protected closeNumbers(row: LoadRow): void {
    this.open.set(undefined);
    this.focusRow(this.placeOf(row));
  }

  /** By its load: the rows are made anew whenever an answer comes in. */
  private placeOf({ load }: LoadRow): number {
    return this.rows().findIndex((row) => row.load.id === load.id);
  }

  private focusRow(index: number): void {
    const row = this.rows()[index];
    if (!row) return;
    this.reached.set(row.load.id);
    this.ticks()[index]?.focus();
  }
}
