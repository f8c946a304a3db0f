import type { Rig } from '../../rig-file/schema.js';
import type { LogTest } from '../log-test.js';

/** Of a rig without any alternating current nothing is read at an inlet: North American mains, from memory. */
const USUAL_V = 120;

/** Nominal volts of the source that a test is made at, V; where it names none, those of the rig's alternating current. */
export function nominalVolts(rig: Rig, test: Pick<LogTest, 'supply'>): number {
  const supply = rig.supplies.find(({ id }) => id === test.supply);
  const source = rig.sources.find(({ id }) => supply?.sources.includes(id));
  const bus = rig.buses.find(({ id }) => id === source?.bus) ?? rig.buses.find(({ kind }) => kind === 'ac');
  return bus?.volts ?? USUAL_V;
}
