import { softened } from '../../../src/loads/start/soft-starter.js';
import type { Converter, Load, Rig } from '../../../src/rig-file/schema.js';
import { compile } from '../../../src/check/wiring/compile.js';
import { fedLoads } from '../../../src/check/wiring/fed-loads.js';
import { inverterRating } from '../../../src/check/wiring/ratings.js';
import { check } from '../../../src/check/check.js';
import { exampleRig, on, q } from '../../example-rig.js';

describe('what a part is by its rules', () => {
  const rig = exampleRig({ lamp: { w: 100 } });
  const own = exampleRig({ pump: { w: 120, circuit: 'dc', minutes: 300 }, lamp: { w: 100 } });
  const withDc: Rig = {
    ...own,
    circuits: [
      ...own.circuits,
      { id: 'dc', name: 'DC', bus: 'dc', protection: { amps: 15, curve: 'ul-489' }, receptacleA: 12 },
    ],
  };

  it('is no 80 % of a plug on direct current: NEC 210.21(B) is of AC receptacles', () => {
    const { limits } = check(compile(withDc), { supply: 'battery', on: on('pump') });
    expect(limits.map(({ kind }) => kind)).toContain('plug-and-cord');
    expect(limits.map(({ kind }) => kind)).not.toContain('continuous-rule');
  });

  it('is a cable by the school of the rig: 12 AWG carries 25 A by NEC 310.16 and 45 A by ABYC E-11', () => {
    const carriedBy = (practice: Rig['practice'], cable: { awg: '12' } | { mm2: 2.5 } = { awg: '12' }) => {
      const circuits = rig.circuits.map((circuit) =>
        circuit.id === 'main' ? { ...circuit, cable } : circuit,
      );
      const { limits } = check(compile({ ...rig, circuits, practice }), {
        supply: 'battery',
        on: on('lamp'),
      });
      return limits.find(({ kind }) => kind === 'cable')?.capacity.stated;
    };
    expect([carriedBy(undefined), carriedBy({ ampacity: 'abyc' })]).toEqual([25, 45]);
    // a metric one is read from its own table, whichever school
    expect(carriedBy({ ampacity: 'abyc' }, { mm2: 2.5 })).toBe(carriedBy(undefined, { mm2: 2.5 }));
  });

  it('is one neutral where each of two circuits names the other', () => {
    const shared: Rig = {
      ...rig,
      circuits: rig.circuits.flatMap((circuit) =>
        circuit.id === 'main'
          ? [
              { ...circuit, sharesNeutralWith: 'other' },
              { ...circuit, id: 'other', name: 'Other', sharesNeutralWith: 'main' },
            ]
          : [circuit],
      ),
    };
    const neutrals = check(compile(shared), { supply: 'battery', on: on('lamp') }).elements.filter(
      ({ kind }) => kind === 'neutral',
    );
    expect(neutrals.map(({ id }) => id)).toEqual(['main:neutral']);
  });

  it('is not fed between two legs of different sources, nor where one of them is dead', () => {
    const [inverter] = rig.converters as [Converter];
    const pair: Load = { ...rig.loads[0]!, circuit: 'pair' };
    const twoLegs = (converters: readonly Converter[]): Rig => ({
      ...rig,
      buses: rig.buses.map((bus) => (bus.id === 'out' ? { ...bus, poles: 'split-180' } : bus)),
      circuits: [
        { id: 'pair', name: 'Pair', bus: 'out', pole: 'both', protection: { amps: 20, curve: 'ul-489' } },
      ],
      converters: [...converters],
      loads: [pair],
    });
    const why = (converters: readonly Converter[], supply: string) => {
      const own = twoLegs(converters);
      return fedLoads(
        own,
        own.supplies.find(({ id }) => id === supply)!,
        own.loads,
      ).notFed[0]?.because;
    };
    const { passThroughFrom: _from, ...alone } = inverter;
    const second = { ...alone, id: 'second', pole: 'l2' as const };
    expect(why([{ ...inverter, pole: 'l1' }, second], 'shore')).toBe(
      'its two legs are fed by different sources',
    );
    expect(why([{ ...inverter, pole: 'l1' }, second], 'battery')).toBeUndefined();
    expect(why([{ ...inverter, pole: 'l1' }], 'battery')).toBe('nothing feeds Pair');
  });

  it('is the rating of an inverter at its own doubt and that of its place: 3,000 W ± 100 W at 45 °C are 2,030 to 2,604 W', () => {
    const [inverter] = rig.converters as [Converter];
    const rated = { ...inverter, continuousW: q(3000, 'measured', { minus: 100, plus: 100 }) };
    const { continuousW } = inverterRating({ ...rig, conditions: { inverterC: 45 } }, rated, 1);
    const { value, minus = 0, plus = 0 } = continuousW;
    // 1.2 % a kelvin above 25 °C, 0.8 to 1.5 %
    expect([value - minus, value, value + plus].map((each) => Math.round(each))).toEqual([2030, 2280, 2604]);
    const bearing = inverterRating({ ...rig, practice: { losses: 'on-the-inverter-too' } }, inverter, 1);
    expect(bearing.continuousW.value).toBeLessThan(3000);
    expect(bearing.continuousW.value).toBeGreaterThan(2400);
  });

  it('is a softened start known as the more doubtful of start and share: measured once, typical all the same', () => {
    const full = { va: q(6000, 'nameplate'), seconds: q(0.3) };
    expect(softened(full, {}).va.basis).toBe('typical');
    expect(softened(full, { remaining: q(0.4, 'measured') }).va.basis).toBe('nameplate');
    expect(softened(full, { remaining: q(0.4, 'guess') }).va.basis).toBe('guess');
    expect(softened(full, { rampS: q(2, 'measured') }).seconds).toEqual(
      q(2, 'measured', { minus: 0.2, plus: 0.2 }),
    );
  });

  it('is the load that was changed, on every supply and without its sources, and no other', () => {
    const compiled = compile(withDc);
    const [pump, lamp] = withDc.loads as [Load, Load];
    const brighter: Load = { ...lamp, parts: [{ ...lamp.parts[0]!, runningW: q(500) }] };
    const changed = compiled.withNumbersOf(brighter);
    const watts = (of: typeof compiled, id: string, supply: 'on' | 'without' = 'on') =>
      of[supply]('shore').consumerOf(id)?.parts[0]?.running.watts.value;
    expect([watts(changed, 'lamp'), watts(changed, 'lamp', 'without')]).toEqual([500, 500]);
    expect([watts(compiled, 'lamp'), watts(changed, 'pump')]).toEqual([100, 120]);
    expect(changed.rig.loads).toEqual([pump, brighter]);
  });
});
