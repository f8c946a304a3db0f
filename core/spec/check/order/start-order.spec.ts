import fc from 'fast-check';
import { always, cases } from '../../always.js';
import type { Load, Rig } from '../../../src/rig-file/schema.js';
import type { Consumer } from '../../../src/loads/consumer.js';
import type { Edge } from '../../../src/units/quantity.js';
import { check } from '../../../src/check/check.js';
import { compile } from '../../../src/check/wiring/compile.js';
import { headroomShare, type AtEdges, type Limit } from '../../../src/check/limits/limit.js';
import { situationOf } from '../../../src/check/situation.js';
import { bestStartOrder, type StartTest } from '../../../src/check/order/start-order.js';
import { verdictOf, VERDICTS, type Verdict } from '../../../src/check/verdict.js';
import { exampleRig, on, q, type ExampleLoad, type ExampleSystem } from '../../example-rig.js';
import { workedExample } from '../../worked-example.js';

const TIERS: ExampleSystem['tiers'] = [
  [5000, 0.5],
  [4000, 5],
];

describe('the start order', () => {
  it('is not the sort by start less running: with two tiers the larger rise may have to wait (worked example 3.7)', () => {
    const { given, comesTo } = workedExample('3.7');
    const [high, highS, low, lowS, baseW, aW, aVA, aS, bW, bVA, bS] = given;
    const rig = exampleRig(
      {
        base: { w: baseW, usage: 'by-itself' },
        // the sort would start a first, whose rise is the larger
        a: { w: aW, start: [aVA, aS] },
        b: { w: bW, start: [bVA, bS] },
      },
      {
        watts: 3000,
        tiers: [
          [high, highS],
          [low, lowS],
        ],
      },
    );
    const result = check(compile(rig), { supply: 'battery', on: on('base', 'a', 'b') });
    expect(result.verdict).toBe('holds');
    expect(result.order.map((consumer) => consumer.load.id)).toEqual(['b', 'a']);
    expect(result.notLast.map((each) => each.loadId)).toEqual(['b']);
    const asked = result.starts.flatMap(({ limits }) =>
      limits.filter(({ kind }) => kind === 'inverter-start-va').map(({ worst }) => worst.stated),
    );
    comesTo(...asked);
  });

  it('is that of the largest least headroom, and passes where any order does (Lawler; brute force, costs of any kind)', () => {
    /** Costs that only grow with what runs: all that such an order may rest on. */
    const anyCost = fc.record({
      runs: fc.integer({ min: 0, max: 400 }),
      starts: fc.integer({ min: 0, max: 2500 }),
      doubt: fc.integer({ min: 0, max: 600 }),
    });
    const padding = Array.from({ length: 40 }, () => ({ runs: 0, starts: 0, doubt: 0 }));
    always(
      fc.property(
        fc.array(anyCost, { minLength: 1, maxLength: 5 }),
        fc.constantFrom<Edge>('pessimistic', 'optimistic'),
        (costs, edge) => {
          const all = [...costs, ...padding];
          const loads = all.map((_, index) => ({ load: { id: `${index}` } }) as Consumer);
          const costOf = ({ load }: Consumer) => all[Number(load.id)]!;
          const test: StartTest = (running, starting) => {
            const others = running.filter((each) => each !== starting);
            const before = others.reduce((sum, each) => sum + costOf(each).runs, 0);
            return [limitOf(before + costOf(starting).starts, costOf(starting).doubt)];
          };
          const shareIn = (order: readonly Consumer[]) =>
            Math.min(
              ...order.map((each, place) => headroomShare(test(order.slice(0, place), each)[0]!, edge)),
            );
          const few = loads.slice(0, costs.length);
          const shares = permutations(few).map(shareIn);
          const best = Math.max(...shares);
          const found = bestStartOrder(few, [], edge, test);
          const many = bestStartOrder(loads, [], edge, test);
          expect(shareIn(found.order)).toBe(best);
          expect(found.passes).toBe(best >= 0);
          expect([many.passes, many.order.length]).toEqual([best >= 0, all.length]);
          if (many.passes) expect(shareIn(many.order)).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });

  it('takes one after the other from the end up to 40 loads, and beyond them all that can be last by their share', () => {
    // the lower its number, the more a load's cost goes with how many run: who suffers least changes on the way
    const costAt = (place: number, others: number) => 25 * place + (40 - place) * others;
    const orderOf = (count: number) => {
      const loads = Array.from({ length: count }, (_, index) => ({ load: { id: `${index}` } }) as Consumer);
      const test: StartTest = (running, starting) => [
        limitOf(costAt(Number(starting.load.id), running.length - 1), 0),
      ];
      return bestStartOrder(loads, [], 'pessimistic', test).order.map(({ load }) => Number(load.id));
    };
    const all = (count: number) => Array.from({ length: count }, (_, index) => index);
    const fromTheEnd = (left: readonly number[]): readonly number[] => {
      const costs = left.map((place) => costAt(place, left.length - 1));
      const last = left[costs.lastIndexOf(Math.min(...costs))];
      return last === undefined ? [] : [...fromTheEnd(left.filter((each) => each !== last)), last];
    };
    expect(orderOf(40)).toEqual(fromTheEnd(all(40)));
    expect(orderOf(41)).toEqual(all(41).sort((a, b) => costAt(b, 40) - costAt(a, 40)));
    expect(orderOf(41)).not.toEqual(fromTheEnd(all(41)));
  });

  it('is found among many loads too, where all that can be last are placed at once', () => {
    const small = Object.fromEntries(
      Array.from({ length: 45 }, (_, index): [string, ExampleLoad] => [
        `s${index}`,
        { w: 2, start: [4, 0.3] },
      ]),
    );
    const pair = { a: { w: 1200, start: [2800, 0.3] }, b: { w: 1000, start: [2400, 1] } } as const;
    const rig = exampleRig(
      { base: { w: 600, usage: 'by-itself' }, ...pair, ...small },
      { watts: 3000, tiers: TIERS },
    );
    const ids = [...Object.keys(small), 'a', 'b'];
    const result = check(compile(rig), { supply: 'battery', on: on('base', ...ids) });
    const order = result.order.map((consumer) => consumer.load.id);
    expect(result.verdict).toBe('holds');
    expect(order.indexOf('b')).toBeLessThan(order.indexOf('a'));
    expect([...order].sort()).toEqual([...ids].sort());
    expect(
      check(compile(rig), { supply: 'battery', on: on('base', 'a', 'b', ...ids) }, 'given').verdict,
    ).not.toBe('holds');
  });

  it('is as good as the best of all orders at either edge (brute force over permutations, two limits, doubts)', () => {
    const anyLoad: fc.Arbitrary<ExampleLoad> = fc
      .record({
        w: fc.integer({ min: 100, max: 1200 }),
        pf: fc.constantFrom(1, 0.9, 0.7),
        rise: fc.integer({ min: 100, max: 2800 }),
        seconds: fc.constantFrom(0.3, 0.6, 1, 4),
        basis: fc.constantFrom('setting' as const, 'nameplate' as const, 'guess' as const),
      })
      .map(({ w, pf, rise, seconds, basis }) => ({
        w: q(w, basis),
        pf,
        startPf: 0.7,
        start: [q(w / pf + rise, basis), seconds],
      }));
    let ordersThatMatter = 0;
    always(
      fc.property(fc.array(anyLoad, { minLength: 2, maxLength: 5 }), (examples) => {
        const rig = exampleRig(Object.fromEntries(examples.map((example, index) => [`l${index}`, example])), {
          watts: 2800,
          va: 3200,
          tiers: TIERS,
          breakerA: 30,
        });
        const ids = rig.loads.map((load) => load.id);
        const startOn = memoised((running, id) => verdictOfStart(rig, running, id));
        const outcomes = permutations(ids).map((order) =>
          worstOf(order.map((id, i) => startOn(order.slice(0, i), id))),
        );
        const best = VERDICTS.find((each) => outcomes.includes(each))!;
        if (best === 'holds' && outcomes.some((outcome) => outcome !== 'holds')) ordersThatMatter += 1;
        expect(check(compile(rig), { supply: 'battery', on: on(...ids) }).verdict).toBe(best);
        expect(orderIn(rig, ids, true)).toEqual(orderIn(rig, ids, false));
      }),
      { numRuns: 60 },
    );
    expect(ordersThatMatter).toBeGreaterThan(cases(5) - 1);
  });

  it('weighs the limits that have an end, beside one that has none', () => {
    const spare = new Map([
      ['a', 400],
      ['b', 900],
      ['c', 100],
    ]);
    const capacity = (amount: number): AtEdges => ({
      pessimistic: amount,
      stated: amount,
      optimistic: amount,
    });
    const limitOf = (amount: number, headroom: number): Limit =>
      ({ capacity: capacity(amount), headroom: capacity(headroom), verdict: 'holds' }) as Limit;
    const consumers = [...spare.keys()].map((id) => ({ load: { id } }) as Consumer);
    const { order } = bestStartOrder(consumers, [], 'optimistic', (_, { load }) => [
      limitOf(Infinity, Infinity),
      limitOf(1000, spare.get(load.id) ?? 0),
    ]);
    expect(order.map(({ load }) => load.id)).toEqual(['c', 'a', 'b']);
  });
});

/** The best order, found with tests that may stop early or with tests in full. */
function orderIn(rig: Rig, ids: readonly string[], mayStop: boolean): readonly string[] {
  const { consumers, test } = situationOf(compile(rig).on('battery'), { on: on(...ids) });
  const inFull: StartTest = (running, starting) => test(running, starting);
  const { order } = bestStartOrder(consumers, [], 'pessimistic', mayStop ? test : inFull);
  return order.map(({ load }) => load.id);
}

/** One start on loads that run already: they belong to the floor, so no order is left to choose. */
function verdictOfStart(rig: Rig, running: readonly string[], id: string): Verdict {
  const loads = rig.loads.map((load) => (load.id === id ? load : runningOnly(load)));
  return check(compile({ ...rig, loads }), { supply: 'battery', on: on(...running, id) }).verdict;
}

const runningOnly = (load: Load): Load => ({
  ...load,
  usage: 'by-itself',
  parts: load.parts.map((part) => ({ ...part, start: undefined })),
});

const worstOf = (verdicts: readonly Verdict[]): Verdict =>
  [...VERDICTS].reverse().find((each) => verdicts.includes(each)) ?? 'holds';

/** A start depends on which loads run, not on how they came to. */
function memoised(judge: (running: readonly string[], id: string) => Verdict): typeof judge {
  const known = new Map<string, Verdict>();
  return (running, id) => {
    const key = `${[...running].sort().join(' ')} + ${id}`;
    const verdict = known.get(key) ?? judge(running, id);
    known.set(key, verdict);
    return verdict;
  };
}

function permutations<T>(list: readonly T[]): readonly (readonly T[])[] {
  if (list.length < 2) return [list];
  return list.flatMap((each) =>
    permutations(list.filter((other) => other !== each)).map((rest) => [each, ...rest]),
  );
}

const CAPACITY = 2000;

/** A limit of which only headroom and verdict are asked. */
function limitOf(demand: number, doubt: number): Limit {
  const headroom: AtEdges = {
    pessimistic: CAPACITY - demand - doubt,
    stated: CAPACITY - demand,
    optimistic: CAPACITY - demand + doubt,
  };
  const capacity: AtEdges = { pessimistic: CAPACITY, stated: CAPACITY, optimistic: CAPACITY };
  const verdict = verdictOf({
    pessimistic: headroom.pessimistic >= 0,
    stated: headroom.stated >= 0,
    optimistic: headroom.optimistic >= 0,
  });
  return { headroom, capacity, verdict } as Limit;
}
