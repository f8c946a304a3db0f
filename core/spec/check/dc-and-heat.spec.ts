import type { Battery, Rig } from '../../src/rig-file/schema.js';
import { batteryClockOf } from '../../src/outlook/battery-clock.js';
import { check } from '../../src/check/check.js';
import { compile } from '../../src/check/wiring/compile.js';
import { exampleRig, on, q, type ExampleLoad } from '../example-rig.js';
import { workedExample } from '../worked-example.js';

const ideal = { idleW: q(0), efficiencyPeak: q(0.999), efficiencyFull: q(0.999) };

/** The example system on a battery of which more is known. */
function withBattery(
  loads: Readonly<Record<string, ExampleLoad>>,
  battery: Partial<Battery>,
  more: Partial<Rig> = {},
): Rig {
  const rig = exampleRig(loads, { watts: 3000, tiers: [[6000, 5]] });
  return {
    ...rig,
    converters: rig.converters.map((each) => ({ ...each, ...ideal, cutOffV: 10.5 })),
    batteries: rig.batteries.map((each) => ({ ...each, ...battery })),
    ...more,
  };
}

const scene = { supply: 'battery', on: on('heater') };
const row = (rig: Rig, kind: string) =>
  check(compile(rig), scene).limits.find((limit) => limit.kind === kind);

