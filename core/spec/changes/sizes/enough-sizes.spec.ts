import fc from 'fast-check';
import { enoughSizes, type EnoughSizes } from '../../../src/changes/sizes/enough-sizes.js';
import { sizedRatings } from '../../../src/changes/sizes/sized-ratings.js';
import type { Rig } from '../../../src/rig-file/schema.js';
import { compile } from '../../../src/check/wiring/compile.js';
import { check } from '../../../src/check/check.js';
import type { CheckScene } from '../../../src/check/situation.js';
import { sizeWords } from '../../../src/changes/sizes/size-words.js';
import { always } from '../../always.js';
import { demoRig, DEMO_NAMES } from '../../demo-rigs.js';
import { exampleRig, on } from '../../example-rig.js';

/** The rig with every rating as it was found to be enough; what a longer surge has, a shorter one has too. */
function resized(rig: Rig, wishes: readonly CheckScene[], { sizes }: EnoughSizes): Rig {
  const ratings = sizedRatings(
    rig,
    wishes.map((wish) => check(compile(rig), wish)),
  );
  return ratings.reduce((each, { part, id, unit, seconds, withSize }) => {
    const found = sizes.find(
      (size) => size.part === part && size.id === id && size.unit === unit && size.seconds === seconds,
    );
    return withSize(each, found?.needs ?? 1e6);
  }, rig);
}

describe('the sizes that are enough', () => {
  it('hold, each wish by the check itself, but for what no rating helps with (random sets of the demo rigs)', () => {
    const anyWish = fc.constantFrom(...DEMO_NAMES).chain((name) => {
      const rig = demoRig(name);
      const ids = fc.subarray(
        rig.loads.map(({ id }) => id),
        { minLength: 1, maxLength: 5 },
      );
      return fc.record({
        rig: fc.constant(rig),
        supply: fc.constantFrom(...rig.supplies.map(({ id }) => id)),
        one: ids,
        other: ids,
        growth: fc.constantFrom(0, 0.25),
      });
    });
    always(
      fc.property(anyWish, ({ rig, supply, one, other, growth }) => {
        const wishes = [one, other].map((ids): CheckScene => ({ supply, on: on(...ids) }));
        const found = enoughSizes(rig, wishes, growth);
        const compiled = compile(resized(rig, wishes, found));
        const failing = wishes.flatMap((wish) =>
          check(compiled, wish).limits.filter(({ verdict }) => verdict !== 'holds'),
        );
        const known = found.beyond.map(({ element, kind }) => `${kind} ${element.id}`);
        expect(
          failing.filter(({ element, kind }) => !known.includes(`${kind} ${element.id}`)).map(({ id }) => id),
        ).toEqual([]);
      }),
      { numRuns: 6 },
    );
  });

  it('are the sum that runs, and the start on top of it for as long as it lasts (arithmetic; no doubts)', () => {
    const rig = exampleRig(
      { heater: { w: 1500 }, pump: { w: 300, start: [2100, 0.4] } },
      { watts: 1000, tiers: [[1200, 0.5]], breakerA: 10 },
    );
    const { sizes, beyond } = enoughSizes(rig, [{ supply: 'battery', on: on('heater', 'pump') }], 0);
    const needs = sizes.map((size) => [size.part, size.unit, size.seconds, size.needs]);
    expect(needs).toEqual([
      ['inverter', 'W', undefined, 1800],
      ['inverter', 'VA', undefined, 1800],
      // The pump first, before the heater: 2,100 and not 3,600.
      ['inverter', 'VA', 0.5, 2100],
      ['battery', 'A', undefined, jasmine.any(Number)],
      ['circuit', 'A', undefined, 15],
    ] as never);
    expect(beyond).toEqual([]);
  });

  it('leave so much to grow: a quarter more of the same', () => {
    const rig = exampleRig({ heater: { w: 1600 } }, { watts: 1000, breakerA: 15 });
    const of = (growth: number) => enoughSizes(rig, [{ supply: 'battery', on: on('heater') }], growth).sizes;
    expect(of(0)[0]?.needs).toBe(1600);
    expect(of(0.25)[0]?.needs).toBe(2000);
    // 13.3 A and 16.7 A: the sizes of NEC 240.6(A) that carry them.
    expect([of(0).at(-1)?.needs, of(0.25).at(-1)?.needs]).toEqual([15, 20]);
    expect(sizeWords('point', of(0.25)[0]!)).toEqual({
      what: 'Inverter, for hours',
      has: '1,000 W',
      needs: '2,000 W',
      isEnough: false,
      share: 2,
    });
  });

  it('say what no rating helps with: a plug smaller than what runs through it', () => {
    const rig = exampleRig({ heater: { w: 2000 } }, { watts: 1000, breakerA: 15 });
    const plugged = { ...rig, loads: rig.loads.map((load) => ({ ...load, cord: { plugA: 15 } })) };
    const { beyond } = enoughSizes(plugged, [{ supply: 'battery', on: on('heater') }], 0);
    expect(beyond.map(({ kind }) => kind)).toEqual(['plug-and-cord']);
  });

  it('name once what nothing feeds in any of the wishes', () => {
    const wish: CheckScene = { supply: 'battery', on: on('water-heater', 'kettle') };
    expect(enoughSizes(demoRig('tern'), [wish, wish], 0).notFed).toEqual(['water-heater']);
  });
});
