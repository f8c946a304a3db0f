import { scaleQuantity, timesFactor } from '../units/arithmetic.js';
import type { Interval, Quantity } from '../units/quantity.js';
import {
  BATTERY_CHARGER_EFFICIENCY,
  COOLING_PER_WATT,
  MICROWAVE_EFFICIENCY,
} from '../reference/conversion-defaults.js';
import { kindOfPart, type UsualRange } from '../reference/kinds-of-parts.js';
import { withWidths, intervalOf } from '../rig-file/half-widths.js';
import type { Part, RunningFrom } from '../rig-file/schema.js';
import { fullLoadAmps, SHAFT_EFFICIENCY, shaftMotorVA, shaftWatts } from './start/motor.js';
import type { SystemOfLoad } from './voltage-of-load.js';

/** What a part draws running: watts with their doubt, and VA where those are what is known. */
export interface RunningPower {
  /** W, with the half-widths that count. */
  readonly watts: Quantity;
  /** VA, where the watts follow from them by the power factor. */
  readonly va: Quantity | undefined;
}

export const UNITY: Interval = { lo: 1, stated: 1, hi: 1 };

const MOTOR_TABLE_VOLTS = 115;
const FIFTY_HERTZ_VOLTS = 200;

/**
 * Running power of a part from whatever figure is at hand: watts, amps, VA, horsepower, cooling
 * capacity, cooking power, or the current of a battery charger. The first that is given counts.
 *
 * @param system Volts and frequency it is connected to; a figure stated at other volts is taken at those.
 * @returns Watts with half-widths; 0 W where a part says nothing, which validation refuses.
 * Source: physics; NEC Table 430.248 for horsepower at 60 Hz; reference/conversion-defaults.ts.
 */
export function runningPowerOf(part: Part, system: SystemOfLoad): RunningPower {
  if (part.runningW) return { watts: withWidths(part.runningW, 'running', part.kind), va: undefined };
  const { runningFrom = {} } = part;
  const va = apparentFrom(part, runningFrom, system);
  if (va) return { watts: wattsFromVA(va, runningPowerFactor(part, system)), va };
  return { watts: wattsFrom(part, runningFrom), va: undefined };
}

/** The power factor of a running part: entered, else usual for its kind; 1 on direct current. */
export function runningPowerFactor(part: Part, system?: SystemOfLoad): Interval {
  if (system?.current === 'dc') return UNITY;
  if (part.powerFactor) {
    const { lo, stated, hi } = intervalOf(part.powerFactor, 'power-factor', part.kind);
    return { lo, stated, hi: Math.min(1, hi) };
  }
  const { low, usual, high } = kindOfPart(part.kind).powerFactor;
  return { lo: low, stated: usual, hi: high };
}

function apparentFrom(part: Part, from: RunningFrom, system: SystemOfLoad): Quantity | undefined {
  const volts = from.volts ?? system.volts;
  if (from.amps) return scaleQuantity(withWidths(from.amps, 'running', part.kind), volts);
  if (from.va) return withWidths(from.va, 'running', part.kind);
  return from.horsepower === undefined ? undefined : horsepowerVA(part, from.horsepower, system);
}

function horsepowerVA(part: Part, horsepower: number, { volts, hertz }: SystemOfLoad): Quantity {
  if (hertz === 50 && volts >= FIFTY_HERTZ_VOLTS) {
    const powerFactor = runningPowerFactor(part);
    const at = (efficiency: number, pf: number): number =>
      shaftMotorVA(shaftWatts(horsepower), efficiency, pf);
    const value = at(SHAFT_EFFICIENCY.usual, powerFactor.stated);
    return {
      value,
      basis: 'typical',
      minus: value - at(SHAFT_EFFICIENCY.high, powerFactor.hi),
      plus: at(SHAFT_EFFICIENCY.low, powerFactor.lo) - value,
    };
  }
  const value = fullLoadAmps(horsepower, MOTOR_TABLE_VOLTS) * MOTOR_TABLE_VOLTS;
  return withWidths({ value, basis: 'table' }, 'running', part.kind);
}

function wattsFrom(part: Part, from: RunningFrom): Quantity {
  if (from.coolingW) {
    const ratio = from.coolingPerWatt;
    const range = ratio === undefined ? COOLING_PER_WATT : { low: ratio, usual: ratio, high: ratio };
    return divided(withWidths(from.coolingW, 'running', part.kind), range);
  }
  if (from.cookingW) return divided(withWidths(from.cookingW, 'running', part.kind), MICROWAVE_EFFICIENCY);
  if (from.chargeA) {
    const dc = scaleQuantity(withWidths(from.chargeA, 'running', part.kind), from.volts ?? 0);
    return divided(dc, BATTERY_CHARGER_EFFICIENCY);
  }
  return { value: 0, basis: 'guess' };
}

/** S is known, so P is. */
const wattsFromVA = (va: Quantity, { lo, stated, hi }: Interval): Quantity =>
  timesFactor(va, { low: lo, usual: stated, high: hi });

/** A figure over an efficiency with a range: least over most, and most over least. */
const divided = (quantity: Quantity, { low, usual, high }: UsualRange): Quantity =>
  timesFactor(quantity, { low: 1 / high, usual: 1 / usual, high: 1 / low });
