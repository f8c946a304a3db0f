import type { NumberStyle } from '../../units/number-style.js';
import { formatAmount, formatNumber, formatSeconds } from '../../units/format.js';
import type { Rig } from '../../rig-file/schema.js';
import type { Settlement } from './settle.js';
import { partName } from '../../words/names.js';

/** What would settle a Tight verdict, as one sentence. */
export function settlementWords(style: NumberStyle, rig: Rig, settlement: Settlement): string {
  switch (settlement.by) {
    case 'measuring':
      return measuring(style, rig, settlement);
    case 'trying-starts':
      return 'Tight because it is not known who carries a start on this hookup. Try it three times and note it.';
    case 'data-sheet':
      return `The ${settlement.device} breaker decides, not a load: its data sheet says how long it carries more.`;
  }
}

function measuring(
  style: NumberStyle,
  rig: Rig,
  settlement: Extract<Settlement, { by: 'measuring' }>,
): string {
  const what = partName(rig, settlement);
  const { threshold, field } = settlement;
  if (field === 'seconds')
    return `Measure how long ${what} takes to start: at ${formatSeconds(style, threshold)} or less it holds.`;
  const value =
    field === 'start'
      ? formatAmount(style, threshold, 'VA', 'at-least')
      : `${formatNumber(style, threshold, 0, 'at-least')} W`;
  const number = field === 'start' ? 'the start of' : 'the running watts of';
  return `Measure ${number} ${what}: at ${value} or less it holds.`;
}
