import { number, object, string, type InferType } from 'yup';

export const FEED_FORMAT = 'heliarch-instruments';
export const FEED_VERSION = 1;

const share = () => number().min(0).max(1).required();

/** What comes first: whose instruments they are, how often they are read, and how good they are. */
const headerSchema = object({
  format: string().oneOf([FEED_FORMAT]).required(),
  version: number().oneOf([FEED_VERSION]).required(),
  /** Whether a program makes the readings up. */
  simulated: string().oneOf(['yes', 'no']).required(),
  rig: string().required(),
  scenario: string().optional(),
  everyS: number().positive().required(),
  accuracy: object({ battery: share(), output: share(), inlet: share() }).required(),
})
  .default(undefined)
  .required();

const power = {
  /** Seconds since 1970 at which it was measured: older than the sample where the instrument is stuck. */
  atS: number().required(),
  volts: number().min(0).required(),
  amps: number().required(),
  watts: number().required(),
  /** Counted since the instrument was switched on. */
  wattHours: number().required(),
};

/** One reading of all instruments that are there. */
const sampleSchema = object({
  atS: number().required(),
  /** Of the battery: above 0 it gives, below 0 it is charged. */
  battery: object({ ...power, percent: number().min(0).max(100).required() })
    .optional()
    .default(undefined),
  /** Of the inverter's output; the peak since the sample before. */
  output: object({ ...power, va: number().min(0).required(), peakVA: number().min(0).required() })
    .optional()
    .default(undefined),
  /** Of the hookup or the generator; left out while nothing is connected. */
  inlet: object(power).optional().default(undefined),
})
  .default(undefined)
  .required();

export type FeedHeader = InferType<typeof headerSchema>;
export type FeedSample = InferType<typeof sampleSchema>;
export type Instrument = 'battery' | 'output' | 'inlet';

/** The header of a feed; undefined where it is none, or of a newer version. */
export function readFeedHeader(document: unknown): FeedHeader | undefined {
  return headerSchema.isValidSync(document, { strict: true }) ? headerSchema.cast(document) : undefined;
}

/** A sample of a feed; undefined where it is none. */
export function readFeedSample(document: unknown): FeedSample | undefined {
  return sampleSchema.isValidSync(document, { strict: true }) ? sampleSchema.cast(document) : undefined;
}

/** A feed that was kept: its header, its samples, and how many lines were none. */
export interface KeptFeed {
  readonly header: FeedHeader;
  readonly samples: readonly FeedSample[];
  readonly unread: number;
}

/**
 * Reads a feed from a file: one document of JSON a line, the header first.
 *
 * @returns Undefined where the first line is no header.
 */
export function readKeptFeed(text: string): KeptFeed | undefined {
  const [first, ...lines] = text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');
  const header = readFeedHeader(parsed(first ?? ''));
  if (!header) return undefined;
  const samples = lines.map((line) => readFeedSample(parsed(line)));
  return {
    header,
    samples: samples.flatMap((sample) => sample ?? []),
    unread: samples.filter((sample) => sample === undefined).length,
  };
}

function parsed(line: string): unknown {
  try {
    return JSON.parse(line) as unknown;
  } catch {
    return undefined;
  }
}
