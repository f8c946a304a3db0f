import type { AtSwitch, Trip } from '../now/at-switch.js';
import type { Rig } from '../rig/schema.js';
import { keptSource } from '../electrical/source-test.js';
import { arrivalOfTest } from './arrival-of-test.js';
import type { LogReading, LogTest, ReadingRole } from './log-test.js';
import { nominalVolts } from './tested-inlet.js';
import { sourceTarget } from './use-number.js';

/** What was kept at the switch, as entries of the logbook: trips that are over, starts that instruments saw, arrival tests. */
export function testsFromSwitch(
  rig: Rig,
  { trips, startsSeen, arrivals }: Pick<AtSwitch, 'trips' | 'startsSeen' | 'arrivals'>,
): readonly LogTest[] {
  return [
    ...trips.flatMap((trip) => tripTest(trip) ?? []),
    ...startsSeen.map((seen) => startTest(rig, seen)),
    ...arrivals.map((read) => arrivalTest(rig, read)),
  ];
}

function tripTest(trip: Trip): LogTest | undefined {
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

function startTest(rig: Rig, { atS, startVA, simulated }: AtSwitch['startsSeen'][number]): LogTest {
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

function arrivalTest(rig: Rig, { atS, supply, light, loaded, warm }: AtSwitch['arrivals'][number]): LogTest {
  const name = rig.supplies.find(({ id }) => id === supply)?.name ?? 'a supply that is gone';
  const at = (role: ReadingRole, read: typeof light): LogReading => ({ id: role, atS, role, ...read });
  const readings = [at('little-on', light), at('much-on', loaded), ...(warm ? [at('warm', warm)] : [])];
  const found = arrivalOfTest(readings, nominalVolts(rig, { supply }));
  return {
    id: `arrival-${atS}`,
    kind: 'arrival',
    question: `Arrival: how strong is ${name}?`,
    begunAtS: atS,
    endedAtS: atS,
    endedBecause: 'kept with the supply',
    supply,
    conditions: {},
    readings,
    uses: found ? [{ target: sourceTarget(supply), value: keptSource(found).ohms, atS }] : [],
  };
}
