import type { PartKind } from '../../src/reference/kinds-of-parts.js';
import { powerBackOf } from '../../src/outlook/supply/power-back.js';
import { shortTimeFactor } from '../../src/protection/heating-time.js';
import type { Load, Part, Rig } from '../../src/rig-file/schema.js';
import { validateRig } from '../../src/rig-file/validate.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import type { LimitKind } from '../../src/check/limits/limit.js';
import { exampleLoad, exampleRig, on, q } from '../example-rig.js';

/** The examples of docs/methods.md 15, by the numbers of their rules; each figure is worked out there by hand. */
describe('worked example', () => {
  const resultOn = (rig: Rig, supply: string, ...ids: readonly string[]) =>
    check(compile(rig), { supply, on: on(...ids) });
  const limitOn = (kind: LimitKind, rig: Rig, supply: string, ...ids: readonly string[]) =>
    resultOn(rig, supply, ...ids).limits.find((limit) => limit.kind === kind);
  const withPart = (rig: Rig, id: string, part: Partial<Part>, load: Partial<Load> = {}): Rig => ({
    ...rig,
    loads: rig.loads.map((each) =>
      each.id === id ? { ...each, ...load, parts: each.parts.map((one) => ({ ...one, ...part })) } : each,
    ),
  });
  const withBattery = (rig: Rig, battery: Partial<Rig['batteries'][number]>): Rig => ({
    ...rig,
    batteries: rig.batteries.map((each) => ({ ...each, ...battery })),
  });

  it('35: a 15 A breaker stands at 15, 17.4 and 20.3 A', () => {
    const verdictAt = (amps: number) =>
      resultOn(exampleRig({ heater: { w: amps * 120 } }, { breakerA: 15 }), 'battery', 'heater').verdict;
    expect([15, 17, 18, 21].map(verdictAt)).toEqual(['holds', 'tight', 'likely-trips', 'trips']);
    const row = limitOn(
      'breaker',
      exampleRig({ heater: { w: 1800 } }, { breakerA: 15 }),
      'battery',
      'heater',
    );
    expect(row?.capacity.stated).toBeCloseTo(15 * Math.sqrt(1.35), 6);
  });

  it('36: a saw that starts again asks for 5,800 VA beside its extractor, and holds with the habit', () => {
    const rig = exampleRig(
      {
        saw: { w: 1200, start: [4800, 0.5], usage: 'during-work' },
        extractor: { w: 1000, start: [2500, 0.5] },
      },
      { watts: 3000, tiers: [[5500, 1]] },
    );
    const result = resultOn(rig, 'battery', 'saw', 'extractor');
    expect(result.verdict).toBe('trips');
    expect(result.limits.find(({ id }) => id.endsWith(':va:again'))?.worst.stated).toBeCloseTo(5800, 6);
    const habit = [{ load: 'saw' }, { load: 'extractor', offAtRestartOf: ['saw'] }];
    expect(check(compile(rig), { supply: 'battery', on: habit }).verdict).toBe('holds');
  });

  it('37: a saw of unknown switch comes back at worst, one that lets go does not', () => {
    const rig = exampleRig(
      { saw: { w: 1200, start: [4800, 0.5], usage: 'during-work' } },
      { watts: 3000, tiers: [[4000, 1]] },
    );
    const back = (load: Partial<Load>) =>
      powerBackOf(compile(withPart(rig, 'saw', {}, load)), { supply: 'battery', on: on('saw') });
    expect(back({})?.verdict).toBe('tight');
    expect(back({ afterOutage: 'stays-off' })).toBeUndefined();
  });

  it('38: a charger of which nothing is said draws 1,895 VA at worst for 200 Ah of lithium', () => {
    const rig = exampleRig({ lamp: { w: 1 } });
    const unsaid = {
      ...withBattery(rig, { chemistry: 'lfp' }),
      supplies: rig.supplies.map(({ charging: _off, ...supply }) => supply),
    };
    const row = limitOn('breaker', unsaid, 'shore', 'lamp');
    expect((row?.worst.hi ?? 0) * 120).toBeCloseTo(1 + (100 * 14.4) / 0.8 / 0.95, 3);
    expect(resultOn(unsaid, 'shore', 'lamp').ofSupply.map(({ kind }) => kind)).toContain('unknown-rating');
  });

  it('43: 100 Ah of lithium without amps give 100 A, and 50 A at worst', () => {
    const rig = withBattery(exampleRig({ heater: { w: 700 } }), {
      ampHours: q(100),
      dischargeA: undefined,
      chemistry: 'lfp',
    });
    const row = limitOn('battery', rig, 'battery', 'heater');
    expect(row?.capacity).toEqual({ pessimistic: 50, stated: 100, optimistic: 100 });
    expect(row?.verdict).toBe('tight');
  });

  it('44: a refrigerator entered as left on starts on top of everything', () => {
    const rig = exampleRig({
      fridge: { w: 150, start: [900, 0.3], kind: 'hermetic-reciprocating', usage: 'left-on' },
      heater: { w: 1000 },
    });
    const start = resultOn(rig, 'battery', 'fridge', 'heater').starts.find(
      ({ consumer }) => consumer.load.id === 'fridge',
    );
    expect(start?.moment).toBe('any-moment');
  });

  it('45: a shed heater stands beside the start, 4,500 VA, unless its shedder leads', () => {
    const rig = exampleRig(
      { heater: { w: 1500 }, motor: { w: 1000, start: [3000, 0.5] } },
      { watts: 3000, tiers: [[6000, 1]] },
    );
    const shed = (leadsStart?: 'yes'): Rig => ({
      ...rig,
      shedders: [{ name: 'Shedder', watches: 'motor', drops: 'heater', ...(leadsStart && { leadsStart }) }],
    });
    const startOn = (of: Rig) => limitOn('inverter-start-va', of, 'battery', 'heater', 'motor')?.worst.hi;
    expect(startOn(shed())).toBeCloseTo(4500, 6);
    expect(startOn(shed('yes'))).toBeCloseTo(3000, 6);
  });

  it('46: letter G of 1 hp at 115 V takes 6,849 VA at 120 V', () => {
    const rig = withPart(exampleRig({ motor: { w: 900, kind: 'split-phase-motor' } }), 'motor', {
      runningW: undefined,
      runningFrom: { horsepower: 1 },
      start: { from: { codeLetter: 'G', horsepower: 1 } },
    });
    const row = limitOn('inverter-start-va', rig, 'battery', 'motor');
    expect(row?.worst.stated).toBeCloseTo(6290 * (120 / 115) ** 2, 0);
  });

  it('47: breakers of which only the outdoors is known carry 0.901 of their rating at worst', () => {
    const rig: Rig = {
      ...exampleRig({ heater: { w: 1200 } }, { breakerA: 15 }),
      conditions: { outdoorC: 45 },
    };
    const row = limitOn('breaker', rig, 'battery', 'heater');
    expect(row?.capacity.pessimistic).toBeCloseTo(15 * Math.sqrt(1 - 15 / 80), 6);
  });

  it('48: a circuit between both legs of a panel with one pole is refused', () => {
    const rig = exampleRig({ heater: { w: 1200 } });
    const read = validateRig({
      ...rig,
      circuits: rig.circuits.map((circuit) => ({ ...circuit, pole: 'both' })),
    });
    expect(read.ok).toBeFalse();
  });

  it('49: a conductor of 15 min carries 2.35 times its rating for three minutes', () => {
    expect(shortTimeFactor(180, 900, 0)).toBeCloseTo(2.35, 2);
  });

  it('42: two motors on one switch start at once, 1,500 + 1,000 VA; the fan of a unit starts apart from its compressor', () => {
    const load = (kinds: readonly PartKind[]): Load => ({
      ...exampleLoad('unit', { w: 100 }),
      parts: kinds.map((kind, index) => ({
        ...exampleLoad('unit', { w: 100, kind, start: [index === 0 ? 1500 : 1000, 1] }).parts[0]!,
        id: kind,
      })),
    });
    const largest = (...kinds: readonly PartKind[]): number => {
      const rig = { ...exampleRig({}, { watts: 3000, va: 3000, tiers: [[5000, 5]] }), loads: [load(kinds)] };
      const { starts } = check(compile(rig), { supply: 'battery', on: on('unit') });
      const asked = starts.flatMap(({ limits }) => limits).filter(({ kind }) => kind === 'inverter-start-va');
      return Math.max(...asked.map(({ worst }) => Math.round(worst.stated)));
    };
    expect(largest('universal-motor', 'split-phase-motor')).toBe(2500);
    expect(largest('split-phase-motor', 'fan-motor')).toBe(2500);
    // beside the start of the one the other draws its 100 W
    expect(largest('hermetic-rotary', 'fan-motor')).toBe(1600);
    expect(largest('hermetic-rotary', 'shaded-pole-motor')).toBe(1600);
    expect(largest('fan-motor', 'shaded-pole-motor')).toBe(2500);
  });
});
