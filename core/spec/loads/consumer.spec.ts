import { consumerOf } from '../../src/loads/consumer.js';
import { runningPowerFactor, runningPowerOf } from '../../src/loads/running-power.js';
import type { Load, Part } from '../../src/rig-file/schema.js';
import { q } from '../example-rig.js';

const AC = { volts: 120, hertz: 60, current: 'ac' } as const;
const load = (...parts: readonly Part[]): Load => ({
  id: 'roof',
  name: 'Roof',
  circuit: 'main',
  usage: 'by-itself',
  parts: [...parts],
});
const part = (id: string, kind: Part['kind'], more: Partial<Part> = {}): Part => ({ id, kind, ...more });

describe('a load of several parts', () => {
  const fan = part('fan', 'split-phase-motor', { runningW: q(100, 'measured', { minus: 5, plus: 10 }) });
  const compressor = part('compressor', 'hermetic-rotary', { runningW: q(1000), powerFactor: q(0.8) });
  const states: Load['states'] = [
    { id: 'fan', name: 'Fan', works: 'lower', parts: [{ part: 'fan', share: 0.5 }] },
    {
      id: 'both',
      name: 'Both',
      works: 'lower',
      parts: [
        { part: 'fan', share: 1 },
        { part: 'compressor', share: 0.6 },
      ],
    },
    {
      id: 'pulsed',
      name: 'Pulsed',
      works: 'pulses',
      parts: [
        { part: 'fan', share: 0.5 },
        { part: 'compressor', share: 0 },
      ],
    },
  ];
  const inState = (id?: string) =>
    consumerOf({ ...load(fan, compressor), states }, AC, id).parts.map(
      ({ part: { id: name }, running: { watts } }) => [name, watts.value, watts.minus, watts.plus],
    );

  it('draws in a state what its parts draw there, each by its own share; a part without a share is off', () => {
    expect(inState()).toEqual([
      ['fan', 100, 5, 10],
      ['compressor', 1000, 0, 0],
    ]);
    expect(inState('fan')).toEqual([['fan', 50, 2.5, 5]]);
    expect(inState('both')).toEqual([
      ['fan', 100, 5, 10],
      ['compressor', 600, 0, 0],
    ]);
    // what pulses draws its full power each time (methods.md, rule 32), and nothing where it is off
    expect(inState('pulsed')).toEqual([['fan', 100, 5, 10]]);
  });

  it('is wrong together in all its numbers, with its meter, and with all that use the same usual power factor', () => {
    const metered = part('heater', 'universal-motor', {
      runningW: q(500, 'measured', { commonCause: 'meter' }),
    });
    const [term] = consumerOf(load(metered), AC).parts;
    expect(term?.running.watts.causes).toEqual(['load roof', 'cause meter']);
    expect(term?.running.nonActive.causes).toEqual([
      'load roof',
      'cause meter',
      'power factor of universal-motor',
    ]);
    const known = part('heater', 'universal-motor', { runningW: q(500), powerFactor: q(0.9, 'measured') });
    expect(consumerOf(load(known), AC).parts[0]?.running.nonActive.causes).toEqual(['load roof']);
    const usual = part('heater', 'universal-motor', { runningW: q(500), powerFactor: q(0.9, 'typical') });
    expect(consumerOf(load(usual), AC).parts[0]?.running.nonActive.causes).toContain(
      'power factor of universal-motor',
    );
    // a heater has one power factor: nothing to be wrong about
    const heater = part('heater', 'resistance-heater', { runningW: q(500) });
    expect(consumerOf(load(heater), AC).parts[0]?.running.nonActive.causes).toEqual(['load roof']);
  });

  it('known in VA has watts and var of the same VA at each edge of its power factor (physics: N = sqrt(S² - P²))', () => {
    const plate = part('tool', 'universal-motor', { runningFrom: { va: q(1000) }, powerFactor: q(0.8) });
    const half: Load['states'] = [
      { id: 'half', name: 'Half', works: 'lower', parts: [{ part: 'tool', share: 0.5 }] },
    ];
    const [term] = consumerOf({ ...load(plate), states: half }, AC, 'half').parts;
    expect([term?.running.watts.value, term?.running.nonActive.value]).toEqual([400, jasmine.any(Number)]);
    expect(term?.running.nonActive.value).toBeCloseTo(300, 9);
    expect(runningPowerOf(plate, AC).va?.value).toBe(1000);
  });

  it('has power factor 1 on direct current, and never more than 1 (rule 25)', () => {
    const motor = part('pump', 'universal-motor', { powerFactor: q(0.98, 'guess') });
    expect(runningPowerFactor(motor, { ...AC, current: 'dc' })).toEqual({ lo: 1, stated: 1, hi: 1 });
    expect(runningPowerFactor(motor, AC).hi).toBe(1);
    expect(runningPowerFactor(motor, AC).lo).toBeLessThan(0.98);
  });

  it('takes 50 Hz horsepower at the shaft from 200 V on, and by the table below and at 60 Hz (NEC 430.248)', () => {
    const motor = part('saw', 'capacitor-start-motor', { runningFrom: { horsepower: 1 } });
    const by = (hertz: number, volts: number) =>
      runningPowerOf(motor, { volts, hertz, current: 'ac' }).va?.basis;
    expect([by(50, 230), by(50, 110), by(60, 230)]).toEqual(['typical', 'table', 'table']);
    const {
      value = 0,
      minus = 0,
      plus = 0,
    } = runningPowerOf(motor, { volts: 230, hertz: 50, current: 'ac' }).va ?? {};
    // one horsepower is 745.7 W at the shaft: no motor draws less, none of its kind four times as much
    expect(value - minus).toBeGreaterThan(745.7);
    expect(value + plus).toBeLessThan(4 * 745.7);
  });

  it('turns cooling into watts by the ratio that is given, and by what is usual where none is', () => {
    const unit = (coolingPerWatt?: number) =>
      runningPowerOf(
        part('ac', 'hermetic-rotary', {
          runningFrom: { coolingW: q(3000), ...(coolingPerWatt && { coolingPerWatt }) },
        }),
        AC,
      ).watts;
    expect(unit(3)).toEqual(jasmine.objectContaining({ value: 1000, minus: 0, plus: 0 }));
    expect(unit().plus).toBeGreaterThan(0);
    expect(runningPowerOf(part('x', 'hermetic-rotary'), AC).watts).toEqual({ value: 0, basis: 'guess' });
  });
});
