import type { NumberStyle } from '../../units/number-style.js';
import type { DoubtfulNumber, WorthLookingUp } from './worth-looking-up.js';
import { formatAmount } from '../../units/format.js';
import { supplyOf } from '../../rig/lookup.js';
import type { Rig } from '../../rig-file/schema.js';
import { partName } from '../../words/names.js';

/** What to look up or to try, and why, in two sentences. */
export function worthLookingUpWords(
  style: NumberStyle,
  rig: Rig,
  worth: WorthLookingUp,
): { readonly what: string; readonly why: string } {
  if (worth.by === 'who-carries')
    return {
      what: `Who carries a start on ${supplyOf(rig, worth.supplyId).name}`,
      why: `Start the hardest load three times and note it. ${settlesWords(worth.settles, 'up to ')}`,
    };
  const unit = worth.field === 'start' ? 'VA' : 'W';
  const name = partName(rig, worth);
  const what = worth.field === 'start' ? `The start of ${name}` : `What ${name} draws running`;
  const amount = formatAmount(style, worth.quantity.value, unit);
  return { what, why: `It is taken as ${amount}. ${reasonOf(style, worth, unit)}` };
}

function reasonOf(style: NumberStyle, { threshold, settles, tight }: DoubtfulNumber, unit: string): string {
  if (threshold) {
    const { value, holds, isOfSet } = threshold;
    const then = isOfSet ? 'the set that is on holds' : moreHold(holds);
    return `At ${formatAmount(style, value, unit, 'at-least')} or less ${then}.`;
  }
  if (settles > 0) return settlesWords(settles);
  const now = tight > 0 ? 'No single number settles what is Tight now.' : 'Nothing is Tight for now.';
  return `No other number is less sure. ${now}`;
}

const moreHold = (count: number): string =>
  count === 1
    ? 'one more load can be switched on for sure'
    : `${count} more loads can be switched on for sure`;

const settlesWords = (count: number, most = ''): string =>
  `Known for sure, it would settle ${most}${count === 1 ? 'one answer that is' : `${count} answers that are`} Tight now.`;
