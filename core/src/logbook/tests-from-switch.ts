import type { AtSwitch } from '../now/at-switch.js';
import type { Rig } from '../rig/schema.js';
import type { LogTest } from './log-test.js';
import { nominalVolts } from './tested-inlet.js';

/** Trips that are over, and starts that instruments have seen, as entries of the logbook. */
export function testsFromSwitch(
  rig: Rig,
  { trips, startsSeen }: Pick<AtSwitch, 'trips' | 'startsSeen'>,
): readonly LogTest[] {
  return [
    ...trips.flatMap((trip): readonly LogTest[] =>
      trip.endedAtS === undefined
        ? []
        : [
            {
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
            },
          ],
    ),
    ...startsSeen.map(({ atS, startVA, simulated }): LogTest => {
      const volts = nominalVolts(rig, {});
      return {
        id: `start-seen-${atS}`,
        kind: 'start',
        question: 'A start that instruments saw',
        begunAtS: atS,
        endedAtS: atS,
        conditions: {},
        readings: [
          { id: 'base', atS, role: 'base-before', amps: 0 },
          { id: 'start', atS, role: 'start', amps: startVA / volts },
        ],
        uses: [],
        simulated,
      };
    }),
  ];
}
