import type { NumberStyle } from '../units/number-style.js';
import type { SourceTest } from './source-test.js';
import { formatAmount, formatNumber } from '../units/format.js';

/** What an arrival test says of a hookup: a line to read, and what follows from it. */
export function sourceTestWords(
  style: NumberStyle,
  { ohms, emptyV, lostW, lowVoltage, ampsAtLowVoltage, badContact }: SourceTest,
): { readonly line: string; readonly detail: string } {
  const danger =
    ampsAtLowVoltage === 0
      ? `It is below ${formatNumber(style, lowVoltage, 0)} V with nothing on: start no compressor here.`
      : Number.isFinite(ampsAtLowVoltage)
        ? `From ${formatAmount(style, ampsAtLowVoltage, 'A', 'at-least')} on it falls below ${formatNumber(style, lowVoltage, 0)} V: then start no compressor.`
        : 'The volts do not fall with the current.';
  const contact =
    badContact === undefined
      ? ''
      : badContact
        ? ' Warm, it is more than a tenth higher: a contact is failing. Stop, and look at plug and cord.'
        : ' Warm, it has not risen: the contacts are sound.';
  return {
    line: `${formatNumber(style, ohms, 2)} ohm on the way, ${formatNumber(style, emptyV, 1)} V with nothing on.`,
    detail: `${danger} ${formatAmount(style, lostW, 'W')} became heat in post and cord at the second reading.${contact}`,
  };
}
