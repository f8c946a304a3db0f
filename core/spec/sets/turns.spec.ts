import fc from 'fast-check';
import { turnsOf } from '../../src/sets/turns.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import { always } from '../always.js';
import { demoRig } from '../demo-rigs.js';

const tern = demoRig('tern');
const compiled = compile(tern);
const holds = (ids: readonly string[]): boolean =>
  check(compiled, { supply: 'battery', on: ids.map((load) => ({ load })) }).verdict === 'holds';

/** The fewest groups of any way to divide them, each of which holds; by every partition. */
function fewestGroups(ids: readonly string[]): number {
  const [first, ...others] = ids;
  if (first === undefined) return 0;
  let fewest = Infinity;
  for (let mask = 0; mask < 2 ** others.length; mask += 1) {
    const group = [first, ...others.filter((_, index) => (mask & (1 << index)) !== 0)];
    if (!holds(group)) continue;
    fewest = Math.min(fewest, 1 + fewestGroups(ids.filter((id) => !group.includes(id))));
  }
  return fewest;
}

describe('taking turns', () => {
  it('takes no more turns than the best of all divisions, and each turn holds (every partition tried)', () => {
    const heavy = ['bandsaw', 'extractor', 'roof-air', 'hob', 'kettle', 'oven', 'bending-iron', 'fridge'];
    always(
      fc.property(fc.subarray(heavy, { minLength: 2, maxLength: 5 }), (ids) => {
        const { throughout, groups, never } = turnsOf(compiled, {
          supply: 'battery',
          on: ids.map((load) => ({ load })),
        })!;
        for (const group of groups) expect(holds([...throughout, ...group])).toBeTrue();
        expect([...throughout, ...groups.flat(), ...never].sort()).toEqual([...ids].sort());
        const possible = ids.filter((id) => !never.includes(id));
        expect(groups.length).toBe(fewestGroups(possible));
      }),
      { numRuns: 25 },
    );
  });
});
