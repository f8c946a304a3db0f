import fc from 'fast-check';
import { bitsOf, common, countBits, minus, union } from '../../src/sets/bits.js';
import { maximalSets } from '../../src/sets/maximal-sets.js';
import { byTest, MonotoneMemory } from '../../src/sets/monotone-memory.js';
import { countingLoads, mostWorth } from '../../src/sets/worth-bound.js';
import { runsTogether } from '../../src/sets/runs-together.js';
import { EDGES, type Edge } from '../../src/units/quantity.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import type { Limit } from '../../src/check/limits/limit.js';
import { keepsAt } from '../../src/check/verdict.js';
import { always } from '../always.js';
import { tiedTo } from '../ties.js';
import { DEMO_NAMES, demoRig } from '../demo-rigs.js';
import { anySystemOf } from '../naive/any-system.js';

/** Every subset tried: the sets that pass and to which nothing can be added. */
function byBruteForce(count: number, test: (mask: number) => boolean, required = 0): readonly number[] {
  const all = Array.from({ length: 2 ** count }, (_, mask) => mask).filter(
    (mask) => (mask & required) === required && test(mask),
  );
  const passing = new Set(all);
  return all.filter((mask) =>
    Array.from({ length: count }, (_, bit) => mask | (2 ** bit)).every(
      (more) => more === mask || !passing.has(more),
    ),
  );
}

const rising = (masks: Iterable<number>): readonly number[] => [...masks].sort((a, b) => a - b);

describe('sets as masks', () => {
  const anySet = fc.bigInt({ min: 0n, max: 2n ** 52n - 1n });
  it('have up to 52 loads: what they have in common, in one of them and left is as of whole numbers of any size (BigInt)', () => {
    always(
      fc.property(anySet, anySet, (a, b) => {
        const [one, other] = [Number(a), Number(b)];
        expect(common(one, other)).toBe(Number(a & b));
        expect(union(one, other)).toBe(Number(a | b));
        expect(minus(one, other)).toBe(Number(a & ~b));
        expect(bitsOf(one).reduce((sum, place) => sum + 2 ** place, 0)).toBe(one);
        expect(countBits(one)).toBe(bitsOf(one).length);
      }),
    );
  });
});

describe('the largest combinations', () => {
  const anyConflicts = fc.record({
    count: fc.integer({ min: 0, max: 9 }),
    parts: fc.array(fc.integer({ min: 1, max: 2 ** 9 - 1 }), { maxLength: 12 }),
    required: fc.integer({ min: 0, max: 2 ** 9 - 1 }),
  });

  it('are all of them and each once, whatever cannot run together (every subset tried)', () => {
    always(
      fc.property(anyConflicts, ({ count, parts, required: any }) => {
        const required = any & (any >> 2) & (2 ** count - 1);
        const test = (mask: number): boolean => !parts.some((part) => (part & mask) === part);
        const found = [...maximalSets(count, new MonotoneMemory(byTest(test)), required)];
        expect(rising(found)).toEqual(rising(byBruteForce(count, test, required)));
      }),
      { numRuns: 400 },
    );
  });

  it('where only the best are asked for, are worth as much as the best of all', () => {
    always(
      fc.property(anyConflicts, fc.integer({ min: 1, max: 4 }), ({ count, parts }, most) => {
        const test = (mask: number): boolean => !parts.some((part) => (part & mask) === part);
        const found = [
          ...maximalSets(count, new MonotoneMemory(byTest(test)), 0, {
            worths: Array<number>(count).fill(1),
            most,
          }),
        ];
        const sizes = (masks: readonly number[]) =>
          masks
            .map(countBits)
            .sort((a, b) => b - a)
            .slice(0, most);
        expect(sizes(found)).toEqual(sizes(byBruteForce(count, test)));
      }),
      { numRuns: 300 },
    );
  });

  it('of the demo rigs are those that the check of every subset gives, on every supply and at both edges', () => {
    for (const name of DEMO_NAMES) {
      const rig = demoRig(name);
      const compiled = compile(rig);
      for (const [index, { id: supply }] of rig.supplies.entries())
        for (const edge of EDGES) {
          // Other loads on each supply: all of a rig are too many subsets to check.
          const mustNot = rig.loads
            .filter((_, place) => (place + index) % rig.loads.length >= 6)
            .map(({ id }) => id);
          const { loads, failingPart } = runsTogether(compiled, { supply, edge, mustNot });
          const checked = (mask: number): boolean => {
            const on = bitsOf(mask).map((bit) => ({ load: loads[bit]!.id }));
            const { limits, notFed, ofSupply } = check(compiled, { supply, on });
            const own = limits.filter((limit) => !ofSupply.includes(limit));
            return notFed.length === 0 && passesWithoutNeutral(own, edge);
          };
          expect(rising(maximalSets(loads.length, new MonotoneMemory(failingPart))))
            .withContext(`${name}, ${supply}, ${edge}`)
            .toEqual(rising(byBruteForce(loads.length, checked)));
        }
    }
  });

  it('are tested as the check tests them with all that starts with them, in systems of every kind, whatever was asked before, and no sum of watts rules one out that passes (every subset, in any order)', () => {
    always(
      fc.property(anySystemOf(2, 6), fc.infiniteStream(fc.nat()), ({ rig, supply }, places) => {
        const compiled = compile(rig);
        // In the user's favour tied loads may do better than one of them alone: no rule of parts there.
        const edges: readonly Edge[] = rig.ties?.length ? ['pessimistic'] : EDGES;
        for (const edge of edges) {
          const { loads, failingPart, budgets } = runsTogether(compiled, { supply, edge });
          const bound = mostWorth(countingLoads(loads), budgets());
          const passes = (mask: number): boolean => {
            const fed = loads.map(({ id }) => id);
            const on = tiedTo(
              rig,
              bitsOf(mask).map((bit) => fed[bit]!),
            ).filter((id) => fed.includes(id));
            const { limits, notFed, ofSupply } = check(compiled, {
              supply,
              on: on.map((load) => ({ load })),
            });
            const own = limits.filter((limit) => !ofSupply.includes(limit));
            return notFed.length === 0 && passesWithoutNeutral(own, edge);
          };
          const masks = Array.from({ length: 2 ** loads.length }, (_, mask) => mask);
          while (masks.length > 0) {
            const [mask] = masks.splice(places.next().value % masks.length, 1);
            const part = failingPart(mask!);
            expect(part === undefined).toBe(passes(mask!));
            if (part !== undefined) expect([part & ~mask!, passes(part)]).toEqual([0, false]);
            else expect(bound(mask!, mask!)).toBe(countBits(mask!));
          }
        }
      }),
      { numRuns: 40 },
    );
  });
});

/** What of two circuits flows in their common neutral is no property of parts, and is counted beside each set. */
function passesWithoutNeutral(limits: readonly Limit[], edge: Edge): boolean {
  return limits.filter(({ kind }) => kind !== 'neutral').every(({ verdict }) => keepsAt(verdict, edge));
}
