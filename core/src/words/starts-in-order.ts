import { loadOf } from '../rig/lookup.js';
import { inSentence, theLoad } from '../rig/names-in-sentences.js';
import type { Rig } from '../rig-file/schema.js';
import type { CheckResult } from '../check/check.js';

/** In which order what has a start is started, beginning small: "start the dust collector first". */
export function startsInOrder(rig: Rig, { starts }: Pick<CheckResult, 'starts'>): string {
  const names = starts
    .filter(({ moment }) => moment === 'in-order')
    .map(({ consumer }) => loadOf(rig, consumer.load.id).name);
  const [only, ...others] = names;
  if (only !== undefined && others.length === 0) return `start ${theLoad(only)} first`;
  return `start them in this order: ${names.map(inSentence).join(', then ')}`;
}
