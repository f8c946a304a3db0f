import type { LeastChange, LeastChangeAnswer } from '../answers/least-change.js';
import type { NumberStyle } from '../quantity/number-style.js';
import { capitalised } from '../quantity/format.js';
import { loadOf } from '../rig/lookup.js';
import { theLoad } from '../rig/names-in-sentences.js';
import type { Rig } from '../rig/schema.js';
import { explain, verdictPhrase } from './explain.js';
import { stateWatts } from './outlook-words.js';

/** What the hand does, and what the set is then; where nothing is enough, that. */
export interface LeastChangeWords {
  readonly does: string;
  readonly then: string;
}

/**
 * The least change in words.
 *
 * @example
 * // does: 'Switch the kettle off', then: 'Holds. With at least 115 W to spare.'
 */
export function leastChangeWords(style: NumberStyle, rig: Rig, answer: LeastChangeAnswer): LeastChangeWords {
  const { found, isComplete } = answer;
  if (found) return { does: hand(style, rig, found), then: outcome(style, rig, found) };
  return {
    does: isComplete
      ? 'Nothing that is turned down or off alone is enough'
      : 'None of the single changes tried is enough',
    then: 'Switch more than one load off, or change the supply.',
  };
}

function hand(style: NumberStyle, rig: Rig, { change }: LeastChange): string {
  if (change.by === 'charging-off') return 'Turn charging off';
  const load = loadOf(rig, change.loadId);
  if (change.by === 'off') return `Switch ${theLoad(load.name)} off`;
  const state = load.states?.find(({ id }) => id === change.stateId)?.name ?? change.stateId;
  return `${capitalised(theLoad(load.name))} on ${state}, ${stateWatts(style, rig, load, change.stateId)}`;
}

function outcome(style: NumberStyle, rig: Rig, { result }: LeastChange): string {
  const words = explain(style, rig, result);
  return `${verdictPhrase(words)}. ${words.action}`;
}
