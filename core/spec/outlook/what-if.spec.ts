import type { Load, Rig, Supply } from '../../src/rig-file/schema.js';
import { check } from '../../src/check/check.js';
import { compile } from '../../src/check/wiring/compile.js';
import { dimmingOf } from '../../src/outlook/supply/dimming.js';
import { dimmingWords } from '../../src/outlook/supply/dimming-words.js';
import { dropOutOf } from '../../src/outlook/supply/drop-out.js';
import { inputLimitOf } from '../../src/outlook/supply/input-limit.js';
import { inputLimitWords } from '../../src/outlook/supply/input-limit-words.js';
import { powerBackOf } from '../../src/outlook/supply/power-back.js';
import { powerBackWords } from '../../src/outlook/supply/power-back-words.js';
import { unplannedLoadsOf } from '../../src/outlook/unplanned-load.js';
import { notChecked } from '../../src/outlook/settling/not-checked.js';
import { voltageDropsOf } from '../../src/outlook/supply/voltage-drop.js';
import { voltageDropWords } from '../../src/outlook/supply/voltage-drop-words.js';
import { unplannedLoadWords } from '../../src/outlook/unplanned-load-words.js';
import { exampleRig, on, q, type ExampleLoad } from '../example-rig.js';
import { workedExample } from '../worked-example.js';

const battery = (...ids: string[]) => ({ supply: 'battery', on: on(...ids) });
const shore = (...ids: string[]) => ({ supply: 'shore', on: on(...ids) });

const withLoad = (rig: Rig, id: string, more: Partial<Load>): Rig => ({
  ...rig,
  loads: rig.loads.map((load) => (load.id === id ? { ...load, ...more } : load)),
});

const onShore = (rig: Rig, more: Partial<Supply>): Rig => ({
  ...rig,
  supplies: rig.supplies.map((supply) => (supply.id === 'shore' ? { ...supply, ...more } : supply)),
});

describe('when the power comes back', () => {
  const compressor: ExampleLoad = { w: 700, start: [3300, 0.5], usage: 'by-itself', kind: 'hermetic-rotary' };
  const rig = exampleRig(
    { left: compressor, right: compressor, saw: { w: 900, start: [4000, 0.5], usage: 'during-work' } },
    { watts: 3000, tiers: [[4800, 5]] },
  );

  it('adds starts of the same moment, which one after the other would hold (methods.md 8)', () => {
    expect(check(compile(rig), battery('left', 'right')).verdict).toBe('holds');
    const back = powerBackOf(compile(rig), battery('left', 'right'));
    expect(back?.verdict).toBe('trips');
    expect(back?.decider?.worst.stated).toBeCloseTo(6600, 6);
    expect(back?.switchOffFirst.map(({ id }) => id)).toEqual(['left']);
    expect(powerBackWords('point', rig, back!).line).toBe('Switch the left off before it comes back.');
  });

  it('lets restart waits more than 5 s apart pass one after the other', () => {
    const apart = (seconds: number) =>
      powerBackOf(compile(withLoad(rig, 'right', { restartWaitS: seconds })), battery('left', 'right'));
    expect(apart(5)?.verdict).toBe('trips');
    expect(apart(180)?.verdict).toBe('holds');
    expect(apart(180)?.waves.map(({ afterS }) => afterS)).toEqual([0, 180]);
    expect(powerBackWords('point', rig, apart(180)!).detail).toBe('At once: left. After 3 min: right.');
  });

  it('waits for a soft starter, and not for one that is bypassed', () => {
    const soft = (isBypassed: 'yes' | 'no') =>
      withLoad(rig, 'right', {
        parts: rig.loads[1]!.parts.map((part) => ({
          ...part,
          start: { ...part.start!, soft: { isBypassed } },
        })),
      });
    expect(
      powerBackOf(compile(soft('no')), battery('left', 'right'))?.waves.map(({ afterS }) => afterS),
    ).toEqual([0, 180]);
    expect(powerBackOf(compile(soft('yes')), battery('left', 'right'))?.verdict).toBe('trips');
  });

  it('keeps off what is known to let go, counts any other tool at worst, and never names what is protected (rule 37)', () => {
    const letsGo = withLoad(rig, 'saw', { afterOutage: 'stays-off' });
    expect(powerBackOf(compile(letsGo), battery('saw'))).toBeUndefined();
    const unknown = powerBackOf(compile(rig), battery('left', 'saw'));
    expect(unknown?.waves.flatMap(({ loads }) => loads.map(({ id }) => id))).toContain('saw');
    const guarded = withLoad(withLoad(rig, 'left', { isProtected: 'yes' }), 'saw', {
      afterOutage: 'restarts',
    });
    const back = powerBackOf(compile(guarded), battery('left', 'saw'));
    expect(back?.switchOffFirst.map(({ id }) => id)).toEqual(['saw']);
  });

  it('counts on each inverter what it feeds, and both on their bank', () => {
    const two: Rig = {
      ...rig,
      buses: rig.buses.map((bus) => (bus.id === 'out' ? { ...bus, poles: 'split-180' } : bus)),
      converters: (['l1', 'l2'] as const).map((pole) => ({
        ...rig.converters[0]!,
        id: pole,
        name: pole,
        pole,
      })),
      batteries: rig.batteries.map((each) => ({
        ...each,
        dischargeA: 250,
        tiers: [{ amps: 500, seconds: 5 }],
      })),
      circuits: (['l1', 'l2'] as const).map((pole) => ({ ...rig.circuits[0]!, id: pole, name: pole, pole })),
      loads: rig.loads.map((load) => ({ ...load, circuit: load.id === 'left' ? 'l1' : 'l2' })),
    };
    const back = powerBackOf(compile(two), battery('left', 'right'));
    expect(back?.decider?.element.kind).toBe('battery');
    expect(back?.decider?.worst.stated).toBeGreaterThan(6600 / 12);
  });
});

