import fc from 'fast-check';
import { tiedTo } from '../ties.js';
import { compile } from '../../src/check/wiring/compile.js';
import { holdsJoined, joiningOf, limitsOfJoining } from '../../src/check/joining.js';
import type { Limit } from '../../src/check/limits/limit.js';
import { always } from '../always.js';
import { demoRig } from '../demo-rigs.js';
import { anySystemOf } from '../naive/any-system.js';

describe('a load that joins what is on', () => {
  it('holds where every limit holds as it starts last, whichever limit failed in a set like this is asked first', () => {
    const seen = { holds: 0, fails: 0, keptOff: 0 };
    always(
      fc.property(anySystemOf(2, 4), ({ rig, supply, on }) => {
        const compiled = compile(rig);
        const [last, ...first] = [...on].reverse();
        const scenes = first.map((_, count) => ({ supply, on: first.slice(count) }));
        let failed: readonly Limit[] = [];
        // Fewer and fewer of them are on: what failed beside many may hold beside few.
        for (const scene of scenes) {
          const joined = joiningOf(compiled, scene, last!.load, last!.state);
          if ('because' in joined) {
            seen.keptOff += 1;
            expect(joined.because).not.toBe('');
            continue;
          }
          const limits = limitsOfJoining(joined);
          const isFine = limits.every(({ verdict }) => verdict === 'holds');
          seen[isFine ? 'holds' : 'fails'] += 1;
          failed = [...failed, ...limits.filter(({ verdict }) => verdict !== 'holds')];
          for (const hint of [undefined, ...failed]) expect(holdsJoined(joined, hint)).toBe(isFine);
          const brought = tiedTo(rig, [last!.load]).filter((id) => !scene.on.some(({ load }) => load === id));
          expect(joined.before.some(({ load }) => brought.includes(load.id))).toBeFalse();
        }
      }),
      { numRuns: 150 },
    );
    expect(Math.min(seen.holds, seen.fails, seen.keptOff)).toBeGreaterThan(0);
  });

  it('is refused with the reason: a water heater ahead of the inverter while nothing feeds the inlet', () => {
    const joined = joiningOf(compile(demoRig('tern')), { supply: 'battery', on: [] }, 'water-heater');
    expect(joined).toEqual({ because: jasmine.stringMatching(/feeds/) });
  });
});
