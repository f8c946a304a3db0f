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
import { workedExample } from '../worked-example.js';

describe('a resistive DC source', () => {
  it('gives the stable current of its power (worked example 6.1)', () => {
    const { given, comesTo } = workedExample('6.1');
    const [watts, openV, milliohms] = given;
    const ohms = milliohms / 1000;
    const amps = dcAmps({ openV, ohms }, watts) ?? NaN;
    comesTo(amps, openV - ohms * amps);
  });

  it('is cut off long before it collapses (worked example 6.2)', () => {
    const { given, comesTo } = workedExample('6.2');
    const [openV, milliohms, cutOffV] = given;
    const source = { openV, ohms: milliohms / 1000 };
    comesTo(collapseWatts(source), cutOffWatts(source, cutOffV));
    expect(cutOffWatts(source, source.openV + 1)).toBe(0);
    expect(cutOffWatts(source, source.openV / 3)).toBe(collapseWatts(source));
    expect([collapseWatts({ openV: 12, ohms: 0 }), cutOffWatts({ openV: 12, ohms: 0 }, 10.5)]).toEqual([
      Infinity,
      Infinity,
    ]);
    expect(dcAmps(source, 1861)).toBeUndefined();
  });

  it('sags far more in the cold, where only what is the battery’s of its resistance grows (worked example 6.3)', () => {
    const { given, comesTo } = workedExample('6.3');
    const [watts, openV, cable, battery, celsius] = given;
    const volts = (milliohms: number) => {
      const ohms = milliohms / 1000;
      return openV - ohms * (dcAmps({ openV, ohms }, watts) ?? NaN);
    };
    comesTo(volts(cable + battery), volts(cable + battery * coldFactor('lfp', celsius)));
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

  it('give what the one that takes most of it can (worked example 6.4)', () => {
    const { given, comesTo } = workedExample('6.4');
    const [amps, most, least] = given;
    comesTo(bankLimit([amps, amps], [most, least]));
  });

  it('equalise by their difference over what lies between them (worked example 6.5)', () => {
    const { given, comesTo } = workedExample('6.5');
    const [volts, milliohms] = given;
    comesTo(joiningAmps(volts, milliohms / 1000));
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

  it('show their charge at rest (worked example 6.6)', () => {
    const { given, comesTo } = workedExample('6.6');
    comesTo(chargeFromRestVolts('flooded', 12, given[0]));
    expect(restVolts('lfp', 25.6, 50)).toBeCloseTo(26.32, 10);
  });

  it('last by Peukert, rated over ten hours as over twenty: 178.2 Ah are 200 (worked example 6.7)', () => {
    const { given, comesTo } = workedExample('6.7');
    const [ampHours, ratedHours, exponent, amps] = given;
    const hours = peukertHours({ ampHours, ratedHours, amps, exponent });
    comesTo(hours, amps * hours);
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
