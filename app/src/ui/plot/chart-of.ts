import {
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
  type ChartConfiguration,
  type ChartDataset,
  type ScaleOptionsByType,
} from 'chart.js';
import annotations, { type AnnotationOptions } from 'chartjs-plugin-annotation';
import { hatch } from './hatch';
import type { BarePlot, PlotAxis, PlotDrawn, PlotLabel, PlotLine, PlotLook } from './plot-drawn';

Chart.register(Filler, LinearScale, LineController, LineElement, LogarithmicScale, PointElement, annotations);

const TYPE = "'Barlow Semi Condensed', sans-serif";
const AXIS_PX = 12;
const LABEL_PX = 12.5;
const LABEL_GAP_PX = 11;
const CAP_PX = 5;
const DOT_PX = 3.2;
const QUARTER_TURN = 90;
const MOST_TICKS = 5;

/** The same without axes, edge to edge. */
export function bareChartOf(
  drawn: BarePlot,
  colour: ColourOf,
): ChartConfiguration<'line', { x: number; y: number }[]> {
  const chart = chartOf({ ...drawn, table: { heads: [], rows: [] } }, colour);
  const hidden = (of: PlotAxis) => ({ ...axis(of, colour, false), display: false });
  return {
    ...chart,
    options: {
      ...chart.options,
      layout: { padding: 0 },
      scales: { x: hidden(drawn.x), y: hidden(drawn.y) },
    },
  };
}

type ColourOf = (token: string) => string;
type LineData = ChartDataset<'line', { x: number; y: number }[]>;

/** A plot as the chart library draws it, in the colours of the theme. */
export function chartOf(
  drawn: PlotDrawn,
  colour: ColourOf,
): ChartConfiguration<'line', { x: number; y: number }[]> {
  return {
    type: 'line',
    data: { datasets: drawn.lines.map((line) => dataset(line, colour)) },
    options: {
      animation: false,
      maintainAspectRatio: false,
      events: [],
      layout: { padding: { top: drawn.labels ? LABEL_PX + LABEL_GAP_PX : 0, right: 8 } },
      font: { family: TYPE, size: AXIS_PX },
      scales: { x: axis(drawn.x, colour, false), y: axis(drawn.y, colour, true) },
      plugins: {
        annotation: { clip: false, annotations: (drawn.labels ?? []).map((label) => words(label, colour)) },
      },
    },
  };
}

function dataset({ look, points }: PlotLine, colour: ColourOf): LineData {
  return { data: points.map(({ x, y }) => ({ x, y })), pointRadius: 0, ...LOOKS[look](colour) };
}

const LOOKS: Readonly<Record<PlotLook, (colour: ColourOf) => Omit<LineData, 'data'>>> = {
  area: (colour) => ({ ...stroke(colour('--ink'), 1.5), backgroundColor: colour('--tone'), fill: 'origin' }),
  line: (colour) => stroke(colour('--ink'), 1.8),
  'light-line': (colour) => stroke(colour('--rule-2'), 1.5),
  start: (colour) => ({
    ...stroke(colour('--ink'), 1.5),
    backgroundColor: hatch(colour('--ink')),
    fill: 'origin',
  }),
  'whisker-up': (colour) => ({ ...stroke(colour('--ink'), 1.3), ...cap(0) }),
  'whisker-along': (colour) => ({ ...stroke(colour('--ink'), 1.3), ...cap(QUARTER_TURN) }),
  ceiling: (colour) => ({ ...stroke(colour('--ink-2'), 1.3), borderDash: [5, 4] }),
  holds: (colour) => stroke(colour('--teal'), 3),
  trips: (colour) => stroke(colour('--vermilion'), 3),
  sun: (colour) => ({ ...stroke(colour('--sun'), 2), backgroundColor: colour('--sun-wash'), fill: 'origin' }),
  'thrown-away': (colour) => ({
    ...stroke(colour('--sun'), 1),
    backgroundColor: hatch(colour('--sun')),
    fill: '+1',
  }),
  band: (colour) => ({ ...stroke(colour('--rule-2'), 1), backgroundColor: colour('--tone-2'), fill: '+1' }),
  edge: (colour) => stroke(colour('--rule-2'), 0),
  dots: (colour) => ({ ...dot(colour), pointBackgroundColor: colour('--ink') }),
  'hollow-dots': (colour) => ({ ...dot(colour), pointBackgroundColor: colour('--paper') }),
  here: (colour) => ({
    ...stroke(colour('--sun'), 1.5),
    pointRadius: CAP_PX,
    pointStyle: 'circle',
    pointBackgroundColor: colour('--sun'),
  }),
};

function stroke(borderColor: string, borderWidth: number): Omit<LineData, 'data'> {
  return { borderColor, borderWidth };
}

function dot(colour: ColourOf): Omit<LineData, 'data'> {
  return {
    showLine: false,
    // At the edge of the plot it is seen whole.
    clip: 2 * DOT_PX,
    pointStyle: 'circle',
    pointRadius: DOT_PX,
    pointBorderColor: colour('--ink'),
    pointBorderWidth: 1.3,
  };
}

/** A short line across the far end of a whisker. */
function cap(rotation: number): Omit<LineData, 'data'> {
  return {
    pointStyle: 'line',
    pointRadius: ({ dataIndex }) => (dataIndex === 1 ? CAP_PX : 0),
    pointRotation: rotation,
    pointBorderWidth: 1.3,
  };
}

function axis(
  { label, isLog, from, to, ticks, tickWords }: PlotAxis,
  colour: ColourOf,
  stands: boolean,
): ScaleOptionsByType<'linear'> {
  const options = {
    type: isLog ? 'logarithmic' : 'linear',
    min: from,
    max: to,
    // Written upright a unit is read at once: at an axis that stands it goes with the highest number.
    title: {
      display: label !== '' && !stands,
      text: label,
      color: colour('--ink-2'),
      font: { family: TYPE, size: AXIS_PX },
    },
    ticks: {
      color: colour('--ink-2'),
      font: { family: TYPE, size: AXIS_PX },
      maxTicksLimit: ticks ? ticks.length : MOST_TICKS,
      maxRotation: 0,
      includeBounds: false,
      autoSkip: !ticks,
      callback: (value: string | number, index: number, all: readonly unknown[]) => {
        const words = tickWords ? tickWords(Number(value)) : `${value}`;
        return stands && index === all.length - 1 ? `${words} ${label}`.trim() : words;
      },
    },
    grid: { display: stands, color: colour('--rule'), drawTicks: true },
    border: { color: colour('--rule-2') },
    afterBuildTicks: (scale: { ticks: { value: number }[] }) => {
      if (ticks) scale.ticks = ticks.map((value) => ({ value }));
    },
  };
  return options as unknown as ScaleOptionsByType<'linear'>;
}

function words({ x, y, words: content, side, isBelow }: PlotLabel, colour: ColourOf): AnnotationOptions {
  const align = { right: 'start', left: 'end', middle: 'center' } as const;
  return {
    type: 'label',
    xValue: x,
    yValue: y,
    content,
    color: colour('--ink'),
    backgroundColor: colour('--surface'),
    padding: 1,
    font: { family: TYPE, size: LABEL_PX, weight: 500 },
    position: { x: align[side], y: 'center' },
    xAdjust: side === 'right' ? 4 : side === 'left' ? -4 : 0,
    yAdjust: isBelow ? LABEL_GAP_PX : -LABEL_GAP_PX,
  };
}
