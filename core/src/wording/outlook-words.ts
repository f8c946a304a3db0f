import { consumerOf } from '../electrical/consumer.js';
import { systemOfLoad } from '../electrical/voltage-of-load.js';
import { formatNumber } from '../quantity/format.js';
import type { Load, Rig } from '../rig/schema.js';
import { margin } from './explain.js';
import { loadOf } from '../rig/lookup.js';
import { theLoad } from '../rig/names-in-sentences.js';
import { limitLabel } from './names.js';
import type { Outlook } from '../answers/outlook.js';

/**
 * An outlook in the words that are the same everywhere: can start; tight; after the kettle ends, or
 * at 400 W or less; not on this supply.
 */
export function outlookWords(rig: Rig, load: Load, outlook: Outlook): string {
  switch (outlook.answer) {
    case 'can-start':
      return 'can start';
    case 'tight': {
      const { headroom } = outlook.limit;
      if (outlook.limit.kind === 'continuous-rule') return 'tight by the 3 h rule';
      return `tight, ${margin(outlook.limit, 'stated')} ${headroom.stated < 0 ? 'over' : 'spare'} as entered`;
    }
    case 'later': {
      const ways = [
        ...(outlook.after === undefined ? [] : [`after ${theLoad(loadOf(rig, outlook.after).name)} ends`]),
        ...(outlook.inState === undefined ? [] : [`at ${stateWatts(rig, load, outlook.inState)} or less`]),
      ];
      return ways.length > 0 ? ways.join(', or ') : `no room: ${limitLabel(rig, outlook.limit)}`;
    }
    case 'not-here':
      return `not on this supply: ${outlook.because}`;
  }
}

/** The running watts of a load in one of its states, as text. */
export function stateWatts(rig: Rig, load: Load, stateId: string): string {
  return `${formatNumber(wattsInState(rig, load, stateId), 0)} W`;
}

/** Running watts of a load, as stated: in full, or in one of its states. */
export function wattsInState(rig: Rig, load: Load, stateId: string | undefined): number {
  const { parts } = consumerOf(load, systemOfLoad(rig, load), stateId);
  return parts.reduce((sum, part) => sum + part.running.watts.value, 0);
}
