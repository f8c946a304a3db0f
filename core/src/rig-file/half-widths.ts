import type { Basis, HalfWidths, Interval, Quantity } from '../units/quantity.js';
import {
  DATA_SHEET,
  GUESS,
  MEASURED,
  MEASURED_START_SECONDS,
  MOTOR_TABLE,
  NAMEPLATE_RUNNING,
  NAMEPLATE_START,
  NO_DOUBT,
  START_MEASURED_ONCE,
  START_SECONDS,
  TYPICAL_WITHOUT_RANGE,
  type FractionalDoubt,
} from '../reference/default-doubts.js';
import {
  kindOfPart,
  LOCKED_ROTOR_POWER_FACTOR,
  type PartKind,
  type UsualRange,
} from '../reference/kinds-of-parts.js';
import { STARTS_THAT_AGREE } from '../reference/measuring.js';

/** What a number is for; its default doubt depends on it. */
export type QuantityRole = 'rating' | 'running' | 'start' | 'seconds' | 'power-factor' | 'start-power-factor';

/**
 * The half-widths of a number: the user's own where given, else the default of its basis, role and
 * kind.
 *
 * @param quantity The number as entered.
 * @param role What it is for.
 * @param kind The kind of part it belongs to: typical values take their range from it.
 * @returns Half-widths in the unit of the quantity, both at least 0.
 * Source: common practice (methods.md, rules 1 and 4).
 *
 * @example
 * halfWidthsOf({ value: 1000, basis: 'nameplate' }, 'running'); // { minus: 250, plus: 100 }
 */
export function halfWidthsOf(quantity: Quantity, role: QuantityRole, kind?: PartKind): HalfWidths {
  const usual = defaultDoubt(quantity, role, kind);
  return {
    minus: quantity.minus ?? usual.minus * quantity.value,
    plus: quantity.plus ?? usual.plus * quantity.value,
  };
}

/** The number with its half-widths attached, whether entered or usual. */
export function withWidths(quantity: Quantity, role: QuantityRole, kind?: PartKind): Quantity {
  return { ...quantity, ...halfWidthsOf(quantity, role, kind) };
}

/** A start of which fewer readings agree than count as measured. */
export function isMeasuredOnce({ basis, readings }: Pick<Quantity, 'basis' | 'readings'>): boolean {
  return basis === 'measured' && readings !== undefined && readings < STARTS_THAT_AGREE;
}

/** The number at both edges, in its own unit. */
export function intervalOf(quantity: Quantity, role: QuantityRole, kind?: PartKind): Interval {
  const { minus, plus } = halfWidthsOf(quantity, role, kind);
  return { lo: quantity.value - minus, stated: quantity.value, hi: quantity.value + plus };
}

/** A typical value of a kind shares its doubt with every other typical value of that kind. */
export function defaultCause(quantity: Quantity, kind: PartKind): string | undefined {
  return quantity.basis === 'typical' ? `typical ${kind}` : undefined;
}

function defaultDoubt(quantity: Quantity, role: QuantityRole, kind?: PartKind): FractionalDoubt {
  if (role === 'rating') return ratingDoubt(quantity);
  if (role === 'seconds') return secondsDoubt(quantity.basis);
  if (role === 'start' && isMeasuredOnce(quantity)) return START_MEASURED_ONCE;
  if (quantity.basis === 'typical') return typicalDoubt(role, kind);
  if (quantity.basis === 'nameplate') return nameplateDoubt(role);
  return DOUBT_OF_BASIS[quantity.basis];
}

const DOUBT_OF_BASIS: Record<Exclude<Basis, 'typical' | 'nameplate'>, FractionalDoubt> = {
  measured: MEASURED,
  'data-sheet': DATA_SHEET,
  'code-letter': NAMEPLATE_START,
  table: MOTOR_TABLE,
  guess: GUESS,
  setting: NO_DOUBT,
};

function secondsDoubt(basis: Basis): FractionalDoubt {
  if (basis === 'setting') return NO_DOUBT;
  return basis === 'measured' ? MEASURED_START_SECONDS : START_SECONDS;
}

function nameplateDoubt(role: QuantityRole): FractionalDoubt {
  if (role === 'running') return NAMEPLATE_RUNNING;
  return role === 'start' ? NAMEPLATE_START : DATA_SHEET;
}

/** Stated ratings and breaker sizes are taken at their word. */
function ratingDoubt(quantity: Quantity): FractionalDoubt {
  if (quantity.basis === 'typical') return TYPICAL_WITHOUT_RANGE;
  return quantity.basis === 'guess' ? GUESS : NO_DOUBT;
}

function typicalDoubt(role: QuantityRole, kind?: PartKind): FractionalDoubt {
  const range = kind && typicalRange(role, kind);
  if (!range) return TYPICAL_WITHOUT_RANGE;
  return { minus: 1 - range.low / range.usual, plus: range.high / range.usual - 1 };
}

function typicalRange(role: QuantityRole, kind: PartKind): UsualRange | undefined {
  const usual = kindOfPart(kind);
  if (role === 'start') return usual.startMultiple;
  if (role === 'power-factor') return usual.powerFactor;
  if (role === 'start-power-factor') return startPowerFactorRange(kind);
  return undefined;
}

/** What has a rotor to lock starts at the locked-rotor power factor, everything else at its running one. */
export function startPowerFactorRange(kind: PartKind): UsualRange {
  const { startTorqueShare, powerFactor } = kindOfPart(kind);
  return startTorqueShare === undefined ? powerFactor : LOCKED_ROTOR_POWER_FACTOR;
}
