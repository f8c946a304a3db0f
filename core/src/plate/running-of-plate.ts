import { shaftWatts } from '../loads/start/motor.js';
import type { Quantity } from '../units/quantity.js';
import { MOST_SHAFT_SHARE } from '../reference/plate-tolerances.js';
import type { RunningFrom } from '../rig-file/schema.js';
import { factAt, type PlateFact } from './read/plate-fact.js';
import { ofPlate } from './quantity-of-fact.js';

/** What a plate says of a part that runs, ready to be put into it. */
export interface RunningOfPlate {
  readonly runningW?: Quantity;
  readonly runningFrom?: RunningFrom;
  readonly powerFactor?: Quantity;
  readonly used: readonly PlateFact[];
}

/** The first that the plate has; amps of a compressor before those of the whole, for a start belongs to it. */
const WAYS: readonly ((facts: readonly PlateFact[]) => RunningOfPlate | undefined)[] = [
  (facts) => byAmps(facts, factAt(facts, 'ratedLoadAmps', 'compressor')),
  (facts) => byWatts(facts, factAt(facts, 'watts', 'main', 'input')),
  (facts) => byAmps(facts, factAt(facts, 'amps', 'main', 'input')),
  (facts) => byOne(factAt(facts, 'voltAmps', 'main', 'input'), (va) => ({ runningFrom: { va } })),
  (facts) =>
    byHorsepower(
      factAt(facts, 'horsepower', 'main', 'output') ??
        inHorsepower(factAt(facts, 'watts', 'main', 'output'), facts),
    ),
  byCooling,
  (facts) => byOne(factAt(facts, 'watts', 'output'), (cookingW) => ({ runningFrom: { cookingW } })),
  (facts) => byWatts(facts, factAt(facts, 'watts', 'compressor', 'heater', 'fan')),
  (facts) => byAmps(facts, factAt(facts, 'amps', 'compressor', 'heater', 'fan')),
];

/**
 * What a plate says of the power of a thing, in watts, amperes, volt-amperes or horsepower as it stands there; undefined where it says
 * nothing of it.
 *
 * Source: rated input of IEC 60335-1 (7.1), rated output of motors of IEC 60034-8, rated-load current of compressors of NEC 440.4;
 *   from memory, in docs/plate.md. The order among several of them is common practice, no published source.
 */
export function runningOf(facts: readonly PlateFact[]): RunningOfPlate | undefined {
  for (const way of WAYS) {
    const found = way(facts);
    if (found) return found;
  }
  return undefined;
}

/** Watts that are taken; beside volts and amps they tell the power factor. */
function byWatts(facts: readonly PlateFact[], watts: PlateFact | undefined): RunningOfPlate | undefined {
  if (!watts || isOfShaft(facts, watts)) return undefined;
  const stated = factAt(facts, 'powerFactor', 'main', 'input');
  if (stated) return { runningW: ofPlate(watts), powerFactor: ofPlate(stated), used: [watts, stated] };
  const found = powerFactorOf(facts, watts);
  return { runningW: ofPlate(watts), ...found, used: [watts, ...(found?.used ?? [])] };
}

/** Watts over volts times amps. */
function powerFactorOf(facts: readonly PlateFact[], watts: PlateFact): RunningOfPlate | undefined {
  const [volts, amps] = [factAt(facts, 'volts', 'main', 'input'), factAt(facts, 'amps', 'main', 'input')];
  if (!volts || !amps || volts.range || watts.range) return undefined;
  const value = Math.min(1, watts.value / (volts.value * amps.value));
  const note = `${watts.text}, ${volts.text}, ${amps.text}`;
  return { powerFactor: { ...ofPlate(amps), value: Number(value.toFixed(2)), note }, used: [volts, amps] };
}

/** Watts of a motor's plate are what its shaft gives, where volts, amps and power factor are more. */
function isOfShaft(facts: readonly PlateFact[], watts: PlateFact): boolean {
  const [volts, amps] = [factAt(facts, 'volts', 'main', 'input'), factAt(facts, 'amps', 'main', 'input')];
  const powerFactor = factAt(facts, 'powerFactor', 'main');
  const isOfMotor = powerFactor !== undefined || factAt(facts, 'rpm', 'main') !== undefined;
  if (!volts || !amps || !isOfMotor) return false;
  return watts.value < MOST_SHAFT_SHARE * volts.value * amps.value * (powerFactor?.value ?? 1);
}

function byAmps(facts: readonly PlateFact[], amps: PlateFact | undefined): RunningOfPlate | undefined {
  if (!amps) return undefined;
  const volts = factAt(facts, 'volts', 'main', 'input');
  const stated = factAt(facts, 'powerFactor', 'main', 'input', 'compressor');
  return {
    runningFrom: { amps: ofPlate(amps), ...(volts && { volts: lowestVolts(volts) }) },
    ...(stated && { powerFactor: ofPlate(stated) }),
    used: [amps, ...(volts ? [volts] : []), ...(stated ? [stated] : [])],
  };
}

/** Amps are the most at the lowest voltage of a range. */
const lowestVolts = ({ value, range }: PlateFact): number => range?.[0] ?? value;

function byOne(
  fact: PlateFact | undefined,
  running: (quantity: Quantity) => Pick<RunningOfPlate, 'runningFrom'>,
): RunningOfPlate | undefined {
  return fact && { ...running(ofPlate(fact)), used: [fact] };
}

function byHorsepower(horsepower: PlateFact | undefined): RunningOfPlate | undefined {
  return horsepower && { runningFrom: { horsepower: horsepower.value }, used: [horsepower] };
}

/** Watts at the shaft of a motor. */
function inHorsepower(shaft: PlateFact | undefined, facts: readonly PlateFact[]): PlateFact | undefined {
  return shaft && factAt(facts, 'rpm', 'main', 'output') && { ...shaft, value: shaft.value / shaftWatts(1) };
}

function byCooling(facts: readonly PlateFact[]): RunningOfPlate | undefined {
  const cooling = factAt(facts, 'cooling', 'main', 'compressor', 'output');
  const ratio = factAt(facts, 'coolingRatio', 'main');
  return (
    cooling && {
      runningFrom: { coolingW: ofPlate(cooling), ...(ratio && { coolingPerWatt: ratio.value }) },
      used: [cooling, ...(ratio ? [ratio] : [])],
    }
  );
}

/**
 * The fan of a cooling unit: its own amps, else what the whole takes beyond the compressor.
 *
 * Source: Kirchhoff's current law; that both are nearly in phase is common practice.
 */
export function fanOf(facts: readonly PlateFact[]): RunningOfPlate | undefined {
  const own = byAmps(facts, factAt(facts, 'amps', 'fan') ?? factAt(facts, 'ratedLoadAmps', 'fan'));
  if (own) return own;
  const [all, rated] = [factAt(facts, 'amps', 'main', 'input'), factAt(facts, 'ratedLoadAmps', 'compressor')];
  if (!all || !rated || all.value <= rated.value) return undefined;
  const rest = {
    ...all,
    value: Number((all.value - rated.value).toFixed(1)),
    text: `${all.text} less ${rated.text}`,
  };
  return byAmps(facts, rest);
}
