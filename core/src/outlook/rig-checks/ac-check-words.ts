import { COMMON_PRACTICE } from '../../reference/provenance.js';
import { theElement } from '../../rig/names-in-sentences.js';
import { formatAmount } from '../../units/format.js';
import type { NumberStyle } from '../../units/number-style.js';
import type { CheckWords } from './rig-check.js';

export const cableOfCircuit = (
  style: NumberStyle,
  circuit: string,
  breakerA: number,
  carriesA: number,
): CheckWords => ({
  title: `Breaker on the cable of ${theElement(circuit)}`,
  sentence: `A ${breakerA} A breaker; the cable carries ${formatAmount(style, carriesA, 'A')}.`,
  source: 'NEC 240.4(D) and 310.16, or IEC 60364-5-52 for metric sizes; from memory',
  fix: 'A smaller breaker, or a thicker cable all the way.',
});

export const receptacleOfCircuit = (circuit: string, breakerA: number, receptacleA: number): CheckWords => ({
  title: `Receptacle of ${theElement(circuit)}`,
  sentence: `A ${receptacleA} A receptacle on a ${breakerA} A breaker.`,
  source: 'NEC 210.21(B)(3) takes 15 A receptacles on a 20 A circuit with several; from memory',
  fix: 'Keep what you plug in there below the receptacle’s own amps.',
});

export const smallestPlug = (
  supply: string,
  breakerA: number,
  plugA: number,
  plug = 'the cord',
): CheckWords => ({
  title: `Plug and cord on ${supply}`,
  sentence: `The smallest plug, of ${plug}, is for ${plugA} A; the breaker behind it is ${breakerA} A.`,
  source: COMMON_PRACTICE,
  fix: `Nothing opens before this plug overheats: set an input limit of ${plugA} A or less by hand.`,
});

/** @param elsewhereA What others draw on the hookup's breaker, where that is entered. */
export function inputLimitOf(
  style: NumberStyle,
  supply: string,
  askedA: number,
  bearsA: number,
  leftA: number,
  elsewhereA: number | undefined,
): CheckWords {
  const amps = (value: number): string => formatAmount(style, value, 'A');
  const beside = elsewhereA === undefined ? '' : `, of which ${amps(elsewhereA)} go elsewhere`;
  return {
    title: `Input limit on ${supply}`,
    sentence: `${amps(askedA)} are asked at most; the chain bears ${amps(bearsA)}${beside}.`,
    source: COMMON_PRACTICE,
    fix: `Set ${amps(Math.max(0, Math.floor(leftA)))} or less on the inverter’s own panel.`,
  };
}

export const transferRelay = (
  style: NumberStyle,
  supply: string,
  converter: string,
  passesA: number,
  relayA: number,
): CheckWords => ({
  title: `Transfer relay on ${supply}`,
  sentence: `Up to ${formatAmount(style, passesA, 'A')} pass; the relay of ${theElement(converter)} carries ${relayA} A.`,
  source: 'its data sheet, as entered',
  fix: 'Set a lower input limit on this supply.',
});

export const outputBreakerWithAssist = (
  style: NumberStyle,
  supply: string,
  sourceA: number,
  inverterA: number,
  breakerA: number,
): CheckWords => ({
  title: `Output breaker with assist on ${supply}`,
  sentence: `${formatAmount(style, sourceA, 'A')} from the source and ${formatAmount(style, inverterA, 'A')} from the inverter are ${formatAmount(style, inverterA + sourceA, 'A')} together; the breaker is ${breakerA} A.`,
  source: 'UL 489: holds 100 %, opens within the hour at 135 %; IEC 60898-1: 113 and 145 %; from memory',
  fix: 'The breaker limits what both give together: plan with its amps.',
});

export const sharedNeutral = (supply: string, isKnown: boolean): CheckWords => ({
  title: `Neutral on ${supply}`,
  sentence: isKnown
    ? 'Both legs are on one pole, so their currents add in the shared neutral, and no breaker watches it.'
    : 'Both legs are on one pole. Whether branches share a neutral is not entered.',
  source: 'NEC 300.13(B) and 551.42 for the wording; physics; from memory',
  fix: isKnown
    ? 'Keep the sum of both legs within one conductor, or have the branches rewired.'
    : 'Have a licensed person look, and enter it on the bus.',
});

export const NEUTRAL_AND_GROUND: CheckWords = {
  title: 'Neutral and ground',
  sentence:
    'On battery they must meet in one place, on shore at the post only. No number here can tell whether they do.',
  source: 'NEC 250.30 and 551.54 for the principle; from memory',
  fix: 'Have a licensed person test it on each source.',
};
