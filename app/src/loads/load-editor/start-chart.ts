import { UnitChoice } from '../../components/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { formatNumber, formatSeconds, type Ceiling, type Interval } from '@heliarch/core';

/** What a start is drawn of, in VA and seconds at both edges. */
export interface DrawnStart {
  readonly va: Interval;
  readonly seconds: Interval;
}

const WIDTH = 600;
const HEIGHT = 190;
const LEFT = 46;
const RIGHT = 8;
const TOP = 16;
const BOTTOM = 22;
const FROM_S = 0.1;
const TO_S = 100;
const TICKS_S = [0.1, 0.5, 1, 5, 10, 60];
const GRID_STEPS = 4;
const ROOM_ABOVE = 1.12;

/** A start over seconds on a logarithmic scale, against what the inverter carries for how long. */
@Component({
  selector: 'heli-start-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" role="img" [attr.aria-label]="spoken()">
      <defs>
        <pattern
          id="start-hatch"
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path class="hatch" d="M0 0v6" />
        </pattern>
      </defs>
      @for (level of levels(); track level.va) {
        <text class="axis" x="40" text-anchor="end" [attr.y]="level.y + 4">{{ level.label }}</text>
        <path class="grid" [attr.d]="'M46 ' + level.y + 'H592'" />
      }
      @for (tick of ticks(); track tick.label) {
        <text class="axis" text-anchor="middle" [attr.x]="tick.x" y="184">{{ tick.label }}</text>
        <path class="grid" [attr.d]="'M' + tick.x + ' 168v4'" />
      }
      <path class="start" fill="url(#start-hatch)" [attr.d]="block()" />
      <path class="whisker" [attr.d]="whiskers()" />
      @for (step of steps(); track step.seconds) {
        <path class="ceiling" [class.own]="step.isOwn" [class.over]="step.isOver" [attr.d]="step.d" />
        <text class="label" [attr.x]="step.labelX" [attr.y]="step.y - 5" [attr.text-anchor]="step.anchor">
          {{ step.label }}
        </text>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      height: auto;
      overflow: visible;
    }
    .axis {
      fill: var(--ink-3);
      font: 12px var(--figures);
    }
    .grid {
      fill: none;
      stroke: var(--rule);
    }
    .hatch {
      stroke: var(--ink);
      stroke-width: 1.4;
    }
    .start {
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    .whisker {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.3;
    }
    .ceiling {
      fill: none;
      stroke: var(--ink-2);
      stroke-width: 1.3;
      stroke-dasharray: 5 4;
    }
    .own {
      stroke: var(--teal);
      stroke-width: 3;
      stroke-dasharray: none;
    }
    .own.over {
      stroke: var(--vermilion);
    }
    .label {
      fill: var(--ink);
      font: 500 12.5px var(--figures);
      paint-order: stroke;
      stroke: var(--surface);
      stroke-width: 3px;
    }
  `,
})
export class StartChart {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly start = input.required<DrawnStart>();
  /** What carries it, for hours and for less; empty where no inverter is in its way. */
  readonly ceilings = input.required<readonly Ceiling[]>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;

  private readonly most = computed(
    () => Math.max(1, this.start().va.hi, ...this.ceilings().map(({ value }) => value)) * ROOM_ABOVE,
  );
  private readonly y = computed(() => {
    const most = this.most();
    return (va: number): number => HEIGHT - BOTTOM - (va / most) * (HEIGHT - TOP - BOTTOM);
  });

  protected readonly levels = computed(() => {
    const step = niceStep(this.most() / GRID_STEPS);
    const count = Math.floor(this.most() / step);
    return Array.from({ length: count + 1 }, (_, index) => ({
      va: index * step,
      y: this.y()(index * step),
      label: formatNumber(this.numberStyle, index * step, 0),
    }));
  });

  protected readonly ticks = computed(() =>
    TICKS_S.map((seconds) => ({
      x: x(seconds),
      label: seconds === 1 ? '1 s' : formatNumber(this.numberStyle, seconds, 1),
    })),
  );

  protected readonly block = computed(() => {
    const { va, seconds } = this.start();
    return `M${LEFT} ${this.y()(0)}V${this.y()(va.stated)}H${x(seconds.stated)}V${this.y()(0)}Z`;
  });

  /** How far it may reach up, and how much longer it may last. */
  protected readonly whiskers = computed(() => {
    const { va, seconds } = this.start();
    const middle = (LEFT + x(seconds.stated)) / 2;
    const top = this.y()(va.hi);
    const end = x(seconds.hi);
    const at = this.y()(va.stated);
    return `M${middle} ${at}V${top}M${middle - 5} ${top}h10M${x(seconds.stated)} ${at}H${end}M${end} ${at - 5}v10`;
  });

  protected readonly steps = computed(() => {
    const { va, seconds } = this.start();
    const rising = [...this.ceilings()].sort((a, b) => a.seconds - b.seconds);
    const own = rising.find((ceiling) => ceiling.seconds >= seconds.hi);
    return rising.map((ceiling, index) => {
      const from = x(rising[index - 1]?.seconds ?? FROM_S);
      const to = x(Math.min(TO_S, ceiling.seconds));
      const y = this.y()(ceiling.value);
      const isLast = index === rising.length - 1;
      const span = Number.isFinite(ceiling.seconds)
        ? `for ${formatSeconds(this.numberStyle, ceiling.seconds)}`
        : 'running';
      return {
        seconds: ceiling.seconds,
        y,
        d: `M${from} ${y}H${to}${isLast ? '' : `V${this.y()(rising[index + 1]?.value ?? 0)}`}`,
        isOwn: ceiling === own,
        isOver: va.hi > ceiling.value,
        label: `${formatNumber(this.numberStyle, ceiling.value, 0)} ${span}`,
        labelX: isLast ? WIDTH - RIGHT : from + 4,
        anchor: isLast ? 'end' : 'start',
      };
    });
  });

  protected readonly spoken = computed(() => {
    const { va, seconds } = this.start();
    const ceilings = this.ceilings().map(
      (each) =>
        `${formatNumber(this.numberStyle, each.value, 0)} VA ${Number.isFinite(each.seconds) ? `for ${formatSeconds(this.numberStyle, each.seconds)}` : 'running'}`,
    );
    return `A start of ${formatNumber(this.numberStyle, va.stated, 0)} VA for ${formatSeconds(this.numberStyle, seconds.stated)}. The inverter carries ${ceilings.join(', ') || 'nothing of it'}.`;
  });
}

/** Seconds to the place on the axis, 0.1 to 100 s. */
function x(seconds: number): number {
  const bounded = Math.min(TO_S, Math.max(FROM_S, seconds));
  return LEFT + (Math.log10(bounded / FROM_S) / Math.log10(TO_S / FROM_S)) * (WIDTH - LEFT - RIGHT);
}

/** 1, 2 or 5 times a power of ten, at least so much. */
function niceStep(least: number): number {
  const power = 10 ** Math.floor(Math.log10(least));
  return [1, 2, 5, 10].map((factor) => factor * power).find((step) => step >= least) ?? power * 10;
}
