import { CdkDrag, type CdkDragEnd } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { Day, Load, Rig } from '@heliarch/core/rig';
import { formatAmount, PERCENT } from '@heliarch/core/units';
import { wattsInState } from '@heliarch/core/check';
import { SLOT_MINUTES, slotsOf, stretchesBetween, type DayPlan } from '@heliarch/core/day';
import { BarePlotView } from '../ui/plot/bare-plot';
import { UnitChoice } from '../parts/unit-choice';
import { VerdictMark } from '../parts/verdict-mark';
import { chargePlot, sharePlot, sunPlot } from './day-plots';
import { DayState } from './day-state';
import { placesOfPiece } from './places-of-piece';
import { atMinute, hoursOf, lanesOf, nowIn, type Bar } from './lane-rows';

const LONG_STEP_MINUTES = 30;

/** The day drawn: sun, supplies, a lane for each load, how full the limits are, and the charge, under one ruler. */
@Component({
  selector: 'heli-day-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BarePlotView, CdkDrag, VerdictMark],
  templateUrl: './day-lanes.html',
  styleUrl: './day-lanes.css',
})
export class DayLanes {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(DayState);
  readonly rig = input.required<Rig>();
  readonly day = input.required<Day>();
  readonly plan = input.required<DayPlan | undefined>();
  readonly chosen = input.required<string | undefined>();
  /** A job was asked for. */
  readonly choose = output<string>();

  protected readonly hours = computed(() => hoursOf(this.day()));
  protected readonly lanes = computed(() =>
    lanesOf(this.rig(), this.day(), this.state.pieces(), this.plan(), (load) => this.wattsOf(load)),
  );
  protected readonly now = computed(() => nowIn(this.day(), new Date()));

  protected readonly supplies = computed(() => {
    const [day, rig] = [this.day(), this.rig()];
    const name = (id: string): string => rig.supplies.find((supply) => supply.id === id)?.name ?? id;
    const stretches = ({ from, until, onDay }: { from: string; until: string; onDay?: number | undefined }) =>
      stretchesBetween(day, from, until, onDay).map((each) => ({
        left: atMinute(day, each.from * SLOT_MINUTES),
        width: atMinute(day, (each.until - each.from) * SLOT_MINUTES),
      }));
    const supplies = (day.supplies ?? []).map((each) => ({
      name: name(each.supply),
      isOn: each.use === 'connected',
      words: each.use === 'connected' ? 'connected' : 'if needed',
      stretches: stretches(each),
      runs: (this.plan()?.supplyRuns ?? [])
        .filter((run) => run.supply === each.supply)
        .map(({ begin, minutes }) => ({ left: atMinute(day, begin), width: atMinute(day, minutes) })),
    }));
    const drives = (day.drives ?? []).map((drive) => ({
      name: 'On the road',
      isOn: true,
      words: `charges with ${formatAmount(this.numberStyle, drive.watts ?? 0, 'W')}`,
      stretches: stretches(drive),
      runs: [],
    }));
    return [...supplies, ...drives];
  });

  protected readonly sun = computed(() => this.drawn(sunPlot));
  protected readonly share = computed(() => this.drawn(sharePlot));
  protected readonly charge = computed(() => this.drawn(chargePlot));
  protected readonly reserve = computed(() => {
    const plan = this.plan();
    return plan ? (PERCENT * plan.reserveWh) / plan.fullWh : undefined;
  });
  protected readonly peakSun = computed(() => {
    const plan = this.plan();
    return plan ? formatAmount(this.numberStyle, Math.max(0, ...plan.solarW), 'W') : '';
  });

  /** The bar that has the focus or is dragged, and where it may go. */
  private readonly heldAt = signal<{ readonly load: string; readonly index: number } | undefined>(undefined);
  protected readonly held = computed(() => {
    const at = this.heldAt();
    return at && this.lanes().find(({ load }) => load.id === at.load)?.bars[at.index];
  });
  protected readonly isDragging = signal(false);
  private readonly places = placesOfPiece(computed(() => this.held()?.piece));
  /** Stretches in which the bar may begin. */
  protected readonly free = computed(() => {
    const day = this.day();
    const stretches: { left: number; width: number }[] = [];
    let last = -SLOT_MINUTES * 2;
    for (const minutes of this.places() ?? []) {
      const open = stretches.at(-1);
      if (open && minutes === last + SLOT_MINUTES) open.width += atMinute(day, SLOT_MINUTES);
      else stretches.push({ left: atMinute(day, minutes), width: atMinute(day, SLOT_MINUTES) });
      last = minutes;
    }
    return stretches;
  });

  protected wattsWords(load: Load): string {
    return formatAmount(this.numberStyle, this.wattsOf(load), 'W');
  }

  protected hold(load: Load, index: number): void {
    this.heldAt.set({ load: load.id, index });
  }

  protected isHeld(bar: Bar): boolean {
    return this.held()?.piece === bar.piece;
  }

  /** What ends a drag is no click. */
  private wasDragged = false;

  protected pressed(bar: Bar): void {
    if (!this.wasDragged) this.choose.emit(bar.job.id);
    this.wasDragged = false;
  }

  protected dropped({ source, distance }: CdkDragEnd, bar: Bar): void {
    this.wasDragged = true;
    setTimeout(() => (this.wasDragged = false));
    const minutes = this.minutesOf(source, distance.x);
    source.reset();
    this.isDragging.set(false);
    this.move(bar, minutes);
  }

  protected stretched({ source, distance }: CdkDragEnd, bar: Bar): void {
    const minutes = this.minutesOf(source, distance.x);
    source.reset();
    this.resize(bar, minutes);
  }

  private minutesOf(source: CdkDrag, px: number): number {
    const track = source.element.nativeElement.parentElement?.clientWidth ?? 1;
    return (px / track) * slotsOf(this.day()) * SLOT_MINUTES;
  }

  protected key(event: KeyboardEvent, bar: Bar): void {
    const by = event.shiftKey ? LONG_STEP_MINUTES : SLOT_MINUTES;
    // Keys may come faster than bars are drawn: it moves from where it is by now.
    const held = this.held() ?? bar;
    if (event.key === 'ArrowRight') this.move(held, by);
    else if (event.key === 'ArrowLeft') this.move(held, -by);
    else if (event.key === '+') this.resize(held, SLOT_MINUTES);
    else if (event.key === '-') this.resize(held, -SLOT_MINUTES);
    else return;
    event.preventDefault();
  }

  private move({ piece }: Bar, minutes: number): void {
    const last = slotsOf(this.day()) * SLOT_MINUTES - piece.minutes;
    const step = Math.round(minutes / SLOT_MINUTES) * SLOT_MINUTES;
    const begin = Math.min(last, Math.max(0, piece.begin + step));
    if (begin !== piece.begin) this.state.move(piece, begin);
  }

  private resize({ piece, cannotPause }: Bar, minutes: number): void {
    const step = Math.round(minutes / SLOT_MINUTES) * SLOT_MINUTES;
    if (step !== 0 && !cannotPause) this.state.resize(piece, piece.minutes + step);
  }

  private wattsOf(load: Load): number {
    const job = this.day().jobs.find((each) => each.load === load.id);
    return wattsInState(this.rig(), load, job?.state);
  }

  private drawn<T>(plot: (style: typeof this.numberStyle, day: Day, plan: DayPlan) => T): T | undefined {
    const plan = this.plan();
    return plan && plot(this.numberStyle, this.day(), plan);
  }
}
