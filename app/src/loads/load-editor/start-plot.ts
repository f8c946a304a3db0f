import { formatNumber, formatSeconds, type Interval, type NumberStyle } from '@heliarch/core/units';
import type { Ceiling } from '@heliarch/core/rig';
import type { PlotDrawn, PlotLabel, PlotLine } from '../../ui/plot/plot-drawn';

/** What a start is drawn of, in VA and seconds at both edges. */
export interface DrawnStart {
  readonly va: Interval;
  readonly seconds: Interval;
}

const HEIGHT_PX = 210;
const FROM_S = 0.1;
const TO_S = 100;
const TICKS_S = [0.1, 0.5, 1, 5, 10, 60];
const ROOM_ABOVE = 1.15;

/**
 * A start over seconds on a logarithmic scale, against what the inverter carries for how long.
 *
 * @param ceilings What carries it, for hours and for less; empty where no inverter is in its way.
 */
export function startPlot(style: NumberStyle, start: DrawnStart, ceilings: readonly Ceiling[]): PlotDrawn {
  const { va, seconds } = start;
  const rising = [...ceilings].sort((a, b) => a.seconds - b.seconds);
  const own = rising.find((ceiling) => ceiling.seconds >= seconds.hi);
  const steps = rising.map((ceiling, index) => stepOf(rising, index, ceiling === own, va.hi > ceiling.value));
  const words = rising.map((each) => ceilingWords(style, each));
  const stated = `${formatNumber(style, va.stated, 0)} VA for ${formatSeconds(style, seconds.stated)}`;
  return {
    spoken: `A start of ${stated}. The inverter carries ${words.join(', ') || 'nothing of it'}.`,
    height: HEIGHT_PX,
    x: {
      label: '',
      isLog: true,
      from: FROM_S,
      to: TO_S,
      ticks: TICKS_S,
      tickWords: (value) => (value === 1 ? '1 s' : formatNumber(style, value, 1)),
    },
    y: {
      label: '',
      from: 0,
      to: Math.max(1, va.hi, ...rising.map(({ value }) => value)) * ROOM_ABOVE,
      tickWords: (value) => formatNumber(style, value, 0),
    },
    lines: [...blockOf(start), ...steps.map(({ line }) => line)],
    labels: steps.map(({ label }, index) => ({ ...label, words: words[index] ?? '' })),
    table: {
      heads: ['', 'VA', 'Seconds'],
      rows: [
        ['The start', range(style, va, 0), range(style, seconds, 1)],
        ...rising.map((each) => [
          each === own ? 'What carries it' : 'The inverter carries',
          formatNumber(style, each.value, 0),
          Number.isFinite(each.seconds) ? formatNumber(style, each.seconds, 1) : 'hours',
        ]),
      ],
    },
  };
}

/** The start as stated, how far it may reach up, and how much longer it may last. */
function blockOf({ va, seconds }: DrawnStart): readonly PlotLine[] {
  const end = Math.min(TO_S, Math.max(FROM_S, seconds.stated));
  const middle = Math.sqrt(FROM_S * end);
  return [
    {
      look: 'start',
      points: [
        { x: FROM_S, y: va.stated },
        { x: end, y: va.stated },
        { x: end, y: 0 },
      ],
    },
    {
      look: 'whisker-up',
      points: [
        { x: middle, y: va.stated },
        { x: middle, y: va.hi },
      ],
    },
    {
      look: 'whisker-along',
      points: [
        { x: end, y: va.stated },
        { x: Math.min(TO_S, seconds.hi), y: va.stated },
      ],
    },
  ];
}

function stepOf(
  rising: readonly Ceiling[],
  index: number,
  isOwn: boolean,
  isOver: boolean,
): { readonly line: PlotLine; readonly label: Omit<PlotLabel, 'words'> } {
  const { value, seconds } = rising[index] ?? { value: 0, seconds: 0 };
  const from = Math.max(FROM_S, rising[index - 1]?.seconds ?? 0);
  const to = Math.min(TO_S, seconds);
  const next = rising[index + 1]?.value;
  return {
    line: {
      look: !isOwn ? 'ceiling' : isOver ? 'trips' : 'holds',
      points: [
        { x: from, y: value },
        { x: to, y: value },
        ...(next === undefined ? [] : [{ x: to, y: next }]),
      ],
    },
    label: next === undefined ? { x: TO_S, y: value, side: 'left' } : { x: from, y: value, side: 'right' },
  };
}

function ceilingWords(style: NumberStyle, { value, seconds }: Ceiling): string {
  const span = Number.isFinite(seconds) ? `for ${formatSeconds(style, seconds)}` : 'running';
  return `${formatNumber(style, value, 0)} VA ${span}`;
}

function range(style: NumberStyle, { lo, stated, hi }: Interval, digits: number): string {
  const doubt = hi > lo ? ` (${formatNumber(style, lo, digits)} to ${formatNumber(style, hi, digits)})` : '';
  return formatNumber(style, stated, digits) + doubt;
}
