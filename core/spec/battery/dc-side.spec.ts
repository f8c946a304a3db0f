import { capacityOf } from '../../src/battery/battery-capacity.js';
import fc from 'fast-check';
import { lusolve } from 'mathjs';
import {
  bankLimit,
  ampHoursAt,
  chargeFromRestVolts,
  coldFactor,
  joiningAmps,
  parallelShares,
  peukertHours,
  restVolts,
  typicalOhms,
} from '../../src/battery/battery-bank.js';
import { collapseWatts, cutOffWatts, dcAmps, rmsWithRipple } from '../../src/battery/dc-side.js';
import { fuseBand as bandOf } from '../../src/protection/fuse.js';
import type { FuseKind } from '../../src/reference/fuse-curves.js';
import { always } from '../always.js';

describe('a resistive DC source', () => {
  it('gives 183.5 A for 2,202 W at 13.1 V and 6 mΩ (worked example, methods.md 6)', () => {
    const amps = dcAmps({ openV: 13.1, ohms: 0.006 }, 2202) ?? 0;
    expect(amps).toBeCloseTo(183.5, 1);
    expect(13.1 - 0.006 * amps).toBeCloseTo(12, 2);
  });

  it('collapses at 1,860 W from 12.2 V and 20 mΩ, and is cut off at 892.5 (worked example, methods.md 6)', () => {
    const source = { openV: 12.2, ohms: 0.02 };
    expect(collapseWatts(source)).toBeCloseTo(1860, 0);
    expect(cutOffWatts(source, 10.5)).toBeCloseTo(892.5, 5);
    expect(cutOffWatts(source, source.openV + 1)).toBe(0);
    expect(cutOffWatts(source, source.openV / 3)).toBe(collapseWatts(source));
    expect([collapseWatts({ openV: 12, ohms: 0 }), cutOffWatts({ openV: 12, ohms: 0 }, 10.5)]).toEqual([
      Infinity,
      Infinity,
    ]);
    expect(dcAmps(source, 1861)).toBeUndefined();
  });

  it('sags to 11.24 V warm and 8.13 V at 0 °C: 2,200 W from 13.0 V, 3 + 6 mΩ (worked example, methods.md 6)', () => {
    const volts = (ohms: number) => 13 - ohms * (dcAmps({ openV: 13, ohms }, 2200) ?? 0);
    expect(volts(0.009)).toBeCloseTo(11.24, 1);
    // only the battery's 6 mΩ grow in the cold
    expect(volts(0.003 + 0.006 * coldFactor('lfp', 0))).toBeCloseTo(8.13, 1);
  });

  it('keeps its power balance: what is given, less what is lost, is what is drawn (physics)', () => {
    const ohms = fc.double({ min: 0, max: 0.05, noNaN: true });
    const watts = fc.double({ min: 0, max: 5000, noNaN: true });
    always(
      fc.property(fc.double({ min: 10, max: 60, noNaN: true }), ohms, watts, (openV, r, p) => {
        const amps = dcAmps({ openV, ohms: r }, p);
        if (amps === undefined) return p > collapseWatts({ openV, ohms: r }) * (1 - 1e-9);
        return Math.abs(openV * amps - r * amps * amps - p) < 1e-6 * Math.max(1, p);
      }),
    );
  });

  it('heats a fuse by its ripple: 1.01 to 1.22 times (methods.md 6)', () => {
    expect(rmsWithRipple(100, 0.2)).toBeCloseTo(101, 0);
    expect(rmsWithRipple(100, 1)).toBeCloseTo(122.5, 1);
  });
});

