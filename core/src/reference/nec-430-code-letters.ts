import type { Provenance } from './provenance.js';

/** Locked-rotor kVA per horsepower of a code letter on a nameplate: a band, its top `Infinity` for V. */
export interface CodeLetterBand {
  readonly letter: CodeLetter;
  readonly from: number;
  readonly to: number;
}

export const CODE_LETTERS = [
  'A',
  'B',
  'C',
  'D',
  'E',
  'F',
  'G',
  'H',
  'J',
  'K',
  'L',
  'M',
  'N',
  'P',
  'R',
  'S',
  'T',
  'U',
  'V',
] as const;
export type CodeLetter = (typeof CODE_LETTERS)[number];

export const CODE_LETTER_TABLE: Provenance = {
  source: 'NEC Table 430.7(B); NEMA MG 1',
  confidence: 'high',
};

/** Letter V has no upper end in the table; beyond this no small motor is known. From memory, confidence low. */
const HIGHEST_OF_V = 28;

/** The last printed value of each band; the next band begins a hundredth above. */
const LAST: Readonly<Record<CodeLetter, number>> = {
  A: 3.14,
  B: 3.54,
  C: 3.99,
  D: 4.49,
  E: 4.99,
  F: 5.59,
  G: 6.29,
  H: 7.09,
  J: 7.99,
  K: 8.99,
  L: 9.99,
  M: 11.19,
  N: 12.49,
  P: 13.99,
  R: 15.99,
  S: 17.99,
  T: 19.99,
  U: 22.39,
  V: HIGHEST_OF_V,
};

const STEP = 0.01;

export const CODE_LETTER_BANDS: readonly CodeLetterBand[] = CODE_LETTERS.map((letter, index) => {
  const before = CODE_LETTERS[index - 1];
  return { letter, from: before === undefined ? 0 : LAST[before] + STEP, to: LAST[letter] };
});
