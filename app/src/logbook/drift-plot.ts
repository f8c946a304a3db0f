import { SECONDS_PER_DAY } from '@heliarch/core/units';
import type { Combined } from '@heliarch/core/logbook';
import type { PlotDrawn, PlotLine, PlotPoint } from '../ui/plot/plot-drawn';
import type { PlotWords } from './plot-words';

const HEIGHT_PX = 150;
const DAYS_PER_MONTH = 30;
const TICKS = 5;
/** Room at both ends, as a share of the time between the first test and the last. */
const ROOM = 0.06;

/** A number as one test has measured it. */
export interface Tested {
  readonly id: string;
  readonly atS: number;
  readonly value: number;
  readonly half: number | undefined;
}

/** A number by its tests over the days, those that count solid, with what they say together and how it moves. */
export function driftPlot(
  tests: readonly Tested[],
  combined: Combined,
  unit: string,
  { moment, number }: PlotWords,
): PlotDrawn | undefined {
  const [first, last] = [tests[0], tests.at(-1)];
  if (!first || !last || last.atS <= first.atS) return undefined;
  const day = (atS: number): number => (atS - first.atS) / SECONDS_PER_DAY;
  const point = ({ atS, value }: Tested): PlotPoint => ({ x: day(atS), y: value });
  const isApart = ({ id }: Tested): boolean => combined.apart.includes(id);
  const counted = tests.filter((test) => !isApart(test)).map(point);
  const days = day(last.atS);
  const [from, to] = [-ROOM * days, (1 + ROOM) * days];
  return {
    spoken: `${tests.length} tests from ${moment(first.atS)} to ${moment(last.atS)}, together ${number(combined.value)} ${unit}.`,
    height: HEIGHT_PX,
    x: {
      label: '',
      from,
      to,
      ticks: Array.from({ length: TICKS }, (_, index) => (days * index) / (TICKS - 1)),
      tickWords: (value) => moment(first.atS + value * SECONDS_PER_DAY),
    },
    y: { label: unit, tickWords: number },
    lines: [
      ...tests.flatMap(whiskersOf(day)),
      { look: 'dots', points: counted },
      { look: 'hollow-dots', points: tests.filter(isApart).map(point) },
      { look: 'ceiling', points: [from, to].map((x) => ({ x, y: combined.value })) },
      ...(combined.drifts ? [lineOfDrift(counted, combined, days)] : []),
    ],
    table: {
      heads: ['Date', unit, '±'],
      rows: tests.map(({ atS, value, half }) => [
        moment(atS),
        number(value),
        half === undefined ? '' : number(half),
      ]),
    },
  };
}

const whiskersOf =
  (day: (atS: number) => number) =>
  ({ atS, value, half }: Tested): readonly PlotLine[] =>
    half === undefined
      ? []
      : [value - half, value + half].map((end) => ({
          look: 'whisker-up' as const,
          points: [value, end].map((y) => ({ x: day(atS), y })),
        }));

/** A line of least squares goes through the middle of what it is of. */
function lineOfDrift(counted: readonly PlotPoint[], { driftPerMonth }: Combined, days: number): PlotLine {
  const mean = (of: 'x' | 'y'): number => counted.reduce((sum, each) => sum + each[of], 0) / counted.length;
  const perDay = (driftPerMonth?.stated ?? 0) / DAYS_PER_MONTH;
  return { look: 'line', points: [0, days].map((x) => ({ x, y: mean('y') + perDay * (x - mean('x')) })) };
}
