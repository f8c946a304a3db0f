import { array, number, object, string, type InferType } from 'yup';
import { msOfText, utcText } from '../day/clock.js';
import { MS_PER_SECOND } from '../units/conversion-factors.js';
import { firstSupply, hasEntry } from './known-entries.js';
import type { Rig } from '../rig-file/schema.js';
import type { CheckScene } from '../check/situation.js';

const MOST_TRIPS = 50;

const id = () => string().required();
/** A moment, in seconds since 1970. */
const moment = () => number().required();

const observation = object({
  /** All that had power is dark, or only some of it. */
  went: string().oneOf(['all', 'some']).required(),
  /** Of some: what still runs. */
  stillOn: array(id()).required(),
  /** How long after the last start. */
  pace: string().oneOf(['at-once', 'seconds', 'minutes']).optional(),
  noticed: array(string().oneOf(['beep', 'click', 'dim']).required()).required(),
  /** What was looked at to tell two causes apart. */
  looked: array(object({ at: id(), saw: string().oneOf(['yes', 'no']).required() })).required(),
});

const on = object({ load: id(), state: string().optional(), sinceS: moment() });

const tripBefore = object({
  atS: moment(),
  supply: id(),
  on: array(on).required(),
  /** What was switched on last. */
  started: string().optional(),
  percent: number().optional(),
  observation,
  /** The steps of the way back that are done, by their places. */
  done: array(number().required()).required(),
  /** Over: kept for the logbook. */
  endedAtS: number().optional(),
});

const atSwitchSchema = object({
  supply: id(),
  on: array(on).required(),
  /** When a load was switched off last. */
  off: array(object({ load: id(), atS: moment() })).required(),
  /** When something last started with a surge. */
  surgeAtS: number().optional(),
  charge: object({ percent: number().min(0).max(100).required(), atS: moment() })
    .optional()
    .default(undefined),
  meter: object({
    at: string().oneOf(['battery', 'output', 'inlet']).required(),
    watts: number().required(),
    atS: moment(),
  })
    .optional()
    .default(undefined),
  timers: array(object({ load: id(), endsS: moment() })).required(),
  trips: array(tripBefore).required(),
  /** Starts that instruments saw, where an earlier build kept them: now they are in the logbook itself. */
  startsSeen: array(
    object({
      atS: moment(),
      startVA: number().required(),
      runningW: number().required(),
      simulated: string().oneOf(['yes', 'no']).required(),
    }),
  )
    .default([])
    .required(),
})
  .default(undefined)
  .required();

/**
 * What is on by one's own ticks, since when, on which supply, with what was read off the meters: kept in this browser beside
 * the rig, in no file. All moments in seconds since 1970.
 */
export type LiveState = InferType<typeof atSwitchSchema>;
export type SwitchedOn = LiveState['on'][number];
export type MeterReading = NonNullable<LiveState['meter']>;
/** A trip with what was on before it and what was seen of it. */
export type Trip = LiveState['trips'][number];
export type TripObservation = Trip['observation'];
export type Pace = NonNullable<TripObservation['pace']>;

/** Nothing is on. */
export function nothingOn(rig: Rig): LiveState {
  return {
    supply: firstSupply(rig),
    on: [],
    off: [],
    charge: newestCharge(rig, undefined),
    timers: [],
    trips: [],
    startsSeen: [],
  };
}

/** The newest reading of the charge: the one of the rig's set, which every room goes by, or an older build's own. */
function newestCharge({ scenes: [scene] }: Rig, kept: LiveState['charge']): LiveState['charge'] {
  const readMs = scene?.charge && msOfText(scene.charge.readAt);
  if (!scene?.charge || readMs === undefined) return kept;
  const atS = readMs / MS_PER_SECOND;
  return kept && kept.atS > atS ? kept : { percent: scene.charge.percent, atS };
}

/**
 * What was kept of a rig, without what the rig no longer has.
 *
 * @returns Undefined where it cannot be read.
 */
export function readLiveState(kept: unknown, rig: Rig): LiveState | undefined {
  if (!atSwitchSchema.isValidSync(kept)) return undefined;
  const read = atSwitchSchema.cast(kept);
  const hasLoad = ({ load }: { readonly load: string }): boolean => hasEntry(rig.loads, load);
  return {
    ...read,
    charge: newestCharge(rig, read.charge),
    supply: hasEntry(rig.supplies, read.supply) ? read.supply : firstSupply(rig),
    on: read.on.filter(hasLoad).map((each) => withKnownState(rig, each)),
    off: read.off.filter(hasLoad),
    timers: read.timers.filter(hasLoad),
    trips: read.trips
      .slice(-MOST_TRIPS)
      .map((trip) => (trip.endedAtS === undefined ? stillKnown(rig, trip) : trip)),
  };
}

/** A trip that is still dealt with, without what the rig no longer has. */
function stillKnown(rig: Rig, { started, ...trip }: Trip): Trip {
  const isThere = (load: string): boolean => hasEntry(rig.loads, load);
  return {
    ...trip,
    supply: hasEntry(rig.supplies, trip.supply) ? trip.supply : firstSupply(rig),
    on: trip.on.filter(({ load }) => isThere(load)).map((each) => withKnownState(rig, each)),
    ...(started !== undefined && isThere(started) && { started }),
    observation: { ...trip.observation, stillOn: trip.observation.stillOn.filter(isThere) },
  };
}

function withKnownState(rig: Rig, { load, state, sinceS }: SwitchedOn): SwitchedOn {
  const states = rig.loads.find((each) => each.id === load)?.states ?? [];
  return { load, sinceS, ...(state !== undefined && hasEntry(states, state) && { state }) };
}

/** What is on, as a set to be checked. */
export function sceneOf({
  supply,
  on: ticked,
  charge,
}: Pick<LiveState, 'supply' | 'on' | 'charge'>): CheckScene {
  return {
    supply,
    on: ticked.map(({ load, state }) => ({ load, ...(state !== undefined && { state }) })),
    ...(charge && { charge: { percent: charge.percent, readAt: utcText(charge.atS * MS_PER_SECOND) } }),
  };
}
