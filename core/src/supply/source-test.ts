import { BAD_CONTACT_RISE, LOW_VOLTAGE } from '../reference/voltage-quality.js';
import { CONTINUOUS_SHARE } from '../reference/breaker-curves.js';

/** Volts and amps read together at the inlet. */
export interface Reading {
  readonly volts: number;
  readonly amps: number;
}

/** What an arrival test says of a hookup. */
export interface SourceTest {
  /** Resistance of pedestal, feeder and cord together, ohm. */
  readonly ohms: number;
  /** Volts with nothing on. */
  readonly emptyV: number;
  /** Watts lost on the way at the load of the second reading. */
  readonly lostW: number;
  /** Amps at which the volts at the inlet fall below what compressors bear; 0 where they are below it empty. */
  readonly ampsAtLowVoltage: number;
  readonly lowVoltage: number;
  /** Set where a third reading, warm, shows a contact that goes bad. */
  readonly badContact: boolean | undefined;
}

/**
 * Resistance of a source from two readings, one with little load and one with much, and what follows.
 *
 * @param warm A third reading after half an hour under load.
 * @returns Undefined where the readings have no distance: the second needs more amps and fewer volts.
 * Source: physics, R = (V1 - V2) / (I2 - I1); low voltage by NEMA MG 1 and ANSI C84.1; contact rule common practice.
 *
 * @example
 * sourceTest({ volts: 121, amps: 0 }, { volts: 118, amps: 12 }, 120)?.ohms; // 0.25
 */
export function sourceTest(
  light: Reading,
  loaded: Reading,
  nominalV: number,
  warm?: Reading,
): SourceTest | undefined {
  const ohms = ohmsBetween(light, loaded);
  if (ohms === undefined) return undefined;
  const emptyV = light.volts + ohms * light.amps;
  const lowVoltage = LOW_VOLTAGE * nominalV;
  const warmOhms = warm ? (emptyV - warm.volts) / warm.amps : undefined;
  return {
    ohms,
    emptyV,
    lostW: ohms * loaded.amps * loaded.amps,
    ampsAtLowVoltage: Math.max(0, ohms === 0 ? Infinity : (emptyV - lowVoltage) / ohms),
    lowVoltage,
    badContact: warmOhms === undefined ? undefined : warmOhms > ohms * (1 + BAD_CONTACT_RISE),
  };
}

function ohmsBetween(light: Reading, loaded: Reading): number | undefined {
  const amps = loaded.amps - light.amps;
  const volts = light.volts - loaded.volts;
  return amps > 0 && volts >= 0 ? volts / amps : undefined;
}

/** What bounds an input limit from both sides. */
export interface InputLimitAdvice {
  /** Amps to set at most, A: what the source bears for hours, less what is ahead of the limit. */
  readonly atMostA: number;
  /** What bounds it. */
  readonly because: 'breaker' | 'generator' | 'relay' | 'low-voltage';
  /** Least that the inverter must not be short of; undefined where it carries everything alone. */
  readonly atLeastA: number | undefined;
}

/**
 * The input limit to set: high enough that the inverter is not overloaded, low enough for the source.
 *
 * @param source Breaker (the smallest in the chain), a generator's derated watts in amps, relay, and the amps at
 *   which the voltage becomes too low; what draws from the source ahead of the limit.
 * @param needA Amps behind the limit beyond what the inverter gives for hours.
 * Source: NEC 210.20(A) as a planning rule; methods.md 7, pedestal and generator rows.
 *
 * @example
 * inputLimitAdvice({ breakerA: 30, aheadA: 6 }, 10).atMostA; // 18
 */
export function inputLimitAdvice(
  source: {
    readonly breakerA: number;
    readonly aheadA: number;
    readonly generatorA?: number | undefined;
    readonly relayA?: number | undefined;
    readonly lowVoltageA?: number | undefined;
    /** What of a breaker is planned for hours: 0.8 by the continuous rule, 1 where that is not followed. */
    readonly breakerShare?: number | undefined;
  },
  needA: number,
): InputLimitAdvice {
  const { breakerShare = CONTINUOUS_SHARE } = source;
  const bounds = [
    { because: 'breaker', amps: breakerShare * source.breakerA - source.aheadA },
    { because: 'generator', amps: CONTINUOUS_SHARE * (source.generatorA ?? Infinity) - source.aheadA },
    { because: 'relay', amps: source.relayA ?? Infinity },
    { because: 'low-voltage', amps: (source.lowVoltageA ?? Infinity) - source.aheadA },
  ] as const;
  const tightest = bounds.reduce((least, bound) => (bound.amps < least.amps ? bound : least));
  return {
    atMostA: Math.max(0, tightest.amps),
    because: tightest.because,
    atLeastA: needA > 0 ? needA : undefined,
  };
}
