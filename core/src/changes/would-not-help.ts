import { isSoftStarted } from '../loads/start/soft-starter.js';
import { SUITS_SOFT_STARTER } from '../reference/soft-starters.js';
import { loadOf } from '../rig/lookup.js';
import { decidingLimit } from '../check/limits/limit-order.js';
import type { Limit } from '../check/limits/limit.js';
import type { Change } from './change.js';
import type { Trials } from './trials.js';

/** What people would do about it, and why it does not help. */
export type WouldNotHelp =
  /** With it made, this limit is still not kept. */
  | { readonly by: 'change'; readonly change: Change; readonly limit: Limit }
  /** Never done, whatever the numbers: the wire behind a breaker is made for this one. */
  | { readonly by: 'larger-breaker'; readonly limit: Limit };

const MOST_TOLD = 3;
const TWICE = 2;
/** What stands between a source and the rig. */
const OF_SOURCES: readonly Limit['element']['kind'][] = [
  'source-breaker',
  'inlet-breaker',
  'generator',
  'plug-and-cord',
];

/**
 * Popular remedies that do not make a set hold, with the limit that is in the way all the same: more battery, a bigger
 * inverter, a soft starter, another order, another limit, assist. A larger breaker is never one.
 *
 * Source: the check itself; which remedies are popular is common practice, no published source.
 */
export function wouldNotHelp(trials: Trials): readonly WouldNotHelp[] {
  const { base } = trials;
  const breaker = trials.failing.find(({ element }) => 'protection' in element);
  const tried = popular(trials).flatMap((change): readonly WouldNotHelp[] => {
    const { result, isWhole } = trials.try([change]);
    const limit = decidingLimit(result.limits);
    const isHelp = !isWhole || result.verdict === 'holds' || !limit;
    return isHelp || limit.element.id !== base.decider?.element.id ? [] : [{ by: 'change', change, limit }];
  });
  return [
    ...(breaker ? [{ by: 'larger-breaker' as const, limit: breaker }] : []),
    ...tried.slice(0, MOST_TOLD),
  ];
}

/** What people think of first, by what decides: the battery where it is the inverter, and so on. */
function popular({ asked: { rig, scene, startOrder }, base }: Trials): readonly Change[] {
  const decider = base.decider?.element.kind;
  const isAssisting = base.supply.sources.length === 0 || base.supply.assist === 'on';
  const isOfSource = decider !== undefined && OF_SOURCES.includes(decider);
  return [
    ...(decider === 'inverter' || isOfSource
      ? rig.batteries.slice(0, 1).map(({ id }): Change => ({ by: 'more-battery', batteryId: id }))
      : []),
    ...(decider === 'battery' || isOfSource
      ? rig.converters
          .filter(({ kind }) => kind.startsWith('inverter'))
          .slice(0, 1)
          .map(({ id }): Change => ({ by: 'bigger-inverter', converterId: id, factor: TWICE }))
      : []),
    ...softStarters(rig, scene.on),
    ...(startOrder === 'best' ? [] : [{ by: 'order' as const }]),
    ...(isAssisting ? [] : [{ by: 'assist-on' as const }]),
  ];
}

/** Of the loads that are on, one of each that could have one. */
function softStarters(rig: Trials['asked']['rig'], on: Trials['asked']['scene']['on']): readonly Change[] {
  return on
    .map(({ load }) => loadOf(rig, load))
    .flatMap((load) =>
      load.parts
        .filter((part) => SUITS_SOFT_STARTER.includes(part.kind) && !isSoftStarted(part))
        .map((part): Change => ({ by: 'soft-starter', loadId: load.id, partId: part.id })),
    );
}
