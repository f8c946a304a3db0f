import fc from 'fast-check';
import type { Basis } from '../../src/units/quantity.js';
import type { Bus, Load, Rig, Supply } from '../../src/rig-file/schema.js';
import { exampleRig, q } from '../example-rig.js';
import { FACTS } from './doubtful-numbers.js';

/** A system of every kind of part that the naive check of systems knows, and what is on in it. */
export interface AnySystem {
  readonly rig: Rig;
  readonly supply: string;
  readonly on: readonly { readonly load: string; readonly state?: string; readonly heldOff?: 'yes' }[];
}

const BASES: readonly Basis[] = ['measured', 'data-sheet', 'nameplate', 'typical', 'guess', 'setting'];
const maybe = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined });

const anyLoad = fc.record({
  kind: fc.constantFrom(...Object.keys(FACTS)) as fc.Arbitrary<Load['parts'][number]['kind']>,
  usage: fc.constantFrom<Load['usage']>('left-on', 'left-on', 'by-itself', 'during-work'),
  circuit: fc.constantFrom('main', 'main', 'second', 'pair', 'ahead', 'dc'),
  watts: fc.integer({ min: 40, max: 1500 }),
  basis: fc.constantFrom(...BASES),
  cause: maybe(fc.constantFrom('meter', 'hot day')),
  minutes: maybe(fc.constantFrom(120, 240, 480)),
  plugA: maybe(fc.constantFrom(10, 15)),
  isHeldOff: fc.constantFrom(false, false, true),
  level: maybe(fc.constantFrom<'lower' | 'pulses' | 'unknown'>('lower', 'pulses', 'unknown')),
  start: maybe(
    fc.record({
      multiple: fc.double({ min: 1.2, max: 6, noNaN: true }),
      seconds: fc.constantFrom(0.3, 0.5, 1, 3, 8),
      basis: fc.constantFrom(...BASES),
      secondsBasis: fc.constantFrom<Basis>('measured', 'typical', 'setting'),
      isSoft: fc.constantFrom(false, false, true),
    }),
  ),
});
type Example = typeof anyLoad extends fc.Arbitrary<infer T> ? T : never;

const anySupply = fc.record({
  id: fc.constantFrom('battery', 'battery', 'shore', 'generator'),
  assist: fc.constantFrom<'on' | 'off'>('on', 'off'),
  who: fc.constantFrom<'unknown' | 'inverter' | 'shared'>('unknown', 'inverter', 'shared'),
  limit: fc.integer({ min: 5, max: 30 }),
  shoreA: maybe(fc.constantFrom(15, 20, 30)),
  inletA: maybe(fc.constantFrom(15, 30)),
  othersA: maybe(fc.constantFrom(2, 6)),
  generatorW: maybe(fc.constantFrom(1600, 2800)),
  generatorBasis: fc.constantFrom<Basis>('setting', 'nameplate', 'guess'),
  charging: fc.constantFrom<'on' | 'off' | undefined>('on', 'off', undefined),
  chargeA: fc.constantFrom(20, 60, undefined),
  standAloneA: maybe(fc.constantFrom<number | 'unknown'>(30, 55, 'unknown')),
  receptacleA: maybe(fc.constantFrom(15, 20)),
  poles: fc.constantFrom<NonNullable<Bus['poles']>>('single', 'split-180', 'split-180', 'two-poles-in-phase'),
  legs: maybe(fc.constantFrom<NonNullable<Supply['legs']>>('opposed', 'in-phase', 'wye-208')),
  hasSharedNeutral: fc.boolean(),
  hasTiers: fc.constantFrom(true, true, true, false),
  conditions: maybe(
    fc.record({
      inverterC: maybe(fc.constantFrom(20, 38, 55, 64, 72)),
      altitudeM: maybe(fc.constantFrom(300, 1800, 2600)),
      outdoorC: maybe(fc.constantFrom(10, 38, 45)),
      panelC: maybe(fc.constantFrom(20, 50)),
    }),
  ),
  charge: maybe(fc.constantFrom(5, 15, 50, 95)),
  reservePercent: maybe(fc.constantFrom(5, 30)),
  batteries: fc.constantFrom<readonly Partial<Rig['batteries'][number]>[]>(
    [{ ohms: 0.004, dischargeA: 200 }],
    [{ chemistry: 'lfp', dischargeA: 200 }],
    [
      { ohms: 0.006, dischargeA: 120 },
      { ohms: 0.009, dischargeA: 90 },
    ],
    [{ ohms: 0.005, dischargeA: 100, chemistry: 'lfp' }, { ohms: 0.007 }],
    [
      { chemistry: 'lfp', dischargeA: 120 },
      { chemistry: 'lfp', dischargeA: 100 },
    ],
  ),
});
type AnySupply = typeof anySupply extends fc.Arbitrary<infer T> ? T : never;

