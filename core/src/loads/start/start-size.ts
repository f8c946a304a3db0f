import { scaleQuantity, subtractQuantity, timesFactor, type FactorRange } from '../../units/arithmetic.js';
import type { Quantity } from '../../units/quantity.js';
import { RATED_MOTOR_VOLTS } from '../../reference/nec-430-motors.js';
import { typical } from '../../rig/typical-quantity.js';
import { kindOfPart } from '../../reference/kinds-of-parts.js';
import { withWidths } from '../../rig-file/half-widths.js';
import type { Part, Start, StartFrom } from '../../rig-file/schema.js';
import { codeLetterVA, LOCKED_OVER_RATED, lockedRotorAmps } from './motor.js';
import { runningPowerFactor, runningPowerOf } from '../running-power.js';
import { softened, type SizedStart } from './soft-starter.js';
import type { SystemOfLoad } from '../voltage-of-load.js';

/** Which figure a start follows from: the first that is given, in this order. */
export type StartOrigin =
  | 'entered'
  | 'inrush'
  | 'locked-rotor'
  | 'code-letter'
  | 'motor-table'
  | 'rated-load'
  | 'multiple';

/** The start of a part, and what it follows from. */
export interface StartSize extends SizedStart {
  readonly origin: StartOrigin;
  /** The start without a soft starter; the same where there is none. */
  readonly full: SizedStart;
}

const MOTOR_TABLE_VOLTS = 115;

/** Volts that motors are rated for on a system of some volts: a locked rotor takes more at the volts at hand. */
const ratedVolts = ({ volts }: SystemOfLoad): number =>
  RATED_MOTOR_VOLTS.find((rated) => volts >= rated) ?? volts;
/** Seconds of a start of which nothing is known. */
const UNKNOWN_SECONDS: Quantity = { value: 0.5, basis: 'guess', minus: 0.25, plus: 0.5 };

/**
 * How large the start of a part is, and how long it lasts.
 *
 * Precedence: the VA entered, an inrush on the clamp less the base load, locked-rotor amps, code letter
 * (its upper end) and motor table, both at rated volts and raised to the volts at hand, rated-load amps of a compressor, and last the usual multiple of its
 * kind. A locked rotor is a constant impedance: its VA go with the square of the volts.
 *
 * A kind that starts has its usual start with or without an entry; that it has none must be said outright.
 *
 * @returns Undefined where the part has no start.
 * Source: methods.md 3; NEC 430.251(A), 430.7(B); common practice for multiples.
 */
export function startSizeOf(part: Part, system: SystemOfLoad): StartSize | undefined {
  const { start = {} } = part;
  if (start.none === 'yes') return undefined;
  const sized = fullStart(part, start, system);
  if (!sized) return undefined;
  const full: SizedStart = { va: sized.va, seconds: secondsOf(part, start) };
  const { soft } = start;
  const { origin } = sized;
  if (!soft || isSeenSoftened(start, origin)) return { origin, full, ...full };
  const less = softened(full, soft);
  return { origin, full, ...(isPerhapsSeenSoftened(start, origin) ? atWorstAsSeen(less, full) : less) };
}

const wasSeen = (origin: StartOrigin): boolean => origin === 'entered' || origin === 'inrush';

/** What was seen with the soft starter in place has it in it already. */
function isSeenSoftened({ softStarter }: Start, origin: StartOrigin): boolean {
  return softStarter === 'yes' && wasSeen(origin);
}

/** A start was measured, and nobody says whether the soft starter was in place. */
function isPerhapsSeenSoftened({ softStarter, va, from }: Start, origin: StartOrigin): boolean {
  const basis = origin === 'inrush' ? from?.inrushA?.basis : va?.basis;
  return softStarter === undefined && wasSeen(origin) && basis === 'measured';
}

/** As entered and at best it is softened; at worst what was seen is all that the soft starter does (rule 42). */
function atWorstAsSeen(less: SizedStart, seen: SizedStart): SizedStart {
  const most = (quantity: Quantity): number => quantity.value + (quantity.plus ?? 0);
  const upTo = (quantity: Quantity, other: Quantity): Quantity => ({
    ...quantity,
    plus: Math.max(most(quantity), most(other)) - quantity.value,
  });
  return { va: upTo(less.va, seen.va), seconds: upTo(less.seconds, seen.seconds) };
}

