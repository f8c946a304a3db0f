import fc from 'fast-check';
import { abs, add, complex, divide, multiply } from 'mathjs';
import {
  ambientFactor,
  ampacity,
  cableOhms,
  largestBreakerOn,
  ohmsPerMetre,
  voltageDrop,
} from '../../src/protection/cable.js';
import { generatorFactor } from '../../src/supply/generator-derating.js';
import { inverterFactor } from '../../src/supply/inverter-derating.js';
import { neutralBound, type LegCurrent, type SharingLegs } from '../../src/supply/legs.js';
import { quasiSquare } from '../../src/loads/modified-sine.js';
import { inputLimitAdvice, sourceTest } from '../../src/supply/source-test.js';
import { clippedVolts, dipShare, inverterOhms } from '../../src/supply/voltage-dip.js';
import { AWG_ROWS } from '../../src/reference/copper-awg.js';
import { METRIC_ROWS } from '../../src/reference/copper-metric.js';
import { always } from '../always.js';
import { workedExample } from '../worked-example.js';

const FOOT_M = 0.3048;

describe('a copper cable', () => {
  it('has the resistance of stranded copper in every row: 0.0214 ohm mm²/m at 75 °C (NEC ch. 9 t. 8, from memory, physics)', () => {
    for (const { awg, mm2, ohmsPerKft75C } of AWG_ROWS) {
      expect((ohmsPerKft75C / 304.8) * mm2)
        .withContext(awg)
        .toBeCloseTo(0.0214, 3);
    }
  });

  it('is 1.10 to 1.16 times plain copper in every metric row (IEC 60228 class 5, from memory)', () => {
    for (const { mm2, ohmsPerKm20C } of METRIC_ROWS) {
      const ratio = (ohmsPerKm20C * mm2) / 1000 / 0.01724;
      expect(ratio).withContext(`${mm2} mm²`).toBeGreaterThan(1.1);
      expect(ratio).toBeLessThan(1.16);
    }
    expect((ohmsPerMetre({ mm2: 35 }, 60) ?? 0) * 1000).toBeCloseTo(0.641, 3);
  });

  it('drops volts there and back, in feet of AWG as in metres of mm² (worked examples 5.4 and 5.5)', () => {
    const inFeet = workedExample('5.4');
    const [amps, feet, , , celsius] = inFeet.given;
    const awg = cableOhms({ awg: '2/0', metres: feet * FOOT_M }, celsius) ?? NaN;
    inFeet.comesTo(awg * 1000, voltageDrop(awg, amps));
    const inMetres = workedExample('5.5');
    const [ampsToo, metres, mm2, warm] = inMetres.given;
    const metric = cableOhms({ mm2, metres }, warm) ?? NaN;
    inMetres.comesTo(metric * 1000, voltageDrop(metric, ampsToo));
    expect(cableOhms({ mm2 }, warm)).toBeUndefined();
  });

  it('drops what shore cords drop, a thin one and a pitch lead too (worked examples 5.6 to 5.8)', () => {
    for (const [{ given, comesTo }, awg] of [
      [workedExample('5.6'), '10'],
      [workedExample('5.7'), '16'],
    ] as const) {
      const [amps, feet, , celsius] = given;
      comesTo(voltageDrop(cableOhms({ awg, metres: feet * FOOT_M }, celsius) ?? NaN, amps));
    }
    const { given, comesTo } = workedExample('5.8');
    const [amps, metres, mm2, celsius] = given;
    comesTo(voltageDrop(cableOhms({ mm2, metres }, celsius) ?? NaN, amps));
  });

  it('of two side by side has half the resistance and carries twice, and a thin cord has a table of its own (physics; NEC ch. 9 t. 8, from memory)', () => {
    for (const size of [{ awg: '4' as const }, { mm2: 25 }]) {
      const single = ohmsPerMetre(size, 50) ?? NaN;
      expect(ohmsPerMetre({ ...size, bundles: 2 }, 50)).toBeCloseTo(single / 2, 12);
    }
    expect(ampacity({ awg: '4', bundles: 2 }, 'nec')).toBe(2 * (ampacity({ awg: '4' }, 'nec') ?? NaN));
    expect(ohmsPerMetre({ awg: '18' }, 75)).toBeCloseTo(7.95 / 304.8, 9);
    expect(ohmsPerMetre({ awg: '16' }, 75)).toBeCloseTo(4.99 / 304.8, 9);
    expect(ohmsPerMetre({}, 75)).toBeUndefined();
    expect(cableOhms({ awg: '4' }, 75)).toBeUndefined();
    expect(voltageDrop(0.1, 20, 0.5)).toBeCloseTo(1, 12);
  });

  it('carries what its school says, less in the heat (NEC 310.16 and 310.15(B)(1)(1), ABYC E-11, IEC 60364-5-52, from memory)', () => {
    expect(ampacity({ awg: '10' }, 'nec')).toBe(35);
    expect(ampacity({ awg: '2/0' }, 'abyc')).toBe(330);
    expect(ampacity({ mm2: 70 }, 'iec')).toBe(213);
    expect(ampacity({ awg: '3' }, 'abyc')).toBeUndefined();
    expect(largestBreakerOn({ awg: '12' })).toBe(20);
    const printed = [0.94, 0.88, 0.82, 0.75, 0.67, 0.58];
    [35, 40, 45, 50, 55, 60].forEach((celsius, index) =>
      expect(ambientFactor(75, celsius)).toBeCloseTo(printed[index] ?? 0, 2),
    );
    expect(ampacity({ awg: '10' }, 'nec', 10)).toBe(35);
  });
});

