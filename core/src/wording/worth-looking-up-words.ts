import type { NumberStyle } from '../quantity/number-style.js';
import type { WorthLookingUp } from '../answers/worth-looking-up.js';
import { formatAmount } from '../quantity/format.js';
import type { Rig } from '../rig/schema.js';
import { partName } from './names.js';

/** What to look up and why, in two sentences. */
export function worthLookingUpWords(
  style: NumberStyle,
  rig: Rig,
  worth: WorthLookingUp,
): { readonly what: string; readonly why: string } {
  const unit = worth.field === 'start' ? 'VA' : 'W';
  const name = partName(rig, worth);
  const what = worth.field === 'start' ? `The start of ${name}` : `What ${name} draws running`;
  const amount = formatAmount(style, worth.quantity.value, unit);
  return { what, why: `It is taken as ${amount}. ${reasonOf(style, worth, unit)}` };
}

function reasonOf(style: NumberStyle, { threshold, settles, tight }: WorthLookingUp, unit: string): string {
  if (threshold !== undefined)
    return `At ${formatAmount(style, threshold, unit, 'at-least')} or less the set that is on holds.`;
  if (settles > 0)
    return `Known for sure, it would settle ${settles === 1 ? 'one answer that is' : `${settles} answers that are`} Tight now.`;
  const now = tight > 0 ? 'No single number settles what is Tight now.' : 'Nothing is Tight for now.';
  return `No other number is less sure. ${now}`;
}
