import type { Reading } from '../../supply/source-test.js';
import { keptSource } from '../../rig/kept-source.js';
import type { Rig } from '../../rig-file/schema.js';
import { arrivalOfTest } from '../fit/arrival-of-test.js';
import type { LogReading, LogTest, ReadingRole } from '../log-test.js';
import { nominalVolts } from '../give/tested-inlet.js';
import { sourceTarget } from '../give/use-number.js';

/** What was read at an inlet, and when, seconds since 1970. */
export interface ArrivalRead {
  readonly atS: number;
  readonly supply: string;
  readonly light: Reading;
  readonly loaded: Reading;
  readonly warm: Reading | undefined;
}

/** An arrival test whose answer was kept with its supply, as an entry of the logbook. */
export function arrivalEntry(rig: Rig, { atS, supply, light, loaded, warm }: ArrivalRead): LogTest {
  const name = rig.supplies.find(({ id }) => id === supply)?.name ?? supply;
  const at = (role: ReadingRole, read: Reading): LogReading => ({ id: role, atS, role, ...read });
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
