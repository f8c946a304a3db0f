import { runningPowerOf } from '../../src/loads/running-power.js';
import { startSizeOf } from '../../src/loads/start/start-size.js';
import { systemOfLoad } from '../../src/loads/voltage-of-load.js';
import { withPlateIn, type PlateTarget } from '../../src/plate/plate-into-rig.js';
import { sayPlate } from '../../src/plate/say-plate.js';
import { TYPICAL_LOADS } from '../../src/reference/typical-loads.js';
import type { Rig } from '../../src/rig-file/schema.js';
import { validateRig } from '../../src/rig-file/validate.js';
import { plateChangeWords } from '../../src/plate/plate-change-words.js';
import { demoRig } from '../demo-rigs.js';

const tern = demoRig('tern');
const at = { volts: 120, hertz: 60, answers: {}, confirmed: 'all' as const };

/** The rig with the plate in it as a new load of the kind that the plate tells. */
function withLoad(text: string, confirmed: 'all' | ReadonlySet<string> = 'all', rig: Rig = tern) {
  const said = sayPlate(text, { ...at, confirmed });
  const [kind] = said.kinds.kinds;
  const target: PlateTarget = { into: 'new-load', kind: kind!, name: '', circuit: tern.circuits[0]!.id };
  const put = withPlateIn(rig, said, target);
  expect(validateRig(put.rig).ok).withContext(text).toBeTrue();
  const load = put.rig.loads.find(({ id }) => id === put.id)!;
  const system = systemOfLoad(put.rig, load);
  const [main] = load.parts;
  return {
    ...put,
    said,
    kind: kind!,
    load,
    main: main!,
    running: runningPowerOf(main!, system),
    start: startSizeOf(main!, system),
  };
}