/** Loads of a pair, by their places. */
type Pair = readonly [number, number];
const pair = maybe(fc.constantFrom<Pair>([0, 1], [1, 0], [1, 2], [2, 0]));

/** Few enough loads for every order of their starts to be tried. */
export const anySystem = anySystemOf(1, 4);

/** A system with so many loads. */
export function anySystemOf(minLength: number, maxLength: number): fc.Arbitrary<AnySystem> {
  return fc
    .record({
      loads: fc.array(anyLoad, { minLength, maxLength }),
      supply: anySupply,
      tie: pair,
      chain: fc.boolean(),
      lock: pair,
      shedder: pair,
      leadsStart: fc.boolean(),
    })
    .map(({ loads, supply, tie, chain, lock, shedder, leadsStart }) => {
      const rig = rigOf(loads, supply);
      const id = (place: number) => rig.loads[place]?.id ?? '';
      const exists = (both: Pair | undefined): both is Pair =>
        both?.every((place) => place < loads.length) ?? false;
      const ties = exists(tie) ? tiesOf(tie, chain && loads.length > 2) : [];
      return {
        supply: supply.id,
        on: loads.map(({ level, isHeldOff }, place) => ({
          load: id(place),
          ...(level && { state: 'low' }),
          ...(isHeldOff && { heldOff: 'yes' as const }),
        })),
        rig: {
          ...rig,
          ties: ties.map(([leader, follower]) => ({ leader: id(leader), follower: id(follower), delayS: 0 })),
          ...(exists(lock) && { locks: [{ id: 'lock', name: 'Lock', loads: lock.map(id) }] }),
          ...(exists(shedder) && {
            shedders: [
              {
                id: 'shed',
                name: 'Shedder',
                watches: id(shedder[0]),
                drops: id(shedder[1]),
                ...(leadsStart && { leadsStart: 'yes' as const }),
              },
            ],
          }),
        },
      };
    });
}

/** Loads that start together on a source: each sees of a start what passes through it. */
export const tiedOnSource = anySystem.filter(
  ({ rig, supply }) => (rig.ties ?? []).length > 0 && supply !== 'battery',
);

/** A tie, and where there is a third load one that starts with the follower. */
function tiesOf([leader, follower]: Pair, isChain: boolean): readonly Pair[] {
  const third = [0, 1, 2].find((place) => place !== leader && place !== follower)!;
  const first: Pair = [leader, follower];
  return isChain ? [first, [follower, third]] : [first];
}

