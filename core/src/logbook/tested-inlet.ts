import type { Rig } from '../rig/schema.js';
import type { LogTest } from './log-test.js';

/** Volts of North American mains, where a rig says nothing of its inlet: from memory. */
const USUAL_V = 120;

/** Nominal volts of the source that an arrival test is made at, V. */
export function nominalVolts(rig: Rig, test: Pick<LogTest, 'supply'>): number {
  const supply = rig.supplies.find(({ id }) => id === test.supply);
  const source = rig.sources.find(({ id }) => supply?.sources.includes(id));
  return rig.buses.find(({ id }) => id === source?.bus)?.volts ?? USUAL_V;
}