/** A leg of which amps and power factor are known. */
const leg = (amps: number, powerFactor: number): LegCurrent => {
  const angle = Math.acos(powerFactor);
  return {
    amps: { lo: amps, stated: amps, hi: amps },
    angle: { lo: angle, stated: angle, hi: angle },
  };
};

describe('two legs', () => {
  it('carry on the neutral of 208 V what each of them carries, and on one pole their sum (physics; worked example 4.2)', () => {
    expect(neutralBound('wye-208', leg(20, 1), leg(20, 1)).hi).toBeCloseTo(20, 10);
    expect(neutralBound('wye-208', leg(20, 1), leg(20, 1)).stated).toBeCloseTo(20, 10);
    const { given, comesTo } = workedExample('4.2');
    const [, more, less, powerFactor] = given;
    const legs = [leg(more, powerFactor), leg(less, powerFactor)] as const;
    comesTo(neutralBound('wye-208', ...legs).stated, neutralBound('in-phase', ...legs).hi);
    expect(neutralBound('wye-208', leg(15, 0.8), leg(20, 1)).stated).toBeGreaterThan(Math.sqrt(325));
  });

  it('carry more than either on the neutral of 208 V where their power factors differ (physics; worked example 4.1)', () => {
    const { given, comesTo } = workedExample('4.1');
    const [, amps, powerFactor, ampsToo, powerFactorToo] = given;
    comesTo(neutralBound('wye-208', leg(amps, powerFactor), leg(ampsToo, powerFactorToo)).hi);
  });

  it('stay between the bounds of their neutral, whatever the phasors within what is known of them (physics)', () => {
    const within = fc.record({
      amps: fc.tuple(fc.double({ min: 0, max: 60, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true })),
      angle: fc.tuple(
        fc.double({ min: 0, max: 1.5, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
      ),
      at: fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true })),
    });
    const known = ({
      amps: [hi, part],
      angle: [high, share],
    }: typeof within extends fc.Arbitrary<infer T> ? T : never) => ({
      amps: { lo: hi * part, stated: hi, hi },
      angle: { lo: high * share, stated: high, hi: high },
    });
    always(
      fc.property(fc.constantFrom<SharingLegs>('wye-208', 'in-phase'), within, within, (legs, a, b) => {
        const [one, two] = [known(a), known(b)];
        const drawn = (leg: LegCurrent, [size, turn]: readonly [number, number]) => {
          const amps = leg.amps.lo + (leg.amps.hi - leg.amps.lo) * size;
          const angle = leg.angle.lo + (leg.angle.hi - leg.angle.lo) * turn;
          return complex(amps * Math.cos(angle), amps * Math.sin(angle));
        };
        const { lo, hi } = neutralBound(legs, one, two);
        const apart = legs === 'wye-208' ? complex(-0.5, Math.sqrt(3) / 2) : complex(1, 0);
        // phasors added by a complex-number library (mathjs)
        const there = Number(abs(add(drawn(one, a.at), multiply(drawn(two, b.at), apart))));
        // what cancels leaves the root of a rounding
        return there <= hi + 1e-6 && there >= lo - 1e-5;
      }),
    );
  });
});