describe('the DC side', () => {
  it('draws the stable current of a sagging source (worked example 6.1)', () => {
    const { given, comesTo } = workedExample('6.1');
    const [watts, openV, milliohms] = given;
    // A thousandth is lost in the inverter, and contacts add 0.9 mΩ as stated.
    const ohms = (milliohms - 0.9) / 1000;
    const rig = withBattery({ heater: { w: watts * 0.999 } }, { restV: q(openV), ohms, dischargeA: 400 });
    const amps = row(rig, 'battery')!.worst.stated;
    comesTo(amps, openV - (milliohms / 1000) * amps);
    const clock = batteryClockOf({ charge: undefined }, check(compile(rig), scene));
    expect(clock?.amps.hi).toBeGreaterThan(clock?.amps.stated ?? 0);
    expect(clock?.watts).toBeCloseTo(watts, 0);
  });

  it('takes the volts from the charge that was read, at worst from the reserve or a fifth (rule 27)', () => {
    const lfp = { chemistry: 'lfp' as const, ohms: 0.005, reservePercent: 0 };
    const rig = withBattery({ heater: { w: 1000 } }, lfp);
    const most = (more: object, of: Rig = rig) =>
      check(compile(of), { ...scene, ...more }).limits.find(({ kind }) => kind === 'dc-volts')?.capacity;
    const read = (percent: number) => ({ charge: { percent, readAt: '2026-06-12T10:00:00Z' } });
    expect(most(read(80))?.stated).toBeGreaterThan(most(read(20))?.stated ?? Infinity);
    expect(most(read(80))?.pessimistic).toBe(most(read(40))?.pessimistic);
    expect(most(read(10))?.pessimistic).toBeLessThan(most(read(80))?.pessimistic ?? 0);
    const kept = withBattery({ heater: { w: 1000 } }, { ...lfp, reservePercent: 95 });
    expect(most({}, kept)?.pessimistic).toBeLessThanOrEqual(most({}, kept)?.stated ?? 0);
  });

  it('is cut off where the volts fall to the cut-off, not at the collapse (worked example 6.2)', () => {
    const { given, comesTo } = workedExample('6.2');
    const [openV, milliohms] = given;
    const ohms = (milliohms - 0.9) / 1000;
    const rig = (w: number) => withBattery({ heater: { w } }, { restV: q(openV), ohms });
    comesTo(openV ** 2 / (0.004 * milliohms), row(rig(800), 'dc-volts')!.capacity.stated);
    expect(check(compile(rig(1000)), scene).verdict).toBe('trips');
    expect(check(compile(rig(1000)), scene).decider?.kind).toBe('dc-volts');
  });

  it('is weaker in the cold: the same lithium bank holds warm and not at 0 °C (methods.md 2)', () => {
    const at = (batteryC: number) =>
      check(
        compile(withBattery({ heater: { w: 1500 } }, { chemistry: 'lfp' }, { conditions: { batteryC } })),
        scene,
      ).verdict;
    expect(at(25)).toBe('holds');
    expect(at(0)).not.toBe('holds');
  });

  it('counts a resistance as measured for more in the cold, and for no less when warm (methods.md 6)', () => {
    const collapse = (batteryC?: number) =>
      row(
        withBattery(
          { heater: { w: 1500 } },
          { chemistry: 'lfp', ohms: 0.01 },
          batteryC === undefined ? {} : { conditions: { batteryC } },
        ),
        'dc-volts',
      )?.capacity.stated ?? NaN;
    expect(collapse(0)).toBeLessThan(0.8 * collapse(25));
    expect(collapse(25)).toBeCloseTo(collapse(), 6);
  });

  it('blows a fuse later than it may and sooner than it must (UL 248, from memory), by the rms of its ripple', () => {
    const fuse = { amps: 150, kind: 'class-t' } as const;
    const at = (w: number) => row(withBattery({ heater: { w } }, { fuse }), 'dc-fuse')?.verdict;
    // at 12 V: 100, 160 and 240 A
    expect([at(1200), at(1920), at(2880)]).toEqual(['holds', 'tight', 'trips']);
  });

  it('counts two batteries for less than two where nothing says that they share evenly (methods.md 6)', () => {
    const bank = withBattery({ heater: { w: 2270 } }, { dischargeA: 100 });
    const two = (sharesEvenly: 'yes' | 'no'): Rig => ({
      ...bank,
      batteries: ['a', 'b'].map((id) => ({ ...bank.batteries[0]!, id, name: id, sharesEvenly })),
    });
    expect(row(two('no'), 'battery')?.capacity.pessimistic).toBeCloseTo(181.8, 1);
    expect(row(two('yes'), 'battery')?.capacity.pessimistic).toBe(200);
    const first = two('yes');
    const half = {
      ...first,
      batteries: [first.batteries[0]!, { ...first.batteries[1]!, sharesEvenly: 'no' as const }],
    };
    expect(row(half, 'battery')?.capacity.pessimistic).toBeCloseTo(181.8, 1);
    expect([check(compile(two('no')), scene).verdict, check(compile(two('yes')), scene).verdict]).toEqual([
      'tight',
      'holds',
    ]);
  });

  it('holds its cable against the school the rig follows', () => {
    const cable = { awg: '2', metres: 1 } as const;
    const by = (ampacity: 'nec' | 'abyc') =>
      row(withBattery({ heater: { w: 1800 } }, { cable }, { practice: { ampacity } }), 'dc-cable')?.capacity
        .stated;
    expect([by('nec'), by('abyc')]).toEqual([115, 210]);
  });
});

describe('heat', () => {
  it('takes a quarter of a hot inverter, more or less by its own slope (worked example 7.4)', () => {
    const { given, comesTo } = workedExample('7.4');
    const hot = withBattery({ heater: { w: 2200 } }, {}, { conditions: { inverterC: given[0] } });
    const watts = row(hot, 'inverter-watts');
    comesTo(watts!.capacity.stated / 3000);
    expect(watts?.capacity.pessimistic).toBeCloseTo(2100, 6);
    expect(watts?.capacity.optimistic).toBeCloseTo(2520, 6);
    expect(watts?.verdict).toBe('tight');
  });

  it('leaves the 80 % rule to those who keep it, and to breakers of North America (worked example 5.11)', () => {
    const { given, comesTo } = workedExample('5.11');
    const [breakerA, hours] = given;
    const loads = { heater: { w: 2000, minutes: 60 * hours } };
    const rig = exampleRig(loads, { breakerA });
    const ruleOf = (of: Rig) =>
      check(compile(of), scene).limits.find((limit) => limit.kind === 'continuous-rule');
    const rule = (of: Rig) => ruleOf(of) !== undefined;
    comesTo(ruleOf(rig)!.capacity.pessimistic);
    expect(rule({ ...rig, practice: { continuousRule: 'left-out' } })).toBeFalse();
    const iec = rig.circuits.map((circuit) => ({
      ...circuit,
      protection: { amps: 20, curve: 'iec-60898-c' as const },
    }));
    expect(rule({ ...rig, circuits: iec })).toBeFalse();
  });
});

