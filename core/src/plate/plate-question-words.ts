import type { NumberStyle } from '../units/number-style.js';
import type { PlateChoice, PlateQuestion } from './read/plate-facts.js';
import { plateAmount, plateFactWords } from './plate-words.js';

/** A question about a plate, with what may be answered. */
export interface PlateQuestionWords {
  readonly question: string;
  /** Where on the plate it stands that it is about. */
  readonly source: string;
  readonly choices: readonly { readonly id: string; readonly label: string }[];
}

const WHY: Readonly<Record<PlateQuestion['kind'], (one: string, other: string) => string>> = {
  'which-reading': (one) => `Is the sign in ${one} for thousands or for decimals?`,
  'all-or-one': (one) => `${one}: all of them at once, or one?`,
  implausible: (one) => `${one} is more or less than such a plate says. Is it right?`,
  'two-values': (one) => `${one}: the plate has more than one. Which one counts?`,
  'which-volts': () =>
    'The plate is for several voltages, and none is that of the circuit. Which one counts?',
  'takes-or-gives': (one) => `${one}: is that what the motor takes, or what it gives at its shaft?`,
  'how-long': (one) => `${one} at most: for how long does it bear that?`,
  'more-watts-than-volt-amps': (one, other) =>
    `${one} is more than the volts and ${other} allow. Which one is right?`,
  'few-watts-of-volt-amps': (one, other) =>
    `${one} is little for the volts and ${other}. Which one is right?`,
  'more-at-the-shaft': (one, other) =>
    `${one} is more than ${other} can give: often a peak. Which one is right?`,
  'locked-rotor-of-rated-load': (one, other) =>
    `${one} does not go with ${other}: a start is usually four to eight times as much. Which one is right?`,
  'code-letter-of-locked-rotor': (one, other) =>
    `${one} does not go with the code letter ${other}. Which one is right?`,
  'cooling-of-watts': (one, other) => `${one} does not go with ${other}. Which one is right?`,
  'watt-hours-of-amp-hours': (one, other) => `${one} is not the volts times ${other}. Which one is right?`,
  'circuit-below-rated-load': (one, other) =>
    `${one} is more than the least circuit, ${other}. Which one is right?`,
};

/** A question about a plate in words. */
export function plateQuestionWords(
  style: NumberStyle,
  { kind, about, choices }: PlateQuestion,
): PlateQuestionWords {
  const [one, other] = about;
  const named = (fact: typeof one): string => {
    if (!fact) return '';
    if (kind === 'two-values') return plateFactWords(style, fact).name;
    return kind === 'which-reading' || kind === 'all-or-one'
      ? `“${fact.text}”`
      : plateFactWords(style, fact).value;
  };
  return {
    question: WHY[kind](named(one), named(other)),
    source: sourceWords(about),
    choices: choices.map((choice) => ({ id: choice.id, label: choiceWords(style, choice) })),
  };
}

/** By lines, each with what stands in it. */
function sourceWords(about: PlateQuestion['about']): string {
  const lines = new Map<number, string[]>();
  for (const { line, text } of about) lines.set(line, [...(lines.get(line) ?? []), text]);
  return [...lines].map(([line, texts]) => `Line ${line}: ${texts.join(', ')}`).join('; ');
}

function choiceWords(style: NumberStyle, { says }: PlateChoice): string {
  if (typeof says === 'object') return says.letter ?? plateAmount(style, says.quantity, says.value);
  return { 'leave-out': 'Leave it out', both: 'Both', takes: 'What it takes', gives: 'What it gives' }[says];
}