function rigOf(examples: readonly Example[], supply: AnySupply): Rig {
  const tiers = [
    [3900, 60],
    [4800, 5],
    [6000, 0.5],
  ] as const;
  const { hasTiers, poles } = supply;
  const base = exampleRig({}, { watts: 2600, va: 3000, tiers: hasTiers ? tiers : [], breakerA: 20 });
  const breaker = (amps: number | undefined) =>
    amps === undefined ? {} : { breaker: { amps, curve: 'ul-489' as const } };
  const asTiers = (times: number) =>
    tiers.map(([va, seconds]) => ({
      limit: q((va / 3000) * times, 'data-sheet'),
      unit: 'VA' as const,
      seconds,
    }));
  const shared: Partial<Supply> = {
    assist: supply.assist,
    inputLimitA: supply.limit,
    whoCarriesStart: supply.who,
    ...(supply.charging && { charging: supply.charging }),
    ...(poles !== 'single' && supply.legs && { legs: supply.legs }),
  };
  const onPole = (pole: 'l1' | 'l2' | 'both') => (poles === 'single' ? {} : { pole });
  return {
    ...base,
    ...(supply.conditions && { conditions: supply.conditions }),
    buses: base.buses.map((bus) => (bus.kind === 'ac' ? { ...bus, poles } : bus)),
    loads: examples.map(loadOf),
    sources: [
      { id: 'shore', name: 'Shore', kind: 'inlet', bus: 'inlet', ...breaker(supply.inletA) },
      {
        id: 'generator',
        name: 'Generator',
        kind: 'generator',
        bus: 'inlet',
        ...(supply.generatorW !== undefined && {
          continuousW: q(supply.generatorW, supply.generatorBasis),
          continuousVA: q(supply.generatorW * 1.1, supply.generatorBasis),
          tiers: hasTiers ? asTiers(supply.generatorW) : [],
        }),
      },
    ],
    converters: [
      ...base.converters.map((converter) => ({
        ...converter,
        ...onPole('both'),
        canAssist: 'yes' as const,
        idleW: q(20),
        efficiencyPeak: q(0.93),
        efficiencyFull: q(0.88),
        cutOffV: 10.5,
        ...(supply.chargeA !== undefined && { chargeA: supply.chargeA }),
      })),
      ...(supply.standAloneA === undefined
        ? []
        : [
            {
              id: 'charger',
              name: 'Charger',
              kind: 'charger' as const,
              from: 'inlet',
              to: 'dc',
              continuousW: q(500),
              continuousVA: q(800),
              tiers: [],
              ...(supply.standAloneA !== 'unknown' && { chargeA: supply.standAloneA }),
            },
          ]),
    ],
    batteries: supply.batteries.map((battery, index) => ({
      id: `bank-${index}`,
      name: `Bank ${index}`,
      bus: 'dc',
      ampHours: q(200),
      restV: q(13),
      ...(supply.reservePercent !== undefined && { reservePercent: supply.reservePercent }),
      ...battery,
    })),
    scenes: base.scenes.map((scene) => ({
      ...scene,
      ...(supply.charge !== undefined && {
        charge: { percent: supply.charge, readAt: '2026-06-12T10:00:00Z' },
      }),
    })),
    circuits: [
      ...base.circuits.map((circuit) =>
        circuit.id === 'main'
          ? { ...circuit, ...onPole('l1'), ...(supply.hasSharedNeutral && { sharesNeutralWith: 'second' }) }
          : circuit,
      ),
      { id: 'pair', name: 'Pair', bus: 'out', protection: { amps: 15, curve: 'ul-489' }, ...onPole('both') },
      {
        id: 'second',
        name: 'Second',
        bus: 'out',
        protection: { amps: 15, curve: 'ul-489' },
        ...onPole('l2'),
        ...(supply.receptacleA !== undefined && { receptacleA: supply.receptacleA }),
      },
      { id: 'dc', name: 'DC', bus: 'dc', protection: { amps: 30, curve: 'ul-489' } },
    ],
    supplies: [
      { id: 'battery', name: 'On battery', sources: [] },
      {
        id: 'shore',
        name: 'Shore',
        sources: ['shore'],
        ...shared,
        ...breaker(supply.shoreA),
        ...(supply.othersA !== undefined && { otherLoadsA: q(supply.othersA) }),
      },
      { id: 'generator', name: 'Generator', sources: ['generator'], ...shared },
    ],
  };
}

function loadOf(example: Example, index: number): Load {
  const { kind, usage, circuit, watts, basis, cause, minutes, plugA, level, start } = example;
  return {
    id: `l${index}`,
    name: `l${index}`,
    circuit,
    usage,
    ...(minutes !== undefined && { runsMinutes: minutes }),
    ...(plugA !== undefined && { cord: { plugA } }),
    ...(level && {
      states: [{ id: 'low', name: 'Low', works: level, parts: [{ part: 'main', share: 0.4 }] }],
    }),
    parts: [
      {
        id: 'main',
        kind,
        runningW: { value: watts, basis, commonCause: cause },
        start: start && {
          va: { value: watts * start.multiple, basis: start.basis },
          seconds: { value: start.seconds, basis: start.secondsBasis },
          ...(start.isSoft && { soft: {} }),
        },
      },
    ],
  };
}
