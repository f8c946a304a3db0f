import { startBand } from '../../src/protection/breaker.js';
import { chargingLoads } from '../../src/rig/charging-loads.js';
import type { Converter, Rig, Supply } from '../../src/rig-file/schema.js';
import { validateRig } from '../../src/rig-file/validate.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import type { Limit } from '../../src/check/limits/limit.js';
import { exampleRig, on, q, type ExampleLoad } from '../example-rig.js';

const stated = (limits: readonly Limit[], id: string) => limits.find((limit) => limit.id === id)?.worst;

describe('a charger', () => {
  const charger: Converter = {
    id: 'charger',
    name: 'Charger',
    kind: 'charger',
    from: 'inlet',
    to: 'dc',
    continuousW: q(800),
    continuousVA: q(1200),
    tiers: [],
    chargeA: 55,
  };
  const withCharger = (more: Partial<Converter> = {}, charging: Supply['charging'] = 'on'): Rig => {
    const rig = exampleRig({ lamp: { w: 100, circuit: 'ahead', minutes: 240 } });
    return {
      ...rig,
      // Of the two the charger alone charges.
      converters: [
        ...rig.converters.map((each) => ({ ...each, kind: 'inverter' as const })),
        { ...charger, ...more },
      ],
      supplies: rig.supplies.map((supply) => ({ ...supply, charging })),
    };
  };
  const onShore = (rig: Rig) => check(compile(rig), { supply: 'shore', on: on('lamp') });

  it('draws amps x 13.5 V / (0.85 x 0.70) on its bus, and up to 14.4 V and its losses more (physics; rule 19)', () => {
    // 55 A x 13.5 V / 0.85 = 873.5 W; 100 W beside it
    const [found] = chargingLoads(withCharger());
    expect(found?.load.name).toBe('Charging by Charger');
    const { limits } = onShore(withCharger());
    const va = Math.hypot(873.53 + 100, 873.53 * Math.sqrt(1 / 0.7 ** 2 - 1));
    expect(stated(limits, 'shore:amps')?.stated).toBeCloseTo(va / 120, 2);
    const alone = stated(onShore(withCharger({}, 'off')).limits, 'shore:amps');
    expect(alone?.hi).toBeCloseTo(100 / 120, 6);
    expect(stated(limits, 'shore:amps')?.lo).toBeCloseTo(alone?.lo ?? 0, 1);
    const most = 55 * 13.5 * (1 / 0.85) * (1 + Math.hypot(14.4 / 13.5 - 1, 0.85 / 0.8 - 1));
    expect(stated(limits, 'shore:amps')?.hi).toBeGreaterThan(most / 0.7 / 120);
  });

  it('counts for hours, with all its units, and not where nothing feeds it (rule 19)', () => {
    const two = onShore(withCharger({ unitsInParallel: 2 })).limits;
    expect(two[0]?.verdict).not.toBe('holds');
    const rule = onShore(withCharger()).limits.find(({ kind }) => kind === 'continuous-rule');
    expect(rule?.worst.stated).toBeGreaterThan(9);
    const battery = check(compile(withCharger()), { supply: 'battery', on: on() });
    expect(battery.selfStarting).toEqual([]);
  });
});

describe('a level', () => {
  const hob = (works?: 'lower' | 'pulses'): Rig => {
    const rig = exampleRig({ hob: { w: 1800 } });
    const low = { id: 'low', name: 'Low', parts: [{ part: 'main', share: 0.25 }], ...(works && { works }) };
    return { ...rig, loads: rig.loads.map((load) => ({ ...load, states: [low] })) };
  };
  const watts = (rig: Rig) =>
    check(compile(rig), { supply: 'battery', on: [{ load: 'hob', state: 'low' }] }).limits.find(
      ({ kind }) => kind === 'inverter-watts',
    )?.worst.hi;

  it('that pulses counts its peak; one that is not known is taken to pulse (rule 32)', () => {
    expect(watts(hob('lower'))).toBeCloseTo(450, 6);
    expect(watts(hob('pulses'))).toBeCloseTo(1800, 6);
    expect(watts(hob())).toBeCloseTo(1800, 6);
  });
});

describe('the magnetic release of a breaker', () => {
  it('answers to 1.1 x rms of a motor and up to 1.75 x of a transformer (physics of the offset; rule 31)', () => {
    const breaker = { protection: { amps: 20, curve: 'ul-489' as const } };
    const none = { pessimistic: 0, stated: 0, optimistic: 0 };
    const short = { pessimistic: 0.02, stated: 0.02, optimistic: 0.02 };
    // may from 5 times, so 100 A of peak over the square root of two that rms has
    expect(startBand(breaker, none, short).pessimistic).toBeCloseTo(100 / 1.1, 6);
    const transformer = { pessimistic: 1.75, stated: 1.57, optimistic: 1.4 };
    expect(startBand(breaker, none, short, transformer).pessimistic).toBeCloseTo(100 / 1.75, 6);
    expect(startBand(breaker, none, short, transformer).optimistic).toBeCloseTo(400 / 1.4, 6);
  });
});

