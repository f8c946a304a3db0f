import fc from 'fast-check';
import type { Basis } from '../../src/units/quantity.js';
import type { Load, Rig } from '../../src/rig-file/schema.js';
import { check } from '../../src/check/check.js';
import { compile } from '../../src/check/wiring/compile.js';
import { always, cases, SEED } from '../always.js';
import { exampleRig, on, q } from '../example-rig.js';
import { compareFigures, compareSystems } from './compare.js';
import { tiedOnSource } from './any-system.js';
import { FACTS } from './doubtful-numbers.js';
import { naiveVerdict } from './naive-check.js';

const BASES: readonly Basis[] = ['measured', 'data-sheet', 'nameplate', 'typical', 'guess', 'setting'];

const anyLoad = fc.record({
  kind: fc.constantFrom(...Object.keys(FACTS)) as fc.Arbitrary<Load['parts'][number]['kind']>,
  usage: fc.constantFrom<Load['usage']>('left-on', 'left-on', 'by-itself', 'during-work'),
  circuit: fc.constantFrom('main', 'second', 'third'),
  watts: fc.integer({ min: 40, max: 1500 }),
  basis: fc.constantFrom(...BASES),
  cause: fc.option(fc.constantFrom('meter', 'hot day'), { nil: undefined }),
  start: fc.option(
    fc.record({
      multiple: fc.double({ min: 1.2, max: 6, noNaN: true }),
      seconds: fc.constantFrom(0.3, 0.5, 1, 3, 8),
      basis: fc.constantFrom(...BASES),
      secondsBasis: fc.constantFrom<Basis>('measured', 'typical', 'setting'),
      isSoft: fc.constantFrom(false, false, true),
    }),
    { nil: undefined },
  ),
});

const anySupply = fc.record({
  id: fc.constantFrom('battery', 'shore'),
  assist: fc.constantFrom<'on' | 'off'>('on', 'off'),
  who: fc.constantFrom<'unknown' | 'inverter' | 'shared'>('unknown', 'inverter', 'shared'),
  limit: fc.integer({ min: 5, max: 30 }),
  shoreA: fc.constantFrom(15, 20, 30),
  hasTwoLegs: fc.boolean(),
  battery: fc.option(
    fc.record({ ohms: fc.constantFrom(0.002, 0.006, 0.012), dischargeA: fc.constantFrom(120, 180, 300) }),
    { nil: undefined },
  ),
});

function rigOf(
  examples: readonly (typeof anyLoad extends fc.Arbitrary<infer T> ? T : never)[],
  supply: typeof anySupply extends fc.Arbitrary<infer T> ? T : never,
): Rig {
  const base = exampleRig(
    {},
    {
      watts: 2600,
      va: 3000,
      tiers: [
        [3900, 60],
        [4800, 5],
        [6000, 0.5],
      ],
      breakerA: 20,
      shoreA: supply.shoreA,
    },
  );
  const loads = examples.map((example, index): Load => ({
    id: `l${index}`,
    name: `l${index}`,
    circuit: example.circuit,
    usage: example.usage,
    parts: [
      {
        id: 'main',
        kind: example.kind,
        runningW: { value: example.watts, basis: example.basis, commonCause: example.cause },
        start: example.start && {
          va: { value: example.watts * example.start.multiple, basis: example.start.basis },
          seconds: { value: example.start.seconds, basis: example.start.secondsBasis },
          ...(example.start.isSoft && { soft: {} }),
        },
      },
    ],
  }));
  return {
    ...base,
    loads,
    buses: base.buses.map((bus) =>
      bus.kind === 'ac' && supply.hasTwoLegs ? { ...bus, poles: 'split-180' as const } : bus,
    ),
    circuits: [
      ...base.circuits.map((circuit) => ({ ...circuit, ...(supply.hasTwoLegs && { pole: 'l1' as const }) })),
      ...(['second', 'third'] as const).map((id) => ({
        id,
        name: id,
        bus: 'out',
        protection: { amps: 15, curve: 'ul-489' as const },
        ...(supply.hasTwoLegs && { pole: id === 'second' ? ('l2' as const) : ('both' as const) }),
      })),
    ],
    batteries: base.batteries.map((battery) => ({
      ...battery,
      ...(supply.id === 'battery' && supply.battery && { ...supply.battery, restV: q(13) }),
    })),
    converters: base.converters.map((converter) => ({
      ...converter,
      canAssist: 'yes' as const,
      ...(supply.hasTwoLegs && { pole: 'both' as const }),
      idleW: q(20),
      efficiencyPeak: q(0.93),
      efficiencyFull: q(0.88),
      cutOffV: 10.5,
    })),
    supplies: base.supplies.map((each) =>
      each.id === 'shore'
        ? { ...each, assist: supply.assist, inputLimitA: supply.limit, whoCarriesStart: supply.who }
        : each,
    ),
  };
}

describe('the check', () => {
  it('gives the verdict of the naive second check on random systems, both edges, every order tried', () => {
    const seen: Record<string, number> = {};
    always(
      fc.property(fc.array(anyLoad, { minLength: 1, maxLength: 5 }), anySupply, (examples, supply) => {
        const rig = rigOf(examples, supply);
        const ids = rig.loads.map((load) => load.id);
        const naive = naiveVerdict(rig, supply.id, ids);
        seen[`${supply.id} ${naive}`] = (seen[`${supply.id} ${naive}`] ?? 0) + 1;
        return check(compile(rig), { supply: supply.id, on: on(...ids) }).verdict === naive;
      }),
      { numRuns: 60 },
    );
    // a fuzz that only meets one verdict proves nothing
    expect(Object.keys(seen).length).toBeGreaterThanOrEqual(Math.min(6, cases(60) / 3));
  });

  it('gives it on whole systems too: ties, locks, shedders, levels, DC loads, chargers, generators, unknown ratings', () => {
    const seen = compareSystems(cases(300), SEED);
    // every verdict on every kind of supply, or the fuzz proves little
    expect(seen.size).toBeGreaterThanOrEqual(Math.min(12, cases(300) / 3));
  });

  it('has every figure of every limit of such systems as the naive check has it, steady and at each start', () => {
    const alike = compareFigures(cases(100), SEED);
    // kinds of limit: all that such systems can have, but for the rarest
    expect(alike.size).toBeGreaterThan(16);
  });

  it('has them where loads start together on a source, ahead of an inverter and behind it', () => {
    expect(compareFigures(cases(60), SEED, tiedOnSource).get('breaker-start')).toBeGreaterThan(0);
  });
});
