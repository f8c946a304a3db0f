import { isMeasuredOnce } from '../../rig-file/half-widths.js';
import { SECONDS_PER_MINUTE } from '../../units/conversion-factors.js';
import { keptSource } from '../../rig/kept-source.js';
import type { Quantity } from '../../units/quantity.js';
import type { Converter, Load, Rig } from '../../rig-file/schema.js';
import { arrivalOfTest } from '../fit/arrival-of-test.js';
import { baseLoadOf, runningReadings } from '../read/base-load.js';
import { cyclesOf } from '../fit/cycles.js';
import { dishOf } from '../fit/dish-test.js';
import {
  curveThrough,
  figuresOfCurve,
  idleThrough,
  efficiencyAtLoads,
  peakThrough,
  type MeasuredEfficiency,
} from '../fit/inverter-efficiency.js';
import { countingReadings, type LogReading, type LogTest } from '../log-test.js';
import { runningPartOf } from './measured-part.js';
import { asMeasured, meanOfReadings, type MeanOfReadings } from '../read/readings-mean.js';
import { runDownOf } from '../fit/run-down.js';
import { startOfTest } from '../read/start-of-test.js';
import { nominalVolts } from './tested-inlet.js';
import { inverterOf } from './tested-inverter.js';

/** A number of the rig that a test has measured. */
export type GivenNumber = {
  /** What is missing before it counts; undefined where it is complete. */
  readonly provisional: 'base-after' | 'more-cycles' | 'more-starts' | undefined;
} & (
  | { readonly kind: 'running'; readonly load: string; readonly part: string; readonly quantity: Quantity }
  | {
      readonly kind: 'start';
      readonly load: string;
      readonly part: string;
      readonly quantity: Quantity;
      readonly seconds: Quantity | undefined;
    }
  | {
      readonly kind: 'cycling';
      readonly load: string;
      readonly onMinutes: number;
      readonly offMinutes: number;
    }
  | {
      readonly kind: 'efficiency';
      readonly converter: string;
      readonly peak: Quantity;
      /** Where two loads were measured; else that of the rig stands. */
      readonly full: Quantity | undefined;
    }
  | { readonly kind: 'capacity'; readonly battery: string; readonly quantity: Quantity }
  | { readonly kind: 'idle'; readonly converter: string; readonly quantity: Quantity }
  | { readonly kind: 'source'; readonly supply: string; readonly emptyV: number; readonly ohms: number }
  | { readonly kind: 'minutes'; readonly load: string; readonly minutes: number }
);

/**
 * The numbers of the rig that a test has measured so far. Nothing is given by a test that was spoiled as a whole: its base
 * load moved, or its starts do not agree.
 *
 * @param source What the numbers say of where they come from, such as the test and its date.
 */
export function givenNumbers(rig: Rig, test: LogTest, source: string): readonly GivenNumber[] {
  // What a program made up is no reading of this rig.
  if (test.simulated === 'yes') return [];
  const readings = countingReadings(test);
  switch (test.kind) {
    case 'run-down':
      return [
        ...runningOf(rig, test, readings, source),
        ...efficiencyOf(rig, test, readings, source),
        ...capacityOf(rig, test, source),
      ];
    case 'efficiency':
      return efficiencyOf(rig, test, readings, source);
    case 'cycling':
      return cyclingOf(rig, test, readings, source);
    case 'start':
      return startOf(rig, test, readings, source);
    case 'dish':
      return [...runningOf(rig, test, readings, source), ...minutesOf(rig, test, readings)];
    case 'arrival':
      return sourceOf(rig, test, readings);
    default:
      return [];
  }
}

const loadOfTest = (rig: Rig, test: LogTest): Load | undefined =>
  rig.loads.find(({ id }) => id === test.load);

function runningOf(
  rig: Rig,
  test: LogTest,
  readings: readonly LogReading[],
  source: string,
): readonly GivenNumber[] {
  const mean = meanOfReadings(runningReadings(readings).flatMap((each) => each.watts ?? []));
  return mean ? runningBy(rig, test, readings, mean, source) : [];
}

/** The power of a load by what the meter showed, less the base. */
function runningBy(
  rig: Rig,
  test: LogTest,
  readings: readonly LogReading[],
  mean: MeanOfReadings,
  source: string,
): readonly GivenNumber[] {
  const load = loadOfTest(rig, test);
  const base = baseLoadOf(readings);
  const own = load && runningPartOf(rig, load, test, mean.value - (base?.watts ?? 0));
  if (!load || !own || base?.hasMoved || own.watts <= 0) return [];
  const quantity = asMeasured({ ...mean, value: own.watts, spread: mean.spread * own.scale }, source);
  return [
    {
      kind: 'running',
      load: load.id,
      part: own.part,
      quantity: rounded(quantity, 0),
      provisional: base?.isProvisional ? 'base-after' : undefined,
    },
  ];
}

function efficiencyOf(
  rig: Rig,
  test: LogTest,
  readings: readonly LogReading[],
  source: string,
): readonly GivenNumber[] {
  const inverter = inverterOf(rig, test);
  const loads = efficiencyAtLoads(runningReadings(readings));
  const [first] = loads;
  if (!inverter || !first) return [];
  if (loads.length > 1) return curveOf(inverter, loads, source);
  const peak = peakThrough(inverter, first);
  return peak === undefined
    ? idleOf(inverter, first, source)
    : [
        {
          kind: 'efficiency',
          converter: inverter.id,
          peak: efficiencyNumber(first, peak, source),
          full: undefined,
          provisional: undefined,
        },
      ];
}

