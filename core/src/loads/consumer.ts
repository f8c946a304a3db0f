import { scaleQuantity } from '../units/arithmetic.js';
import type { DoubtfulTerm } from '../units/combine-doubts.js';
import type { Interval, Quantity } from '../units/quantity.js';
import { kindOfPart, type PartKind } from '../reference/kinds-of-parts.js';
import { defaultCause, intervalOf, startPowerFactorRange } from '../rig-file/half-widths.js';
import type { Load, Part } from '../rig-file/schema.js';
import { usageOf } from '../rig/usage.js';
import { nonActivePower, type AcTerm } from './apparent-power.js';
import { runningPowerFactor, runningPowerOf, UNITY, type RunningPower } from './running-power.js';
import { startSizeOf, type StartSize } from './start/start-size.js';
import type { SystemOfLoad } from './voltage-of-load.js';

/** A load as the sums see it: what its parts draw running, and what each of them does at its start. */
export interface Consumer {
  readonly load: Load;
  readonly stateId: string | undefined;
  readonly parts: readonly ConsumerPart[];
}

export interface ConsumerPart {
  readonly part: Part;
  /** Its running power in full, whatever state it is in. */
  readonly power: RunningPower;
  readonly size: StartSize | undefined;
  readonly running: AcTerm;
  readonly start: StartOfPart | undefined;
}

/** A start known in VA, with its power-factor band and its seconds. */
export interface StartOfPart {
  /** Apparent power at the start, VA. */
  readonly va: DoubtfulTerm;
  readonly powerFactor: Interval;
  /** How long it lasts, s. */
  readonly seconds: Interval;
  readonly surelyLags: boolean;
  /** Its first peak is that of a transformer switched on. */
  readonly isTransformer: boolean;
  /** As of the running power of its part; of several that start at once some may be. */
  readonly isBetweenPhases?: boolean | 'in-part' | undefined;
}

/**
 * The numbers of a load as terms of sums. All numbers of one load are wrong together.
 *
 * @param load The load.
 * @param system Volts and frequency it is connected to.
 * @param stateId The state it is in (a level, a mode); by default all its parts run in full.
 */
export function consumerOf(load: Load, system: SystemOfLoad, stateId?: string): Consumer {
  const state = load.states?.find((candidate) => candidate.id === stateId);
  const shareOf = (part: Part): number => {
    const share = state ? (state.parts.find((each) => each.part === part.id)?.share ?? 0) : 1;
    // What pulses draws its full power each time; what may pulse is taken to.
    return share > 0 && state?.works !== 'lower' ? 1 : share;
  };
  const usage = usageOf(load);
  return {
    load: usage === load.usage ? load : { ...load, usage },
    stateId: state?.id,
    parts: load.parts
      .filter((part) => shareOf(part) > 0)
      .map((part) => consumerPart(load, part, system, shareOf(part))),
  };
}

function consumerPart(load: Load, part: Part, system: SystemOfLoad, share: number): ConsumerPart {
  const { surelyLags } = kindOfPart(part.kind);
  const power = runningPowerOf(part, system);
  const size = startSizeOf(part, system);
  const ofWatts = termOf(load, part.kind, scaleQuantity(power.watts, share));
  const watts = power.va
    ? { ...ofWatts, causes: [...ofWatts.causes, ...causesOfPowerFactor(part, system)] }
    : ofWatts;
  return {
    part,
    power,
    size,
    running: {
      watts,
      nonActive: nonActiveOf(
        watts,
        power,
        runningPowerFactor(part, system),
        share,
        causesOfPowerFactor(part, system),
      ),
      surelyLags,
    },
    start: size && {
      va: termOf(load, part.kind, size.va),
      powerFactor: startPowerFactor(part, system),
      seconds: intervalOf(size.seconds, 'seconds'),
      surelyLags,
      isTransformer: kindOfPart(part.kind).isTransformer ?? false,
    },
  };
}

function termOf(load: Load, kind: PartKind, quantity: Quantity): DoubtfulTerm {
  const { value, minus = 0, plus = 0 } = quantity;
  return { value, minus, plus, causes: causesOf(load, kind, quantity) };
}

function causesOf(load: Load, kind: PartKind, quantity: Quantity): readonly string[] {
  const typical = defaultCause(quantity, kind);
  return [
    `load ${load.id}`,
    ...(quantity.commonCause ? [`cause ${quantity.commonCause}`] : []),
    ...(typical ? [typical] : []),
  ];
}

/**
 * Power-factor doubt goes into N. Where watts are what is known, each corner of watts and power factor
 * counts; where VA are, N is theirs at the edges of the power factor.
 */
function nonActiveOf(
  watts: DoubtfulTerm,
  { va }: RunningPower,
  powerFactor: Interval,
  share: number,
  causes: readonly string[],
): DoubtfulTerm {
  const edges = va
    ? { lo: va.value - (va.minus ?? 0), stated: va.value, hi: va.value + (va.plus ?? 0) }
    : { lo: Math.max(0, watts.value - watts.minus), stated: watts.value, hi: watts.value + watts.plus };
  const at = (amount: number, pf: number): number => nonActivePower(va ? amount * pf * share : amount, pf);
  const value = at(edges.stated, powerFactor.stated);
  return {
    value,
    minus: value - at(edges.lo, powerFactor.hi),
    plus: at(edges.hi, powerFactor.lo) - value,
    causes: causes.length > 0 ? [...watts.causes, ...causes] : watts.causes,
  };
}

/** The usual power factor of a kind is one number for all loads that use it; amps of direct current have none. */
function causesOfPowerFactor({ kind, powerFactor }: Part, { current }: SystemOfLoad): readonly string[] {
  if (current === 'dc') return [];
  const { low, high } = kindOfPart(kind).powerFactor;
  const isUsual = powerFactor ? powerFactor.basis === 'typical' : low < high;
  return isUsual ? [`power factor of ${kind}`] : [];
}

function startPowerFactor(part: Part, system: SystemOfLoad): Interval {
  if (system.current === 'dc') return UNITY;
  const entered = part.start?.powerFactor;
  if (entered) return atMostOne(intervalOf(entered, 'start-power-factor', part.kind));
  const { low, usual, high } = startPowerFactorRange(part.kind);
  return { lo: low, stated: usual, hi: high };
}

const atMostOne = ({ lo, stated, hi }: Interval): Interval => ({ lo, stated, hi: Math.min(1, hi) });
