import fc from 'fast-check';
import { always } from '../always.js';
import { addAc, nonActivePower, type AcTerm } from '../../src/loads/apparent-power.js';
import { addStart } from '../../src/loads/start/start-sum.js';
import { workedExample } from '../worked-example.js';

const exact = (value: number) => ({ value, minus: 0, plus: 0, causes: [] });

const ac = (watts: number, pf: number, surelyLags = true): AcTerm => ({
  watts: exact(watts),
  nonActive: exact(nonActivePower(watts, pf)),
  surelyLags,
});

const start = (va: number, lo: number, stated: number, hi: number) => ({
  va: exact(va),
  powerFactor: { lo, stated, hi },
  seconds: { lo: 1, stated: 1, hi: 1 },
  surelyLags: true,
  isTransformer: false,
});

describe('a sum of AC consumers', () => {
  it('adds their watts, and their volt-amps as the root of both sums (worked example 2.1)', () => {
    const { given, comesTo } = workedExample('2.1');
    const [one, pf1, two, pf2, three, pf3, volts] = given;
    const { watts, va } = addAc([ac(one, pf1), ac(two, pf2), ac(three, pf3)]);
    comesTo(watts.hi, va.hi, va.hi / volts);
  });

  it('bounds the true sum of any sine currents from both sides (physics: phasor addition)', () => {
    const phasor = fc.record({
      va: fc.double({ min: 1, max: 4000, noNaN: true }),
      // lagging up to 80 degrees, or leading for a load that does not surely lag
      degrees: fc.double({ min: -80, max: 80, noNaN: true }),
    });
    always(
      fc.property(fc.array(phasor, { minLength: 1, maxLength: 6 }), (phasors) => {
        const parts = phasors.map(({ va, degrees }) => ({
          p: va * Math.cos((degrees * Math.PI) / 180),
          q: va * Math.sin((degrees * Math.PI) / 180),
        }));
        const truth = Math.hypot(
          parts.reduce((sum, { p }) => sum + p, 0),
          parts.reduce((sum, { q }) => sum + q, 0),
        );
        const { va } = addAc(
          parts.map(({ p, q }) => ({ watts: exact(p), nonActive: exact(Math.abs(q)), surelyLags: q > 0 })),
        );
        expect(va.hi).toBeGreaterThanOrEqual(truth - 1e-6);
        const onlyLagging = parts.every(({ q }) => q >= 0);
        if (onlyLagging) expect(va.lo).toBeLessThanOrEqual(truth + 1e-6);
      }),
    );
  });
});

describe('a start on top of what runs', () => {
  it('is tested at both ends of its power factor: 2,000 W and 4,150 VA make 5,510 or 5,944 VA within 1 VA (methods.md, rule 5)', () => {
    const rest = [ac(2000, 1)];
    expect(addStart(rest, start(4150, 0.55, 0.55, 0.55)).va.hi).toBeCloseTo(5509.3, 1);
    expect(addStart(rest, start(4150, 0.55, 0.7, 0.85)).va.hi).toBeCloseTo(5944, 0);
    expect(addStart(rest, start(4150, 0.55, 0.7, 0.85)).va.lo).toBeCloseTo(5509.3, 1);
  });

  it('finds the largest sum anywhere in the band, not only at its ends (brute force over the band)', () => {
    const anyCase = fc.record({
      watts: fc.integer({ min: 0, max: 3000 }),
      pf: fc.double({ min: 0.4, max: 1, noNaN: true }),
      va: fc.integer({ min: 100, max: 6000 }),
      band: fc.tuple(
        fc.double({ min: 0.4, max: 1, noNaN: true }),
        fc.double({ min: 0.4, max: 1, noNaN: true }),
      ),
    });
    always(
      fc.property(anyCase, ({ watts, pf, va, band }) => {
        const [lo, hi] = band[0] < band[1] ? band : [band[1], band[0]];
        const sum = addStart([ac(watts, pf)], start(va, lo, lo, hi)).va;
        for (let step = 0; step <= 40; step += 1) {
          const at = lo + ((hi - lo) * step) / 40;
          const truth = Math.hypot(watts + va * at, nonActivePower(watts, pf) + va * Math.sqrt(1 - at * at));
          expect(truth).toBeLessThanOrEqual(sum.hi + 1e-3);
          expect(truth).toBeGreaterThanOrEqual(sum.lo - 1e-3);
        }
      }),
    );
  });
});
