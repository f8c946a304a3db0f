import { judgeStart, type StartJudged } from '../../loads/start/start-test.js';
import { systemOfLoad } from '../../loads/voltage-of-load.js';
import type { Rig } from '../../rig-file/schema.js';
import type { LogReading, LogTest, ReadingRole } from '../log-test.js';
import { nominalVolts } from '../give/tested-inlet.js';

/**
 * The start that a test has seen on its clamp, at the volts of its load; one of no load at those of the rig.
 *
 * @returns Undefined while the base before it or a start is missing.
 */
export function startOfTest(
  rig: Rig,
  test: Pick<LogTest, 'load'>,
  readings: readonly LogReading[],
): StartJudged | undefined {
  const load = rig.loads.find(({ id }) => id === test.load);
  const amps = (role: ReadingRole): readonly number[] =>
    readings.flatMap((each) => (each.role === role ? (each.amps ?? []) : []));
  const [baseBeforeA] = amps('base-before');
  if (baseBeforeA === undefined) return undefined;
  return judgeStart({
    baseBeforeA,
    baseAfterA: amps('base-after').at(-1),
    startsA: amps('start'),
    volts: load ? systemOfLoad(rig, load).volts : nominalVolts(rig, {}),
  });
}
