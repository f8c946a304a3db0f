import { array, mixed, number, object, string, type InferType } from 'yup';
import { remembered } from './remembered.js';

/** What a test is made to find out. */
export const TEST_KINDS = [
  'run-down',
  'cycling',
  'start',
  'charge',
  'efficiency',
  'arrival',
  'dish',
  'trip',
] as const;
export type TestKind = (typeof TEST_KINDS)[number];

/** What a reading stands for, where it is not one of many. */
const READING_ROLES = ['base-before', 'base-after', 'start', 'little-on', 'much-on', 'warm'] as const;
export type ReadingRole = (typeof READING_ROLES)[number];

const id = () => string().required();
/** Seconds since 1970. */
const moment = () => number().required();
const yesOrNo = () => string().oneOf(['yes', 'no']);

const readingSchema = object({
  id: id(),
  atS: moment(),
  role: string().oneOf(READING_ROLES).optional(),
  /** At the meter on the AC side. */
  watts: number().optional(),
  /** Of the battery; in an arrival test at the inlet. Of the battery, above 0 it gives. */
  volts: number().optional(),
  amps: number().optional(),
  /** As the meter's counter shows it: it begins anew where the power to it was gone. */
  wattHours: number().optional(),
  /** Charge as the display shows it. */
  percent: number().min(0).max(100).optional(),
  celsius: number().optional(),
  /** How long a start lasted. */
  seconds: number().min(0).optional(),
  note: string().optional(),
  /** Why it does not count. It stays in the list. */
  spoiled: string().optional(),
  /** What a leap of the charge before this reading was: the display began anew, or the battery was charged. */
  leap: string().oneOf(['display', 'charged', 'none']).optional(),
});

const conditionsSchema = object({
  indoorC: number().optional(),
  outdoorC: number().optional(),
  humidityPercent: number().min(0).max(100).optional(),
  setPointC: number().optional(),
  mode: string().optional(),
  sun: string().oneOf(['none', 'some', 'full']).optional(),
  startPercent: number().min(0).max(100).optional(),
  disconnected: string().optional(),
});

/** Columns of a log, each as long as the times; null where a line had no number. */
const traceSchema = mixed<Trace>((value): value is Trace => isTrace(value)).optional();

const testSchema = object({
  id: id(),
  kind: string().oneOf(TEST_KINDS).required(),
  question: string().required(),
  begunAtS: moment(),
  /** When it was changed last, milliseconds since 1970: of two versions of a test the newer one counts. */
  changedAtMs: number().optional(),
  endedAtS: number().optional(),
  endedBecause: string().optional(),
  /** Run down until the battery or the inverter cut off. */
  wasRunEmpty: yesOrNo().optional(),
  load: string().optional(),
  part: string().optional(),
  state: string().optional(),
  supply: string().optional(),
  /** Until when it is wanted to last. */
  wantedAtS: number().optional(),
  conditions: conditionsSchema.default({}).required(),
  readings: array(readingSchema.required()).required(),
  trace: traceSchema,
  simulated: yesOrNo().optional(),
  /** Numbers of the rig that it was used for. */
  uses: array(object({ target: id(), value: number().required(), atS: moment() }))
    .default([])
    .required(),
  /** A trip as it was kept at the switch. */
  trip: mixed<object>().optional(),
})
  .default(undefined)
  .required();

/** A log as columns: half the size of lines, and fast to go through. */
export interface Trace {
  readonly atS: readonly number[];
  readonly columns: Partial<Record<TraceColumn, readonly (number | null)[]>>;
}

export const TRACE_COLUMNS = ['watts', 'volts', 'amps', 'wattHours', 'percent', 'celsius'] as const;
export type TraceColumn = (typeof TRACE_COLUMNS)[number];

/** A test: its question, its conditions, and readings in whatever order they came. */
export type LogTest = InferType<typeof testSchema>;
export type LogReading = InferType<typeof readingSchema>;
export type TestConditions = InferType<typeof conditionsSchema>;

/** A test as it was kept or filed. Undefined where it cannot be read. */
export function readLogTest(kept: unknown): LogTest | undefined {
  return testSchema.isValidSync(kept, { strict: true }) ? testSchema.cast(kept) : undefined;
}

/** Why a test of a file cannot be read; undefined where it can. */
export function faultOfLogTest(kept: unknown): string | undefined {
  try {
    testSchema.validateSync(kept, { strict: true });
    return undefined;
  } catch (error) {
    // The library tells what it found by an exception.
    return error instanceof Error ? error.message : String(error);
  }
}

/** What counts of a test, in the order of time: lines of the log and readings by hand, without what was spoiled. */
export const countingReadings = remembered(({ readings, trace }: LogTest): readonly LogReading[] => {
  const all = [...(trace ? linesOf(trace) : []), ...readings.filter(({ spoiled }) => spoiled === undefined)];
  return all.sort((a, b) => a.atS - b.atS);
});

function linesOf({ atS, columns }: Trace): readonly LogReading[] {
  const given = TRACE_COLUMNS.flatMap((column) => {
    const values = columns[column];
    return values ? [{ column, values }] : [];
  });
  return atS.map((moment, line) => {
    const reading: Record<string, number | string> = { id: `line-${line + 1}`, atS: moment };
    for (const { column, values } of given) {
      const value = values[line];
      if (value !== null && value !== undefined) reading[column] = value;
    }
    return reading as unknown as LogReading;
  });
}

function isTrace(value: unknown): boolean {
  if (typeof value !== 'object' || value === null) return false;
  const { atS, columns } = value as { readonly atS?: unknown; readonly columns?: unknown };
  return (
    isNumbers(atS) &&
    typeof columns === 'object' &&
    columns !== null &&
    Object.entries(columns).every(
      ([column, values]) =>
        (TRACE_COLUMNS as readonly string[]).includes(column) &&
        Array.isArray(values) &&
        values.length === atS.length &&
        values.every((each) => each === null || Number.isFinite(each)),
    )
  );
}

function isNumbers(value: unknown): value is readonly number[] {
  return Array.isArray(value) && value.every((each) => Number.isFinite(each));
}
