import type { LiveState, Trip } from '../../now/live-state.js';
import type { Rig } from '../../rig-file/schema.js';
import type { LogTest } from '../log-test.js';
import { nominalVolts } from '../give/tested-inlet.js';

/** What was kept at the switch, as entries of the logbook: trips that are over, and starts that instruments saw. */
export function testsFromSwitch(
  rig: Rig,
  { trips, startsSeen }: Pick<LiveState, 'trips' | 'startsSeen'>,
): readonly LogTest[] {
  return [
    ...trips.flatMap((trip) => testOfTrip(trip) ?? []),
    ...startsSeen.map((seen) => testOfStartSeen(rig, seen)),
  ];
}

/** @returns Undefined while it is not over. */
export function testOfTrip(trip: Trip): LogTest | undefined {
  if (trip.endedAtS === undefined) return undefined;
  return {
    id: `trip-${trip.atS}`,
    kind: 'trip',
    question: trip.observation.went === 'all' ? 'All went dark' : 'Some of it went dark',
    begunAtS: trip.atS,
    endedAtS: trip.endedAtS,
    supply: trip.supply,
    conditions: trip.percent === undefined ? {} : { startPercent: trip.percent },
    readings: [],
    uses: [],
    trip,
  };
}

export function testOfStartSeen(
  rig: Rig,
  { atS, startVA, simulated }: LiveState['startsSeen'][number],
): LogTest {
  return {
    id: `start-seen-${atS}`,
    kind: 'start',
    question: 'A start that instruments saw',
    begunAtS: atS,
    endedAtS: atS,
    conditions: {},
    readings: [
      { id: 'base', atS, role: 'base-before', amps: 0 },
      { id: 'start', atS, role: 'start', amps: startVA / nominalVolts(rig, {}) },
    ],
    uses: [],
    simulated,
  };
}
