import { timesFactor } from '../../../src/units/arithmetic.js';
import { runningPowerOf } from '../../../src/loads/running-power.js';
import { startSizeOf } from '../../../src/loads/start/start-size.js';
import { validateRig } from '../../../src/rig-file/validate.js';
import type { Part } from '../../../src/rig-file/schema.js';
import { exampleRig, q } from '../../example-rig.js';
import { workedExample } from '../../worked-example.js';

const at120 = { volts: 120, hertz: 60 };
const part = (more: Partial<Part> & Pick<Part, 'kind'>): Part => ({ id: 'main', ...more });

const watts = (more: Partial<Part> & Pick<Part, 'kind'>, system = at120) => {
  const { value, minus = 0, plus = 0 } = runningPowerOf(part(more), system).watts;
  return [value - minus, value, value + plus].map(Math.round);
};

describe('running power', () => {
  it('follows from amps and volts by the power factor, each at its edge (physics)', () => {
    const meter = { kind: 'hermetic-rotary', runningFrom: { amps: q(4.74), volts: 122 } } as const;
    expect(watts({ ...meter, powerFactor: q(0.956) })).toEqual([553, 553, 553]);
    // 578 VA at 0.85 to 0.97
    expect(watts(meter)).toEqual([492, 520, 561]);
    expect(runningPowerOf(part(meter), at120).va?.value).toBeCloseTo(578.28, 2);
  });

  it('follows from horsepower by the table at 60 Hz and by the shaft at 50 Hz (NEC 430.248; physics)', () => {
    const motor = {
      kind: 'capacitor-start-motor',
      runningFrom: { horsepower: 1 },
      powerFactor: q(0.65),
    } as const;
    expect(watts(motor)[1]).toBe(Math.round(16 * 115 * 0.65));
    const at50 = runningPowerOf(part({ ...motor, powerFactor: q(0.9) }), { volts: 230, hertz: 50 });
    expect(at50.va?.value).toBeCloseTo(746 / (0.65 * 0.9), 5);
  });

  it('takes cooling capacity for heat (worked example 2.2)', () => {
    const { given, comesTo } = workedExample('2.2');
    const coolingW = q(given[0] * 0.29307);
    const [least, usual, most] = watts({ kind: 'hermetic-rotary', runningFrom: { coolingW } });
    comesTo(coolingW.value, usual!);
    expect([least, most]).toEqual([1350, 1687]);
  });

  it('takes cooking power for output (worked example 2.3)', () => {
    const { given, comesTo } = workedExample('2.3');
    const cookingW = q(given[0]);
    const [least, usual, most] = watts({ kind: 'microwave-transformer', runningFrom: { cookingW } });
    comesTo(usual!, least!, most!);
  });

  it('counts a battery charger by its volts (worked example 2.4)', () => {
    const { given, comesTo } = workedExample('2.4');
    const [amps, volts, , powerFactor] = given;
    const charger = part({
      kind: 'supply-without-correction',
      runningFrom: { chargeA: q(amps), volts },
    });
    comesTo(runningPowerOf(charger, at120).watts.value / powerFactor);
  });
});

describe('a product of two doubtful numbers', () => {
  it('takes the root of the squares of their relative widths (JCGM 100:2008, 5.1.6)', () => {
    // 1,000 +-20 % times 5 (4 to 7): sqrt(0.2² + 0.2²) down, sqrt(0.2² + 0.4²) up
    const { value, minus, plus } = timesFactor(
      { value: 1000, basis: 'measured', minus: 200, plus: 200, commonCause: 'one meter' },
      { low: 4, usual: 5, high: 7 },
    );
    expect(value).toBe(5000);
    expect(minus).toBeCloseTo(5000 * Math.SQRT2 * 0.2, 6);
    expect(plus).toBeCloseTo(5000 * Math.hypot(0.2, 0.4), 6);
  });

  it('is never wider than the product of the ends (physics)', () => {
    const wide = timesFactor(
      { value: 100, basis: 'guess', minus: 86, plus: 10 },
      { low: 0.1, usual: 1, high: 1 },
    );
    expect(wide.minus).toBeCloseTo(100 - 14 * 0.1, 6);
  });
});

