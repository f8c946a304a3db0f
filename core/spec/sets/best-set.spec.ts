import fc from 'fast-check';
import { combinationsOf } from '../../src/sets/combinations.js';
import type { Rig } from '../../src/rig/schema.js';
import { compile } from '../../src/system/compile.js';
import { always } from '../always.js';
import { exampleRig, type ExampleLoad } from '../example-rig.js';
import { milpSolver, mostTogether, type ScalarLoad, type ScalarRig } from './best-set-by-milp.js';

const VOLTS = 120;
const TIERS = [
  [3600, 60],
  [4500, 5],
  [6000, 0.5],
] as const;

const anyLoad = fc.record({
  running: fc.integer({ min: 40, max: 1200 }),
  start: fc.option(
    fc.record({ times: fc.integer({ min: 2, max: 6 }), seconds: fc.constantFrom(0.3, 0.5, 1, 4, 20) }),
    {
      nil: undefined,
    },
  ),
  startsBy: fc.constantFrom<ScalarLoad['startsBy']>('hand', 'hand', 'hand', 'itself'),
  circuit: fc.constantFrom('main', 'main', 'second'),
});

const anyRig: fc.Arbitrary<ScalarRig> = fc
  .record({
    loads: fc.array(anyLoad, { minLength: 4, maxLength: 12 }),
    continuous: fc.integer({ min: 1500, max: 3200 }),
  })
  .map(({ loads, continuous }) => ({
    continuous,
    tiers: TIERS,
    circuits: { second: 15 * VOLTS },
    loads: loads.map(({ running, start, ...rest }, index) => ({
      ...rest,
      id: `load-${index}`,
      running,
      // A breaker has a say in a start: on the second circuit there is none.
      ...(start &&
        rest.circuit === 'main' && { start: { va: running * start.times, seconds: start.seconds } }),
    })),
  }));

function asRig({ loads, continuous, tiers }: ScalarRig): Rig {
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
  const second = {
    id: 'second',
    name: 'Second',
    bus: 'out',
    protection: { amps: 15, curve: 'ul-489' as const },
  };
  return { ...rig, circuits: [...rig.circuits, second] };
}

describe('the largest combination of a rig without doubts', () => {
  it('has as many loads as a mixed-integer programme of its own finds (HiGHS; earliest deadline, Jackson 1955)', async () => {
    const solver = await milpSolver();
    always(
      fc.property(anyRig, (rig) => {
        const { found } = combinationsOf(compile(asRig(rig)), { supply: 'battery', edge: 'pessimistic' });
        expect(found[0]?.loads.length ?? 0).toBe(mostTogether(solver, rig));
      }),
      { numRuns: 60 },
    );
  });
});
