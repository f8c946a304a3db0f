import { loadOf } from '../rig/lookup.js';
import { theLoad } from '../rig/names-in-sentences.js';
import type { Rig } from '../rig-file/schema.js';
import type { Turns } from './turns.js';
import { listNames } from '../words/explain.js';

/** Who runs when, in a line, and what runs all the time behind it. */
export function turnsWords(rig: Rig, turns: Turns): { readonly line: string; readonly detail: string } {
  const names = (ids: readonly string[]): string => listNames(ids.map((id) => theLoad(loadOf(rig, id).name)));
  const { throughout, groups, never } = turns;
  const taking = groups.filter((group) => group.length > 0).map(names);
  const line =
    taking.length < 2
      ? never.length > 0
        ? `Nothing to take turns with: ${names(never)} ${never.length > 1 ? 'do' : 'does'} not hold here even alone.`
        : 'All of them can run at once.'
      : `In ${taking.length} turns: ${taking.join('; then ')}.`;
  return {
    line,
    detail: [
      ...(throughout.length > 0 ? [`All the time: ${names(throughout)}.`] : []),
      ...(taking.length > 1 ? ['Each turn holds with every doubt against you, in its best order.'] : []),
      ...(never.length > 0 && taking.length > 1 ? [`Not here, even alone: ${names(never)}.`] : []),
    ].join(' '),
  };
}