/** Two loads or more tell idle draw, best efficiency and that at full power. */
function curveOf(
  inverter: Converter,
  loads: readonly MeasuredEfficiency[],
  source: string,
): readonly GivenNumber[] {
  const curve = curveThrough(inverter, loads);
  const [first] = loads;
  if (!curve || !first) return [];
  const { peak, full } = figuresOfCurve(curve, inverter.continuousW.value);
  return [
    {
      kind: 'efficiency',
      converter: inverter.id,
      peak: efficiencyNumber(first, peak, source),
      full: efficiencyNumber(first, full, source),
      provisional: undefined,
    },
    {
      kind: 'idle',
      converter: inverter.id,
      quantity: { value: Math.round(curve.idleW), basis: 'measured', source },
      provisional: undefined,
    },
  ];
}

function efficiencyNumber({ efficiency }: MeasuredEfficiency, value: number, source: string): Quantity {
  return rounded(asMeasured({ ...efficiency, value }, source), EFFICIENCY_DECIMALS);
}

const EFFICIENCY_DECIMALS = 3;

/** A point below the efficiency at full power says that the inverter draws more with nothing on. */
function idleOf(inverter: Converter, measured: MeasuredEfficiency, source: string): readonly GivenNumber[] {
  const idle = idleThrough(inverter, measured);
  if (idle === undefined) return [];
  const quantity: Quantity = { value: Math.round(idle), basis: 'measured', source };
  return [{ kind: 'idle', converter: inverter.id, quantity, provisional: undefined }];
}

function cyclingOf(
  rig: Rig,
  test: LogTest,
  readings: readonly LogReading[],
  source: string,
): readonly GivenNumber[] {
  const load = loadOfTest(rig, test);
  const found = cyclesOf(runningReadings(readings));
  if (!load || !found || found.cycles.length === 0) return [];
  const provisional = found.isMeasured ? undefined : ('more-cycles' as const);
  const spread = Math.max(...found.levels.slice(1).map(({ spreadW }) => spreadW));
  const minutes = (seconds: number): number => round(seconds / SECONDS_PER_MINUTE, 1);
  return [
    {
      kind: 'cycling',
      load: load.id,
      onMinutes: minutes(found.onS),
      offMinutes: minutes(found.offS),
      provisional,
    },
    ...runningBy(rig, test, readings, { value: found.onW, count: found.cycles.length, spread }, source).map(
      (given) => ({ ...given, provisional: provisional ?? given.provisional }),
    ),
  ];
}

function startOf(
  rig: Rig,
  test: LogTest,
  readings: readonly LogReading[],
  source: string,
): readonly GivenNumber[] {
  const load = loadOfTest(rig, test);
  const part = load?.parts.find(({ id }) => id === test.part) ?? load?.parts.at(-1);
  const judged = startOfTest(rig, test, readings);
  if (!load || !part || !judged || judged.faults.includes('base-drifted')) return [];
  const lasted = readings.flatMap(({ role, seconds }) => (role === 'start' ? (seconds ?? []) : []));
  const seconds = Math.max(0, ...lasted);
  const hasBaseAfter = readings.some(({ role }) => role === 'base-after');
  return [
    {
      kind: 'start',
      load: load.id,
      part: part.id,
      quantity: rounded({ ...judged.va, source }, 0),
      seconds: seconds > 0 ? { value: seconds, basis: 'measured', source } : undefined,
      provisional:
        judged.va.basis === 'guess' || isMeasuredOnce(judged.va)
          ? 'more-starts'
          : hasBaseAfter
            ? undefined
            : 'base-after',
    },
  ];
}

function sourceOf(rig: Rig, test: LogTest, readings: readonly LogReading[]): readonly GivenNumber[] {
  const found = arrivalOfTest(readings, nominalVolts(rig, test));
  if (test.supply === undefined || !found) return [];
  return [{ kind: 'source', supply: test.supply, ...keptSource(found), provisional: undefined }];
}

/** What the battery holds, of a rig with one battery, where nothing of the count is missing. */
function capacityOf(rig: Rig, test: LogTest, source: string): readonly GivenNumber[] {
  if (test.wasRunEmpty !== 'yes') return [];
  const [battery, ...others] = rig.batteries;
  const { held } = runDownOf(rig, test, test.endedAtS ?? 0);
  const volts = rig.buses.find(({ id }) => id === battery?.bus)?.volts;
  if (!battery || others.length > 0 || !held || held.isAtLeast || !volts) return [];
  const quantity: Quantity = { value: Math.round(held.fullWh / volts), basis: 'measured', source };
  return [{ kind: 'capacity', battery: battery.id, quantity, provisional: undefined }];
}

function minutesOf(rig: Rig, test: LogTest, readings: readonly LogReading[]): readonly GivenNumber[] {
  const load = loadOfTest(rig, test);
  const dish = dishOf(readings);
  if (!load || !dish || test.endedAtS === undefined) return [];
  return [{ kind: 'minutes', load: load.id, minutes: Math.ceil(dish.minutes), provisional: undefined }];
}

function rounded(quantity: Quantity, decimals: number): Quantity {
  const { value, minus, plus, ...rest } = quantity;
  return {
    value: round(value, decimals),
    ...rest,
    ...(minus !== undefined && { minus: round(minus, decimals) }),
    ...(plus !== undefined && { plus: round(plus, decimals) }),
  };
}

const round = (value: number, decimals: number): number => Number(value.toFixed(decimals));
