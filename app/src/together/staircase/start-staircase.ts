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
import { formatAmount, formatSeconds, type Staircase } from '@heliarch/core';
import { drawStaircase } from './drawing';
import type { MarginShape } from './margin-text';

const FIRST_WIDTH = 556;
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
  imports: [NgTemplateOutlet],
  templateUrl: './start-staircase.html',
  styleUrl: './start-staircase.css',
})
export class StartStaircase {
  readonly staircase = input.required<Staircase>();
  /** Where more stands above it, the picture is lower. */
  readonly isLow = input(false);

  private readonly width = signal(FIRST_WIDTH);
  protected readonly hatch = `hatch-${(nextId += 1)}`;
  protected readonly narrow = computed(() => this.width() < NARROW);
  protected readonly drawing = computed(() =>
    drawStaircase(this.staircase(), this.width(), this.narrow() ? SHORT : this.isLow() ? LOW : TALL),
  );

  /** The same for someone who does not see the picture. */
  protected readonly spoken = computed(() => {
    const { steps, atAnyMoment, full } = this.staircase();
    const kick = (name: string, va: number, seconds: number): string =>
      `${name} starts with ${formatAmount(va, 'VA', 'at-most')} in all for ${formatSeconds(seconds)}`;
    return [
      ...steps.map((step) =>
        step.kick
          ? `${step.place}: ${kick(step.consumer.load.name, step.kick.va.hi, step.kick.seconds.stated)}`
          : `${step.place}: ${step.consumer.load.name}`,
      ),
      `All running: ${formatAmount(full.stated, 'VA')}`,
      ...atAnyMoment.map(
        (each) => `At any moment: ${kick(each.consumer.load.name, each.va.hi, each.seconds.stated)}`,
      ),
    ].join('. ');
  });

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
