import { supplyOf } from '../../../src/rig/lookup.js';
import type { Rig } from '../../../src/rig-file/schema.js';
import { check } from '../../../src/check/check.js';
import { compile } from '../../../src/check/wiring/compile.js';
import { powerFlowsOf } from '../../../src/outlook/supply/power-flows.js';
import type { SeriesElement } from '../../../src/check/wiring/series-elements.js';
import { wiringOf } from '../../../src/check/wiring/wiring.js';
import { exampleRig, on, q } from '../../example-rig.js';

const base = exampleRig({
  heater: { w: 1000 },
  boiler: { w: 1200, circuit: 'ahead' },
  lamp: { w: 24, circuit: 'low' },
});

/** The example system with a DC circuit, a generator and everything a current passes through. */
const rig: Rig = {
  ...base,
  sources: [
    ...base.sources,
    {
      id: 'generator',
      name: 'Generator',
      kind: 'generator',
      bus: 'inlet',
      continuousW: q(2000),
      continuousVA: q(2200),
      breaker: { amps: 20, curve: 'ul-489' },
    },
  ],
  converters: base.converters.map((converter) => ({
    ...converter,
    canAssist: 'yes' as const,
    passThroughA: 30,
    chargeA: 50,
    outputBreaker: { amps: 25, curve: 'ul-489' as const },
  })),
  batteries: base.batteries.map((battery) => ({ ...battery, dischargeA: 200 })),
  circuits: [
    ...base.circuits,
    { id: 'low', name: 'Low volt', bus: 'dc', protection: { amps: 10, curve: 'ul-489' } },
  ],
  supplies: [
    ...base.supplies.map((supply) =>
      supply.id === 'shore'
        ? {
            ...supply,
            cords: [{ plugA: 20 }],
            inputLimitA: 12,
            assist: 'on' as const,
            charging: 'on' as const,
          }
        : supply,
    ),
    { id: 'generator', name: 'On generator', sources: ['generator'] },
  ],
};

const elementsOn = (supply: string): readonly SeriesElement[] =>
  wiringOf(rig, supplyOf(rig, supply), rig.loads).elements;

const membersOf = (supply: string, kind: SeriesElement['kind']) =>
  elementsOn(supply)
    .filter((element) => element.kind === kind)
    .map((element) => [...element.members.keys()].sort().join(' '));

describe('the wiring', () => {
  it('passes through every series element between a load and what feeds it, and no other', () => {
    expect(elementsOn('battery').map((element) => element.kind)).toEqual([
      'inverter',
      'output-breaker',
      'branch-breaker',
      'branch-breaker',
      'battery',
      'load-volts',
    ]);
    expect(new Set(elementsOn('shore').map((element) => element.kind))).toEqual(
      new Set([
        'inverter',
        'source-breaker',
        'plug-and-cord',
        'output-breaker',
        'relay',
        'branch-breaker',
        'battery',
        'load-volts',
      ]),
    );
  });

  it('counts loads ahead of the inverter on the source alone, and DC loads on the battery alone', () => {
    expect(membersOf('shore', 'source-breaker')).toEqual(['boiler heater']);
    expect(membersOf('shore', 'relay')).toEqual(['heater']);
    expect(membersOf('shore', 'battery')).toEqual(['heater lamp']);
    expect(membersOf('battery', 'inverter')).toEqual(['heater']);
    expect(wiringOf(rig, supplyOf(rig, 'battery'), rig.loads).notFed.map((each) => each.load.id)).toEqual([
      'boiler',
    ]);
  });

  it('puts a generator in the place of shore, with limits of its own', () => {
    expect(membersOf('generator', 'generator')).toEqual(['boiler heater']);
    const result = check(compile(rig), { supply: 'generator', on: on('heater', 'boiler') });
    expect(result.decider?.kind).toBe('generator-watts');
    expect(result.verdict).toBe('trips');
  });

  it('has the breaker of the hookup and that of the inlet one behind the other', () => {
    const chained: Rig = {
      ...rig,
      sources: rig.sources.map((source) =>
        source.id === 'shore' ? { ...source, breaker: { amps: 15, curve: 'ul-489' } } : source,
      ),
    };
    const elements = wiringOf(chained, supplyOf(chained, 'shore'), chained.loads).elements;
    const amps = (kind: string) =>
      elements.flatMap((element) =>
        element.kind === kind && 'protection' in element ? [element.protection.amps] : [],
      );
    expect([amps('source-breaker'), amps('inlet-breaker')]).toEqual([[30], [15]]);
  });

  it('gives an inverter without pass-through its loads even where shore is connected', () => {
    const apart: Rig = {
      ...rig,
      converters: rig.converters.map(
        ({ passThroughFrom: _, ...converter }) => converter as Rig['converters'][number],
      ),
    };
    const [inverter] = wiringOf(apart, supplyOf(apart, 'shore'), apart.loads).elements;
    expect(inverter?.kind).toBe('inverter');
    expect([...(inverter?.members.keys() ?? [])]).toEqual(['heater']);
  });
});

describe('the power flows', () => {
  it('balance: what the source gives is what runs on it and what charges (physics: energy balance)', () => {
    const result = check(compile(rig), { supply: 'shore', on: on('heater', 'boiler') });
    const { fromSourceW, toChargeW } = powerFlowsOf(result);
    expect(fromSourceW - toChargeW).toBeCloseTo(2200, 9);
    // 12 A limit at 120 V leaves 440 VA beside the heater, 418 W at the charger's power factor of 0.95
    expect(toChargeW).toBeCloseTo(418, 9);
  });

  it('load the battery with what the limit leaves to the inverter, its losses and the DC loads', () => {
    const loads = { heater: { w: 2000 }, lamp: { w: 24, circuit: 'low' } };
    const heavy: Rig = { ...rig, loads: exampleRig(loads).loads };
    const result = check(compile(heavy), { supply: 'shore', on: on('heater', 'lamp') });
    const { fromSourceW, fromBatteryW, toChargeW } = powerFlowsOf(result);
    expect([fromSourceW, toChargeW]).toEqual([1440, 0]);
    expect(fromBatteryW).toBeGreaterThan(2000 - 1440 + 24);
    expect(fromBatteryW).toBeLessThan((2000 - 1440) * 1.2 + 24);
  });
});