describe('a start', () => {
  it('that follows from the running power is wrong together with all that shares its meter (JCGM 100:2008, 5.2.2)', () => {
    const running = { value: 500, basis: 'measured', commonCause: 'one meter' } as const;
    expect(startSizeOf(part({ kind: 'split-phase-motor', runningW: running }), at120)?.va.commonCause).toBe(
      'one meter',
    );
    const rated = {
      from: { ratedLoadA: { value: 12, basis: 'nameplate', commonCause: 'one plate' } },
    } as const;
    const soft = { ...rated, soft: {} };
    for (const start of [rated, soft])
      expect(startSizeOf(part({ kind: 'hermetic-rotary', start }), at120)?.va.commonCause).toBe('one plate');
  });

  const va = (more: Partial<Part>, system = at120) => {
    const size = startSizeOf(part({ kind: 'hermetic-rotary', runningW: q(1000), ...more }), system);
    const { value = 0, minus = 0, plus = 0 } = size?.va ?? {};
    return { origin: size?.origin, edges: [value - minus, value, value + plus].map(Math.round) };
  };

  it('follows from the first figure that is given: entered, clamp, locked rotor, letter, table, rated load, multiple', () => {
    const from = {
      inrushA: q(40),
      baseA: q(4),
      lockedRotorA: q(60, 'nameplate'),
      codeLetter: 'L',
      horsepower: 0.75,
      ratedLoadA: q(12),
      volts: 115,
    } as const;
    const { inrushA: _i, baseA: _b, ...plate } = from;
    const { lockedRotorA: _l, ...letter } = plate;
    const { codeLetter: _c, ...table } = letter;
    const { horsepower: _h, ...rated } = table;
    expect(va({ start: { va: q(2000), from } }).origin).toBe('entered');
    // 36 A at 120 V
    expect(va({ start: { from } })).toEqual({ origin: 'inrush', edges: [4320, 4320, 4320] });
    // a locked rotor is an impedance: 60 A at 115 V is 62.6 A at 120 V; the plate says the most
    expect(va({ start: { from: plate } })).toEqual({ origin: 'locked-rotor', edges: [6010, 7513, 7513] });
    // 67.98 A at 120 V, the upper end of the letter
    expect(va({ start: { from: letter } })).toEqual({ origin: 'code-letter', edges: [6527, 8158, 8158] });
    expect(va({ start: { from: table } })).toEqual({
      origin: 'motor-table',
      edges: [0.55, 1, 1.05].map((share) => Math.round(share * 82.8 * 115 * (120 / 115) ** 2)),
    });
    expect(va({ start: { from: rated } }).origin).toBe('rated-load');
    expect(va({ start: {}, powerFactor: q(1) })).toEqual({ origin: 'multiple', edges: [4000, 5500, 6000] });
  });

  it('with a soft starter is smaller and longer, and heats a breaker no more (worked example 3.5)', () => {
    const { given, comesTo } = workedExample('3.5');
    const [fullVA, volts, seconds] = given;
    const start = { va: q(fullVA), seconds: q(seconds) };
    const soft = startSizeOf(
      part({ kind: 'hermetic-rotary', runningW: q(1), start: { ...start, soft: {} } }),
      at120,
    );
    expect(soft?.full.va.value).toBe(fullVA);
    const learning = { ...start, soft: { isLearning: 'yes' } } as const;
    const bypassed = { ...start, soft: { isBypassed: 'yes' } } as const;
    expect(va({ start: bypassed }).edges).toEqual([fullVA, fullVA, fullVA]);
    const heat = (of: { va: { value: number }; seconds: { value: number } }) =>
      (of.va.value / volts) ** 2 * of.seconds.value;
    comesTo(
      soft!.va.value,
      soft!.seconds.value,
      va({ start: learning }).edges[1]!,
      heat(soft!.full),
      heat(soft!),
    );
  });

  it('of code letter V is taken at 28 kVA per horsepower, for the table gives it no end (from memory, low)', () => {
    const lettered = part({
      kind: 'split-phase-motor',
      runningW: q(500),
      start: { from: { codeLetter: 'V', horsepower: 0.5 } },
    });
    // for 115 V, raised to the volts at hand (rule 46)
    expect(startSizeOf(lettered, at120)?.va.value).toBeCloseTo(14_000 * (120 / 115) ** 2, 6);
  });

  it('that was seen with a soft starter in place is not softened once more', () => {
    const soft = { remaining: q(0.5) };
    const seen = (softStarter: 'yes' | 'no') =>
      startSizeOf(
        part({
          kind: 'hermetic-rotary',
          runningW: q(900),
          start: { va: q(2000), seconds: q(1), soft, softStarter },
        }),
        at120,
      )?.va.value;
    expect(seen('yes')).toBe(2000);
    expect(seen('no')).toBe(1000);
  });

  it('is never nothing by omission: a kind that starts has its usual start, unless it is said to have none', () => {
    const compressor = part({
      kind: 'hermetic-rotary',
      runningW: q(900),
      powerFactor: q(0.9),
      start: undefined,
    });
    expect(startSizeOf(compressor, at120)).toEqual(
      jasmine.objectContaining({ origin: 'multiple', va: jasmine.objectContaining({ value: 5500 }) }),
    );
    const heater = part({ kind: 'ptc-heater', runningW: q(900), start: undefined });
    expect(startSizeOf(heater, at120)?.origin).toBe('multiple');
    expect(startSizeOf({ ...heater, start: { none: 'yes' } }, at120)).toBeUndefined();
    expect(
      startSizeOf(part({ kind: 'resistance-heater', runningW: q(900), start: undefined }), at120),
    ).toBeUndefined();
    const said = { ...compressor, start: { none: 'yes' as const } };
    const rig = exampleRig({ fridge: { w: 900 } });
    const read = validateRig({ ...rig, loads: rig.loads.map((load) => ({ ...load, parts: [said] })) });
    expect(read.ok ? '' : read.problems[0]?.message).toContain('cannot be "yes" for a motor or compressor');
  });
});