describe('an inverter', () => {
  it('bears losses out of its rating only where the rig follows that school (common practice, two schools)', () => {
    const rig = withBattery({ heater: { w: 2800 } }, {});
    const converters = rig.converters.map((each) => ({ ...each, efficiencyFull: q(0.88) }));
    const by = (losses: 'on-the-battery' | 'on-the-inverter-too') =>
      row({ ...rig, converters, practice: { losses } }, 'inverter-watts')?.capacity.stated;
    expect([by('on-the-battery'), by('on-the-inverter-too')]).toEqual([3000, 2640]);
  });

  it('gives its peaks out once: electronics without correction fill it sooner than their VA (methods.md 2, crest factor)', () => {
    const rig = exampleRig(
      { heater: { w: 1500, pf: 0.65, kind: 'supply-without-correction' } },
      { watts: 3000 },
    );
    const peak = row(rig, 'inverter-peak');
    expect(peak?.worst.stated).toBeCloseTo(((1500 / 0.65) * 3) / Math.SQRT2, 6);
    expect(peak?.verdict).toBe('likely-trips');
  });

  it('that folds back may start what one that trips does not (methods.md 2)', () => {
    const rig = exampleRig(
      { heater: { w: 400, start: [4200, 0.5], kind: 'split-phase-motor' } },
      { watts: 3000, tiers: [[3000, 5]] },
    );
    const folding = (aboveTopTier: 'trips' | 'folds-back'): Rig => ({
      ...rig,
      converters: rig.converters.map((each) => ({ ...each, aboveTopTier })),
    });
    expect([
      check(compile(folding('trips')), scene).verdict,
      check(compile(folding('folds-back')), scene).verdict,
    ]).toEqual(['trips', 'likely-trips']);
  });

  it('refuses a soft starter on a modified sine, and gives other motors a quarter more to carry (methods.md 3)', () => {
    const rig = exampleRig({ heater: { w: 1000, kind: 'hermetic-rotary', start: [3000, 0.3] } });
    const modified: Rig = {
      ...rig,
      converters: rig.converters.map((each) => ({ ...each, waveform: 'modified-sine' })),
    };
    expect(row(modified, 'inverter-watts')?.worst.stated).toBeCloseTo(1250, 8);
    const soft: Rig = {
      ...modified,
      loads: modified.loads.map((load) => ({
        ...load,
        parts: load.parts.map((part) => ({ ...part, start: { ...part.start!, soft: {} } })),
      })),
    };
    expect(check(compile(soft), scene).notFed[0]?.because).toBe('its soft starter needs a true sine wave');
    const at50: Rig = {
      ...rig,
      buses: rig.buses.map((bus) => (bus.kind === 'ac' ? { ...bus, hertz: 50 } : bus)),
      loads: rig.loads.map((load) => ({ ...load, ratedHertz: 60 })),
    };
    expect(check(compile(at50), scene).notFed[0]?.because).toBe('a 60 Hz motor overheats on 50 Hz');
  });
});