describe('a usual power factor', () => {
  it('is one cause for all loads that use it: their doubts add (JCGM 100:2008, 5.2.2; rule 30)', () => {
    const pump = (pf?: number) => ({
      id: 'main',
      kind: 'water-pump' as const,
      runningW: q(600),
      ...(pf !== undefined && { powerFactor: q(pf) }),
    });
    const rig = exampleRig({ a: { w: 600 }, b: { w: 600 } });
    const both: Rig = { ...rig, loads: rig.loads.map((load) => ({ ...load, parts: [pump()] })) };
    const va = check(compile(both), { supply: 'battery', on: on('a', 'b') }).limits.find(
      ({ kind }) => kind === 'inverter-va',
    );
    expect(va?.worst.hi).toBeCloseTo(1200 / 0.5, 6);
    expect(va?.worst.lo).toBeCloseTo(1200 / 0.75, 6);
  });
});

describe('a start under assist of which it is not known who carries it', () => {
  const assisted = (loads: Record<string, ExampleLoad>, more: Partial<Rig> = {}): Rig => {
    const rig = exampleRig(loads, { tiers: [[6000, 1]], shoreA: 15 });
    return {
      ...rig,
      converters: rig.converters.map((each) => ({ ...each, canAssist: 'yes' as const })),
      supplies: rig.supplies.map((each) => ({ ...each, inputLimitA: 10, assist: 'on' as const })),
      ...more,
    };
  };
  const verdict = (rig: Rig, id: string) => check(compile(rig), { supply: 'shore', on: on(id) }).verdict;

  it('is the source’s alone ahead of the inverter, and trips it there (physics)', () => {
    const welder = { w: 1000, start: [45_000, 1] as const };
    expect(verdict(assisted({ welder: { ...welder, circuit: 'ahead' } }), 'welder')).toBe('trips');
  });

  it('of a generator is no more than Tight behind the inverter that may help (rule 11)', () => {
    const rig = assisted({ pump: { w: 800, start: [4800, 0.5] } });
    const generator = {
      ...rig,
      sources: [
        { ...rig.sources[0]!, kind: 'generator' as const, continuousW: q(1600), continuousVA: q(1600) },
      ],
      supplies: rig.supplies.map(({ breaker: _breaker, ...each }) => each),
    };
    expect(verdict(generator, 'pump')).toBe('tight');
  });
});

describe('a verdict that is open', () => {
  const openAt = (watts: number, doubt: number) => {
    const w = q(watts, 'guess', { minus: doubt, plus: doubt });
    const { verdict, odds } = check(compile(exampleRig({ heater: { w } }, { watts: 1000, va: 5000 })), {
      supply: 'battery',
      on: on('heater'),
    });
    return [verdict, odds];
  };

  it('is Tight or Likely trips as the stated values say, with the odds of a normal deviate (tables of the normal distribution; rules 24 and 35)', () => {
    // u is half of the doubt: 0.3853 u is 65 %, 1.6449 u is 95 %
    expect(openAt(990, 100)).toEqual(['tight', 'even']);
    expect(openAt(975, 100)).toEqual(['tight', 'probably-holds']);
    expect(openAt(915, 100)).toEqual(['tight', 'almost-surely-holds']);
    expect(openAt(1030, 100)).toEqual(['likely-trips', 'probably-trips']);
    expect(openAt(1090, 100)).toEqual(['likely-trips', 'almost-surely-trips']);
  });

  it('is about a limit that is over as entered before one that is fuller at worst (methods.md, rule 15)', () => {
    const rig = exampleRig(
      {
        heater: { w: q(720, 'guess', { minus: 5, plus: 5 }) },
        pot: { w: q(230, 'guess', { minus: 210, plus: 480 }) },
      },
      { watts: 1000, va: 5000, breakerA: 5 },
    );
    const pot = { ...rig.circuits[0]!, id: 'second', protection: { amps: 15, curve: 'ul-489' as const } };
    const result = check(
      compile({
        ...rig,
        circuits: [...rig.circuits, pot],
        loads: rig.loads.map((load) => (load.id === 'pot' ? { ...load, circuit: pot.id } : load)),
      }),
      { supply: 'battery', on: on('heater', 'pot') },
    );
    const [first, second] = result.limits;
    expect([first?.id, result.verdict]).toEqual(['main:amps', 'likely-trips']);
    expect(second?.loading).toBeGreaterThan(first?.loading ?? Infinity);
  });

  it('says that too little is known where the doubt alone is more than the limit carries (rule 24)', () => {
    expect(openAt(1300, 1100)).toEqual(['likely-trips', 'too-little-known']);
  });
});

describe('a start below what it draws running', () => {
  it('is refused, with the field and the fix (rule 33)', () => {
    const rig = exampleRig({ saw: { w: 1000, start: [700, 0.5] } });
    const read = validateRig(rig);
    expect(read.ok ? '' : read.problems[0]?.message).toContain('is below the 1000 it draws running');
  });
});
