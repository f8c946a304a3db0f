import type { Rig } from '../../rig-file/schema.js';
import { followersOf } from '../../rig/followers.js';
import type { LiveState, Trip, TripObservation } from '../live-state.js';

/** What was switched on within so long before it went dark may have done it. */
const JUST_STARTED_S = 600;

/**
 * It went dark: what was on stands still as it was, and what was switched on last is noted.
 *
 * @param nowS Seconds since 1970.
 */
export function newTrip(rig: Rig, at: LiveState, nowS: number): Trip {
  const started = startedLast(rig, at, nowS);
  return {
    atS: nowS,
    supply: at.supply,
    on: at.on,
    ...(started !== undefined && { started }),
    ...(at.charge && { percent: at.charge.percent }),
    observation: { went: 'all', stillOn: [], noticed: [], looked: [] },
    done: [],
  };
}

/** What leads the others, of what was ticked last; of a whole set that was ticked at once nothing is known. */
function startedLast(rig: Rig, { on }: LiveState, nowS: number): string | undefined {
  const lastS = Math.max(...on.map(({ sinceS }) => sinceS));
  if (on.length === 0 || nowS - lastS > JUST_STARTED_S) return undefined;
  const last = on.filter(({ sinceS }) => sinceS === lastS).map(({ load }) => load);
  return last.find((id) => {
    const together = [id, ...followersOf(rig, id)];
    return last.every((each) => together.includes(each));
  });
}

/** The trip is kept from the first moment on, as it stands. */
export function withTripBegun(at: LiveState, trip: Trip): LiveState {
  return { ...at, trips: [...at.trips, trip] };
}

/** What is seen may lead back by other steps: none of them counts as done then. */
export function withTripObserved(
  at: LiveState,
  atS: number,
  change: Partial<TripObservation>,
  started?: string | null,
): LiveState {
  return changed(at, atS, ({ started: before, ...trip }) => ({
    ...trip,
    ...(started === undefined
      ? before !== undefined && { started: before }
      : started !== null && { started }),
    observation: { ...trip.observation, ...change },
    done: [],
  }));
}

/** A step of the way back is done, or is not. */
export function withStepDone(at: LiveState, atS: number, step: number, isDone: boolean): LiveState {
  return changed(at, atS, (trip) => ({
    ...trip,
    done: isDone ? [...new Set([...trip.done, step])] : trip.done.filter((each) => each !== step),
  }));
}

/** It is over: the trip is kept for the logbook. */
export function withTripEnded(at: LiveState, atS: number, endedAtS: number): LiveState {
  return changed(at, atS, (trip) => ({ ...trip, endedAtS }));
}

function changed(at: LiveState, atS: number, change: (trip: Trip) => Trip): LiveState {
  return { ...at, trips: at.trips.map((trip) => (trip.atS === atS ? change(trip) : trip)) };
}
