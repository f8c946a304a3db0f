import type { LineProof } from './line-proof.js';
import type { NumberStyle } from '../units/number-style.js';
import { loadOf } from '../rig/lookup.js';
import { inSentence } from '../rig/names-in-sentences.js';
import type { Rig } from '../rig-file/schema.js';
import { itemInCard } from './card-line-words.js';
import { explainLimit, listNames, plainText } from '../words/explain.js';
import { marginWords } from '../words/margin-words.js';

const NOT_PRINTED: Readonly<Record<LineProof['verdict'], string>> = {
  holds: 'part of it is not fed',
  tight: 'it may trip',
  'likely-trips': 'it likely trips',
  trips: 'it trips',
};

/** Why a line may be printed, or why it is not. */
export function proofWords(
  style: NumberStyle,
  rig: Rig,
  { isProved, sets, verdict, hardest, notFed }: LineProof,
): { readonly line: string; readonly detail: string } {
  const [dark] = notFed;
  const count = `${sets} ${sets === 1 ? 'set' : 'sets'}, each in any order, with restarts`;
  const closest = hardest
    ? `Closest: ${listNames(hardest.on.map((item) => inSentence(itemInCard(rig, item))))}, ${marginWords(style, hardest.limit)}. ${plainText(explainLimit(style, rig, hardest.limit))}`
    : '';
  if (dark && verdict === 'holds')
    return {
      line: `Not printed: ${loadOf(rig, dark.load).name} is not fed here`,
      detail: `${dark.because}.`,
    };
  if (isProved) return { line: `Proved: ${count}`, detail: closest };
  return {
    line: `Not printed: ${NOT_PRINTED[verdict]}`,
    detail: closest,
  };
}
