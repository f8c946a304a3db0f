/** A current as a phasor, A: the part in step with its own leg, and the part that lags it. */
export interface Phasor {
  readonly active: number;
  readonly reactive: number;
}

/** How the two legs of a system stand to each other. */
export type Legs = 'opposed' | 'in-phase' | 'wye-208';

/**
 * Neutral current of two legs, A, from what is known of each leg's phasor.
 *
 * Opposed legs subtract, legs on one pole add up, legs of a 208 V service stand at 120 degrees. Loads
 * between the legs put nothing on the neutral.
 *
 * @returns A. Source: physics.
 *
 * @example
 * neutralAmps('opposed', { active: 10, reactive: 0 }, { active: 6, reactive: 8 }); // 8.94, not 0
 */
export function neutralAmps(legs: Legs, one: Phasor, two: Phasor): number {
  if (legs === 'opposed') return Math.hypot(one.active - two.active, one.reactive - two.reactive);
  if (legs === 'in-phase') return Math.hypot(one.active + two.active, one.reactive + two.reactive);
  const cos = -0.5;
  const sin = Math.sqrt(3) / 2;
  const turned = {
    active: two.active * cos - two.reactive * sin,
    reactive: two.active * sin + two.reactive * cos,
  };
  return Math.hypot(one.active + turned.active, one.reactive + turned.reactive);
}

/**
 * What the neutral may carry at most, from the magnitudes alone: never the bare difference, since phase
 * angles and harmonics are not known.
 *
 * @returns A: the larger leg if the legs are opposed, their sum on one pole, sqrt(a² + b² - ab) on 208 V.
 * Source: physics; methods.md, rule 12.
 *
 * @example
 * neutralBound('wye-208', 20, 20); // 20
 */
export function neutralBound(legs: Legs, one: number, two: number): number {
  if (legs === 'opposed') return Math.max(one, two);
  if (legs === 'in-phase') return one + two;
  return Math.sqrt(one * one + two * two - one * two);
}
