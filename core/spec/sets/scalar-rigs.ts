import fc from 'fast-check';
import type { Rig } from '../../src/rig-file/schema.js';
import { exampleRig, type ExampleLoad } from '../example-rig.js';
import type { ScalarLoad, ScalarRig } from './best-set-by-milp.js';

const VOLTS = 120;
const TIERS = [
  [3600, 60],
  [4500, 5],
  [6000, 0.5],
] as const;
const SECOND_A = 15;

const anyLoad = fc.record({
  running: fc.integer({ min: 40, max: 1200 }),
  start: fc.option(
    fc.record({ times: fc.integer({ min: 2, max: 6 }), seconds: fc.constantFrom(0.3, 0.5, 1, 4, 20) }),
    { nil: undefined },
  ),
  startsBy: fc.constantFrom<ScalarLoad['startsBy']>('hand', 'hand', 'hand', 'itself'),
  circuit: fc.constantFrom('main', 'main', 'second'),
});

/** A rig without doubts, of so many loads. */
export function anyScalarRig(minLength: number, maxLength: number): fc.Arbitrary<ScalarRig> {
  return fc
    .record({
      loads: fc.array(anyLoad, { minLength, maxLength }),
      continuous: fc.integer({ min: 1500, max: 3200 }),
    })
    .map(({ loads, continuous }) => ({
      continuous,
      tiers: TIERS,
      circuits: { second: SECOND_A * VOLTS },
      loads: loads.map(({ running, start, ...rest }, index) => ({
        ...rest,
        id: `load-${index}`,
        running,
        // A breaker has a say in a start: on the second circuit there is none.
        ...(start &&
          rest.circuit === 'main' && { start: { va: running * start.times, seconds: start.seconds } }),
      })),
    }));
}

/** Always the same one of so many loads. */
export function scalarRig(loads: number): ScalarRig {
  const [rig] = fc.sample(anyScalarRig(loads, loads), { numRuns: 1, seed: loads });
  return rig!;
}

/** The same as a rig of ours: one inverter, two circuits. */
export function scalarRigAsRig({ loads, continuous, tiers }: ScalarRig): Rig {
  const example = ({ running, start, startsBy, circuit }: ScalarLoad): ExampleLoad => ({
    w: running,
    circuit,
    usage: startsBy === 'itself' ? 'by-itself' : 'left-on',
    ...(start && { start: [start.va, start.seconds] as const }),
  });
  const rig = exampleRig(Object.fromEntries(loads.map((load) => [load.id, example(load)])), {
    watts: continuous,
    tiers,
    breakerA: 200,
  });
  const protection = { amps: SECOND_A, curve: 'ul-489' as const };
  return { ...rig, circuits: [...rig.circuits, { id: 'second', name: 'Second', bus: 'out', protection }] };
}
