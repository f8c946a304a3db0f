import fc from 'fast-check';
import {
  codeLetterVA,
  fullLoadAmps,
  lockedRotorAmps,
  mostHorsepowerOfPlug,
  shaftMotorVA,
  startTimeFactor,
} from '../../../src/loads/start/motor.js';
import { CODE_LETTER_BANDS } from '../../../src/reference/nec-430-code-letters.js';
import { MOTORS } from '../../../src/reference/nec-430-motors.js';
import { always } from '../../always.js';
import { workedExample } from '../../worked-example.js';

describe('a single-phase motor', () => {
  it('draws what the table says, and its columns agree (NEC 430.248, from memory: 115 V is twice 230 V, 208 V is 1.10 times)', () => {
    expect(fullLoadAmps(0.75, 115)).toBe(13.8);
    expect(fullLoadAmps(3, 230)).toBe(17);
    for (const { horsepower, fullLoadA } of MOTORS) {
      expect(fullLoadA[115])
        .withContext(`${horsepower} hp`)
        .toBeCloseTo(2 * fullLoadA[230], 10);
      expect(fullLoadA[208] / fullLoadA[230]).toBeCloseTo(1.1, 1);
      expect(fullLoadA[200] / fullLoadA[230]).toBeCloseTo(1.15, 1);
    }
  });

  it('between two rows draws in proportion, and outside of the table by the nearest row (NEC 430.248, from memory; the proportion is ours)', () => {
    // 1 hp draws 16 A and 1.5 hp 20 A at 115 V.
    expect(fullLoadAmps(1.25, 115)).toBeCloseTo(18, 10);
    expect(fullLoadAmps(1.1, 115)).toBeCloseTo(16.8, 10);
    const [smallest] = MOTORS;
    expect(fullLoadAmps(1 / 12, 115)).toBeCloseTo((smallest?.fullLoadA[115] ?? NaN) / 2, 10);
    const largest = MOTORS.at(-1);
    expect(fullLoadAmps(2 * (largest?.horsepower ?? NaN), 230)).toBeCloseTo(
      2 * (largest?.fullLoadA[230] ?? NaN),
      10,
    );
    expect(lockedRotorAmps(1.25, 115)).toBeCloseTo(108, 10);
  });

  it('locks at six times its full load at 115 and 230 V (NEC 430.251(A), from memory)', () => {
    expect(lockedRotorAmps(1, 115)).toBe(96);
    for (const { horsepower, fullLoadA, lockedRotorA } of MOTORS) {
      if (!lockedRotorA) continue;
      expect(lockedRotorA[115])
        .withContext(`${horsepower} hp`)
        .toBeCloseTo(6 * fullLoadA[115], 10);
      expect(lockedRotorA[230]).toBeCloseTo(6 * fullLoadA[230], 10);
      // 208 V is the current of 115 V over 208/115, to the ampere
      expect(Math.abs(lockedRotorA[208] - (lockedRotorA[115] * 115) / 208)).toBeLessThan(1);
    }
    expect(lockedRotorAmps(1 / 4, 115)).toBeCloseTo(58.8 / 2, 10);
  });

  it('has the locked-rotor amps of its code letter (worked example 3.2)', () => {
    const { given, comesTo } = workedExample('3.2');
    const [above, below, rated, volts] = given;
    const { from, to } = codeLetterVA('L', above / below);
    comesTo(from / rated, to / rated, (to / rated) * (volts / rated));
  });

  it('falls into one band whatever its kVA per horsepower, since the bands touch (NEC 430.7(B), internal consistency)', () => {
    CODE_LETTER_BANDS.slice(1).forEach((band, index) => {
      expect(band.from).toBeCloseTo((CODE_LETTER_BANDS[index]?.to ?? 0) + 0.01, 10);
    });
    const implied = (horsepower: number) => (lockedRotorAmps(horsepower, 115) * 115) / 1000 / horsepower;
    const letterOf = (kva: number) => CODE_LETTER_BANDS.find(({ to }) => kva <= to + 0.005)?.letter;
    expect([0.5, 0.75, 1, 1.5, 2, 3, 5, 7.5, 10].map((hp) => letterOf(implied(hp))).join('')).toBe(
      'PPMLKJJJH',
    );
  });

  it('draws what its shaft gives over efficiency and power factor (worked example 3.3)', () => {
    const { given, comesTo } = workedExample('3.3');
    const [shaftW, volts, efficiency, powerFactor, multiple] = given;
    const amps = shaftMotorVA(shaftW, efficiency, powerFactor) / volts;
    comesTo(amps, multiple * amps);
  });

  it('takes longer to start on less voltage, and stalls at the end (physics; worked example 3.4)', () => {
    const { given, comesTo } = workedExample('3.4');
    const [torque, low, lower] = given;
    comesTo(startTimeFactor(low, torque), startTimeFactor(lower, torque));
    expect(startTimeFactor(Math.sqrt(torque) - 0.001, torque)).toBe(Infinity);
  });

  it('has no more horsepower than its plug feeds (common practice, no published source; worked example 14.1)', () => {
    const { given, comesTo } = workedExample('14.1');
    const [amps, volts] = given;
    comesTo(mostHorsepowerOfPlug(volts, amps));
  });

  it('draws more with more horsepower, between the rows of the table too', () => {
    const size = fc.double({ min: 0.1, max: 12, noNaN: true });
    always(
      fc.property(size, size, (a, b) => {
        const [small, large] = [Math.min(a, b), Math.max(a, b)];
        return (
          fullLoadAmps(small, 115) <= fullLoadAmps(large, 115) + 1e-9 &&
          lockedRotorAmps(small, 230) <= lockedRotorAmps(large, 230) + 1e-9
        );
      }),
    );
  });
});