interface Sized {
  readonly origin: StartOrigin;
  readonly va: Quantity;
}

function fullStart(part: Part, start: Start, system: SystemOfLoad): Sized | undefined {
  if (start.va) return { origin: 'entered', va: withWidths(start.va, 'start', part.kind) };
  return fromPlate(part, start.from ?? {}, system) ?? fromMultiple(part, system);
}

function fromPlate(part: Part, from: StartFrom, system: SystemOfLoad): Sized | undefined {
  const plateVolts = from.volts ?? system.volts;
  const asHere = (system.volts / plateVolts) ** 2;
  const raised = Math.max(1, (system.volts / (from.volts ?? ratedVolts(system))) ** 2);
  if (from.inrushA) {
    // Entered as one number it is one reading.
    const once = { readings: 1, ...from.inrushA };
    const inrush = scaleQuantity(withWidths(once, 'start', part.kind), system.volts);
    const base = from.baseA && scaleQuantity(withWidths(from.baseA, 'running', part.kind), system.volts);
    return { origin: 'inrush', va: base ? subtractQuantity(inrush, base) : inrush };
  }
  if (from.lockedRotorA) {
    const amps = withWidths(from.lockedRotorA, 'start', part.kind);
    return { origin: 'locked-rotor', va: scaleQuantity(amps, plateVolts * asHere) };
  }
  if (from.codeLetter && from.horsepower !== undefined) {
    const { to: value } = codeLetterVA(from.codeLetter, from.horsepower);
    return {
      origin: 'code-letter',
      va: scaleQuantity(withWidths({ value, basis: 'code-letter' }, 'start', part.kind), raised),
    };
  }
  if (from.horsepower !== undefined) {
    const value = lockedRotorAmps(from.horsepower, MOTOR_TABLE_VOLTS) * MOTOR_TABLE_VOLTS;
    const atRated = withWidths({ value, basis: 'table' }, 'start', part.kind);
    return { origin: 'motor-table', va: scaleQuantity(atRated, raised) };
  }
  return from.ratedLoadA && fromRatedLoad(part, from.ratedLoadA, plateVolts * asHere);
}

/** No locked-rotor amps on the plate: a multiple of the rated-load amps, with the range of the kind. */
function fromRatedLoad(part: Part, ratedLoadA: Quantity, volts: number): Sized {
  const multiple = part.kind === 'hermetic-rotary' ? LOCKED_OVER_RATED.rotary : LOCKED_OVER_RATED.other;
  const rated = scaleQuantity(withWidths(ratedLoadA, 'running', part.kind), volts);
  const { startMultiple = exactly(multiple) } = kindOfPart(part.kind);
  const { low, usual, high } = startMultiple;
  return usualMultiple('rated-load', rated, {
    low: (multiple * low) / usual,
    usual: multiple,
    high: (multiple * high) / usual,
  });
}

const exactly = (value: number): FactorRange => ({ low: value, usual: value, high: value });

/** The usual multiple of a kind applies to amps, so to VA; never to watts. */
function fromMultiple(part: Part, system: SystemOfLoad): Sized | undefined {
  const { startMultiple } = kindOfPart(part.kind);
  if (!startMultiple) return undefined;
  const { watts, va } = runningPowerOf(part, system);
  const running = va ?? scaleQuantity(watts, 1 / runningPowerFactor(part, system).stated);
  return usualMultiple('multiple', running, startMultiple);
}

/** What a running figure depends on, its start depends on as well. */
const usualMultiple = (origin: StartOrigin, running: Quantity, multiple: FactorRange): Sized => ({
  origin,
  va: { ...timesFactor(running, multiple), basis: 'typical' },
});

function secondsOf(part: Part, start: Start): Quantity {
  if (start.seconds) return withWidths(start.seconds, 'seconds', part.kind);
  const usual = kindOfPart(part.kind).startSeconds;
  return usual ? typical(usual) : UNKNOWN_SECONDS;
}