describe('a surge beside a start', () => {
  it('a compressor without a soft starter may stall against pressure, and caps the verdict at Tight (rule 17)', () => {
    const load = (kind: ExampleLoad['kind']) =>
      onShore(
        exampleRig(
          { cooler: { w: 700, start: [3300, 0.3], kind: kind! } },
          { watts: 3000, tiers: [[4800, 2]] },
        ),
        { assist: 'off' },
      );
    expect(check(compile(load('hermetic-rotary')), shore('cooler')).verdict).toBe('holds');
    expect(dropOutOf(compile(load('hermetic-rotary')), shore('cooler'))?.verdict).toBe('tight');
    expect(dropOutOf(compile(load('hermetic-rotary')), shore('cooler'))?.mayStall).toBe('cooler');
    expect(dropOutOf(compile(load('inverter-driven-compressor')), shore('cooler'))?.verdict).toBe('holds');
  });

  it('a shedder drops its load while the other one runs', () => {
    const rig: Rig = {
      ...exampleRig({ a: { w: 500 }, b: { w: 600 } }),
      shedders: [{ name: 'Shedder', watches: 'a', drops: 'b' }],
    };
    expect(check(compile(rig), battery('a', 'b')).notFed.map(({ because }) => because)).toEqual([
      '"Shedder" drops it while a runs',
    ]);
    expect(check(compile(rig), battery('b')).notFed).toEqual([]);
  });

  it('a saw bogged in the cut takes twice its running power for seconds, whatever else runs (methods.md 8)', () => {
    const rig = exampleRig(
      { saw: { w: 1200, start: [2300, 0.5], usage: 'during-work' }, heater: { w: 500 } },
      { watts: 2850 },
    );
    const bogging: Rig = withLoad(rig, 'saw', {
      parts: rig.loads[0]!.parts.map((part) => ({ ...part, bogs: 'yes' as const })),
    });
    expect(check(compile(rig), battery('saw', 'heater')).verdict).toBe('holds');
    const { verdict, limits } = check(compile(bogging), battery('saw', 'heater'));
    expect(verdict).toBe('trips');
    const bogged = limits.find(({ start }) => start?.cause === 'bogged');
    expect(bogged?.worst.stated).toBeCloseTo(2900, 6);
  });
});

