import type { Basis } from '../../src/units/quantity.js';
import { halfWidthsOf, intervalOf, type QuantityRole } from '../../src/rig-file/half-widths.js';
import type { PartKind } from '../../src/reference/kinds-of-parts.js';
import { workedExample } from '../worked-example.js';

const of = (value: number, basis: Basis, role: QuantityRole, kind?: PartKind) => {
  const { lo, hi } = intervalOf({ value, basis }, role, kind);
  return [lo, hi].map((edge) => Math.round(edge * 1000) / 1000);
};

describe('the doubt of a number', () => {
  it('follows from its basis and role (common practice, no published source; methods.md, rule 4, worked example 1.2)', () => {
    expect(of(1000, 'measured', 'running')).toEqual([970, 1030]);
    expect(of(1000, 'data-sheet', 'running')).toEqual([950, 1050]);
    const { given, comesTo } = workedExample('1.2');
    comesTo(...of(given[0], 'nameplate', 'running'));
    expect(of(1000, 'nameplate', 'start')).toEqual([800, 1000]);
    expect(of(1000, 'code-letter', 'start')).toEqual([800, 1000]);
    expect(of(1000, 'table', 'start')).toEqual([550, 1050]);
    expect(of(1000, 'guess', 'running')).toEqual([600, 1400]);
    expect(of(1000, 'setting', 'running')).toEqual([1000, 1000]);
  });

  it('takes the range of its kind for a typical start, and 40 % where none is known', () => {
    // refrigerator: 6 to 12 times running, usually 8
    expect(of(800, 'typical', 'start', 'refrigerator')).toEqual([600, 1200]);
    expect(of(800, 'typical', 'running', 'refrigerator')).toEqual([480, 1120]);
    expect(of(0.65, 'typical', 'power-factor', 'split-phase-motor')).toEqual([0.5, 0.75]);
    expect(of(0.7, 'typical', 'start-power-factor', 'fan-motor')).toEqual([0.55, 0.85]);
  });

  it('is half of the seconds of a start, unless they were timed', () => {
    expect(of(1, 'typical', 'seconds')).toEqual([0.5, 1.5]);
    expect(of(1, 'data-sheet', 'seconds')).toEqual([0.5, 1.5]);
    expect(of(1, 'measured', 'seconds')).toEqual([0.9, 1.1]);
    expect(of(1, 'setting', 'seconds')).toEqual([1, 1]);
  });

  it('leaves stated ratings at their word, not typical or guessed ones (methods.md, rule 1)', () => {
    expect(of(3000, 'data-sheet', 'rating')).toEqual([3000, 3000]);
    expect(of(3000, 'nameplate', 'rating')).toEqual([3000, 3000]);
    expect(of(3000, 'typical', 'rating')).toEqual([1800, 4200]);
    expect(of(3000, 'guess', 'rating')).toEqual([1800, 4200]);
  });

  it('is what the user says where the user knows better', () => {
    expect(halfWidthsOf({ value: 980, basis: 'data-sheet', plus: 196 }, 'running')).toEqual({
      minus: 49,
      plus: 196,
    });
    expect(halfWidthsOf({ value: 980, basis: 'guess', minus: 0, plus: 0 }, 'running')).toEqual({
      minus: 0,
      plus: 0,
    });
  });
});