describe('batteries side by side', () => {
  it('share by their conductance, as a general solver has it (mathjs lusolve)', () => {
    const ohms = [0.006, 0.008, 0.0075];
    // unknowns: three currents and the common volts, at 13 V open circuit and 300 A in all
    const matrix = [
      ...ohms.map((r, row) => [...ohms.map((_, column) => (row === column ? r : 0)), 1]),
      [1, 1, 1, 0],
    ];
    const solved = (lusolve(matrix, [13, 13, 13, 300]) as number[][]).flat();
    parallelShares(ohms).forEach((share, index) => expect(300 * share).toBeCloseTo(solved[index] ?? 0, 8));
  });

  it('give 181.8 A of two times 100 A at 55 to 45 (worked example, methods.md 6)', () => {
    expect(bankLimit([100, 100], [0.55, 0.45])).toBeCloseTo(181.8, 1);
  });

  it('equalise with 87.5 A when they differ by 1.4 V over 16 mΩ (worked example, methods.md 6)', () => {
    expect(joiningAmps(1.4, 0.016)).toBeCloseTo(87.5, 10);
  });

  it('have a resistance that goes with volts over amp-hours (common practice, no published source)', () => {
    const warm = { celsius: 25 };
    expect(typicalOhms('lfp', 25.6, 400, warm).stated).toBeCloseTo(0.004, 10);
    expect(typicalOhms('agm', 12, 100, warm)).toEqual({ lo: 0.006, stated: 0.008, hi: 0.012 });
    // a start that is over within two seconds sees less; a nearly empty battery more
    expect(typicalOhms('lfp', 12.8, 100, { ...warm, seconds: 0.5 }).stated).toBeCloseTo(0.004, 10);
    const percent = { lo: 20, stated: 40, hi: 60 };
    expect(typicalOhms('agm', 12, 100, { ...warm, percent }).hi).toBeCloseTo(0.018, 10);
  });

  it('show their charge at rest: flooded 12.33 V is 60.7 % (worked example, methods.md 6)', () => {
    expect(chargeFromRestVolts('flooded', 12, 12.33)).toBeCloseTo(60.7, 1);
    expect(restVolts('lfp', 25.6, 50)).toBeCloseTo(26.32, 10);
  });

  it('last by Peukert: 200 Ah, k 1.2, 50 A: 2.899 h and 145 Ah; C10 178.2 is C20 200 (worked example and check, methods.md 6)', () => {
    const hours = peukertHours({ ampHours: 200, amps: 50, exponent: 1.2 });
    expect(hours).toBeCloseTo(2.899, 3);
    expect(50 * hours).toBeCloseTo(145, 1);
    expect(peukertHours({ ampHours: 200, amps: 5, exponent: 1.2 })).toBe(40);
    expect(ampHoursAt({ ampHours: 200, amps: 50, exponent: 1.2 })).toBeCloseTo(145, 1);
    const byTenHours = { ampHours: 178.2, ratedHours: 10, amps: 50, exponent: 1.2 };
    expect(peukertHours(byTenHours)).toBeCloseTo(hours, 2);
  });
});

describe('what a battery holds', () => {
  it('is in doubt by a tenth of its plate, by 3 % of a run-down, and by what was entered (common practice, no published source)', () => {
    const of = (ampHours: Parameters<typeof capacityOf>[0]['ampHours']) => capacityOf({ ampHours });
    expect(of({ value: 200, basis: 'nameplate' })).toEqual({ lo: 180, stated: 200, hi: 220 });
    expect(of({ value: 200, basis: 'measured' })).toEqual({ lo: 194, stated: 200, hi: 206 });
    expect(of({ value: 200, basis: 'guess' })).toEqual({ lo: 120, stated: 200, hi: 280 });
    expect(of({ value: 200, basis: 'measured', minus: 20 })).toEqual({ lo: 180, stated: 200, hi: 200 });
    expect(of({ value: 200, basis: 'nameplate', plus: 5 })).toEqual({ lo: 200, stated: 200, hi: 205 });
  });
});

describe('a DC fuse', () => {
  it('opens within the tests of its standard and not before its may curve (UL 248, ISO 8820, from memory)', () => {
    const fuseBand = (kind: FuseKind, seconds: number, amps = 400) => bandOf({ kind, amps }, seconds);
    expect(fuseBand('class-t', Infinity)).toEqual({ pessimistic: 1, optimistic: 1.35 });
    // At 200 % within 4, 6, 8, 10, 12 and 14 minutes by size (UL 248-15, from memory, second hand).
    for (const [amps, minutes] of [
      [30, 4],
      [60, 6],
      [100, 8],
      [200, 10],
      [400, 12],
      [600, 14],
    ] as const)
      expect(fuseBand('class-t', minutes * 60, amps).optimistic).toBeCloseTo(2, 10);
    expect(fuseBand('bolt-in', 1).pessimistic).toBeCloseTo(2, 10);
    // Shorter than its shortest point a curve says nothing: it stays at its last multiple.
    expect(fuseBand('class-t', 0.001)).toEqual({ pessimistic: 8, optimistic: 8 });
    expect(fuseBand('blade', 0.02).pessimistic).toBeCloseTo(6, 10);
    // Half way in the logarithm of time is half way in that of the multiple.
    expect(fuseBand('class-t', Math.sqrt(10 * 1)).pessimistic).toBeCloseTo(Math.sqrt(2 * 3), 10);
    expect(fuseBand('bolt-in', 15).optimistic).toBeCloseTo(2, 10);
    expect(fuseBand('blade', 5).optimistic).toBeCloseTo(2, 10);
    const quick = fuseBand('class-t', 0.3);
    expect(quick.pessimistic).toBeGreaterThan(3);
    expect(quick.pessimistic).toBeLessThan(5);
  });

  it('carries less for longer at both edges, and never more at the pessimistic one', () => {
    const seconds = fc.double({ min: 0.005, max: 20_000, noNaN: true });
    always(
      fc.property(fc.constantFrom('class-t', 'blade', 'bolt-in'), seconds, seconds, (kind, a, b) => {
        const [short, long] = [
          bandOf({ kind, amps: 100 }, Math.min(a, b)),
          bandOf({ kind, amps: 100 }, Math.max(a, b)),
        ];
        return (
          short.pessimistic >= long.pessimistic - 1e-9 &&
          short.optimistic >= long.optimistic - 1e-9 &&
          long.pessimistic <= long.optimistic + 1e-9
        );
      }),
    );
  });
});
