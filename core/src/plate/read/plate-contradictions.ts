import { codeLetterVA, shaftWatts } from '../../loads/start/motor.js';
import { CODE_LETTERS } from '../../reference/nec-430-code-letters.js';
import { factAt, type PlateFact, type PlateSlot } from './plate-fact.js';
import type { PlateQuantity } from '../../reference/plate-terms.js';
import {
  CODE_LETTER_ROUNDING,
  COOLING_OVER_WATTS,
  LEAST_POWER_FACTOR,
  LOCKED_OVER_RATED,
  PLATE_ROUNDING,
} from '../../reference/plate-tolerances.js';

/** Two numbers of a plate that cannot both be right. */
export interface PlateContradiction {
  readonly kind:
    | 'more-watts-than-volt-amps'
    | 'few-watts-of-volt-amps'
    | 'more-at-the-shaft'
    | 'locked-rotor-of-rated-load'
    | 'code-letter-of-locked-rotor'
    | 'cooling-of-watts'
    | 'watt-hours-of-amp-hours'
    | 'circuit-below-rated-load';
  readonly one: PlateFact;
  readonly other: PlateFact;
}

/**
 * Numbers of a plate that contradict each other: watts above volts times amps, a shaft that gives more than is taken, a start that
 * is no start, a code letter of another start, watt-hours of another battery.
 *
 * Source: physics; NEC 430.7(B) for code letters; common practice for the ranges.
 */
export function contradictionsOf(facts: readonly PlateFact[]): readonly PlateContradiction[] {
  const at = (quantity: PlateQuantity, ...slots: readonly PlateSlot[]): PlateFact | undefined =>
    factAt(facts, quantity, ...slots);
  const [volts, amps, watts] = [
    at('volts', 'main', 'input'),
    at('amps', 'main', 'input'),
    at('watts', 'main', 'input'),
  ];
  const [rated, locked] = [at('ratedLoadAmps', 'compressor'), at('lockedRotorAmps', 'compressor')];
  const [horsepower, code] = [at('horsepower', 'main', 'output'), at('codeLetter', 'main')];
  const [cooling, circuit] = [at('cooling', 'main'), at('circuitAmps', 'main')];
  const [ampHours, wattHours] = [at('ampHours', 'main'), at('wattHours', 'main')];
  return [
    ...when(isAbove(watts, product(volts, amps), PLATE_ROUNDING), 'more-watts-than-volt-amps', watts, amps),
    ...when(
      isAbove(scaled(product(volts, amps), LEAST_POWER_FACTOR), watts, 0),
      'few-watts-of-volt-amps',
      watts,
      amps,
    ),
    ...when(
      isAbove(shaftOf(horsepower), product(volts, amps) ?? watts, 0),
      'more-at-the-shaft',
      horsepower,
      amps ?? watts,
    ),
    ...when(isOutside(locked, rated, LOCKED_OVER_RATED), 'locked-rotor-of-rated-load', locked, rated),
    ...when(
      isOfAnotherLetter(code, horsepower, product(volts, locked)),
      'code-letter-of-locked-rotor',
      locked,
      code,
    ),
    ...when(isOutside(cooling, watts, COOLING_OVER_WATTS), 'cooling-of-watts', cooling, watts),
    ...when(areApart(wattHours, product(volts, ampHours)), 'watt-hours-of-amp-hours', wattHours, ampHours),
    ...when(isAbove(rated, circuit, 0), 'circuit-below-rated-load', rated, circuit),
  ];
}

function when(
  holds: boolean,
  kind: PlateContradiction['kind'],
  one: PlateFact | undefined,
  other: PlateFact | undefined,
): readonly PlateContradiction[] {
  return holds && one && other ? [{ kind, one, other }] : [];
}

type Valued = Pick<PlateFact, 'value' | 'range'> | undefined;

const most = (fact: NonNullable<Valued>): number => fact.range?.[1] ?? fact.value;
const least = (fact: NonNullable<Valued>): number => fact.range?.[0] ?? fact.value;

function product(volts: Valued, amps: Valued): Valued {
  return (
    volts &&
    amps && { value: volts.value * amps.value, range: [least(volts) * least(amps), most(volts) * most(amps)] }
  );
}

const scaled = (each: Valued, by: number): Valued =>
  each && { value: each.value * by, range: [least(each) * by, most(each) * by] };

const shaftOf = (horsepower: Valued): Valued =>
  horsepower && { value: shaftWatts(horsepower.value), range: undefined };

/** Even the least of the one is above the most of the other. */
function isAbove(one: Valued, other: Valued, by: number): boolean {
  return one !== undefined && other !== undefined && least(one) > (1 + by) * most(other);
}

function isOutside(
  one: Valued,
  other: Valued,
  by: { readonly least: number; readonly most: number },
): boolean {
  if (!one || !other) return false;
  return most(one) < by.least * least(other) || least(one) > by.most * most(other);
}

const areApart = (one: Valued, other: Valued): boolean =>
  isAbove(one, other, PLATE_ROUNDING) || isAbove(other, one, PLATE_ROUNDING);

function isOfAnotherLetter(code: PlateFact | undefined, horsepower: Valued, startVA: Valued): boolean {
  const letter = CODE_LETTERS.find((each) => each === code?.letter);
  if (!letter || !horsepower || !startVA) return false;
  const { from, to } = codeLetterVA(letter, horsepower.value);
  return startVA.value < (1 - CODE_LETTER_ROUNDING) * from || startVA.value > (1 + CODE_LETTER_ROUNDING) * to;
}
