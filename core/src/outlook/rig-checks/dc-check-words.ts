import { FUSE_CURVES } from '../../reference/fuse-curves.js';
import { COMMON_PRACTICE, sourceWords } from '../../reference/provenance.js';
import type { Battery } from '../../rig-file/schema.js';
import { theElement } from '../../rig/names-in-sentences.js';
import { formatAmount, formatSeconds } from '../../units/format.js';
import type { NumberStyle } from '../../units/number-style.js';
import type { CheckWords } from './rig-check.js';

/** What the DC side is asked for: VA of one inverter, for so long, and what that is at its cut-off. */
interface AskedOfDc {
  readonly va: number;
  readonly seconds: number;
  readonly amps: number;
}

export const noFuse = (battery: string): CheckWords => ({
  title: `Fuse of ${theElement(battery)}`,
  sentence: 'No fuse is entered, so it is not known whether it bears a start.',
  source: COMMON_PRACTICE,
  fix: 'Read its amps and its kind off the fuse itself.',
});

export const fuseOf = (
  style: NumberStyle,
  battery: string,
  fuse: NonNullable<Battery['fuse']>,
  asked: AskedOfDc,
  bearsA: number,
): CheckWords => ({
  title: `Fuse of ${theElement(battery)}`,
  sentence: `${askedWords(style, asked)}; a ${fuse.amps} A fuse bears ${formatAmount(style, bearsA, 'A', 'at-least')} for that long.`,
  source: sourceWords(FUSE_CURVES[fuse.kind].provenance),
  fix: 'Keep below it, or a larger fuse on a cable that carries it.',
});

export const protectionOf = (
  style: NumberStyle,
  battery: string,
  asked: AskedOfDc,
  givesA: number,
): CheckWords => ({
  title: `Protection of ${theElement(battery)}`,
  sentence: `${askedWords(style, asked)}; it gives ${formatAmount(style, givesA, 'A')} for that long.`,
  source: 'its data sheet, as entered; physics',
  fix: 'It decides before the inverter does; another battery beside it helps.',
});

/** @param isClose A fuse above the ampacity of its cable, but within what some practice takes. */
export const cableOf = (
  style: NumberStyle,
  battery: string,
  carriesA: number,
  fuseA: number,
  school: keyof typeof AMPACITY_TABLES,
  isClose: boolean,
): CheckWords => ({
  title: `Cable of ${theElement(battery)}`,
  sentence: `It carries ${formatAmount(style, carriesA, 'A')} for hours; its fuse is ${fuseA} A.`,
  source: `${AMPACITY_TABLES[school]}; a fuse of up to 150 % of it by ABYC E-11; from memory`,
  fix: isClose
    ? 'Some practice takes up to 150 %; a thicker cable or a smaller fuse settles it.'
    : 'The cable overheats before this fuse opens: a thicker cable or a smaller fuse.',
});

export const batteriesSideBySide = (names: readonly string[], differ: boolean): CheckWords => ({
  title: 'Batteries side by side',
  sentence: differ
    ? `${names.join(' and ')} differ in kind or amp-hours, so one gives more than its share.`
    : `${names.join(' and ')} are alike. Bring them to the same volts before they are joined.`,
  source: COMMON_PRACTICE,
  fix: 'Put a clamp around each; use only what the weaker one bears.',
});

const AMPACITY_TABLES = {
  nec: 'NEC 310.16, 75 °C',
  abyc: 'ABYC E-11, 105 °C',
  iec: 'IEC 60364-5-52, method C',
} as const;

function askedWords(style: NumberStyle, { va, seconds, amps }: AskedOfDc): string {
  const forHow = Number.isFinite(seconds) ? formatSeconds(style, seconds) : 'hours';
  return `${formatAmount(style, va, 'VA')} for ${forHow} is ${formatAmount(style, amps, 'A')} at cut-off`;
}
