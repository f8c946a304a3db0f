import type { FeedSample } from '../../now/instruments/feed-format.js';
import type { Trace, TraceColumn } from '../log-test.js';

type ReadOf = Readonly<Record<Exclude<TraceColumn, 'celsius'>, (sample: FeedSample) => number | undefined>>;

/** What each column is of: power and energy of the inverter's output, the rest of the battery. */
const READ: ReadOf = {
  watts: ({ output }) => output?.watts,
  volts: ({ battery }) => battery?.volts,
  amps: ({ battery }) => battery?.amps,
  wattHours: ({ output }) => output?.wattHours,
  percent: ({ battery }) => battery?.percent,
};

/** The samples of a feed of instruments as the log of a test. */
export function traceOfFeed(samples: readonly FeedSample[]): Trace {
  const columns = Object.entries(READ).flatMap(([column, of]) => {
    const values = samples.map((sample) => of(sample) ?? null);
    return values.some((value) => value !== null) ? [[column, values] as const] : [];
  });
  return { atS: samples.map(({ atS }) => atS), columns: Object.fromEntries(columns) };
}