describe('a load on direct current', () => {
  /** 12 V, a pump of so many amps that starts with so many, and a battery of 100 A for hours, 150 A for 5 s. */
  const withPump = (amps: number, startA?: number): Rig => {
    const rig = exampleRig({ lamp: { w: 12 } });
    return {
      ...rig,
      circuits: [
        ...rig.circuits,
        { id: 'dc-12', name: 'Pump', bus: 'dc', protection: { amps: 30, curve: 'ul-489' } },
      ],
      batteries: rig.batteries.map((each) => ({
        ...each,
        dischargeA: 100,
        tiers: [{ amps: 150, seconds: 5 }],
      })),
      loads: [
        ...rig.loads,
        {
          id: 'pump',
          name: 'Pump',
          circuit: 'dc-12',
          usage: 'left-on',
          parts: [
            {
              id: 'main',
              kind: 'universal-motor',
              runningFrom: { amps: q(amps) },
              start:
                startA === undefined ? { va: q(1) } : { from: { lockedRotorA: q(startA) }, seconds: q(1) },
            },
          ],
        },
      ],
    };
  };
  const verdictOf = (rig: Rig) => check(compile(rig), { supply: 'battery', on: on('pump') });

  it('draws its amps from the bus as they are: there is no power factor (physics)', () => {
    const breaker = verdictOf(withPump(29)).limits.find(({ kind }) => kind === 'breaker');
    expect(breaker?.worst.stated).toBeCloseTo(29, 9);
    const bank = verdictOf(withPump(29)).limits.find(({ kind }) => kind === 'battery');
    expect(bank?.worst.stated).toBeCloseTo(29, 6);
    expect(verdictOf(withPump(31)).verdict).not.toBe('holds');
  });

  it('starts on its breaker and on the battery: 160 A are beyond 150 A for 5 s (physics)', () => {
    const starts = (startA: number) => verdictOf(withPump(10, startA)).limits.filter(({ start }) => start);
    expect(starts(100).map(({ kind }) => kind)).toEqual(
      jasmine.arrayContaining(['battery-start', 'breaker-start']),
    );
    expect(starts(160).find(({ kind }) => kind === 'battery-start')?.verdict).toBe('trips');
    expect(starts(140).find(({ kind }) => kind === 'battery-start')?.verdict).toBe('holds');
  });
});

describe('a bank of several batteries', () => {
  const bank = (...batteries: readonly Partial<Battery>[]): Rig => {
    const rig = exampleRig({ heater: { w: 1000 } });
    return {
      ...rig,
      batteries: batteries.map((more, index) => ({
        id: `b${index}`,
        name: `B${index}`,
        bus: 'dc',
        ampHours: q(100),
        ...more,
      })),
    };
  };
  const capacityOf = (rig: Rig) =>
    check(compile(rig), { supply: 'battery', on: on('heater') }).limits.find(({ kind }) => kind === 'battery')
      ?.capacity;

  it('give what the first to open lets through: 100 A and 200 A that share evenly give 200 A, not 300 A (physics)', () => {
    const even = { sharesEvenly: 'yes' as const };
    expect(capacityOf(bank({ dischargeA: 100, ...even }, { dischargeA: 200, ...even }))?.stated).toBe(200);
    // 20 mΩ beside 60 mΩ, contacts with each: three quarters of the current flow in the first
    const unequal = capacityOf(bank({ dischargeA: 100, ohms: 0.02 }, { dischargeA: 100, ohms: 0.06 }));
    expect(unequal?.stated).toBeGreaterThan(133);
    expect(unequal?.stated).toBeLessThan(136);
    expect(capacityOf(bank({ dischargeA: 100 }, { dischargeA: 100 }))?.pessimistic).toBeCloseTo(181.8, 1);
  });

  it('keep the limit of one where that of the other is not entered', () => {
    expect(capacityOf(bank({ dischargeA: 60 }, {}))?.stated).toBe(120);
  });

  it('give what the standard of cells usually lets through where no amps are entered: a share of the amp-hours (methods.md, rule 43)', () => {
    const found = capacityOf(bank({}, {}));
    expect(found?.stated).toBe(200);
    // of a kind that is not entered 0.25 C each, one of them taking a tenth more
    expect(found?.pessimistic).toBeCloseTo(25 / 0.55, 6);
  });
});