describe('one more switch', () => {
  const rig = exampleRig({ heater: { w: 1400 } }, { watts: 3000, breakerA: 20 });

  it('fits up to what the weakest limit has left, to the watt (physics)', () => {
    const [weakest] = unplannedLoadsOf(rig, battery('heater'));
    // 20 A at 120 V are 2,400 W; 1,000 of them are left
    expect(weakest?.mostW).toBeGreaterThan(990);
    expect(weakest?.mostW).toBeLessThanOrEqual(1000);
    expect(weakest?.limit?.verdict).toBe('likely-trips');
    expect(unplannedLoadWords('point', rig, unplannedLoadsOf(rig, battery('heater')), 1500)?.line).toBe(
      '1,500 W more on Main likely trips it.',
    );
    expect(unplannedLoadWords('point', rig, unplannedLoadsOf(rig, battery('heater'), 800), 800)?.line).toBe(
      'Any one more of 800 W holds.',
    );
  });

  it('is asked only of circuits with free outlets, where any are marked', () => {
    const marked: Rig = {
      ...rig,
      circuits: rig.circuits.map((circuit) => ({
        ...circuit,
        ...(circuit.id === 'main' && { hasFreeOutlets: 'yes' as const }),
      })),
    };
    const names = (of: Rig) => unplannedLoadsOf(of, shore('heater')).map(({ circuit }) => circuit.name);
    expect(names(rig).sort()).toEqual(['Ahead', 'Main']);
    expect(names(marked)).toEqual(['Main']);
  });
});

