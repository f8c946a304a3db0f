import { explain, plainText, spareOrOver } from '../../src/words/explain.js';
import { check } from '../../src/check/check.js';
import { compile } from '../../src/check/wiring/compile.js';
import type { Rig } from '../../src/rig-file/schema.js';
import { exampleRig, on, q } from '../example-rig.js';

const rig = exampleRig({ kettle: { w: 1200 }, fridge: { w: 100, start: [1000, 0.5] } }, { watts: 3000 });

const onGenerator = (rated: boolean): Rig => ({
  ...rig,
  sources: [
    {
      id: 'shore',
      name: 'Generator',
      kind: 'generator',
      bus: 'inlet',
      ...(rated && { continuousW: q(2000) }),
    },
  ],
});
const withoutBreaker: Rig = {
  ...rig,
  supplies: rig.supplies.map(({ breaker: _breaker, ...supply }) => supply),
};
const onShore = (of: Rig, ...ids: string[]) => check(compile(of), { supply: 'shore', on: on(...ids) });

describe('a rating that is not entered', () => {
  it('of what feeds the set caps the verdict at Tight, in a row that says so and names it', () => {
    const known = onShore(onGenerator(true), 'kettle');
    expect(known.verdict).toBe('holds');
    for (const [of, name] of [
      [onGenerator(false), 'Rating of Generator'],
      [withoutBreaker, 'Breaker of Shore'],
    ] as const) {
      const result = onShore(of, 'kettle');
      expect(result.verdict).withContext(name).toBe('tight');
      const row = result.limits.find(({ kind }) => kind === 'unknown-rating');
      expect(row?.element.name).toBe(name);
      expect(row && spareOrOver('point', row, 'pessimistic')).toBe('not known');
      const words = explain('point', of, result);
      expect(words.word).toBe('Too little known');
      expect(words.action).toMatch(/^Enter the .*, and it is settled/);
      expect(plainText(words.reason)).toContain('is not entered: nothing says what it carries');
    }
  });

  it('hides no limit that is known to trip', () => {
    const overloaded = {
      ...withoutBreaker,
      circuits: rig.circuits.map((each) => ({ ...each, protection: { ...each.protection, amps: 5 } })),
    };
    const result = onShore(overloaded, 'kettle');
    expect(result.verdict).toBe('trips');
    expect(result.decider?.kind).toBe('breaker');
  });

  it('of an inverter’s surge is its rating at worst and half as much again for a second at best (common practice)', () => {
    const start = (va: number, seconds: number) =>
      check(compile(exampleRig({ saw: { w: 100, start: [va, seconds] } }, { watts: 1000, va: 1000 })), {
        supply: 'battery',
        on: on('saw'),
      }).verdict;
    expect(start(900, 0.5)).toBe('holds');
    expect(start(1400, 0.5)).toBe('tight');
    expect(start(1600, 0.5)).toBe('trips');
    expect(start(1400, 2)).toBe('trips');
  });

  it('that heat takes away altogether is 0 W and no number that is none', () => {
    const hot: Rig = { ...rig, conditions: { inverterC: 65 } };
    const result = check(compile(hot), { supply: 'battery', on: on('kettle') });
    expect(result.verdict).not.toBe('holds');
    for (const { loading, headroom } of result.limits) {
      expect(loading).not.toBeNaN();
      expect(Object.values(headroom).some(Number.isNaN)).toBeFalse();
    }
    expect(explain('point', hot, result).action).not.toMatch(/NaN|∞/);
  });
});
