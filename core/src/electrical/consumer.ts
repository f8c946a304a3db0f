import type { DoubtfulTerm } from '../quantity/combine-doubts.js';
import type { Interval, Quantity } from '../quantity/quantity.js';
import { kindOfPart, type PartKind } from '../reference/kinds-of-parts.js';
import { defaultCause, halfWidthsOf, intervalOf, startPowerFactorRange } from '../rig/half-widths.js';
import type { Load, Part } from '../rig/schema.js';
import { nonActivePower, type AcTerm } from './apparent-power.js';

/** A load as the sums see it: what its parts draw running, and what each of them does at its start. */
export interface Consumer {
  readonly load: Load;
  readonly stateId: string | undefined;
  readonly parts: readonly ConsumerPart[];
}

export interface ConsumerPart {
  readonly part: Part;
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
}

/**
 * The numbers of a load as terms of sums. All numbers of one load are wrong together.
 *
 * @param load The load.
 * @param stateId The state it is in (a level, a mode); by default all its parts run in full.
 */
export function consumerOf(load: Load, stateId?: string): Consumer {
  const state = load.states?.find((candidate) => candidate.id === stateId);
  const shareOf = (part: Part): number =>
    state ? (state.parts.find((each) => each.part === part.id)?.share ?? 0) : 1;
  return {
    load,
    stateId: state?.id,
    parts: load.parts
      .filter((part) => shareOf(part) > 0)
      .map((part) => consumerPart(load, part, shareOf(part))),
  };
}

function consumerPart(load: Load, part: Part, share: number): ConsumerPart {
  const { surelyLags } = kindOfPart(part.kind);
  const causes = (quantity: Quantity) => causesOf(load, part.kind, quantity);
  const { runningW } = part;
  const { minus, plus } = halfWidthsOf(runningW, 'running', part.kind);
  const watts = {
    value: runningW.value * share,
    minus: minus * share,
    plus: plus * share,
    causes: causes(runningW),
  };
  const powerFactor = runningPowerFactor(part);
  return {
    part,
    running: { watts, nonActive: nonActiveTerm(watts, powerFactor), surelyLags },
    start: part.start && {
      va: {
        value: part.start.va.value,
        ...halfWidthsOf(part.start.va, 'start', part.kind),
        causes: causes(part.start.va),
      },
      powerFactor: startPowerFactor(part),
      seconds: intervalOf(part.start.seconds, 'seconds', part.kind),
      surelyLags,
    },
  };
}

function causesOf(load: Load, kind: PartKind, quantity: Quantity): readonly string[] {
  const typical = defaultCause(quantity, kind);
  return [
    `load ${load.id}`,
    ...(quantity.commonCause ? [`cause ${quantity.commonCause}`] : []),
    ...(typical ? [typical] : []),
  ];
}

/** Power-factor doubt goes into N: each corner of watts and power factor at once. */
function nonActiveTerm(watts: DoubtfulTerm, powerFactor: Interval): DoubtfulTerm {
  const value = nonActivePower(watts.value, powerFactor.stated);
  return {
    value,
    minus: value - nonActivePower(Math.max(0, watts.value - watts.minus), powerFactor.hi),
    plus: nonActivePower(watts.value + watts.plus, powerFactor.lo) - value,
    causes: watts.causes,
  };
}

/** The power factor of a running part: entered, else usual for its kind. */
export function runningPowerFactor(part: Part): Interval {
  if (part.powerFactor) return atMostOne(intervalOf(part.powerFactor, 'power-factor', part.kind));
  const { low, usual, high } = kindOfPart(part.kind).powerFactor;
  return { lo: low, stated: usual, hi: high };
}

function startPowerFactor(part: Part): Interval {
  const entered = part.start?.powerFactor;
  if (entered) return atMostOne(intervalOf(entered, 'start-power-factor', part.kind));
  const { low, usual, high } = startPowerFactorRange(part.kind);
  return { lo: low, stated: usual, hi: high };
}

const atMostOne = ({ lo, stated, hi }: Interval): Interval => ({ lo, stated, hi: Math.min(1, hi) });
