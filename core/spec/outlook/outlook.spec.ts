import { outlooksOf } from '../../src/outlook/outlook.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import { DEMO_NAMES, demoRig } from '../demo-rigs.js';

describe('the outlook beside a set that is in trouble already', () => {
  it('says what a load adds, and nothing of what was there: the check of both sets differs by just that', () => {
    let [beside, worse] = [0, 0];
    for (const rig of DEMO_NAMES.map(demoRig)) {
      const compiled = compile(rig);
      for (const supply of rig.supplies) {
        const scene = { supply: supply.id, on: rig.loads.slice(0, 9).map(({ id }) => ({ load: id })) };
        const before = check(compiled, scene);
        for (const [id, outlook] of outlooksOf(compiled, scene)) {
          if (outlook.answer !== 'beside' && outlook.answer !== 'worse') continue;
          const after = check(compiled, { ...scene, on: [...scene.on, { load: id }] });
          const overAt = (result: typeof after, limitId: string): number =>
            Math.max(0, -(result.limits.find((each) => each.id === limitId)?.headroom.pessimistic ?? 0));
          if (outlook.answer === 'worse' && outlook.limit.start === undefined) {
            worse += 1;
            expect(overAt(after, outlook.limit.id) - overAt(before, outlook.limit.id)).toBeCloseTo(
              outlook.by,
              6,
            );
          }
          if (outlook.answer === 'beside') {
            beside += 1;
            for (const { id: limit, start } of after.limits)
              if (!start)
                expect(overAt(after, limit)).withContext(limit).toBeCloseTo(overAt(before, limit), 3);
          }
        }
      }
    }
    expect(beside).toBeGreaterThan(0);
    expect(worse).toBeGreaterThan(5);
  });
});
