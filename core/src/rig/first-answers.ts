import type { Quantity } from '../quantity/quantity.js';
import type { Chemistry } from '../reference/batteries.js';
import type { TypicalLoad } from '../reference/typical-loads.js';
import { freeId } from './entries.js';
import { loadFromKind } from './new-entries.js';
import { RIG_FORMAT, RIG_VERSION, type Circuit, type Rig } from './schema.js';

/** The mains systems a new rig begins with. */
export const MAINS = {
  'na-120': { words: '120 V, 60 Hz', volts: 120, hertz: 60, poles: 'single', breaker: 'ul-489', amps: 15 },
  'na-240': {
    words: '120/240 V, 60 Hz, two legs',
    volts: 120,
    hertz: 60,
    poles: 'split-180',
    breaker: 'ul-489',
    amps: 15,
  },
  'eu-230': {
    words: '230 V, 50 Hz',
    volts: 230,
    hertz: 50,
    poles: 'single',
    breaker: 'iec-60898-b',
    amps: 16,
  },
} as const;
export type MainsId = keyof typeof MAINS;

/** What the eight questions ask; whatever is left open is undefined. */
export interface FirstAnswers {
  readonly name: string;
  readonly mains: MainsId;
  readonly batteryV?: number | undefined;
  readonly batteryAh?: number | undefined;
  readonly chemistry?: Chemistry | undefined;
  readonly inverterW?: number | undefined;
  readonly inverterVA?: number | undefined;
  readonly surgeVA?: number | undefined;
  readonly surgeS?: number | undefined;
  readonly assists?: boolean | undefined;
  /** Breaker of the usual post; undefined where there is no hookup. */
  readonly hookupA?: number | undefined;
  readonly solarW?: number | undefined;
  readonly generatorVA?: number | undefined;
  /** Names of the circuits behind the inverter. */
  readonly circuits: readonly { readonly name: string; readonly amps: number }[];
  readonly loads: readonly TypicalLoad[];
}

const typical = (value: number): Quantity => ({ value, basis: 'typical' });
const plate = (value: number): Quantity => ({ value, basis: 'nameplate' });
/** As much as the rig file takes. */
const MOST_VA = 100_000;
const USUAL = {
  batteryV: 12.8,
  batteryAh: 100,
  inverterVA: 2000,
  surgeShare: 2,
  surgeS: 1,
  reservePercent: 20,
};

/**
 * A rig from the first answers, volts, watts and amps as asked: complete enough for a verdict where each is
 * within what the rig file takes. What was left open is filled with what is
 * usual and marked as typical, so that the doubt of it shows where it decides.
 */
export function rigFromAnswers(answers: FirstAnswers): Rig {
  const withoutLoads: Rig = {
    format: RIG_FORMAT,
    version: RIG_VERSION,
    id: freeId(answers.name, []),
    name: answers.name.trim() || 'My rig',
    buses: busesOf(answers),
    sources: sourcesOf(answers),
    converters: [inverterOf(answers)],
    batteries: [
      {
        id: 'battery',
        name: 'Battery',
        bus: 'dc',
        ...(answers.chemistry && { chemistry: answers.chemistry }),
        ampHours: answers.batteryAh === undefined ? typical(USUAL.batteryAh) : plate(answers.batteryAh),
        reservePercent: USUAL.reservePercent,
      },
    ],
    ...(answers.solarW !== undefined && {
      solar: [{ id: 'solar', name: 'Solar', bus: 'dc', stcW: plate(answers.solarW) }],
    }),
    circuits: circuitsOf(answers),
    loads: [],
    supplies: suppliesOf(answers),
    scenes: [{ id: 'now', name: 'Now', supply: 'battery', on: [] }],
  };
  return answers.loads.reduce<Rig>(
    (rig, kind, index) => ({
      ...rig,
      loads: [...rig.loads, loadFromKind(rig, kind, circuitFor(rig, index))],
    }),
    withoutLoads,
  );
}

