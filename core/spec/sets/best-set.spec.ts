import fc from 'fast-check';
import { combinationsOf } from '../../src/sets/combinations.js';
import { compile } from '../../src/check/wiring/compile.js';
import { always } from '../always.js';
import { milpSolver, mostTogether } from './best-set-by-milp.js';
import { anyScalarRig, scalarRig, scalarRigAsRig } from './scalar-rigs.js';

describe('the largest combination of a rig without doubts', () => {
  it('has as many loads as a mixed-integer programme of its own finds (HiGHS; earliest deadline, Jackson 1955)', async () => {
    const solver = await milpSolver();
    always(
      fc.property(anyScalarRig(4, 12), (rig) => {
        const { found } = combinationsOf(compile(scalarRigAsRig(rig)), {
          supply: 'battery',
          edge: 'pessimistic',
        });
        expect(found[0]?.loads.length ?? 0).toBe(mostTogether(solver, rig));
      }),
      { numRuns: 30 },
    );
  });

  it('also among forty, where only the best are looked for', async () => {
    const solver = await milpSolver();
    const rig = scalarRig(40);
    const { found, of, extent } = combinationsOf(compile(scalarRigAsRig(rig)), {
      supply: 'battery',
      edge: 'pessimistic',
    });
    expect([of, extent]).toEqual([40, 'best']);
    expect(found[0]?.loads.length).toBe(mostTogether(solver, rig));
  });
});
