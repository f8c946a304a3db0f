import fc from 'fast-check';
import { always } from '../always.js';
import {
  addDoubtful,
  closeSum,
  doubtOf,
  groupByCause,
  openSum,
  limitShrinkage,
  type DoubtfulTerm,
} from '../../src/units/combine-doubts.js';
import { workedExample } from '../worked-example.js';

const term = (value: number, minus: number, plus: number, ...causes: string[]): DoubtfulTerm => ({
  value,
  minus,
  plus,
  causes,
});

describe('the doubt of a sum', () => {
  it('is the expanded combined uncertainty of rectangular distributions (JCGM 100:2008, 4.3.7, 5.1.2 and 6.2)', () => {
    const { up } = addDoubtful([term(100, 3, 3), term(100, 4, 4)]);
    // u = a/sqrt(3) each: sqrt(9/3 + 16/3) = 2.8868, times k = 2
    expect(up.expanded).toBeCloseTo(2 * Math.sqrt(9 / 3 + 16 / 3), 10);
    expect(doubtOf(up)).toBeCloseTo(5.7735, 4);
  });

  it('gives that of the end-gauge calibration (JCGM 100:2008, H.1.4, from memory; worked example 1.1)', () => {
    const { given, comesTo } = workedExample('1.1');
    // a component u is a rectangular distribution of half-width u sqrt(3); the sum is expanded with k = 2
    const components = given.map((u) => term(0, u * Math.sqrt(3), u * Math.sqrt(3)));
    const combined = addDoubtful(components).up.expanded / 2;
    comesTo(combined, combined);
  });

  it('covers about 95 % of independent rectangular errors, as k = 2 promises (JCGM 100:2008, 6.3.3)', () => {
    const widths = [3, 4, 5, 6];
    const doubt = doubtOf(addDoubtful(widths.map((a) => term(0, a, a))).up);
    const random = linearCongruential(2026);
    const trials = 40_000;
    let inside = 0;
    for (let trial = 0; trial < trials; trial += 1) {
      const error = widths.reduce((sum, a) => sum + a * (2 * random() - 1), 0);
      if (Math.abs(error) <= doubt) inside += 1;
    }
    expect(inside / trials).toBeGreaterThan(0.95);
    expect(inside / trials).toBeLessThan(0.98);
  });

  it('adds linearly inside a common cause (JCGM 100:2008, 5.2.2) and merges causes that share a number', () => {
    const oneMeter = addDoubtful([term(10, 2, 2, 'meter'), term(10, 3, 3, 'meter')]);
    expect(doubtOf(oneMeter.up)).toBe(5);
    const chained = addDoubtful([term(10, 2, 2, 'a'), term(10, 3, 3, 'a', 'b'), term(10, 4, 4, 'b')]);
    expect(doubtOf(chained.up)).toBe(9);
  });

  it('keeps to each side its own half-widths and never leaves the hard bound', () => {
    const nameplate = addDoubtful([term(1000, 250, 100)]);
    expect(doubtOf(nameplate.down)).toBe(250);
    expect(doubtOf(nameplate.up)).toBe(100);
  });

  it('is the same whether the last term is added with the others or later', () => {
    const anyTerm = fc
      .tuple(
        fc.double({ min: 0, max: 5000, noNaN: true }),
        fc.double({ min: 0, max: 500, noNaN: true }),
        fc.double({ min: 0, max: 500, noNaN: true }),
        fc.subarray(['meter', 'kind', 'load']),
      )
      .map(([value, minus, plus, causes]) => term(value, minus, plus, ...causes));
    always(
      fc.property(fc.array(anyTerm, { maxLength: 6 }), anyTerm, (others, last) => {
        const terms = [...others, last];
        const whole = addDoubtful(terms);
        const later = closeSum(openSum(terms, groupByCause(terms)), last);
        expect(later.stated).toBeCloseTo(whole.stated, 6);
        expect(doubtOf(later.up)).toBeCloseTo(doubtOf(whole.up), 6);
        expect(doubtOf(later.down)).toBeCloseTo(doubtOf(whole.down), 6);
      }),
      { numRuns: 200 },
    );
  });

  it('never falls when a term is added with at most 86 % doubt: Hi and Lo are monotone (methods.md, rule 3)', () => {
    const anyTerm = fc
      .record({
        value: fc.double({ min: 0, max: 5000, noNaN: true }),
        minus: fc.double({ min: 0, max: 0.86, noNaN: true }),
        plus: fc.double({ min: 0, max: 2, noNaN: true }),
        causes: fc.subarray(['a', 'b', 'c']),
      })
      .map((t) => ({ ...t, minus: t.minus * t.value, plus: t.plus * t.value }));
    always(
      fc.property(fc.array(anyTerm, { maxLength: 8 }), anyTerm, (terms, extra) => {
        const before = addDoubtful(terms);
        const after = addDoubtful([...terms, extra]);
        expect(after.stated + doubtOf(after.up)).toBeGreaterThanOrEqual(
          before.stated + doubtOf(before.up) - 1e-9,
        );
        expect(Math.max(0, after.stated - doubtOf(after.down))).toBeGreaterThanOrEqual(
          Math.max(0, before.stated - doubtOf(before.down)) - 1e-9,
        );
      }),
      { numRuns: 500 },
    );
  });
});

describe('a doubtful limit', () => {
  it('joins the root of the demand (JCGM 100:2008, 5.1.2)', () => {
    const demand = addDoubtful([term(100, 30, 30), term(100, 40, 40)]).up;
    const together = addDoubtful([term(100, 30, 30), term(100, 40, 40), term(0, 20, 20)]).up;
    expect(doubtOf(demand) + limitShrinkage(demand, doubtOf(demand), 20)).toBeCloseTo(doubtOf(together), 10);
  });

  it('costs nothing where it is exact', () => {
    expect(limitShrinkage({ hard: 5, expanded: 6 }, 5, 0)).toBe(0);
  });
});

/** A small repeatable source of numbers from 0 to 1 (constants of Numerical Recipes). */
function linearCongruential(seed: number): () => number {
  let state = seed;
  return () => {
    state = (1664525 * state + 1013904223) % 2 ** 32;
    return state / 2 ** 32;
  };
}
