import { judgeStart, type StartJudged } from '../electrical/start-test.js';
import { systemOfLoad } from '../electrical/voltage-of-load.js';
import type { Rig } from '../rig/schema.js';
import type { LogReading, LogTest, ReadingRole } from './log-test.js';

/** The start that a test has seen on its clamp; undefined while the base before it or a start is missing. */
export function startOfTest(
  rig: Rig,
  test: Pick<LogTest, 'load'>,
  readings: readonly LogReading[],
): StartJudged | undefined {
  const load = rig.loads.find(({ id }) => id === test.load);
  const amps = (role: ReadingRole): readonly number[] =>
    readings.flatMap((each) => (each.role === role ? (each.amps ?? []) : []));
  const [baseBeforeA] = amps('base-before');
  if (!load || baseBeforeA === undefined) return undefined;
  return judgeStart({
    baseBeforeA,
    baseAfterA: amps('base-after').at(-1),
    startsA: amps('start'),
    volts: systemOfLoad(rig, load).volts,
  });
}
