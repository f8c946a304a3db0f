import { kindOfPart } from '../reference/kinds-of-parts.js';
import type { PlateQuantity } from '../reference/plate-terms.js';
import type { TypicalLoad } from '../reference/typical-loads.js';
import type { Quantity } from '../units/quantity.js';
import { freeId, freeName } from '../rig-file/free-names.js';
import { loadFromKind } from '../rig/new-entries.js';
import type { Load, Part, Rig, RunningFrom } from '../rig-file/schema.js';
import { factAt, type PlateFact } from './read/plate-fact.js';
import { fanOf, runningOf, type RunningOfPlate } from './running-of-plate.js';
import { startOf } from './start-of-plate.js';

/** A load as its plate says it. */
export interface LoadOfPlate {
  readonly load: Load;
  /** Numbers of the plate that it has now. */
  readonly used: readonly PlateFact[];
  /** What the plate does not say, and stays as it was or as is usual for the kind. */
  readonly missing: readonly PlateGap[];
  /** What was measured, and stays in place of what the plate says. */
  readonly kept: readonly PlateKept[];
}

export type PlateKept = 'running' | 'start' | 'ratings';

/** What a plate may not say of a load. */
export type PlateGap = 'running' | 'power-factor' | 'start' | 'fan';

/** What a load of a kind is called until it has a name: after the comma stand numbers that its plate may have otherwise. */
const nameOfKind = ({ name }: TypicalLoad): string => name.split(',')[0] ?? name;

/**
 * A new load of a kind, as its plate says it: what is on the plate with the basis nameplate and the text as its note, all else as is
 * usual for the kind.
 */
export function loadOfPlate(
  rig: Rig,
  facts: readonly PlateFact[],
  { kind, name, circuit }: { readonly kind: TypicalLoad; readonly name: string; readonly circuit: string },
): LoadOfPlate {
  const names = rig.loads.map((load) => load.name);
  const ids = rig.loads.map(({ id }) => id);
  const own = freeName(name.trim() || nameOfKind(kind), names);
  const usual: Load = { ...loadFromKind(rig, kind, circuit), id: freeId(own, ids), name: own };
  return withPlate(usual, facts);
}

/**
 * A load with what its plate says in place of what it had.
 *
 * Source: what stands for what is in docs/plate.md; a compressor's start follows from its locked-rotor amps (NEC 440.4), a motor's
 *   from its code letter and horsepower (NEC 430.7(B)), else from its horsepower (NEC Table 430.251(A)).
 */
export function withPlate(load: Load, plate: readonly PlateFact[]): LoadOfPlate {
  const facts = plate.filter(canBeUsed);
  const [main, ...others] = load.parts;
  const kept = keptOf(main);
  const running = kept.includes('running') ? undefined : runningOf(facts);
  const start = kept.includes('start') ? undefined : startOf(facts);
  const fan = others.find(({ kind }) => kindOfPart(kind).family === 'Motors');
  const fanRunning = fan && fanOf(facts);
  const isApart = factAt(facts, 'ratedLoadAmps', 'compressor') !== undefined;
  const share = isApart ? 1 : shareOfMain(load.parts);
  const hertz = factAt(facts, 'hertz', 'main', 'input');
  const partOf = (part: Part): Part => {
    if (part === fan && fanRunning) return withRunning(part, fanRunning, 1);
    return part === main
      ? withStart(withRunning(part, running, share), start)
      : withRunning(part, running, 1 - share);
  };
  return {
    load: {
      ...load,
      ...(hertz && !hertz.isList && { ratedHertz: hertz.value }),
      parts: load.parts.map(partOf),
    },
    used: [running, start, fanRunning, hertz && { used: [hertz] }].flatMap((each) => each?.used ?? []),
    missing: [
      ...gapsOfMain(main, running, start).filter((gap) => !kept.some((each) => each === gap)),
      ...when(isApart && fan !== undefined && !fanRunning, 'fan'),
    ],
    kept,
  };
}

