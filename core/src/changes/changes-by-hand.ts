import { wattsCounted } from '../loads/watts-counted.js';
import { CONTINUOUS_MINUTES } from '../reference/breaker-curves.js';
import { kindOfPart } from '../reference/kinds-of-parts.js';
import { loadOf } from '../rig/lookup.js';
import type { Load, Rig } from '../rig-file/schema.js';
import type { Limit } from '../check/limits/limit.js';
import type { AskedSet, ChangeByHand } from './change.js';

/** A little less than the time from which a load counts as continuous. */
const SHORT_MINUTES = CONTINUOUS_MINUTES - 10;
const MOST_SWAPS = 2;

/**
 * What a hand at the switches can do otherwise, one thing at a time; waits apart, which follow from what goes off.
 *
 * @param kept Loads that must stay on: those that are wanted.
 */
export function changesByHand(
  asked: AskedSet,
  failing: readonly Limit[],
  kept: ReadonlySet<string>,
): readonly ChangeByHand[] {
  const { rig, scene, startOrder } = asked;
  const mayGo = scene.on.filter(({ load }) => !kept.has(load));
  return [
    ...(startOrder === 'best' ? [] : [{ by: 'order' as const }]),
    ...scene.on.flatMap(({ load, state }) => lowerStates(rig, loadOf(rig, load), state)),
    ...scene.on.flatMap(({ load, heldOff }) => heldBack(loadOf(rig, load), heldOff)),
    ...shorterRuns(rig, failing),
    ...mayGo.flatMap(({ load, state }) => instead(asked, loadOf(rig, load), state)),
  ];
}

/** The states in which a load draws less than it does. */
export function lowerStates(rig: Rig, load: Load, state: string | undefined): readonly ChangeByHand[] {
  const now = wattsCounted(rig, load, state);
  return (load.states ?? [])
    .filter(({ id }) => wattsCounted(rig, load, id) < now)
    .map(({ id }) => ({ by: 'state', loadId: load.id, stateId: id }));
}

/** Medical loads and what must never be off are not held off either. */
function heldBack({ id, usage, isProtected }: Load, heldOff: string | undefined): readonly ChangeByHand[] {
  const isFree = usage === 'by-itself' && heldOff !== 'yes' && isProtected !== 'yes';
  return isFree ? [{ by: 'hold-off', loadId: id }] : [];
}

/** Only where the rule of three hours is not kept: what runs for less does not count for it. */
function shorterRuns(rig: Rig, failing: readonly Limit[]): readonly ChangeByHand[] {
  const ruled = failing.filter(({ kind }) => kind === 'continuous-rule');
  const isLong = (id: string): boolean =>
    (rig.loads.find((load) => load.id === id)?.runsMinutes ?? 0) >= CONTINUOUS_MINUTES;
  const ids = new Set(ruled.flatMap(({ element }) => [...element.members.keys()].filter(isLong)));
  return [...ids].map((loadId) => ({ by: 'shorter', loadId, minutes: SHORT_MINUTES }));
}

function instead({ rig, scene }: AskedSet, load: Load, state: string | undefined): readonly ChangeByHand[] {
  if (load.isProtected === 'yes') return [];
  return [
    ...(load.otherFuel ? [{ by: 'other-fuel' as const, loadId: load.id }] : []),
    ...swaps(rig, new Set(scene.on.map((entry) => entry.load)), load, state),
    { by: 'off', loadId: load.id },
  ];
}

/** What does the same kind of work on less: only of cooking and heating, where one serves for the other. */
function swaps(
  rig: Rig,
  on: ReadonlySet<string>,
  load: Load,
  state: string | undefined,
): readonly ChangeByHand[] {
  const family = familyOf(load);
  if (family !== 'Cooking' && family !== 'Heating') return [];
  const now = wattsCounted(rig, load, state);
  return rig.loads
    .filter((other) => !on.has(other.id) && familyOf(other) === family)
    .map((other) => ({ other, watts: wattsCounted(rig, other, undefined) }))
    .filter(({ watts }) => watts < now)
    .sort((a, b) => b.watts - a.watts)
    .slice(0, MOST_SWAPS)
    .map(({ other }) => ({ by: 'swap', loadId: load.id, withId: other.id }));
}

const familyOf = ({ parts: [part] }: Load): string | undefined => part && kindOfPart(part.kind).family;
