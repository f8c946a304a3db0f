import type { NumberStyle } from '../../units/number-style.js';
import { formatAmount } from '../../units/format.js';
import type { InputLimit } from './input-limit.js';

const BOUNDS: Record<InputLimit['because'], string> = {
  breaker: 'the smallest breaker or plug in the chain',
  generator: '80 % of what the generator gives for hours',
  relay: 'its transfer relay',
  'low-voltage': 'the volts, which fall too low beyond it',
};

/** What to set as input limit: a line to read, and what bounds it. */
export function inputLimitWords(
  style: NumberStyle,
  limit: InputLimit,
): { readonly line: string; readonly detail: string } {
  const { atMostA, atLeastA, setA, aheadA, because, keepsContinuousRule } = limit;
  const share = because === 'breaker' && keepsContinuousRule ? '80 % for hours of ' : '';
  const most = formatAmount(style, atMostA, 'A', 'at-least');
  const ahead =
    aheadA > 0 ? `, less ${formatAmount(style, aheadA, 'A', 'at-most')} drawn ahead of the limit` : '';
  const set =
    setA === undefined
      ? 'None is set'
      : `${formatAmount(style, setA, 'A')} is set${setA > atMostA ? ', more than that' : ''}`;
  const least =
    atLeastA === undefined
      ? 'The inverter carries what is on even without the source.'
      : `At least ${formatAmount(style, atLeastA, 'A', 'at-most')}, or the inverter is over its continuous rating.`;
  return {
    line: atMostA > 0 ? `At most ${most}. ${set}.` : `Nothing is left for it. ${set}.`,
    detail: `Bound by ${share}${BOUNDS[because]}${ahead}. ${least}`,
  };
}