describe('a plate in the rig', () => {
  it('of an air conditioner is its compressor, its fan and its start: locked-rotor amps times volts', () => {
    const { kind, load, main, start, missing } = withLoad('115V 60Hz 12.5A RLA 11.2 LRA 58 13500 BTU/H');
    expect(kind.family).toBe('Compressors');
    expect(main.runningFrom).toEqual({
      amps: { value: 11.2, basis: 'nameplate', note: 'RLA 11.2' },
      volts: 115,
    });
    expect(load.parts[1]!.runningFrom!.amps!.value).toBe(1.3);
    expect(load.ratedHertz).toBe(60);
    // A locked rotor is a constant impedance: 58 A at 115 V are 58 * 115 * (120 / 115)² VA at 120 V (physics).
    expect(start!.va.value).toBeCloseTo(58 * 115 * (120 / 115) ** 2, 6);
    expect(start!.origin).toBe('locked-rotor');
    expect(missing).toEqual(['power-factor']);
  });

  it('of a motor starts by its code letter, whose upper end is 8.99 kVA for each hp at K (NEC Table 430.7(B))', () => {
    const { kind, start, main } = withLoad('TABLE SAW 1.5 HP 120V 60Hz 15A 3450 RPM CODE K');
    expect(kind.id).toBe('cabinet-saw');
    expect(main.runningFrom!.amps!.value).toBe(15);
    expect(start!.va.value / 1.5 / 1000).toBeCloseTo(8.99, 2);
  });

  it('takes what a motor gives at its shaft for no input: volts, amps and power factor are (IEC 60034-8)', () => {
    const { running, main } = withLoad('1~ 120V 60Hz 1.1 kW cos φ 0.92 14.4A 3450 min-1');
    expect(main.runningW).toBeUndefined();
    expect(running.watts.value).toBeCloseTo(120 * 14.4 * 0.92, 6);
  });

  it('tells the power factor by watts, volts and amps, and a heater needs none', () => {
    const { main } = withLoad('REFRIGERATOR 120V 60Hz 1.6A 125W');
    expect(main.powerFactor!.value).toBe(0.65);
    expect(withLoad('ELECTRIC KETTLE 120V~ 60Hz 1500W').missing).toEqual([]);
  });

  it('keeps the doubt of both ends of a range', () => {
    const { running } = withLoad('KETTLE 110-120V 1300-1550W');
    expect(running.watts.value - running.watts.minus!).toBeLessThan(1300);
    expect(running.watts.value + running.watts.plus!).toBeGreaterThanOrEqual(1550);
  });

  it('read off a picture and not compared is a guess, and left out where the rig keeps no doubt', () => {
    const { main, load, used } = withLoad('ELECTRIC KETTLE 120V~ 60Hz 1500W', new Set());
    expect(main.runningW!.basis).toBe('guess');
    expect(main.runningW!.note).toContain('not compared');
    expect(load.ratedHertz).toBeUndefined();
    expect(used.map(({ quantity }) => quantity)).toEqual(['watts']);
    const compared = withLoad('ELECTRIC KETTLE 120V~ 60Hz 1500W', new Set(['main-watts', 'main-hertz']));
    expect(compared.main.runningW!.basis).toBe('nameplate');
    expect(compared.load.ratedHertz).toBe(60);
  });

  it('fills a load that is there, of which what the plate does not say stays', () => {
    const kettle = tern.loads.find(({ id }) => id === 'kettle')!;
    const said = sayPlate('KETTLE 120V 1350W', at);
    const put = withPlateIn(tern, said, { into: 'entry', list: 'loads', id: 'kettle' });
    const after = put.rig.loads.find(({ id }) => id === 'kettle')!;
    expect(after.parts[0]!.runningW!.value).toBe(1350);
    expect({ ...after, parts: [] }).toEqual({ ...kettle, parts: [] });
  });

  it('never takes the place of what was measured, nor of a power factor that it does not state', () => {
    const measured = tern.loads.find(({ parts }) => parts[0]!.start?.va?.basis === 'measured')!;
    const said = sayPlate('120V 60Hz 9A 1 HP CODE L RLA 4 LRA 20', at);
    const put = withPlateIn(tern, said, { into: 'entry', list: 'loads', id: measured.id });
    const [after] = put.rig.loads.find(({ id }) => id === measured.id)!.parts;
    expect(after!.start).toEqual(measured.parts[0]!.start);
    expect(put.kept).toContain('start');
    const kettle = tern.loads.find(({ id }) => id === 'kettle')!;
    const powerFactor = { value: 0.99, basis: 'measured' as const };
    const [part] = kettle.parts;
    const rig = {
      ...tern,
      loads: tern.loads.map((each) =>
        each === kettle ? { ...each, parts: [{ ...part!, powerFactor }] } : each,
      ),
    };
    const plain = withPlateIn(rig, sayPlate('1350W', at), { into: 'entry', list: 'loads', id: 'kettle' });
    expect(plain.rig.loads.find(({ id }) => id === 'kettle')!.parts[0]!.powerFactor).toEqual(powerFactor);
  });

  it('has a start wherever the plate states one, whatever was said before', () => {
    const kettle = tern.loads.find(({ id }) => id === 'kettle')!;
    const [part] = kettle.parts;
    for (const before of [part!, { ...part!, start: { none: 'yes' as const } }]) {
      const rig = {
        ...tern,
        loads: tern.loads.map((each) => (each === kettle ? { ...each, parts: [before] } : each)),
      };
      const put = withPlateIn(rig, sayPlate('120V RLA 9 LRA 50', at), {
        into: 'entry',
        list: 'loads',
        id: 'kettle',
      });
      const load = put.rig.loads.find(({ id }) => id === 'kettle')!;
      expect(startSizeOf(load.parts[0]!, systemOfLoad(put.rig, load))!.va.value).toBeCloseTo(50 * 120, 6);
    }
  });

  it('of an inverter, a generator or a battery fills theirs; a surge needs its seconds', () => {
    const inverter = 'PURE SINE INVERTER DC INPUT 12V AC OUTPUT 120V 60Hz 3000W SURGE 6000W';
    expect(sayPlate(inverter, at).device).toBe('converter');
    expect(sayPlate(inverter, at).open.map(({ kind }) => kind)).toEqual(['how-long']);
    const said = sayPlate(inverter, { ...at, answers: { 'how-long': '5' } });
    const [known] = tern.converters;
    const target: PlateTarget = { into: 'entry', list: 'converters', id: known!.id };
    expect(withPlateIn(tern, said, target).kept)
      .withContext('of a data sheet')
      .toEqual(['ratings']);
    const guess = (value: number) => ({ value, basis: 'guess' as const });
    const guessed = { ...known!, continuousW: guess(2000), continuousVA: guess(2000), tiers: [] };
    const put = withPlateIn({ ...tern, converters: [guessed] }, said, target);
    const [converter] = put.rig.converters;
    expect(converter!.continuousW.value).toBe(3000);
    expect(converter!.tiers).toEqual([jasmine.objectContaining({ seconds: 5 })]);
    expect(converter!.waveform).toBe('sine');

    const battery = sayPlate('LiFePO4 12.8V 100Ah 1280Wh C5 max discharge current 100A', at);
    expect(battery.device).toBe('battery');
    const held = withPlateIn(tern, battery, { into: 'new-entry', list: 'batteries', name: 'Second' });
    expect(held.rig.batteries.at(-1)).toEqual(
      jasmine.objectContaining({ name: 'Second', chemistry: 'lfp', ratedHours: 5, dischargeA: 100 }),
    );
    const generator = sayPlate('GENERATOR gasoline RATED 1800 VA 1600 W MAX 2200 VA 120V 60Hz', at);
    expect(generator.device).toBe('generator');
    const with5 = sayPlate('GENERATOR RATED 1800 VA 1600 W MAX 2200 VA 120V', {
      ...at,
      answers: { 'how-long': '30' },
    });
    const fed = withPlateIn(tern, with5, { into: 'new-entry', list: 'sources', name: '' });
    expect(fed.rig.sources.at(-1)!.continuousW!.value).toBe(1600);
    expect(validateRig(fed.rig).ok).toBeTrue();
  });

  it('says which numbers of the rig it changes, and counts none as used that stays as it was', () => {
    const changed = (text: string, target: PlateTarget, rig = tern) => {
      const put = withPlateIn(rig, sayPlate(text, at), target);
      return { ...put, words: plateChangeWords('point', 'us', rig, put) };
    };
    const bank: PlateTarget = { into: 'entry', list: 'batteries', id: tern.batteries[0]!.id };
    // One of two that are joined: what the rig has of both is about to be lost.
    expect(changed('LiFePO4 25.6V 200Ah', bank).words).toEqual(['amp-hours 400 Ah → 200 Ah']);
    expect(changed('LiFePO4 25.6V 400Ah', bank).words).withContext('the same').toEqual([]);
    expect(changed('KETTLE 120V 1350W', { into: 'entry', list: 'loads', id: 'kettle' }).words).toEqual([
      'running power 1,420 W → 1,350 W',
    ]);
    const kind = TYPICAL_LOADS.find(({ id }) => id === 'kettle')!;
    const fresh: PlateTarget = { into: 'new-load', kind, name: '', circuit: tern.circuits[0]!.id };
    expect(changed('KETTLE 120V 1350W', fresh).words).withContext('a new one').toEqual([]);
    const inverter: PlateTarget = { into: 'entry', list: 'converters', id: tern.converters[0]!.id };
    const kept = changed('INVERTER OUTPUT 120V RATED 3500VA 3000W', inverter);
    expect([kept.words, kept.used, kept.kept]).toEqual([[], [], ['ratings']]);
  });

  it('names kinds that the library has', () => {
    const ids = new Set(TYPICAL_LOADS.map(({ id }) => id));
    for (const words of [
      'KETTLE',
      'ROOF AIR CONDITIONER',
      'Kühlschrank',
      'aspirateur',
      'WET DRY VAC',
      'TABLE SAW',
      'PUMP',
    ])
      expect(
        ids.has(sayPlate(`${words} 120V`, at).kinds.kinds[0]!.id) &&
          sayPlate(`${words} 120V`, at).kinds.isTold,
      )
        .withContext(words)
        .toBeTrue();
    expect(sayPlate('120V 300W', at).kinds.isTold).toBeFalse();
  });
});
