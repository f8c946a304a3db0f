/** Widths of the figures face at 12.5 px, by kind of letter: a drawing is laid out before it is drawn. */
const WIDTHS: readonly (readonly [letters: RegExp, width: number])[] = [
  [/[ .,:;'’|ijl!()]/, 3],
  [/[ftr1-]/, 4.4],
  [/[mwMW%@&]/, 9],
  [/[A-Z]/, 7],
];
const USUAL = 6;

/**
 * About how wide a text is.
 *
 * @returns Pixels, rather too wide than too narrow.
 */
export function textWidth(text: string): number {
  return text
    .split(/(?:)/u)
    .reduce((sum, letter) => sum + (WIDTHS.find(([letters]) => letters.test(letter))?.[1] ?? USUAL), 0);
}
