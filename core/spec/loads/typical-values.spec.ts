import { typicalAt } from '../../src/outlook/typical-values.js';
import { TYPICAL_LOADS } from '../../src/reference/typical-loads.js';
import { loadFromKind } from '../../src/rig/new-entries.js';
import type { Rig } from '../../src/rig-file/schema.js';
import { exampleRig, q } from '../example-rig.js';

const base = exampleRig({ heater: { w: 1000 }, pump: { w: 600, pf: 0.8, kind: 'split-phase-motor' } });
const rig: Rig = {
  ...base,
  batteries: [{ ...base.batteries[0]!, chemistry: 'lfp' }],
  loads: [
    ...base.loads,
    {
      ...base.loads[0]!,
      id: 'fridge',
      name: 'fridge',
      parts: [{ id: 'main', kind: 'hermetic-reciprocating', runningW: q(80) }],
    },
  ],
};

const valueAt = (place: string): number | undefined => {
  const found = typicalAt(rig, place);
  return typeof found === 'object' ? found.value : found;
};

describe('what is usual at a place', () => {
  it('of a heater is a power factor of 1 and no start', () => {
    expect(valueAt('loads[0].parts[0].powerFactor')).toBe(1);
    expect(typicalAt(rig, 'loads[0].parts[0].start.va')).toBeUndefined();
    expect(typicalAt(rig, 'loads[0].restartWaitS')).toBeUndefined();
  });

  it('of a motor is a start of several times what it draws, with the doubt of its kind (methods.md 3)', () => {
    const start = typicalAt(rig, 'loads[1].parts[0].start.va');
    const running = 600 / 0.8;
    expect(valueAt('loads[1].parts[0].start.va')).toBeGreaterThan(4 * running);
    expect(valueAt('loads[1].parts[0].start.va')).toBeLessThan(10 * running);
    expect(start).toEqual(jasmine.objectContaining({ basis: 'typical' }));
    expect(valueAt('loads[1].parts[0].start.powerFactor')).toBeLessThan(0.9);
  });

  it('of a compressor is a wait of 3 minutes before it starts again (common practice, no published source)', () => {
    expect(valueAt('loads[2].restartWaitS')).toBe(180);
  });

  it('of an inverter are its idle draw and its efficiencies, the best above that at full power', () => {
    expect(valueAt('converters[0].idleW')).toBeLessThan(0.02 * 3000);
    expect(valueAt('converters[0].efficiencyPeak')).toBeGreaterThan(
      valueAt('converters[0].efficiencyFull') ?? Infinity,
    );
  });

  it('of a lithium iron phosphate battery are a few milliohms (methods.md 6)', () => {
    expect(valueAt('batteries[0].ohms')).toBeGreaterThan(0.0005);
    expect(valueAt('batteries[0].ohms')).toBeLessThan(0.02);
  });

  it('is nothing where nothing is, or where no such place is', () => {
    for (const place of [
      'name',
      'circuits[0].name',
      'loads[9].parts[0].powerFactor',
      'loads[0].parts[7].powerFactor',
    ])
      expect(typicalAt(rig, place)).withContext(place).toBeUndefined();
  });

  it('lies within the range of its kind for every load of the library', () => {
    for (const kind of TYPICAL_LOADS) {
      const load = loadFromKind(rig, kind, 'main');
      const withIt: Rig = { ...rig, loads: [load] };
      kind.parts.forEach(({ watts }, index) => {
        const running = load.parts[index]?.runningW;
        expect(running?.value).withContext(kind.name).toBeGreaterThanOrEqual(watts.low);
        expect(running?.value).withContext(kind.name).toBeLessThanOrEqual(watts.high);
        const factor = typicalAt(withIt, `loads[0].parts[${index}].powerFactor`);
        expect(typeof factor === 'object' && factor.value > 0 && factor.value <= 1)
          .withContext(kind.name)
          .toBeTrue();
      });
    }
  });
});
