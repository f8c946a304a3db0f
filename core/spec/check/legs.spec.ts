import fc from 'fast-check';
import type { Rig, Supply } from '../../src/rig-file/schema.js';
import { check } from '../../src/check/check.js';
import { compile } from '../../src/check/wiring/compile.js';
import { limitLabel } from '../../src/words/names.js';
import { powerFlowsOf } from '../../src/outlook/supply/power-flows.js';
import { always } from '../always.js';
import { exampleRig, on, q, type ExampleLoad } from '../example-rig.js';

type Pole = 'l1' | 'l2' | 'both';

/** Two legs of 120 V: each load on a circuit of its own, on a leg or between both. */
function twoLegs(
  loads: Readonly<Record<string, ExampleLoad & { readonly pole: Pole }>>,
  more: {
    readonly converters?: (one: Rig['converters'][number]) => Rig['converters'];
    readonly supply?: Partial<Supply>;
    readonly watts?: number;
    readonly poles?: 'split-180' | 'two-poles-in-phase';
  } = {},
): Rig {
  const rig = exampleRig(loads, { watts: more.watts ?? 4000 });
  const poles = more.poles ?? 'split-180';
  return {
    ...rig,
    buses: rig.buses.map((bus) => (bus.kind === 'ac' ? { ...bus, poles } : bus)),
    converters: rig.converters.flatMap(
      (one) => more.converters?.(one) ?? [{ ...one, pole: 'both' as const }],
    ),
    circuits: Object.entries(loads).map(([id, { pole, circuit }]) => ({
      id: `${id}-circuit`,
      name: id,
      bus: circuit === 'ahead' ? 'inlet' : 'out',
      pole,
      protection: { amps: 100, curve: 'ul-489' as const },
    })),
    loads: rig.loads.map((load) => ({ ...load, circuit: `${load.id}-circuit` })),
    supplies: rig.supplies.map((supply) =>
      supply.id === 'shore' ? { ...supply, breaker: { amps: 50, curve: 'ul-489' }, ...more.supply } : supply,
    ),
  };
}

const battery = (...ids: string[]) => ({ supply: 'battery', on: on(...ids) });
const shore = (...ids: string[]) => ({ supply: 'shore', on: on(...ids) });
const demand = (rig: Rig, scene: Parameters<typeof check>[1], label: string) =>
  check(compile(rig), scene).limits.find((limit) => limitLabel('point', rig, limit) === label)?.worst.stated;