/** Known better than a plate knows it. */
export const isBetter = (quantity: Quantity | undefined): boolean =>
  quantity?.basis === 'measured' || quantity?.basis === 'data-sheet';

/** What was measured stays, whatever a plate says. */
function keptOf(main: Part | undefined): readonly PlateKept[] {
  const { runningW, runningFrom, start } = main ?? {};
  const isMeasured = [runningW, runningFrom?.amps, runningFrom?.va].some(isBetter);
  const isStartMeasured = [start?.va, start?.from?.inrushA].some(isBetter);
  return [...(isMeasured ? ['running' as const] : []), ...(isStartMeasured ? ['start' as const] : [])];
}

function gapsOfMain(
  main: Part | undefined,
  running: RunningOfPlate | undefined,
  start: ReturnType<typeof startOf>,
): readonly PlateGap[] {
  const isStated = running?.powerFactor !== undefined || main?.powerFactor !== undefined;
  return [
    ...when(!running, 'running'),
    ...when(running !== undefined && !isStated && hasPowerFactor(main), 'power-factor'),
    ...when(main?.start !== undefined && !start, 'start'),
  ];
}

const when = (holds: boolean, gap: PlateGap): readonly PlateGap[] => (holds ? [gap] : []);

/** The rig keeps no doubt of these: what nobody has compared with the picture is not taken at all. */
const WITHOUT_DOUBT: readonly PlateQuantity[] = [
  'volts',
  'hertz',
  'horsepower',
  'codeLetter',
  'coolingRatio',
];

const canBeUsed = ({ quantity, isUnconfirmed }: PlateFact): boolean =>
  !isUnconfirmed || !WITHOUT_DOUBT.includes(quantity);

const hasPowerFactor = (part: Part | undefined): boolean =>
  part !== undefined && kindOfPart(part.kind).powerFactor.low < 1;

/** What is stated of the whole is shared among its parts as it usually is. */
function shareOfMain(parts: readonly Part[]): number {
  if (parts.some(({ runningW }) => !runningW)) return 1;
  const watts = parts.map(({ runningW }) => runningW?.value ?? 0);
  const all = watts.reduce((sum, each) => sum + each, 0);
  return all > 0 ? (watts[0] ?? all) / all : 1;
}

function withStart(part: Part, found: ReturnType<typeof startOf>): Part {
  if (!found) return part;
  const { va: _usual, none: _said, ...start } = part.start ?? {};
  return { ...part, start: { ...start, from: found.from } };
}

function withRunning(part: Part, running: RunningOfPlate | undefined, share: number): Part {
  if (!running || share <= 0 || keptOf(part).includes('running')) return part;
  const { runningW: _usual, runningFrom: _from, ...rest } = part;
  const { runningW, runningFrom, powerFactor } = running;
  return {
    ...rest,
    ...(runningW && { runningW: shared(runningW, share) }),
    ...(runningFrom && { runningFrom: sharedFrom(runningFrom, share) }),
    ...(powerFactor && { powerFactor }),
  };
}

function sharedFrom(from: RunningFrom, share: number): RunningFrom {
  if (share === 1) return from;
  const { amps, va, horsepower, coolingW, ...rest } = from;
  return {
    ...rest,
    ...(amps && { amps: shared(amps, share) }),
    ...(va && { va: shared(va, share) }),
    ...(horsepower !== undefined && { horsepower: horsepower * share }),
    ...(coolingW && { coolingW: shared(coolingW, share) }),
  };
}

const DIGITS = 3;

function shared(quantity: Quantity, share: number): Quantity {
  if (share === 1) return quantity;
  const of = (value: number): number => Number((value * share).toPrecision(DIGITS));
  const { value, minus, plus, note, ...rest } = quantity;
  return {
    ...rest,
    value: of(value),
    ...(minus !== undefined && { minus: of(minus) }),
    ...(plus !== undefined && { plus: of(plus) }),
    note: `${note ?? ''}, of the whole`,
  };
}
