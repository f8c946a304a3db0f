import { SECONDS_PER_HOUR } from '@heliarch/core/units';
import { countingReadings, type LogTest } from '@heliarch/core/logbook';
import type { PlotDrawn, PlotPoint } from '../ui/plot/plot-drawn';
import { HEIGHT_PX, hourTicks, MOST_POINTS, MOST_ROWS, type PlotWords } from './plot-words';
import { thinned } from './thinned';

const UNITS = { watts: 'W', percent: '%', wattHours: 'Wh', amps: 'A', volts: 'V' } as const;
const COLUMNS = Object.keys(UNITS) as (keyof typeof UNITS)[];

/** What was read over time, in the first unit of which there are several readings. */
export function overTimePlot(test: LogTest, words: PlotWords): PlotDrawn | undefined {
  const readings = countingReadings(test);
  const [first, last] = [readings[0], readings.at(-1)];
  const column = COLUMNS.find((each) => readings.filter((reading) => reading[each] !== undefined).length > 1);
  if (!column || !first || !last || last.atS <= first.atS) return undefined;
  const points = readings.flatMap((reading): readonly PlotPoint[] => {
    const y = reading[column];
    return y === undefined ? [] : [{ x: (reading.atS - first.atS) / SECONDS_PER_HOUR, y }];
  });
  const hours = (last.atS - first.atS) / SECONDS_PER_HOUR;
  return {
    spoken: `${points.length} readings in ${UNITS[column]} over time.`,
    height: HEIGHT_PX,
    x: { label: '', from: 0, to: hours, ...hourTicks(first.atS, hours, words.moment) },
    y: { label: UNITS[column], tickWords: words.number, ...(column !== 'volts' && { from: 0 }) },
    lines: [{ look: test.trace ? 'line' : 'dots', points: thinned(points, MOST_POINTS) }],
    table: {
      heads: ['Time', UNITS[column]],
      rows: points
        .slice(0, MOST_ROWS)
        .map(({ x, y }) => [words.moment(first.atS + x * SECONDS_PER_HOUR), words.number(y)]),
    },
  };
}