describe('voltage', () => {
  it('dips with a locked rotor, and half as much with a soft start (worked example 8.1)', () => {
    const { given, comesTo } = workedExample('8.1');
    const [locked, powerFactor, volts, post, cord, soft] = given;
    const source = { ohms: post + cord, reactanceOhms: 0 };
    comesTo(...[locked, soft].map((amps) => dipShare(source, volts, amps, powerFactor)));
  });

  it('dips as the divider of a complex-number library has it (mathjs)', () => {
    const ohm = fc.double({ min: 0.01, max: 1, noNaN: true });
    always(
      fc.property(
        ohm,
        ohm,
        fc.double({ min: 1, max: 100, noNaN: true }),
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        (r, x, amps, pf) => {
          const load = multiply(complex(pf, Math.sqrt(1 - pf * pf)), 120 / amps);
          const left = abs(divide(load, add(load, complex(r, x))) as unknown as ReturnType<typeof complex>);
          return Math.abs(1 - left - dipShare({ ohms: r, reactanceOhms: x }, 120, amps, pf)) < 1e-9;
        },
      ),
    );
    expect(inverterOhms(0.03, 120, 3000)).toBeCloseTo(0.144, 10);
    expect(clippedVolts(120, 40, 60)).toBe(80);
  });

  it('of a modified sine has less of its fundamental than a meter shows (worked example 3.6)', () => {
    const { given, comesTo } = workedExample('3.6');
    const [peakV, conducting] = given;
    const { rmsV, fundamentalV, distortion } = quasiSquare({ peakV, conducting });
    comesTo(rmsV, fundamentalV, distortion);
  });

  it('on arrival gives the source resistance, what is lost, and the amps at 108 V (physics; NEMA MG 1, from memory)', () => {
    const test = sourceTest({ volts: 121, amps: 0 }, { volts: 118, amps: 12 }, 120, {
      volts: 117.6,
      amps: 12,
    });
    expect(test).toEqual(
      jasmine.objectContaining({
        ohms: 0.25,
        lostW: 36,
        ampsAtLowVoltage: 52,
        lowVoltage: 108,
        badContact: true,
      }),
    );
    expect(sourceTest({ volts: 118, amps: 12 }, { volts: 121, amps: 0 }, 120)).toBeUndefined();
    expect(inputLimitAdvice({ breakerA: 30, aheadA: 6 }, 10)).toEqual({
      atMostA: 18,
      because: 'breaker',
      atLeastA: 10,
    });
    expect(inputLimitAdvice({ breakerA: 30, aheadA: 0, lowVoltageA: 14 }, 0).because).toBe('low-voltage');
  });
});

describe('heat and height', () => {
  it('take a fifth of a generator (worked example 7.3)', () => {
    const { given, comesTo } = workedExample('7.3');
    const [continuousW, surgeW, altitudeM, celsius] = given;
    const factor = generatorFactor({ altitudeM, celsius });
    comesTo(factor, continuousW * factor, surgeW * factor);
    expect(generatorFactor({ fuel: 'lp-gas' })).toBeCloseTo(0.9, 10);
  });

  it('leave three quarters of a hot inverter (worked example 7.4), nothing where it switches off', () => {
    const { given, comesTo } = workedExample('7.4');
    comesTo(inverterFactor(given[0]).stated);
    expect(inverterFactor(undefined)).toEqual({ lo: 1, stated: 1, hi: 1 });
    expect(inverterFactor(66)).toEqual({ lo: 0, stated: 0, hi: jasmine.any(Number) as unknown as number });
    expect(inverterFactor(66).hi).toBeGreaterThan(0);
    // thin air cools less, and the two factors multiply (common practice, low)
    const [high, hot] = [inverterFactor(undefined, 25, 4000).stated, inverterFactor(45).stated];
    expect(high).toBeLessThan(1);
    expect(high).toBeGreaterThan(0.5);
    expect(inverterFactor(45, 25, 4000).stated).toBeCloseTo(high * inverterFactor(45, 25).stated, 10);
    expect(hot).toBeLessThan(1);
  });
});