describe('the dip of a start', () => {
  const loads = { cooler: { w: 1200, start: [7200, 0.3], startPf: 0.7, kind: 'hermetic-rotary' } } as const;
  const dip = (rig: Rig, scene: Parameters<typeof check>[1]) => dimmingOf(check(compile(rig), scene));

  it('is that of what lies before it, and told with what a soft starter leaves of it (worked example 8.1)', () => {
    const { given, comesTo } = workedExample('8.1');
    const [locked, startPf, volts, post, cord] = given;
    const cooler = { ...loads.cooler, start: [locked * volts, 0.3], startPf } as const;
    const rig = onShore(exampleRig({ cooler }), { sourceOhms: q(post + cord), assist: 'off' });
    const found = dip(
      { ...rig, converters: [], circuits: rig.circuits.map((c) => ({ ...c, bus: 'inlet' })) },
      shore('cooler'),
    );
    comesTo(found!.dip.stated, found!.remedies.find(({ what }) => what === 'soft-starter')!.dip);
    expect(found?.says).toBe('a strong blink');
  });

  it('is split into inverter, battery and cable, which add up, and told with what would help', () => {
    const rig = exampleRig(loads, { watts: 3000, tiers: [[9000, 1]] });
    const known: Rig = {
      ...rig,
      batteries: rig.batteries.map((each) => ({
        ...each,
        chemistry: 'lfp' as const,
        cable: { awg: '2/0' as const, metres: 2 },
      })),
    };
    const found = dip(known, battery('cooler'))!;
    expect(found.parts.map(({ what }) => what)).toEqual(['inverter', 'battery', 'battery-cable']);
    expect(found.parts.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(found.dip.stated, 9);
    // all that is left of the battery's part with a second one beside it is half of it
    const second = found.remedies.find(({ what }) => what === 'second-battery');
    expect(found.dip.stated - second!.dip).toBeCloseTo(found.parts[1]!.share / 2, 9);
    expect(dimmingWords('point', known, found).detail).toContain('with a soft starter');
  });

  it('on a generator follows its reactance, S / (S + S_gen / x) to first order (methods.md 7)', () => {
    const rig = exampleRig(loads);
    const set: Rig = {
      ...rig,
      converters: [],
      circuits: rig.circuits.map((circuit) => ({ ...circuit, bus: 'inlet' })),
      sources: [
        {
          id: 'shore',
          name: 'Set',
          kind: 'generator',
          bus: 'inlet',
          continuousW: q(6000),
          continuousVA: q(6000),
          tiers: [],
        },
      ],
    };
    expect(dip(set, shore('cooler'))?.parts).toEqual([jasmine.objectContaining({ what: 'generator' })]);
    const firstOrder = 7200 / (7200 + 6000 / 0.2);
    expect(Math.abs((dip(set, shore('cooler'))?.dip.stated ?? 0) - firstOrder)).toBeLessThan(0.05);
  });
});

describe('the advised input limit', () => {
  it('is 80 % of the least in the chain less what is ahead, and no less than the inverter needs (NEC 210.20, methods.md 7)', () => {
    const rig = onShore(
      exampleRig({ ahead: { w: 720, circuit: 'ahead' }, oven: { w: 3360 } }, { watts: 2400, shoreA: 30 }),
      { assist: 'on', inputLimitA: 26, cords: [{ plugA: 30, awg: '10' }] },
    );
    const withRelay: Rig = {
      ...rig,
      converters: rig.converters.map((each) => ({ ...each, canAssist: 'yes' as const, passThroughA: 50 })),
    };
    const limit = inputLimitOf(withRelay, check(compile(withRelay), shore('ahead', 'oven')));
    expect(limit?.atMostA).toBeCloseTo(18, 9);
    expect(limit?.atLeastA).toBeCloseTo(8, 9);
    expect(limit?.because).toBe('breaker');
    expect(inputLimitWords('point', limit!).line).toBe('At most 18 A. 26 A is set, more than that.');
    const onThinCord = onShore(withRelay, { cords: [{ plugA: 15, awg: '14' }] });
    expect(inputLimitOf(onThinCord, check(compile(onThinCord), shore('oven')))?.atMostA).toBeCloseTo(12, 9);
  });

  it('is bound by the volts where the post is weak (arrival test; low voltage by NEMA MG 1)', () => {
    const rig = onShore(exampleRig({ oven: { w: 1200 } }), {
      assist: 'on',
      inputLimitA: 20,
      volts: q(112),
      sourceOhms: q(0.4),
    });
    const weak: Rig = {
      ...rig,
      converters: rig.converters.map((each) => ({ ...each, canAssist: 'yes' as const, passThroughA: 50 })),
    };
    const limit = inputLimitOf(weak, check(compile(weak), shore('oven')));
    expect(limit?.because).toBe('low-voltage');
    expect(limit?.atMostA).toBeCloseTo(10, 9);
  });
});

describe('the voltage drop', () => {
  it('of 2 x 25 m of 2.5 mm² at 16 A is 2.8 % cold and more warm of 230 V, and is held against advice, not a limit (IEC 60228, from memory; physics)', () => {
    const rig = exampleRig({ kettle: { w: 16 * 230 } });
    const pitch: Rig = {
      ...rig,
      buses: rig.buses.map((bus) => (bus.kind === 'ac' ? { ...bus, volts: 230, hertz: 50 } : bus)),
      circuits: rig.circuits.map((circuit) => ({ ...circuit, cable: { mm2: 2.5, metres: 25 } })),
    };
    const result = check(compile(pitch), battery('kettle'));
    const [drop] = voltageDropsOf(pitch, result);
    // 7.98 ohm per km at 20 °C, there and back
    expect(drop?.share.lo).toBeCloseTo((2 * 25 * 0.00798 * 16) / 230, 6);
    expect(drop?.lostW).toBeCloseTo((drop?.share.stated ?? 0) * 16 * 230, 6);
    expect(voltageDropWords('point', [drop!])?.line).toContain('more than the 3 % advised');
    expect(notChecked(pitch, result)).not.toContain('voltage drop on the way to a load');
    expect(notChecked(rig, check(compile(rig), battery('kettle')))).toContain(
      'voltage drop on the way to a load',
    );
  });
});