describe('a rig on two legs', () => {
  it('turns a load between two legs of 208 V by 30 degrees against those on one leg: 10 A and 10 A are 17.3 to 20 A (physics)', () => {
    // 10 A at power factor 1, and 2,080 W / 0.866 / 240 V of a motor that takes 10 A at 208 V, 30 degrees behind
    const powerFactor = Math.sqrt(3) / 2;
    const motor: ExampleLoad = {
      w: 2080 * powerFactor,
      pf: powerFactor,
      kind: 'fan-motor',
      start: [2500, 1],
      usage: 'by-itself',
    };
    const rig = twoLegs(
      { heater: { w: 1200, pole: 'l1' }, motor: { ...motor, pole: 'both' } },
      { supply: { legs: 'wye-208' } },
    );
    const onLeg = (leg: string, ...ids: string[]) =>
      check(compile(rig), shore(...ids)).limits.find(({ id }) => id === `shore:${leg}:amps`)?.worst;
    for (const leg of ['l1', 'l2']) expect(onLeg(leg, 'motor')?.hi).toBeCloseTo(10, 8);
    expect(onLeg('l1', 'heater', 'motor')?.hi).toBeCloseTo(20, 8);
    expect(onLeg('l1', 'heater', 'motor')?.lo).toBeCloseTo(10 * Math.sqrt(3), 8);
    // watts of both legs make up those of the loads
    const { fromSourceW } = powerFlowsOf(check(compile(rig), shore('motor')));
    expect(fromSourceW).toBeCloseTo(120 * 10 + 120 * 10 * 0.5, 6);
    const [start] = check(compile(rig), shore('heater', 'motor')).starts.filter(
      ({ consumer }) => consumer.load.id === 'motor',
    );
    const atStart = start?.limits.find(({ element }) => element.id === 'shore:l1')?.worst;
    // a locked rotor takes its current with the volts: 2,500 VA / 240 V x 208 / 240
    expect(atStart?.hi).toBeCloseTo(10 + (2500 / 240) * (208 / 240), 6);
  });

  it('give each leg of a split-phase inverter half of its rating: 4 kW is not 4 kW on one leg (physics)', () => {
    const rig = twoLegs({
      a: { w: 2500, pole: 'l1' },
      b: { w: 1500, pole: 'l2' },
      c: { w: 3900, pole: 'both' },
    });
    expect(check(compile(rig), battery('a')).verdict).toBe('trips');
    expect(check(compile(rig), battery('b')).verdict).toBe('holds');
    // half of a 240 V load is on each leg
    expect(check(compile(rig), battery('c')).verdict).toBe('holds');
    expect(demand(rig, battery('c'), 'Inverter, leg 1 running, W')).toBeCloseTo(1950, 8);
    expect(check(compile(rig), battery('b', 'c')).verdict).toBe('trips');
  });

  it('of two inverters have each the whole of its own', () => {
    const rig = twoLegs(
      { a: { w: 2500, pole: 'l1' }, b: { w: 2500, pole: 'l2' } },
      {
        watts: 2600,
        converters: (one) => [
          { ...one, id: 'one', name: 'One', pole: 'l1' },
          { ...one, id: 'two', name: 'Two', pole: 'l2' },
        ],
      },
    );
    expect(check(compile(rig), battery('a', 'b')).verdict).toBe('holds');
    expect(demand(rig, battery('a', 'b'), 'Two running, W')).toBe(2500);
    const alone = { ...rig, converters: rig.converters.slice(0, 1) };
    expect(check(compile(alone), battery('a', 'b')).notFed.map(({ because }) => because)).toEqual([
      'nothing feeds b',
    ]);
  });

  it('load each pole of a 50 A post by itself, loads ahead included (NEMA 14-50)', () => {
    const rig = twoLegs({
      a: { w: 4800, pole: 'l1' },
      ahead: { w: 1800, pole: 'l1', circuit: 'ahead' },
      b: { w: 1800, pole: 'l2' },
    });
    expect(demand(rig, shore('a', 'b', 'ahead'), 'Shore 50 A, leg 1')).toBeCloseTo(55, 8);
    expect(demand(rig, shore('a', 'b', 'ahead'), 'Shore 50 A, leg 2')).toBeCloseTo(15, 8);
    expect(powerFlowsOf(check(compile(rig), shore('a', 'b', 'ahead'))).fromSourceW).toBeCloseTo(8400, 6);
  });

  it('on one pole through an adapter carry their sum in one breaker, and no 240 V (methods.md 6 and 12)', () => {
    const rig = twoLegs(
      { a: { w: 1800, pole: 'l1' }, b: { w: 1200, pole: 'l2' }, c: { w: 1000, pole: 'both' } },
      { supply: { legs: 'in-phase', breaker: { amps: 30, curve: 'ul-489' } } },
    );
    const result = check(compile(rig), shore('a', 'b', 'c'));
    expect(demand(rig, shore('a', 'b', 'c'), 'Shore 30 A')).toBeCloseTo(25, 8);
    expect(result.notFed.map(({ because }) => because)).toEqual([
      'it needs 240 V, and both legs are one pole here',
    ]);
  });

  it('on one pole add up in a shared neutral that no breaker sees (methods.md, rule 12)', () => {
    const rig = twoLegs(
      { a: { w: 1800, pole: 'l1' }, b: { w: 1200, pole: 'l2' } },
      { supply: { legs: 'in-phase' } },
    );
    const paired: Rig = {
      ...rig,
      circuits: rig.circuits.map((circuit, index) => ({
        ...circuit,
        protection: { amps: 20, curve: 'ul-489' as const },
        ...(index === 0 && { sharesNeutralWith: 'b-circuit' }),
      })),
    };
    const neutral = (legs: 'in-phase' | 'opposed') =>
      check(
        compile({ ...paired, supplies: paired.supplies.map((supply) => ({ ...supply, legs })) }),
        shore('a', 'b'),
      ).limits.find(({ kind }) => kind === 'neutral');
    expect(neutral('in-phase')).toEqual(jasmine.objectContaining({ verdict: 'trips' }));
    expect(neutral('in-phase')?.worst.stated).toBeCloseTo(25, 8);
    expect(neutral('opposed')).toBeUndefined();
    const sizes = [20, 15];
    const mutual: Rig = {
      ...paired,
      circuits: paired.circuits.map((circuit, index) => ({
        ...circuit,
        protection: { amps: sizes[index] ?? 20, curve: 'ul-489' as const },
        sharesNeutralWith: paired.circuits[1 - index]?.id ?? '',
      })),
      supplies: paired.supplies.map((supply) => ({ ...supply, legs: 'in-phase' as const })),
    };
    const rows = check(compile(mutual), shore('a', 'b')).limits.filter(({ kind }) => kind === 'neutral');
    // one neutral whichever of them names the other, as strong as the smaller breaker
    expect(rows.map(({ capacity }) => capacity.stated)).toEqual([15]);
    expect(rows[0]?.worst.stated).toBeCloseTo(25, 8);
    const ofOne = check(compile(mutual), shore('b')).limits.find(({ kind }) => kind === 'neutral');
    expect(ofOne?.worst.stated).toBeCloseTo(10, 8);
  });

  it('of a 208 V service give a 240 V heater less, and draw less for it (physics)', () => {
    const rig = twoLegs({ heater: { w: 4800, pole: 'both' } }, { supply: { legs: 'wye-208' } });
    // 20 A at 240 V is 17.3 A at 208 V
    expect(demand(rig, shore('heater'), 'Shore 50 A, leg 1')).toBeCloseTo((20 * 208) / 240, 6);
  });

  it('of a low post make motors draw more and heaters less, as the volts have it (physics; methods.md 4)', () => {
    const rig = (kind: ExampleLoad['kind'], volts: number) =>
      twoLegs({ a: { w: 1500, pole: 'l1', ...(kind && { kind }) } }, { supply: { volts: q(volts) } });
    expect(demand(rig('resistance-heater', 126), shore('a'), 'Shore 50 A, leg 1')).toBeCloseTo(13.1, 1);
    expect(demand(rig('hermetic-rotary', 108), shore('a'), 'Shore 50 A, leg 1')).toBeCloseTo(1500 / 108, 6);
  });

  it('are the same whichever of them a set stands on', () => {
    const side = (a: Pole, b: Pole) =>
      twoLegs({
        a: { w: 1700, pole: a },
        b: { w: q(400, 'nameplate'), start: [1900, 0.4], pole: b, kind: 'split-phase-motor' },
        c: { w: 700, pole: 'both' },
      });
    const verdict = (rig: Rig, set: readonly string[]) => check(compile(rig), battery(...set)).verdict;
    const set = fc.subarray(['a', 'b', 'c']);
    always(
      fc.property(
        set,
        (ids) =>
          verdict(side('l1', 'l2'), ids) === verdict(side('l2', 'l1'), ids) &&
          verdict(side('l1', 'l1'), ids) === verdict(side('l2', 'l2'), ids),
      ),
    );
  });
});
