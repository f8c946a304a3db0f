import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { checkAfter, leastChangeOf, type SingleChange } from '../../src/answers/least-change.js';
import { readRigFile } from '../../src/formats/rig-file.js';
import { compile } from '../../src/system/compile.js';
import { check } from '../../src/verdict/check.js';
import type { CheckScene } from '../../src/verdict/situation.js';
import { leastChangeWords } from '../../src/wording/least-change-words.js';
import { always } from '../always.js';

const read = readRigFile(readFileSync('demo/tern.json', 'utf8'));
if (!read.ok) throw new Error('The demo rig cannot be read');
const rig = read.value;
const compiled = compile(rig);

/** Every load switched off, and every load in every one of its states. */
function everySingleChange({ on }: CheckScene): readonly SingleChange[] {
  const ofLoads = on.flatMap(({ load: loadId }) => [
    { by: 'off' as const, loadId },
    ...(rig.loads.find(({ id }) => id === loadId)?.states ?? []).map(({ id }) => ({
      by: 'state' as const,
      loadId,
      stateId: id,
    })),
  ]);
  return [...ofLoads, { by: 'charging-off' }];
}

describe('the least change that makes a set hold', () => {
  it('is found where there is one, and holds by the check itself (exhaustive on random sets of a demo rig)', () => {
    always(
      fc.property(
        fc.constantFrom(...rig.supplies.map(({ id }) => id)),
        fc.subarray(
          rig.loads.map(({ id }) => ({ load: id })),
          { minLength: 1, maxLength: 6 },
        ),
        (supply, on) => {
          const scene: CheckScene = { supply, on };
          const { found, isComplete } = leastChangeOf(compiled, scene, 'best');
          expect(isComplete).toBeTrue();
          const isFine = check(compiled, scene).verdict === 'holds';
          const helps = everySingleChange(scene).some(
            (change) => checkAfter(compiled, scene, change, 'best').verdict === 'holds',
          );
          expect(found !== undefined).toBe(helps && !isFine);
          if (found) expect(checkAfter(compiled, scene, found.change, 'best').verdict).toBe('holds');
        },
      ),
      { numRuns: 60 },
    );
  });

  it('turns down before it switches off, switches off what matters least, and leaves on what is protected', () => {
    const scene: CheckScene = {
      supply: 'battery',
      on: [{ load: 'hob' }, { load: 'kettle' }, { load: 'fridge' }],
    };
    const turnedDown = leastChangeOf(compiled, scene, 'best').found;
    expect(turnedDown?.change.by).toBe('state');
    const heaters: CheckScene = { supply: 'battery', on: [{ load: 'kettle' }, { load: 'oven' }] };
    const withKettle = (change: object) =>
      compile({
        ...rig,
        loads: rig.loads.map((load) => (load.id === 'kettle' ? { ...load, ...change } : load)),
      });
    const offOf = (change: object) => leastChangeOf(withKettle(change), heaters, 'best').found?.change;
    expect(offOf({ importance: 'may' })).toEqual({ by: 'off', loadId: 'kettle' });
    expect(offOf({ importance: 'must' })).toEqual({ by: 'off', loadId: 'oven' });
    expect(offOf({ importance: 'may', isProtected: 'yes' })).toEqual({ by: 'off', loadId: 'oven' });
    const words = leastChangeWords('point', rig, leastChangeOf(compiled, heaters, 'best'));
    expect(words.does).toBe('Switch the kettle off');
    expect(words.then).toMatch(/^Holds\. With at least/);
  });

  it('turns charging off where that alone is too much: a rule of three hours on a weak post', () => {
    const { on } = rig.scenes[0] ?? { on: [] };
    const answer = leastChangeOf(compiled, { supply: 'shore-15', on }, 'best');
    expect(answer.found?.change).toEqual({ by: 'charging-off' });
    expect(leastChangeWords('point', rig, answer).does).toBe('Turn charging off');
  });

  it('says so where no single one is enough', () => {
    const everything: CheckScene = { supply: 'battery', on: rig.loads.map(({ id }) => ({ load: id })) };
    const answer = leastChangeOf(compiled, everything, 'best');
    expect(answer.found).toBeUndefined();
    expect(leastChangeWords('point', rig, answer).does).toMatch(/^Nothing that is turned down or off alone/);
  });
});
