import fc from 'fast-check';
import type { FirstAnswers } from '../../src/first-run/answers.js';
import { findKinds } from '../../src/first-run/find-kinds.js';
import { MAINS, type MainsId } from '../../src/first-run/mains.js';
import { rigFromAnswers } from '../../src/first-run/rig-from-answers.js';
import { suggestedCircuit } from '../../src/first-run/suggested-circuit.js';
import { TYPICAL_LOADS, type TypicalLoad } from '../../src/reference/typical-loads.js';
import { validateRig } from '../../src/rig-file/validate.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import { VERDICTS } from '../../src/check/verdict.js';
import { always } from '../always.js';

const NOTHING: FirstAnswers = { name: 'Mine', mains: 'na-120', hookups: [], circuits: [], loads: [] };

function kind(id: string): TypicalLoad {
  const found = TYPICAL_LOADS.find((each) => each.id === id);
  if (!found) throw new Error(`No kind is called ${id}`);
  return found;
}

describe('a rig from the first answers', () => {
  it('gives a verdict on every supply, whatever is left open', () => {
    const number = fc.option(fc.integer({ min: 1, max: 5000 }), { nil: undefined });
    const amps = fc.constantFrom(6, 15, 30, 50);
    const stated = fc.record({
      value: fc.integer({ min: 1, max: 20 }),
      unit: fc.constantFrom('hp', 'A', 'W', 'VA'),
    });
    const load = fc.record({
      kind: fc.constantFrom(...TYPICAL_LOADS),
      stated: fc.option(stated, { nil: undefined }),
      count: fc.integer({ min: 1, max: 3 }),
      circuit: fc.constantFrom(undefined, 0, 1, 'own', 'own-pair' as const),
    });
    always(
      fc.property(
        fc.record({
          name: fc.constant('Mine'),
          mains: fc.constantFrom(...(Object.keys(MAINS) as MainsId[])),
          fedBy: fc.constantFrom('inverter', 'wall'),
          batteryAh: number,
          inverterVA: number,
          tiers: fc.array(fc.record({ va: fc.integer({ min: 1, max: 9000 }), seconds: amps }), {
            maxLength: 2,
          }),
          assists: fc.option(fc.boolean(), { nil: undefined }),
          charger: fc.constantFrom(undefined, 'in-inverter', 'separate', 'none'),
          hookups: fc.array(fc.record({ amps, plugA: fc.option(amps, { nil: undefined }) }), {
            maxLength: 2,
          }),
          generatorW: number,
          circuits: fc.constantFrom(
            [],
            [
              { name: 'Air', amps: 20 },
              { name: 'Outlets', amps: 15 },
            ],
          ),
          loads: fc.array(load, { maxLength: 4 }),
        }) as fc.Arbitrary<FirstAnswers>,
        (answers) => {
          const rig = rigFromAnswers(answers);
          const read = validateRig(rig);
          expect(read.ok ? [] : read.problems).toEqual([]);
          expect(rig.supplies.length).toBeGreaterThan(0);
          for (const supply of rig.supplies) {
            const on = rig.loads.map(({ id }) => ({ load: id }));
            expect(VERDICTS).toContain(check(compile(rig), { supply: supply.id, on }).verdict);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('takes a separate converter for a charger on the inlet, and an adapter for the plug of a second hookup', () => {
    const rig = rigFromAnswers({
      ...NOTHING,
      charger: 'separate',
      chargeA: 55,
      hookups: [{ amps: 30 }, { amps: 20, plugA: 15 }],
    });
    expect(rig.converters.map((each) => [each.kind, each.from, each.chargeA])).toEqual([
      ['inverter', 'dc', undefined],
      ['charger', 'inlet', 55],
    ]);
    expect(rig.supplies.map(({ name, breaker, cords }) => [name, breaker?.amps, cords?.[0]?.plugA])).toEqual([
      ['On battery', undefined, undefined],
      ['Shore 30 A', 30, undefined],
      ['Shore 20 A', 20, 15],
    ]);
  });

  it('puts a motor by its horsepower on a breaker of its own between two legs: 3 hp draw 17 A at 230 V, so 25 A (NEC Table 430.248, 240.6(A), 430.22, from memory)', () => {
    const rig = rigFromAnswers({
      ...NOTHING,
      mains: 'na-240',
      fedBy: 'wall',
      hookups: [{ amps: 60 }],
      circuits: [{ name: 'Outlets', amps: 20 }],
      loads: [{ kind: kind('cabinet-saw'), stated: { value: 3, unit: 'hp' }, circuit: 'own-pair' }],
    });
    const [, own] = rig.circuits;
    expect([own?.pole, own?.protection.amps]).toEqual(['both', 25]);
    expect(rig.loads[0]?.circuit).toBe(own?.id ?? '');
    expect(rig.loads[0]?.parts[0]?.runningFrom).toEqual({ horsepower: 3 });
    expect([rig.converters, rig.batteries, rig.supplies.map(({ name }) => name)]).toEqual([
      [],
      [],
      ['Wall 60 A'],
    ]);
  });

  it('makes so many of a load, each with its plate', () => {
    const rig = rigFromAnswers({
      ...NOTHING,
      loads: [{ kind: kind('space-heater'), count: 2, stated: { value: 12.5, unit: 'A' } }],
    });
    expect(rig.loads.map(({ name, parts }) => [name, parts[0]?.runningFrom?.amps?.value])).toEqual([
      ['Space heater, two levels', 12.5],
      ['Space heater, two levels 2', 12.5],
    ]);
  });
});

describe('the circuit a load is suggested to hang on (common practice, no published source)', () => {
  const CIRCUITS = ['Air conditioner', 'Outlets', 'Galley', 'Water heater', 'Microwave'];
  const on = (id: string, circuits = CIRCUITS) => circuits[suggestedCircuit(circuits, kind(id))];

  it('is the one that is named after it, or that its family is on', () => {
    expect(on('roof-air-large')).toBe('Air conditioner');
    expect(on('water-heater')).toBe('Water heater');
    expect(on('kettle')).toBe('Galley');
    expect(on('refrigerator')).toBe('Galley');
    expect(on('microwave')).toBe('Microwave');
    expect(on('laptop')).toBe('Outlets');
    expect(on('table-saw', ['Dust', 'Machines', 'Lights'])).toBe('Machines');
  });

  it('is never one that is named after another appliance, where there is any other', () => {
    expect(on('water-heater', ['Air', 'Main'])).toBe('Main');
    expect(on('hair-dryer', ['A/C', 'Water heater', 'Rear'])).toBe('Rear');
    expect(on('kettle', ['AC'])).toBe('AC');
  });
});

describe('finding a kind by what a person calls it', () => {
  const found = (words: string) => {
    const { kinds, stated } = findKinds('point', words);
    return { ids: kinds.map(({ id }) => id), stated };
  };

  it('reads horsepower, also as a fraction, and offers what has a motor', () => {
    const saws = found('saw 3 hp');
    expect(saws.stated).toEqual({ value: 3, unit: 'hp' });
    expect(saws.ids).toContain('cabinet-saw');
    expect(found('1/2 hp').stated).toEqual({ value: 0.5, unit: 'hp' });
    expect(found('2hp').ids).not.toContain('kettle');
  });

  it('offers first what usually draws about the watts that were typed', () => {
    expect(found('heater 1500 W').ids[0]).toBe('space-heater');
    expect(found('1.5 kW').stated).toEqual({ value: 1500, unit: 'W' });
  });

  it('knows everyday names, and what is in no list', () => {
    expect(found('hair dryer').ids).toContain('hair-dryer');
    expect(found('slow cooker').ids).toEqual(['slow-cooker']);
    expect(found('other').ids).toEqual([
      'other-heat',
      'other-motor',
      'other-compressor',
      'other-electronics',
    ]);
  });
});
