import type { NumberStyle } from '@heliarch/core/units';
import { UnitChoice } from '../../parts/unit-choice';
import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  signal,
} from '@angular/core';
import { formatAmount, formatSeconds } from '@heliarch/core/units';
import {
  limitLabel,
  VERDICT_WORDS,
  type DrawnStart,
  type AnsweredSet,
  type Staircase,
} from '@heliarch/core/check';
import type { Rig } from '@heliarch/core/rig';
import { LimitWorking } from '../../parts/limit-working';
import { drawStaircase } from './drawing';
import type { StartShape } from './start-shapes';
import type { MarginShape } from './margin-text';

/** Width until the first layout is known: the column of the room, or a phone within its margins. */
const COLUMN_WIDTH = 556;
const PHONE_MARGINS = 32;
const TALL = 452;
const LOW = 376;
const SHORT = 300;
const NARROW = 480;
const ROOM_FOR_HEADS = 16;

let nextId = 0;

/** The order of the starts against the limits, in VA. */
@Component({
  selector: 'heli-start-staircase',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LimitWorking, NgTemplateOutlet],
  templateUrl: './start-staircase.html',
  styleUrl: './start-staircase.css',
})
export class StartStaircase {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly rig = input.required<Rig>();
  /** The set it is drawn from, for the working of a start. */
  readonly set = input.required<AnsweredSet>();
  readonly staircase = input.required<Staircase>();
  /** Where more stands above it, the picture is lower. */
  readonly isLow = input(false);

  /** The start that shows where it comes from. */
  protected readonly open = signal<string | undefined>(undefined);

  private readonly width = signal(Math.min(COLUMN_WIDTH, innerWidth - PHONE_MARGINS));
  protected readonly hatch = `hatch-${(nextId += 1)}`;
  protected readonly narrow = computed(() => this.width() < NARROW);
  protected readonly drawing = computed(() =>
    drawStaircase(
      this.numberStyle,
      this.staircase(),
      this.width(),
      this.narrow() ? SHORT : this.isLow() ? LOW : TALL,
    ),
  );

  /** The same for someone who does not see the picture. */
  protected readonly rows = computed((): readonly SpokenRow[] => {
    const { steps, atAnyMoment } = this.staircase();
    return [
      ...steps.map((step) =>
        spokenRow(this.numberStyle, `${step.place}`, step.consumer.load.name, step.after.stated, step.start),
      ),
      ...atAnyMoment.map((start) =>
        spokenRow(
          this.numberStyle,
          'at any moment',
          start.consumer.load.name,
          this.staircase().full.stated,
          start,
        ),
      ),
    ];
  });

  protected labelOf(start: StartShape): string {
    return limitLabel(this.numberStyle, this.rig(), start.limit);
  }

  protected toggle(start: StartShape): void {
    this.open.update((open) => (open === start.id ? undefined : start.id));
  }

  /** A line with a head at each end; one too short for heads is drawn as arrows from outside. */
  protected arrows({ x, from, to }: MarginShape): string {
    const [top, bottom] = [Math.min(from, to), Math.max(from, to)];
    const head = (y: number, up: boolean): string =>
      `M${x - 3} ${y + (up ? 5 : -5)}L${x} ${y}L${x + 3} ${y + (up ? 5 : -5)}`;
    if (bottom - top >= ROOM_FOR_HEADS)
      return `M${x} ${top}V${bottom}${head(top, true)}${head(bottom, false)}`;
    return `M${x} ${top - 14}V${top}${head(top, false)}M${x} ${bottom + 14}V${bottom}${head(bottom, true)}`;
  }

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const observer = new ResizeObserver(([entry]) => {
      if (entry && entry.contentRect.width > 0) this.width.set(entry.contentRect.width);
    });
    observer.observe(host);
    inject(DestroyRef).onDestroy(() => observer.disconnect());
  }
}

/** One start in words: place, load, running once it has settled, the start, and what it is held against. */
interface SpokenRow {
  readonly place: string;
  readonly load: string;
  readonly running: string;
  readonly start: string;
  readonly ceiling: string;
}

function spokenRow(
  style: NumberStyle,
  place: string,
  load: string,
  running: number,
  start: DrawnStart | undefined,
): SpokenRow {
  return {
    place,
    load,
    running: formatAmount(style, running, 'VA'),
    start: start
      ? `up to ${formatAmount(style, start.va.hi, 'VA', 'at-most')} for ${formatSeconds(style, start.seconds.stated)}`
      : 'none',
    ceiling: start ? `${formatAmount(style, start.ceiling, 'VA')}, ${VERDICT_WORDS[start.verdict]}` : '',
  };
}