/** Loads are spread over the circuits in turn until the user says where they hang. */
function circuitFor({ circuits }: Rig, index: number): string {
  return circuits[index % circuits.length]?.id ?? '';
}

function busesOf({ mains, batteryV }: FirstAnswers): Rig['buses'] {
  const { volts, hertz, poles } = MAINS[mains];
  const ac = { kind: 'ac', volts, hertz, poles } as const;
  return [
    { id: 'dc', name: 'Battery side', kind: 'dc', volts: batteryV ?? USUAL.batteryV },
    { id: 'inlet', name: 'Inlet', ...ac },
    { id: 'panel', name: 'Panel', ...ac },
  ];
}

function inverterOf(answers: FirstAnswers): Rig['converters'][number] {
  const { inverterVA, inverterW, surgeVA, surgeS, assists, mains } = answers;
  const va = inverterVA ?? inverterW ?? USUAL.inverterVA;
  const isKnown = inverterVA !== undefined || inverterW !== undefined;
  const state = isKnown ? plate : typical;
  const hasLegs = MAINS[mains].poles === 'split-180';
  return {
    id: 'inverter',
    name: 'Inverter',
    kind: 'inverter-charger',
    from: 'dc',
    to: 'panel',
    passThroughFrom: 'inlet',
    ...(hasLegs && { pole: 'both' as const }),
    continuousW: state(inverterW ?? va),
    continuousVA: state(va),
    tiers: [
      {
        limit: surgeVA === undefined ? typical(Math.min(MOST_VA, va * USUAL.surgeShare)) : plate(surgeVA),
        unit: 'VA',
        seconds: surgeS ?? USUAL.surgeS,
      },
    ],
    ...(assists !== undefined && { canAssist: assists ? ('yes' as const) : ('no' as const) }),
  };
}

function sourcesOf({ hookupA, generatorVA }: FirstAnswers): Rig['sources'] {
  return [
    ...(hookupA === undefined
      ? []
      : [{ id: 'shore', name: 'Shore inlet', kind: 'inlet' as const, bus: 'inlet' }]),
    ...(generatorVA === undefined
      ? []
      : [
          {
            id: 'generator',
            name: 'Generator',
            kind: 'generator' as const,
            bus: 'inlet',
            continuousVA: plate(generatorVA),
            continuousW: plate(generatorVA),
          },
        ]),
  ];
}

function suppliesOf({ mains, hookupA, generatorVA, assists }: FirstAnswers): Rig['supplies'] {
  const assist = assists === true ? ('on' as const) : ('off' as const);
  return [
    { id: 'battery', name: 'On battery', sources: [] },
    ...(hookupA === undefined
      ? []
      : [
          {
            id: 'shore',
            name: `Shore ${hookupA} A`,
            sources: ['shore'],
            breaker: { amps: hookupA, curve: MAINS[mains].breaker },
            assist,
            charging: 'on' as const,
          },
        ]),
    ...(generatorVA === undefined
      ? []
      : [{ id: 'generator', name: 'Generator', sources: ['generator'], assist, charging: 'off' as const }]),
  ];
}

function circuitsOf({ mains, circuits }: FirstAnswers): Rig['circuits'] {
  const { breaker, amps, poles } = MAINS[mains];
  const wanted = circuits.length > 0 ? circuits : [{ name: 'Outlets', amps }];
  return wanted.reduce<readonly Circuit[]>(
    (before, circuit, index) => [
      ...before,
      {
        id: freeId(
          circuit.name,
          before.map(({ id }) => id),
        ),
        name: circuit.name,
        bus: 'panel',
        ...(poles === 'split-180' && { pole: index % 2 === 0 ? ('l1' as const) : ('l2' as const) }),
        protection: { amps: circuit.amps, curve: breaker },
      },
    ],
    [],
  ) as Circuit[];
}
