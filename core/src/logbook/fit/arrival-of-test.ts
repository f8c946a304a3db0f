import { sourceTest, type Reading, type SourceTest } from '../../supply/source-test.js';
import type { LogReading, ReadingRole } from '../log-test.js';

/**
 * What the readings at an inlet say of the source: the last with little on, the last with much on, the last one warm.
 *
 * @param nominalV Of the source, V.
 */
export function arrivalOfTest(readings: readonly LogReading[], nominalV: number): SourceTest | undefined {
  const at = (role: ReadingRole): Reading | undefined => {
    const { volts, amps } = readings.filter((each) => each.role === role).at(-1) ?? {};
    return volts !== undefined && amps !== undefined ? { volts, amps } : undefined;
  };
  const [light, loaded] = [at('little-on'), at('much-on')];
  return light && loaded && sourceTest(light, loaded, nominalV, at('warm'));
}
