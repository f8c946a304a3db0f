import type { NumberStyle } from '../units/number-style.js';
import { consumerOf } from '../loads/consumer.js';
import { wattsCounted } from '../loads/watts-counted.js';
import { systemOfLoad } from '../loads/voltage-of-load.js';
import { formatAmount, formatNumber } from '../units/format.js';
import type { Load, Rig } from '../rig-file/schema.js';
import { margin } from '../words/explain.js';
import { marginWords } from '../words/margin-words.js';
import { loadOf } from '../rig/lookup.js';
import { theLoad } from '../rig/names-in-sentences.js';
import type { Limit } from '../check/limits/limit.js';
import type { Outlook } from './outlook.js';

/**
 * An outlook in the words that are the same everywhere: can start; tight; after the kettle ends, or
 * at 400 W or less; not on this supply; and where the set is in trouble already, what the load adds to it.
 */
export function outlookWords(style: NumberStyle, rig: Rig, load: Load, outlook: Outlook): string {
  switch (outlook.answer) {
    case 'can-start':
      return 'can start';
    case 'tight':
      return tightWords(style, outlook.limit);
    case 'likely-trips':
      return `likely trips, ${margin(style, outlook.limit, 'stated')} over as entered`;
    case 'beside':
      return 'fits beside it';
    case 'worse':
      return worseWords(style, outlook);
    case 'later': {
      const ways = [
        ...(outlook.after === undefined ? [] : [`after ${theLoad(loadOf(rig, outlook.after).name)} ends`]),
        ...(outlook.inState === undefined
          ? []
          : [`at ${stateWatts(style, rig, load, outlook.inState)} or less`]),
      ];
      return ways.length > 0 ? ways.join(', or ') : noRoom(style, outlook.limit);
    }
    case 'not-here':
      return `not on this supply: ${outlook.because}`;
  }
}

function tightWords(style: NumberStyle, limit: Limit): string {
  if (limit.kind === 'continuous-rule') return 'tight by the 3 h rule';
  return `tight, ${marginWords(style, limit)}`;
}

function worseWords(style: NumberStyle, { limit, by }: Extract<Outlook, { answer: 'worse' }>): string {
  if (limit.kind === 'continuous-rule') return 'adds to what is over the 3 h rule';
  if (limit.kind === 'unknown-rating') return `what ${limit.element.name} carries is not known`;
  return `adds ${formatAmount(style, by, limit.unit, 'at-most')} to the overload`;
}

/** Which device has no room for it, and how much is too much. */
function noRoom(style: NumberStyle, limit: Limit): string {
  const over = margin(style, limit, limit.headroom.stated < 0 ? 'stated' : 'pessimistic');
  return `no: ${over} too much for ${limit.element.name}`;
}

/** The running watts of a load in one of its states, as text. */
export function stateWatts(style: NumberStyle, rig: Rig, load: Load, stateId: string): string {
  return `${formatNumber(style, wattsCounted(rig, load, stateId), 0)} W`;
}

/** What a load draws in a state on average, W as stated: by its energy. */
export function wattsInState(rig: Rig, load: Load, stateId: string | undefined): number {
  const { parts } = consumerOf(load, systemOfLoad(rig, load));
  const state = load.states?.find(({ id }) => id === stateId);
  const shareOf = (partId: string): number =>
    state ? (state.parts.find(({ part }) => part === partId)?.share ?? 0) : 1;
  return parts.reduce((sum, { part, power }) => sum + power.watts.value * shareOf(part.id), 0);
}
